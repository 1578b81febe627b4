import type { Cut } from '#core/anatomy'
import {
  fromKg,
  kg,
  massDigits,
  minus,
  roundToSum,
  sumOf,
  type Kg,
  type MassUnit,
  type Says,
} from '#core/measure'
import type { CutFigure, Reckoning } from './lot.ts'
import { shownWeights } from './shown.ts'

/** Where everything that hung is, as a screen shows it in the farm's unit: `into` = weighed + toCome + lost + missing. */
export interface Emptying {
  /** What hung; and offal kept beside it with what is added in cure and seasoning. Together `into`. */
  hung: number
  beside: number
  into: number
  weighed: number
  toCome: number
  /** Saw dust, drip and smoke: what no pack will hold. */
  lost: number
  /** What no pack, bin or process accounts for; below zero where more was weighed than hung. */
  missing: number
  /** To come of each cut, adding up to `toCome`. */
  rows: ReadonlyMap<string, number>
}

/** The block as it empties, rounded with the tray so that every sum can be added by hand. */
export function emptyingOf(read: Reckoning, unit: MassUnit): Emptying {
  const digits = massDigits(unit)
  const round = (x: number) => Number(x.toFixed(digits))
  const shown = shownWeights(read, unit)
  const held = read.cuts.filter((c) => c.cut.kind !== 'loss')
  const weighedOf = (c: CutFigure) => round(fromKg(c.weighedKg, unit))
  const rows = new Map(held.map((c) => [c.cut.id, round(shown.cuts.get(c.cut.id)! - weighedOf(c))]))
  return {
    hung: shown.carcass,
    beside: round(shown.kept + shown.added),
    into: round(shown.carcass + shown.kept + shown.added),
    weighed: round(sumOf(held, weighedOf)),
    toCome: round(sumOf(rows.values(), (x) => x)),
    lost: shown.losses,
    missing: shown.difference,
    rows,
  }
}

/** What is all weighed, against what was likely of it. */
export interface Verdict {
  /** How many cuts are all weighed, of how many. */
  allIn: number
  of: number
  /** Cuts that came out below or above what was likely, the furthest first; `by` is weighed less expected. */
  short: { cut: Cut; by: Kg }[]
  over: { cut: Cut; by: Kg }[]
}

/** Which cuts that are all weighed lie outside their likely range, and by how much of the middle of it. */
export function verdictOf(read: Reckoning): Verdict {
  const held = read.cuts.filter((c) => c.cut.kind === 'product')
  const off = held.flatMap((c) => {
    const beyond = c.done ? c.range && c.weighedKg < c.range.low : false
    const above = c.range && c.weighedKg > c.range.high
    return beyond || above ? [{ cut: c.cut, by: minus(c.weighedKg, c.expectedKg) }] : []
  })
  const furthest = off.toSorted((a, b) => Math.abs(b.by) - Math.abs(a.by))
  return {
    allIn: held.filter((c) => c.done).length,
    of: held.length,
    short: furthest.filter((x) => x.by < 0),
    over: furthest.filter((x) => x.by > 0),
  }
}

const MOST_NAMED = 3

/** "12.0 lb short: ham 5.8, bacon 3.0, chops 2.0, 1 other 1.2": what is named adds up to what is said. */
function sayOff(off: Verdict['short'], word: string, says: Says): string[] {
  if (off.length === 0) return []
  const digits = massDigits(says.unit)
  const sum = kg(Math.abs(sumOf(off, (x) => x.by)))
  const named = off.slice(0, MOST_NAMED).map((x) => says.name(x.cut.names).toLowerCase())
  const others = off.length - named.length
  const parts = [
    ...off.slice(0, MOST_NAMED).map((x) => x.by),
    ...(others > 0 ? [sumOf(off.slice(MOST_NAMED), (x) => x.by)] : []),
  ].map((x) => Math.abs(fromKg(x, says.unit)))
  const shown = roundToSum(parts, digits, Number(fromKg(sum, says.unit).toFixed(digits)))
  const words = [...named, ...(others > 0 ? [`${others} more`] : [])]
  return [`${says.mass(sum)} ${word}: ${words.map((w, i) => `${w} ${shown[i]!.toFixed(digits)}`).join(', ')}`]
}

/** The verdict in one line, in the farm's words. */
export function sayVerdict({ allIn, of, short, over }: Verdict, says: Says): string {
  const off = [...sayOff(short, 'short', says), ...sayOff(over, 'more than likely', says)]
  if (off.length > 0) return `${off.join('; ')}.`
  if (allIn === 0) return 'Nothing is all in yet.'
  return allIn === of ? 'All in, and as expected.' : `${allIn} of ${of} cuts all in, as expected.`
}
