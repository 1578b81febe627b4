import { joined, type Lot } from '#contracts'
import * as q from './queries.ts'
import type { Tx } from '../store/tx.ts'

/** As many lots as are worked on at once; what is dropped is only read again. */
const MOST = 32

/**
 * Lots as they were last read, so that a write reads what was added since and not the whole history. Only what was
 * committed before the transaction that reads it is held: ask before adding anything.
 */
export class Lots {
  readonly #held = new Map<string, Lot>()

  async read(tx: Tx, id: string): Promise<Lot | null> {
    const head = await q.selectHead(tx, id)
    const held = this.#held.get(id)
    this.#held.delete(id)
    if (!head) return null
    const known = held && held.rev <= head.rev ? held : null
    const lot = !known
      ? await q.selectLot(tx, id)
      : known.rev === head.rev
        ? known
        : joined(known, await q.selectChange(tx, id, known.rev, head.rev))
    if (this.#held.size >= MOST) this.#held.delete(this.#held.keys().next().value!)
    this.#held.set(id, lot!)
    return lot
  }

  /** Other records lie there now. */
  clear(): void {
    this.#held.clear()
  }
}
