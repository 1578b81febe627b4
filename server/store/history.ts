import { v7 as uuid } from 'uuid'
import { z } from 'zod'
import { readJson } from '../database/copies.ts'
import type { Disk } from '../database/disk.ts'
import type { Engine } from '../database/engine.ts'
import { placesOf } from '../database/places.ts'
import { writeWhole } from '../database/trees.ts'
import { one, type Tx } from './tx.ts'

const besideSchema = z.object({ id: z.uuid() })

/** From here the records of this database are a history of their own. */
export const beginHistory = async (tx: Tx, id: string = uuid()): Promise<void> =>
  void (await tx.query(
    'insert into history (one, id) values (true, $1) on conflict (one) do update set id = excluded.id',
    [id],
  ))

/**
 * The id of the history of these records. It lies in the database and beside it; another one begins where a copy was brought back
 * (`isNew`), and where the two differ: this database came to its place some other way.
 */
export async function historyOf(
  engine: Pick<Engine<Tx>, 'run'>,
  disk: Disk,
  folder: string,
  isNew: boolean,
): Promise<string> {
  const path = placesOf(folder).history
  const beside = readJson(disk, path, besideSchema)?.id ?? null
  const row = await engine.run((tx) => one<{ id: string }>(tx, 'select id from history'), false)
  const within = row?.id ?? null
  const isSame = within === beside || within === null || beside === null
  const id = (!isNew && isSame && (within ?? beside)) || uuid()
  if (within !== id) await engine.run((tx) => beginHistory(tx, id), true)
  if (beside !== id) writeWhole(disk, path, JSON.stringify({ id }))
  return id
}
