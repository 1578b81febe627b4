import type { Cut, Names } from '#core/anatomy'
import type { Flow } from '#core/carcass'
import { adoptPlan, tried, type CutPlan, type Decision, type LeftOut } from '#core/plan'
import { reckon, type FarmFigures, type LotState, type Reckoning } from './reckon.ts'

/** One plan's figures on a lot: what the plan would come to if it were in force. */
export interface PlanFigures {
  read: Reckoning
  products: number
  boneKg: number
  fatKg: number
  packs: number
  pieces: number
  money: number
  fees: number
  minutes: number
  decisions: Decision[]
  leftOut: LeftOut[]
}

/** Reads the lot as a plan would have it, packs weighed so far apart: each plan is valued whole. No intervals. */
export function valuePlan(
  base: Flow,
  lot: LotState,
  farm: FarmFigures,
  now: Reckoning,
  plan: CutPlan | null,
): PlanFigures {
  const { decisions, leftOut } = plan
    ? adoptPlan(now.flow.anatomy, now.plan, plan)
    : { decisions: [], leftOut: [] }
  const read = reckon(base, { ...lot, packs: [], commands: tried(lot.commands, decisions) }, farm, 0)
  const sum = (of: (c: Reckoning['cuts'][number]) => number) => read.cuts.reduce((s, c) => s + of(c), 0)
  const byProduct = (to: string) => (c: Reckoning['cuts'][number]) =>
    c.cut.kind === 'by-product' && c.cut.destination === to ? c.kg : 0
  return {
    read,
    products: read.balance.products,
    boneKg: sum(byProduct('N')),
    fatKg: sum(byProduct('F')),
    packs: sum((c) => c.packs),
    pieces: sum((c) => c.pieces),
    money: read.money.net,
    fees: read.money.costs.rows.reduce((s, r) => (r.fromPlan ? s + r.amount : s), 0),
    minutes: read.minutes,
    decisions,
    leftOut,
  }
}

/** A difference that matters, as figures; the words come last. `by` is second less first. */
export interface Difference {
  about: 'money' | 'take-home' | 'minutes' | 'packs' | 'bone' | 'fat' | 'gains' | 'loses'
  by: number
  cut?: Names
}

/** Smaller differences than these shares of the first plan's figure are not worth a sentence. */
const MATTERS = 0.02

/** What differs between two plans and matters: money, weight, time, packs, bones, and cuts had in one only. */
export function differencesOf(first: PlanFigures, second: PlanFigures): Difference[] {
  const figures: [Difference['about'], number, number][] = [
    ['money', first.money - first.fees, second.money - second.fees],
    ['take-home', first.products, second.products],
    ['minutes', first.minutes, second.minutes],
    ['packs', first.packs, second.packs],
    ['bone', first.boneKg, second.boneKg],
    ['fat', first.fatKg, second.fatKg],
  ]
  const only = (a: PlanFigures, b: PlanFigures): { cut: Cut; kg: number }[] =>
    a.read.cuts
      .filter((c) => c.cut.kind === 'product' && !b.read.cuts.some((x) => x.cut.id === c.cut.id))
      .sort((x, y) => y.value - x.value)
      .slice(0, 3)
  return [
    ...figures.flatMap(([about, a, b]) =>
      Math.abs(b - a) > MATTERS * Math.max(Math.abs(a), 1e-9) ? [{ about, by: b - a }] : [],
    ),
    ...only(second, first).map((c) => ({ about: 'gains' as const, by: c.kg, cut: c.cut.names })),
    ...only(first, second).map((c) => ({ about: 'loses' as const, by: -c.kg, cut: c.cut.names })),
  ]
}

/** Figures and names in a farm's units and words. */
export interface Says {
  mass: (kg: number) => string
  money: (minor: number) => string
  name: (names: Names) => string
}

/** A difference as a plain sentence about the second plan. */
export function sayDifference(d: Difference, second: string, says: Says): string {
  const more = d.by > 0
  const by = Math.abs(d.by)
  switch (d.about) {
    case 'money':
      return `${second} brings ${says.money(Math.round(by))} ${more ? 'more' : 'less'} after fees.`
    case 'take-home':
      return `${second} takes ${says.mass(by)} ${more ? 'more' : 'less'} home.`
    case 'minutes':
      return `${second} costs ${Math.round(by)} minutes ${more ? 'more' : 'less'} at the bench.`
    case 'packs':
      return `${second} makes ${by} ${by === 1 ? 'pack' : 'packs'} ${more ? 'more' : 'fewer'} to wrap.`
    case 'bone':
      return `${second} leaves ${says.mass(by)} ${more ? 'more' : 'less'} in the bone bin.`
    case 'fat':
      return `${second} trims ${says.mass(by)} ${more ? 'more' : 'less'} fat away.`
    case 'gains':
      return `${second} has ${says.name(d.cut!).toLowerCase()} (${says.mass(by)}), which the other has not.`
    case 'loses':
      return `${second} has no ${says.name(d.cut!).toLowerCase()}; the other has ${says.mass(by)}.`
  }
}
