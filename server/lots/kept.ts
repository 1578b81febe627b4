import same from 'fast-deep-equal'
import type { Kept } from '../store/outcomes.ts'
import type { Tx } from '../store/tx.ts'
import { selectSince } from './queries.ts'

/** Kept: what a lot has since it was at revision `from`. */
export const kept = async (tx: Tx, id: string, from: number): Promise<Kept> => ({
  result: 'kept',
  change: (await selectSince(tx, id, from))!.change,
})

/** What is sent again is kept once, from before its own first row on; another under its id is refused, with both. */
export const again = (tx: Tx, lot: string, rev: number, held: unknown, sent: unknown): Promise<Kept> | Kept =>
  same(held, sent) ? kept(tx, lot, Math.max(0, rev - 1)) : { result: 'taken', held, sent }
