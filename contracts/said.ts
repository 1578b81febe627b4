import type { IssueRooms } from '#core/measure'
import { ISSUES as anatomy } from '../core/anatomy/issues.ts'
import { ISSUES as carcass } from '../core/carcass/issues.ts'
import { ISSUES as hand } from '../core/hand/issues.ts'
import { ISSUES as ledger } from '../core/ledger/issues.ts'
import { ISSUES as line } from '../core/line/issues.ts'
import { ISSUES as papers } from '../core/papers/issues.ts'
import { ISSUES as plan } from '../core/plan/issues.ts'
import { ISSUES as reading } from '../core/reading/issues.ts'
import { ISSUES as records } from '../core/records/issues.ts'
import { ISSUES as measure } from '../core/measure/issues.ts'

export { sayIssue } from '#core/measure'

/** Rooms of the server say their own where they stand. */
type CoreRoom = Exclude<keyof IssueRooms, `server-${string}`>
/** What every room of the core refuses: where one of these is said, all of their sentences are there. */
export const SAID: { readonly [R in CoreRoom]: IssueRooms[R] } = {
  measure,
  anatomy,
  carcass,
  hand,
  ledger,
  line,
  papers,
  plan,
  reading,
  records,
}
