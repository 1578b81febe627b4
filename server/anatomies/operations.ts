import same from 'fast-deep-equal'
import type { OwnChange, OwnVersion } from '#contracts'
import { extendAnatomy } from '#core/anatomy'
import { ANATOMIES } from '#core/species'
import { refusedFor, type Changed } from '../store/outcomes.ts'
import type { Tx } from '../store/tx.ts'
import { insertOwn, selectOwn } from './queries.ts'

/** Keeps a new version of the farm's own additions, checked like our own data; lots already hung keep theirs. */
export async function saveOwn(
  tx: Tx,
  { own, at }: { own: OwnChange; at: string },
): Promise<Changed<OwnVersion>> {
  const extended = extendAnatomy(ANATOMIES[own.body.species], own.body)
  if (!extended.ok) return refusedFor(...extended.issues)
  const last = (await selectOwn(tx, own.body.species)).at(-1)
  if (last && same(last.body, own.body)) return { result: 'kept', value: last }
  if (own.base !== (last?.version ?? 0)) return { result: 'changed', held: last ?? null, sent: own.body }
  const value = { version: own.base + 1, body: own.body, at }
  await insertOwn(tx, value)
  return { result: 'kept', value }
}
