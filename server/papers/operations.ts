import { refuseTaken } from '../lots/kept.ts'
import same from 'fast-deep-equal'
import type { IssuedPaper } from '#contracts'
import type { Taken } from '../store/outcomes.ts'
import type { Tx } from '../store/tx.ts'
import { insertPaper, selectPaper } from './queries.ts'

/** Keeps a paper as it was printed; asked for again under its id, the one that was printed comes back. */
export async function keepPaper(
  tx: Tx,
  paper: IssuedPaper,
): Promise<{ result: 'kept'; paper: IssuedPaper } | Taken> {
  const held = await selectPaper(tx, paper.id)
  if (!held) {
    await refuseTaken(tx, [paper.id])
    await insertPaper(tx, paper)
  } else if (!same(askedOf(held), askedOf(paper)))
    return { result: 'taken', held: askedOf(held), sent: askedOf(paper) }
  return { result: 'kept', paper: held ?? paper }
}

/** What a paper was asked for by: its data is worked out here. */
export const askedOf = ({ id, lot, kind, share, data }: IssuedPaper) => ({
  ...{ id, lot, kind, share },
  words: data.said ?? {},
})
