import same from 'fast-deep-equal'
import type { Kept } from '../store/outcomes.ts'
import type { Tx } from '../store/tx.ts'
import { selectUnder, selectSince } from './queries.ts'

/** Kept: what a lot has since it was at revision `from`. */
export const kept = async (tx: Tx, id: string, from: number): Promise<Kept> => ({
  result: 'kept',
  change: (await selectSince(tx, id, from))!.change,
})

/** What is sent again is kept once, from before its own first row on; another under its id is refused, with both. */
export const again = (tx: Tx, lot: string, rev: number, held: unknown, sent: unknown): Promise<Kept> | Kept =>
  same(held, sent) ? kept(tx, lot, Math.max(0, rev - 1)) : { result: 'taken', held, sent }

/** An id that a thing of another kind has already. Thrown before anything is written. */
export class IdTaken extends Error {
  constructor(
    readonly held: unknown,
    readonly sent: unknown,
  ) {
    super('Another record has this id already.')
  }
}
/** One id is one thing across all kinds: a weighing, a pack, a fact, a decision, a lot, a group, a paper, a plan, a sheet. */
export async function refuseTaken(tx: Tx, ids: readonly string[]): Promise<void> {
  const [held] = await selectUnder(tx, ids)
  if (held) throw new IdTaken(held, { id: held.id })
}
/** A write that is refused where an id of it is another thing’s. */
export const oneThing =
  <A extends unknown[], R>(write: (...all: A) => Promise<R>) =>
  async (...all: A): Promise<R | Extract<Kept, { result: 'taken' }>> => {
    try {
      return await write(...all)
    } catch (error) {
      if (error instanceof IdTaken) return { result: 'taken', held: error.held, sent: error.sent }
      throw error
    }
  }
