import { joined, type Lot, type LotChange } from '#contracts'
import * as q from './queries.ts'
import type { Tx } from '../store/tx.ts'

/** As many lots as are worked on at once; what is dropped is only read again. */
const MOST = 32

/**
 * Lots as they were last read, so that a write reads what was added since and not the whole history. Only what was
 * committed before the transaction that reads it is held: ask before adding anything, and say what was added once it stands.
 */
export class Lots {
  readonly #held = new Map<string, Lot>()

  async read(tx: Tx, id: string): Promise<Lot | null> {
    const held = this.#held.get(id)
    this.#held.delete(id)
    const rev = held && (await q.selectRev(tx, id))
    const lot = (held && rev === held.rev && held) || (await this.#readAnew(tx, id, held, rev))
    if (!lot) return null
    if (this.#held.size >= MOST) this.#held.delete(this.#held.keys().next().value!)
    this.#held.set(id, lot)
    return lot
  }

  /** Of a history that is older than what was held, all of it; else what was added. */
  async #readAnew(tx: Tx, id: string, held: Lot | undefined, rev: number | null | undefined) {
    const since = held && rev && rev > held.rev ? await q.selectSince(tx, id, held.rev) : null
    return (held && since && joined(held, since.change)) ?? q.selectLot(tx, id)
  }

  /** What was added to a lot, once it is committed: the next one who writes need not read it. */
  committed(change: LotChange): void {
    const held = this.#held.get(change.id)
    const now = held && joined(held, change)
    if (now) this.#held.set(change.id, now)
  }

  /** Lots as they stand within one transaction, what it added to them too: nothing of it is held after. */
  draft(): Lots {
    const own = new Lots()
    for (const [id, lot] of this.#held) own.#held.set(id, lot)
    return own
  }

  /** Other records lie there now. */
  clear(): void {
    this.#held.clear()
  }
}
