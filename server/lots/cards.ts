import type { KeptFarm, Lot, LotCard } from '#contracts'
import { readFacts } from '#core/plan'
import { figuresOf, progressOf, reckon, stateOf } from '#core/reading'
import { animalsIn, livingOf, readBy, wholeOf, type LotHead } from '#core/records'
import { flowOf } from '../anatomies/pins.ts'
import { selectPin } from '../anatomies/queries.ts'
import type { Disk } from '../database/disk.ts'
import type { Tx } from '../store/tx.ts'
import * as q from './queries.ts'

interface Worked {
  /** The revision of the farm's settings it was worked out under. */
  farm: number
  card: LotCard
}

/** Where cards are kept between two starts, and by which program they were worked out: another one works them out anew. */
export interface CardsPlace {
  disk: Disk
  path: string
  program: string
}

/** So many cards worked out since they were last kept are kept at once: a cut does not cost them all. */
const MANY = 24

/**
 * What every lot comes to as the rail shows it, worked out once per revision of the lot and of the farm. A cache, made
 * anew at will: it lies beside the database and not in it, is never flushed, and whatever cannot be read is not there.
 */
export class Cards {
  #held = new Map<string, Worked>()
  #unkept = 0
  readonly #place: CardsPlace | null

  constructor(place: CardsPlace | null = null) {
    this.#place = place
    this.#held = place ? keptAt(place) : new Map()
  }

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
    )) {
      this.#held.set(lot.id, { farm: revision, card: await cardOf(tx, lot, farm) })
      this.#unkept++
    }
    if (this.#unkept >= MANY) this.keep()
    return heads.map((h) => this.#held.get(h.id)!.card)
  }

  /** Keeps them for the next start; where that fails, it works them out again. */
  keep(): void {
    if (!this.#place || this.#unkept === 0) return
    const { disk, path, program } = this.#place
    try {
      disk.write(`${path}.aside`, JSON.stringify({ program, cards: [...this.#held] }))
      disk.rename(`${path}.aside`, path)
      this.#unkept = 0
    } catch {
      this.#unkept = 0
    }
  }

  /** Other records lie there now. */
  clear(): void {
    this.#held.clear()
    this.#unkept = 1
    this.keep()
  }
}

function keptAt({ disk, path, program }: CardsPlace): Map<string, Worked> {
  try {
    const kept = JSON.parse(disk.read(path).toString('utf8')) as {
      program: string
      cards: [string, Worked][]
    }
    return new Map(kept.program === program ? kept.cards : [])
  } catch {
    return new Map()
  }
}

async function cardOf(tx: Tx, lot: Lot, farm: KeptFarm | null): Promise<LotCard> {
  const { anatomy } = (await selectPin(tx, readBy(lot)))!
  const { id, tag, species, anatomy: hash, createdAt, device, person, rev } = lot
  return {
    ...{ id, tag, species, anatomy: hash, createdAt, device, person, rev },
    count: animalsIn(wholeOf(livingOf(lot.groups, lot.facts))),
    withdrawn: readFacts(lot.facts).withdrawn,
    progress: progressOf(reckon(flowOf(anatomy), stateOf(lot), figuresOf(farm), 0)),
  }
}
