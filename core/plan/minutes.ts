import type { Path } from '#core/anatomy'
import { SidedMap, type CutSlot, type CutUp, type Sided } from '#core/carcass'
import type { Hold, Skill } from '#core/records'
import { isLater } from './holding.ts'
import { takesBy, type Schools } from './schools.ts'

/** Setting up and washing down, once for what is cut in a day; and one pack wrapped and labelled (docs/sources.md: minutes). */
const SET_UP = 60
export const WRAP_MINUTES = 1.2

/** How much longer hands take that cut a few times a year, or for the first time, than those that do it every day (docs/sources.md: minutes). */
export const TAKES: Record<Skill, number> = { skilled: 1, practised: 1.8, beginner: 3 }

/** Share of the lean of a boned part that such hands leave on its bones beside a skilled one (docs/sources.md: on-bone). */
export const LEAVES: Record<Skill, number> = { skilled: 0, practised: 0.01, beginner: 0.03 }

/** Minutes of a cutting day: hand and saw, grinder and filler, finishing, wrapping, setting up and washing down. */
export interface BenchMinutes {
  hand: number
  grind: number
  finish: number
  wrap: number
  setUp: number
}
export const allMinutes = ({ hand, grind, finish, wrap, setUp }: BenchMinutes): number =>
  hand + grind + finish + wrap + setUp

/** A figure of the ways a part is cut in, each by the length that is its own. */
export const alongOf = ({ path, rear }: Pick<CutSlot, 'path' | 'rear'>, of: (path: Path) => number): number =>
  rear ? rear.at * of(path) + (1 - rear.at) * of(rear.path) : of(path)

/**
 * What cutting `count` animals by a plan takes: every way once on each side it is taken on, growing with
 * the carcass as faces do, weight^(2/3), what is held for another day left out; so much for each kg that is ground or filled; so much for each pack; a group
 * of a lot bears its share of the day’s setting up. What finishing takes is the sum of its cuts (`finishMinutes`).
 */
export function minutesOf(
  cutting: CutUp,
  count: number,
  packs: number,
  hands: Skill = 'skilled',
  held: Sided<Hold> = new SidedMap(),
  dayShare = 1,
  finish = 0,
  schools: Schools = new Map(),
): BenchMinutes {
  const { anatomy } = cutting.flow
  const size = cutting.balance.carcass / cutting.hangs / count / anatomy.referenceKg
  const taken = cutting.slots.filter(
    (s) => s.holds && !(s.path.pair && s.side === 'right') && !isLater(anatomy, held, s.part, s.side),
  )
  return {
    hand:
      taken.reduce((sum, s) => sum + alongOf(s, (p) => p.minutes * takesBy(schools, p)), 0) *
      size ** (2 / 3) *
      count *
      TAKES[hands],
    grind: taken.reduce((sum, s) => sum + alongOf(s, (p) => (p.perKg ?? 0) * takesBy(schools, p)) * s.kg, 0),
    finish,
    wrap: packs * WRAP_MINUTES,
    setUp: taken.length > 0 ? SET_UP * dayShare : 0,
  }
}
