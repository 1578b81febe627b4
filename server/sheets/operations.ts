import same from 'fast-deep-equal'
import type { SheetChange } from '#contracts'
import type { StoredSheet } from '#core/records'
import type { Changed } from '../store/outcomes.ts'
import type { Tx } from '../store/tx.ts'
import { selectShared, selectSheet, selectSheets, upsertSheet } from './queries.ts'

/** Sheets that are in use. */
export const sheets = async (tx: Tx): Promise<StoredSheet[]> =>
  (await selectSheets(tx)).filter((s) => !s.withdrawn)

/** What lots bear of the farm’s own costs. */
export const sharedCosts = (tx: Tx, _: undefined) => selectShared(tx)

/** Keeps a sheet, or marks it as put away; what another made of it since comes back beside what was sent. */
export async function saveSheet(
  tx: Tx,
  { id, sheet, at }: { id: string; sheet: SheetChange; at: string },
): Promise<Changed<StoredSheet>> {
  const { base, body, withdrawn } = sheet
  const held = await selectSheet(tx, id)
  if (held && same([held.body, held.withdrawn], [body, withdrawn])) return { result: 'kept', value: held }
  if (base !== (held?.revision ?? 0)) return { result: 'changed', held, sent: { body, withdrawn } }
  await upsertSheet(tx, { id, body, withdrawn, at, revision: base + 1 })
  return { result: 'kept', value: (await selectSheet(tx, id))! }
}
