import type { Cut, Names } from '#core/anatomy'
import type { Flow } from '#core/carcass'
import { afterBench, type Worth } from '#core/ledger'
import { asShown, kg, minor, minus, type Kg, type MassUnit, type Says, counted } from '#core/measure'
import { adoptPlan, tried, type LeftOut, type PartCut } from '#core/plan'
import type { CutPlan, Decision } from '#core/records'
import type { LotState, Reckoning } from './lot.ts'
import { reckon } from './reckon.ts'

/** One plan's figures on a lot: what the plan would come to if it were in force. */
export interface PlanFigures {
  read: Reckoning
  worth: Worth
  decisions: Decision[]
  leftOut: LeftOut[]
}

/** Parts of which packs are weighed, where they came of nothing else: bones, fat and mince come of many. */
export function packedParts({ cutting, cuts }: Pick<Reckoning, 'cutting' | 'cuts'>): PartCut[] {
  const weighed = new Set(cuts.flatMap((c) => (c.weighedPacks > 0 ? [c.cut.id] : [])))
  const parts = new Map<string, Set<string>>()
  for (const slot of cutting.slots)
    for (const { cut, green } of slot.rows)
      if (cut && green > 0) parts.set(cut.id, (parts.get(cut.id) ?? new Set()).add(slot.part))
  const of = new Set([...weighed].flatMap((id) => (parts.get(id)?.size === 1 ? [...parts.get(id)!] : [])))
  return cutting.slots.filter((s) => s.holds && of.has(s.part)).map(({ part, side }) => ({ part, side }))
}

/**
 * Reads the lot as a plan would have it from here, no intervals: what is weighed counts, and parts that packs came of stay
 * as they were cut, so that it says what the Block will say once the plan is used.
 */
export function valuePlan(base: Flow, lot: LotState, now: Reckoning, plan: CutPlan | null): PlanFigures {
  const { decisions, leftOut } = plan
    ? adoptPlan(now.flow.anatomy, now.plan, plan, packedParts(now))
    : { decisions: [], leftOut: [] }
  const read = reckon(base, { ...lot, ...tried(lot, decisions) }, now.farm, 0)
  return { read, worth: read.worth, decisions, leftOut }
}

/** A difference that matters, as figures; the words come last. `by` is second less first, of the figures as they are shown. */
export type Difference =
  | { about: 'money' | 'minutes' | 'packs'; by: number }
  | { about: 'take-home' | 'bone' | 'fat'; by: Kg }
  | { about: 'gains' | 'loses'; by: Kg; cut: Names }

/** A cut as two plans give it. */
export interface CutPair {
  cut: Cut
  first: Kg
  second: Kg
  packs: [number, number]
  /** Second less first, of the figures shown. */
  by: Kg
}

/** What a second figure is more than a first, so that a person who takes one from the other finds the same. */
const apart = (first: Kg, second: Kg, unit: MassUnit): Kg =>
  minus(asShown(second, unit), asShown(first, unit))

/** The figures of a plan that stand beside another's, with what the second is more by. */
export function figuresApart({ worth: a }: PlanFigures, { worth: b }: PlanFigures, unit: MassUnit) {
  return {
    takeHome: apart(a.takeHome, b.takeHome, unit),
    bone: apart(a.bone, b.bone, unit),
    fat: apart(a.fat, b.fat, unit),
    money: minor(b.money - a.money),
    net: minus(afterBench(b), afterBench(a)),
    fees: minor(b.fees - a.fees),
    labour: minor(b.labour - a.labour),
    goods: minor(b.goods - a.goods),
    minutes: Math.round(b.minutes) - Math.round(a.minutes),
    packs: b.packs - a.packs,
    pieces: b.pieces - a.pieces,
  }
}

/** Less than this is no difference, kg: what a scale does not tell. */
const ALIKE = 0.02

/** Products of two plans: those that differ, the biggest first, and those that are alike. */
export function pairsOf(
  first: PlanFigures,
  second: PlanFigures,
  unit: MassUnit,
): { differ: CutPair[]; alike: CutPair[] } {
  const of = (p: PlanFigures, id: string) => p.read.cuts.find((c) => c.cut.id === id)
  const pairs = first.read.flow.anatomy.cuts.flatMap((cut): CutPair[] => {
    const [a, b] = [of(first, cut.id), of(second, cut.id)]
    if (cut.kind !== 'product' || (!a && !b)) return []
    const [x, y] = [a?.kg ?? kg(0), b?.kg ?? kg(0)]
    return [{ cut, first: x, second: y, packs: [a?.packs ?? 0, b?.packs ?? 0], by: apart(x, y, unit) }]
  })
  const differs = (p: CutPair) => Math.abs(p.second - p.first) > ALIKE || p.packs[0] !== p.packs[1]
  return {
    differ: pairs.filter(differs).sort((a, b) => Math.abs(b.by) - Math.abs(a.by)),
    alike: pairs.filter((p) => !differs(p)),
  }
}

/** Smaller differences than these shares of the first plan's figure are not worth a sentence. */
const MATTERS = 0.02

/** What differs between two plans and matters: money, weight, time, packs, bones, and cuts had in one only. */
export function differencesOf(first: PlanFigures, second: PlanFigures, unit: MassUnit): Difference[] {
  const [a, b] = [first.worth, second.worth]
  const by = figuresApart(first, second, unit)
  const matters = (x: number, y: number) => Math.abs(y - x) > MATTERS * Math.max(Math.abs(x), 1e-9)
  const figures: [Difference, number, number][] = [
    [{ about: 'money', by: by.net }, afterBench(a), afterBench(b)],
    [{ about: 'minutes', by: by.minutes }, a.minutes, b.minutes],
    [{ about: 'packs', by: by.packs }, a.packs, b.packs],
    [{ about: 'take-home', by: by.takeHome }, a.takeHome, b.takeHome],
    [{ about: 'bone', by: by.bone }, a.bone, b.bone],
    [{ about: 'fat', by: by.fat }, a.fat, b.fat],
  ]
  const only = (a: PlanFigures, b: PlanFigures): { cut: Cut; kg: Kg }[] =>
    a.read.cuts
      .filter((c) => c.cut.kind === 'product' && !b.read.cuts.some((x) => x.cut.id === c.cut.id))
      .sort((x, y) => y.value - x.value)
      .slice(0, 3)
  return [
    ...figures.flatMap(([said, x, y]) => (matters(x, y) && said.by !== 0 ? [said] : [])),
    ...only(second, first).map((c) => ({ about: 'gains' as const, by: c.kg, cut: c.cut.names })),
    ...only(first, second).map((c) => ({ about: 'loses' as const, by: kg(-c.kg), cut: c.cut.names })),
  ]
}

/** A difference as a plain sentence about the second plan. */
export function sayDifference(
  d: Difference,
  second: string,
  says: Pick<Says, 'mass' | 'money' | 'name'>,
): string {
  const more = d.by > 0
  const by = Math.abs(d.by)
  const mass = () => says.mass(kg(by))
  switch (d.about) {
    case 'money':
      return `${second} brings ${says.money(minor(by))} ${more ? 'more' : 'less'} after fees.`
    case 'take-home':
      return `${second} takes ${mass()} ${more ? 'more' : 'less'} home.`
    case 'minutes':
      return `${second} costs ${Math.round(by)} minutes ${more ? 'more' : 'less'} at the bench.`
    case 'packs':
      return `${second} makes ${counted(by, 'pack')} ${more ? 'more' : 'fewer'} to wrap.`
    case 'bone':
      return `${second} leaves ${mass()} ${more ? 'more' : 'less'} in the bone bin.`
    case 'fat':
      return `${second} trims ${mass()} ${more ? 'more' : 'less'} fat away.`
    case 'gains':
      return `${second} has ${says.name(d.cut).toLowerCase()} (${mass()}), which the other has not.`
    case 'loses':
      return `${second} has no ${says.name(d.cut).toLowerCase()}; the other has ${mass()}.`
  }
}
