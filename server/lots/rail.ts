import type { LotCard, Rail, RailAsked } from '#contracts'
import { STANDINGS } from '#core/reading'
import { selectFarm } from '../farm/queries.ts'
import type { Beside } from '../store/beside.ts'
import type { Tx } from '../store/tx.ts'
import { selectHeads } from './queries.ts'

/** Lots of one answer: more than a farm has hanging at once. */
const PAGE = 48

const wantedBy = ({ wanted, standings }: RailAsked) => {
  const text = wanted.trim().toLowerCase()
  return (c: LotCard) =>
    !text || c.tag.toLowerCase().includes(text) || standings.includes(c.progress.standing)
}

/** A page of the lots that hang, the newest before a certain one, in the order they came; and how many hang in all. */
export function railOf(cards: readonly LotCard[], asked: RailAsked): Rail {
  const hung = cards.filter((c) => !c.withdrawn)
  const found = hung.filter(wantedBy(asked))
  const end = asked.before ? found.findIndex((c) => c.id === asked.before) : found.length
  const start = Math.max(0, end - PAGE)
  const at = (standing: (typeof STANDINGS)[number]) =>
    hung.filter((c) => c.progress.standing === standing).length
  return {
    lots: found.slice(start, Math.max(0, end)),
    older: start,
    standings: Object.fromEntries(STANDINGS.map((s) => [s, at(s)])) as Rail['standings'],
  }
}

export async function rail(tx: Tx, asked: RailAsked, { cards }: Beside): Promise<Rail> {
  return railOf(await cards.of(tx, await selectHeads(tx), await selectFarm(tx)), asked)
}

/** What a page opens with: the newest lots that hang, and the newest that were taken off. */
export function firstOf(all: readonly LotCard[]): Rail {
  const hung = railOf(all, { before: null, wanted: '', standings: [] })
  const off = all.filter((c) => c.withdrawn).slice(-PAGE)
  const shown = new Set([...hung.lots, ...off])
  return { ...hung, lots: all.filter((c) => shown.has(c)) }
}
