import type { KeptFarm, Lot, LotCard } from '#contracts'
import { readFacts } from '#core/plan'
import { figuresOf, progressOf, reckon } from '#core/reading'
import { readBy, type LotHead } from '#core/records'
import { flowOf } from '../anatomies/pins.ts'
import { selectPin } from '../anatomies/queries.ts'
import * as q from './queries.ts'
import type { Tx } from '../store/tx.ts'

/**
 * What every lot comes to as the rail shows it, worked out once per revision of the lot and of the farm; made anew at
 * will, so it is kept in no table.
 */
export class Cards {
  readonly #held = new Map<string, { farm: number; card: LotCard }>()

  /** Cards of lots, in their order: one statement a kind of record for all that changed, none where nothing did. */
  async of(tx: Tx, heads: readonly LotHead[], farm: KeptFarm | null): Promise<LotCard[]> {
    const revision = farm?.revision ?? 0
    const isFresh = (head: LotHead) => {
      const held = this.#held.get(head.id)
      return held?.card.rev === head.rev && held.farm === revision
    }
    for (const lot of await q.filled(
      tx,
      heads.filter((h) => !isFresh(h)),
    ))
      this.#held.set(lot.id, { farm: revision, card: await cardOf(tx, lot, farm) })
    return heads.map((h) => this.#held.get(h.id)!.card)
  }

  /** Other records lie there now. */
  clear(): void {
    this.#held.clear()
  }
}

async function cardOf(tx: Tx, lot: Lot, farm: KeptFarm | null): Promise<LotCard> {
  const { anatomy } = (await selectPin(tx, readBy(lot)))!
  const { weighings, commands, facts, packs } = lot
  const { id, tag, species, count, anatomy: hash, createdAt, device, person, rev } = lot
  const state = { count: lot.count, weighings, commands, facts, packs }
  return {
    ...{ id, tag, species, count, anatomy: hash, createdAt, device, person, rev },
    withdrawn: readFacts(facts).withdrawn,
    progress: progressOf(reckon(flowOf(anatomy), state, figuresOf(farm), 0)),
  }
}
