import type { Anatomy } from '#core/anatomy'
import { compile, type Flow } from '#core/carcass'
import {
  cheapEnd,
  libraryOf,
  liftRanges,
  massKey,
  missingOf,
  finishOffers,
  hungDays,
  oneMore,
  rangesOf,
  reckon,
  replan,
  whyLess,
  wholeOrParts,
  withLeftRanges,
  type FarmFigures,
  type FinishOffer,
  type HungDay,
  type Lift,
  type LotState,
  type OneMore,
  type Ranges,
  type Reckoning,
  type Replan,
  type Trouble,
  type WholeOrParts,
  type WhyLess,
} from '#core/reading'
import type { Interval } from '#core/measure'
import type { Finish } from '#core/records'

/** What a page may ask of this thread. Anatomies are learnt once, by their hash. */
export interface Reckoner {
  learn(hash: string, anatomy: Anatomy): void
  /** Every interval of a lot as it stands; `asked` is JSON of `Asked`, so that nothing of the page's own comes along. */
  draw(hash: string, asked: string): Ranges
  /** The best that is left of a lot's plan once something went wrong. */
  replan(hash: string, asked: string, trouble: Trouble): Replan
  /** What could be made of what sells near nothing. */
  cheapEnd(hash: string, asked: string): (Lift & { between: Interval | null })[]
  /** Every finish of a cut, valued. */
  finishOffers(hash: string, asked: string, cut: string, tried: string): FinishOffer[]
  /** What one more of each is worth. */
  oneMore(hash: string, asked: string): OneMore
  /** What each day more in the cooler costs. */
  hungDays(hash: string, asked: string): HungDay[] | null
  /** What may have made less of it than was expected. */
  whyLess(hash: string, asked: string): WhyLess | null
  /** Whole, and every other way of a bird or a rabbit. */
  wholeOrParts(hash: string, asked: string): WholeOrParts | null
  /** Every part and cut of an anatomy, the farm's own with it. */
  library(anatomy: Anatomy): ReturnType<typeof libraryOf>
}

export interface Asked {
  state: LotState
  farm: FarmFigures
}

const flows = new Map<string, Flow>()
/** The draws that were made last, and of which masses: a price draws nothing. */
let last: { of: string; read: Reckoning } | null = null

export const reckoner: Reckoner = {
  learn: (hash, anatomy) => void flows.set(hash, compile(anatomy)),
  draw: (hash, asked) => {
    const { state, farm } = JSON.parse(asked) as Asked
    const of = `${hash} ${massKey(state)}`
    last = { of, read: reckon(flows.get(hash)!, state, farm, last?.of === of ? last.read : undefined) }
    return rangesOf(last.read)
  },
  replan: (hash, asked, trouble) => {
    const { state, farm } = JSON.parse(asked) as Asked
    return replan(reckon(flows.get(hash)!, state, farm, 0), trouble)
  },
  cheapEnd: (hash, asked) => {
    const { state, farm } = JSON.parse(asked) as Asked
    const flow = flows.get(hash)!
    const lifts = cheapEnd(reckon(flow, state, farm, 0))
    const ranges = liftRanges(flow, state, farm, lifts)
    return lifts.map((lift, i) => ({ ...lift, between: ranges[i]! }))
  },
  finishOffers: (hash, asked, cut, tried) => {
    const { state, farm } = JSON.parse(asked) as Asked
    const flow = flows.get(hash)!
    return finishOffers(flow, state, farm, reckon(flow, state, farm, 0), cut, JSON.parse(tried) as Finish[])
  },
  oneMore: (hash, asked) => {
    const { state, farm } = JSON.parse(asked) as Asked
    const flow = flows.get(hash)!
    return oneMore(flow, state, farm, reckon(flow, state, farm, 0))
  },
  hungDays: (hash, asked) => {
    const { state, farm } = JSON.parse(asked) as Asked
    const flow = flows.get(hash)!
    return hungDays(flow, state, farm, reckon(flow, state, farm, 0))
  },
  whyLess: (hash, asked) => {
    const { state, farm } = JSON.parse(asked) as Asked
    const flow = flows.get(hash)!
    const read = reckon(flow, state, farm)
    return whyLess(flow, state, farm, { ...read, missing: missingOf(read) })
  },
  wholeOrParts: (hash, asked) => {
    const { state, farm } = JSON.parse(asked) as Asked
    const flow = flows.get(hash)!
    const found = wholeOrParts(reckon(flow, state, farm, 0))
    return found && withLeftRanges(found, flow, state, farm)
  },
  library: (anatomy) => libraryOf(anatomy),
}
