import type { CutUp } from '#core/carcass'

/** Setting up and washing down, once for what is cut in a day; and one pack wrapped and labelled (docs/sources.md: minutes). */
const SET_UP = 60
const WRAP = 1.2

/** Minutes of a cutting day: hand and saw, grinder and filler, wrapping, setting up and washing down. */
export interface BenchMinutes {
  hand: number
  grind: number
  wrap: number
  setUp: number
}
export const allMinutes = ({ hand, grind, wrap, setUp }: BenchMinutes): number => hand + grind + wrap + setUp

/**
 * What cutting `count` animals by a plan takes a skilled hand: every way once on each side it is taken on, growing with
 * the carcass as faces do, weight^(2/3); so much for each kg that is ground or filled; so much for each pack.
 */
export function minutesOf(cutting: CutUp, count: number, packs: number): BenchMinutes {
  const { anatomy } = cutting.flow
  const size = cutting.balance.carcass / count / anatomy.referenceKg
  const taken = cutting.slots.filter((s) => s.holds && !(s.path.pair && s.side === 'right'))
  return {
    hand: taken.reduce((sum, { path }) => sum + path.minutes, 0) * size ** (2 / 3) * count,
    grind: taken.reduce((sum, { path, kg }) => sum + (path.perKg ?? 0) * kg, 0),
    wrap: packs * WRAP,
    setUp: taken.length > 0 ? SET_UP : 0,
  }
}
