import { minor, plus, refuse, sumOf, type Minor, type Names, type Outcome } from '#core/measure'
import type { Ending } from '#core/records'

/** A cut to price, by its id. `quantity` is what is expected to be paid for, in the price's unit; prices in minor units per unit. */
export interface PriceLine {
  cut: string
  names: Names
  quantity: number
  index: number
  locked: Minor | null
  floor: Minor | null
  ceiling: Minor | null
}

export interface PriceProblem {
  lines: PriceLine[]
  /** Cost and target profit together, minor units. */
  need: Minor
  ending: Ending
}

export interface PriceSolution {
  /** Price per unit by cut, whole minor units on the chosen endings. */
  prices: ReadonlyMap<string, Minor>
  /** Minor units per unit of index: the price of mince before endings and bounds. */
  scale: number
  net: Minor
  /** What the lines would bring before endings, exactly the need unless floors already exceed it. */
  exactNet: number
}

const GRID: Record<Ending, { step: number; offset: number }> = {
  exact: { step: 1, offset: 0 },
  fives: { step: 5, offset: 0 },
  nines: { step: 10, offset: 9 },
  halves: { step: 50, offset: 49 },
}

/** The nearest price at or above (`up`) or at or below that has the ending; never below zero. */
export function onGrid(price: number, ending: Ending, direction: 'up' | 'down'): number {
  const { step, offset } = GRID[ending]
  const n = (price - offset) / step
  const snapped = direction === 'up' ? Math.ceil(n - 1e-9) : Math.floor(n + 1e-9)
  return Math.max(direction === 'up' ? offset % step : 0, offset + step * snapped)
}

const clamped = (l: PriceLine, scale: number) =>
  Math.min(l.ceiling ?? Infinity, Math.max(l.floor ?? 0, l.index * scale))
const free = (l: PriceLine) => l.locked === null && l.index > 0 && l.quantity > 0
const lineNet = (l: PriceLine, price: number) => minor(l.quantity * price)

/**
 * Finds the one scale at which Σ quantityᵢ · clamp(indexᵢ · scale, floorᵢ, ceilingᵢ) meets the need, locks kept;
 * then puts every free price on its ending so that the whole-unit net still covers and lowering any one of
 * them a step (not below its floor) would not. Refuses with the bounds that make it impossible.
 */
export function solvePrices(problem: PriceProblem): Outcome<PriceSolution> {
  const { lines, need, ending } = problem
  for (const l of lines) {
    if (l.floor !== null && l.ceiling !== null && l.floor > l.ceiling) {
      return refuse('price-floor-above-ceiling', `floor:${l.cut}`, {
        cut: l.names,
        floor: l.floor,
        ceiling: l.ceiling,
      })
    }
  }
  const open = lines.filter(free)
  const lockedNet = sumOf(lines, (l) => (l.locked === null ? minor(0) : lineNet(l, l.locked)))
  if (open.length === 0) {
    const isLocked = lines.some((l) => l.locked !== null && l.quantity > 0)
    return isLocked && lockedNet < need
      ? impossible(lines, open, need, lockedNet)
      : refuse('price-nothing-to-sell', 'prices', {})
  }
  const scale = scaleFor(open, need - lockedNet)
  if (scale === null) return impossible(lines, open, need, lockedNet)
  const prices = endings(open, scale, need - lockedNet, ending)
  if (!prices) return impossible(lines, open, need, lockedNet)
  const all = new Map(lines.map((l) => [l.cut, minor(l.locked ?? prices.get(l.cut) ?? 0)]))
  return {
    ok: true,
    value: {
      prices: all,
      scale,
      net: sumOf(lines, (l) => lineNet(l, all.get(l.cut)!)),
      exactNet: lockedNet + open.reduce((sum, l) => sum + l.quantity * clamped(l, scale), 0),
    },
  }
}

/** Net is piecewise linear and rising in the scale, with a corner where a line meets its floor or ceiling. */
function scaleFor(open: PriceLine[], need: number): number | null {
  const net = (scale: number) => open.reduce((sum, l) => sum + l.quantity * clamped(l, scale), 0)
  const corners = open
    .flatMap((l) => [l.floor, l.ceiling].flatMap((bound) => (bound === null ? [] : [bound / l.index])))
    .sort((a, b) => a - b)
  let [low, netLow] = [0, net(0)]
  if (netLow >= need) return 0
  for (const corner of corners) {
    const netCorner = net(corner)
    if (netCorner >= need && netCorner > netLow)
      return low + ((need - netLow) / (netCorner - netLow)) * (corner - low)
    ;[low, netLow] = [corner, netCorner]
  }
  const slope = net(low + 1) - netLow
  return slope > 1e-12 ? low + (need - netLow) / slope : null
}

function endings(open: PriceLine[], scale: number, need: number, ending: Ending): Map<string, number> | null {
  const { step } = GRID[ending]
  const bound = (l: PriceLine) => ({
    low: onGrid(l.floor ?? 0, ending, 'up'),
    high: l.ceiling === null ? Infinity : onGrid(l.ceiling, ending, 'down'),
  })
  const exact = new Map(open.map((l) => [l.cut, clamped(l, scale)]))
  const price = new Map(
    open.map((l) => [
      l.cut,
      Math.max(bound(l).low, Math.min(bound(l).high, onGrid(exact.get(l.cut)!, ending, 'up'))),
    ]),
  )
  const excess = (l: PriceLine) => price.get(l.cut)! / Math.max(exact.get(l.cut)!, 1)
  let net = open.reduce((sum, l) => sum + lineNet(l, price.get(l.cut)!), 0)
  const move = (l: PriceLine, by: number) => {
    const from = price.get(l.cut)!
    net += lineNet(l, from + by) - lineNet(l, from)
    price.set(l.cut, from + by)
  }
  while (net < need) {
    const raisable = open
      .filter((l) => price.get(l.cut)! + step <= bound(l).high)
      .sort((a, b) => excess(a) - excess(b))[0]
    if (!raisable) return null
    move(raisable, step)
  }
  for (let lowered = true; lowered;) {
    lowered = false
    for (const l of [...open].sort((a, b) => excess(b) - excess(a))) {
      const from = price.get(l.cut)!
      const drop = lineNet(l, from) - lineNet(l, from - step)
      if (from - step >= bound(l).low && net - drop >= need && drop >= 0) {
        move(l, -step)
        lowered = true
      }
    }
  }
  return price
}

function impossible(lines: PriceLine[], open: PriceLine[], need: Minor, lockedNet: Minor) {
  return refuse('price-impossible', 'prices', {
    need,
    most: plus(
      lockedNet,
      sumOf(open, (l) => lineNet(l, l.ceiling ?? 0)),
    ),
    ceilings: open.flatMap((l) => (l.ceiling === null ? [] : [l.names])),
    locks: lines.flatMap((l) => (l.locked === null || l.quantity <= 0 ? [] : [l.names])),
  })
}
