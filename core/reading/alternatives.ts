import { lookup, type Names, type SideName } from '#core/anatomy'
import {
  cutUp,
  extentOf,
  SidedMap,
  type Choices,
  type CutUp,
  type SidedEntry,
  type Split,
} from '#core/carcass'
import { afterBench, lessWorth, worthOf, waysBilled, type Worth } from '#core/ledger'
import { kg, mm, plus, type Issue, type Kg, type Minor, type Mm, sumOf } from '#core/measure'
import {
  ageTrimIn,
  allMinutes,
  choicesWith,
  heldBy,
  minutesOf,
  partsAt,
  refusalOf,
  takePath,
  unableSplit,
  type Plan,
  isMovable,
} from '#core/plan'
import { HALVES, type Half } from '#core/records'
import { finishing, plannedCuts } from './cuts.ts'
import type { Reckoning } from './lot.ts'

/** What comes of the part itself: kg by cut, or by the part it is opened into. */
export interface Output {
  cut: string | null
  part: string | null
  kg: Kg
}

/** One way to open the part: what the whole plan would come to, and how that differs from the plan in force. */
export interface Alternative {
  path: string
  inForce: boolean
  /** The sides, of those asked for, that take it now: where they differ, none is in force. */
  takenOn: SideName[]
  refusal: Issue | null
  whole: Worth
  difference: Worth
  outputs: Output[]
}

/** What a way to open a part is put in order by. */
export const RANKS = ['listed', 'money', 'take-home', 'minutes'] as const
export type Rank = (typeof RANKS)[number]

/** The carcass of a lot cut by other choices, weights as they stand. */
export const cutAs = (read: Reckoning, choices: Choices): CutUp =>
  cutUp(read.flow, choices, {
    carcass: read.weights?.aged ?? kg(0),
    live: read.weights?.shrunk ?? kg(0),
    extent: extentOf(read.flow.anatomy, read.plan.hangs),
    conventions: read.plan.conventions,
    factors: read.animal.factors,
    tilts: read.animal.tilts,
    parts: read.plan.parts,
    cutAway: read.plan.cutAway,
    ageTrim: ageTrimIn(read.flow.anatomy, read.plan),
    spoilt: read.plan.spoilt,
    count: read.count,
  })

/**
 * What a cutting of this lot is worth, nothing packed yet: all alternatives of a part fit one frame. `selling` says how much
 * of a cut sells where that is not as its terms have it.
 */
export function worthAs(
  read: Reckoning,
  cutting: CutUp,
  selling: (cut: string, mass: Kg) => number | null = () => null,
): Worth {
  const { plan, count, farm, weights } = read
  const cuts = plannedCuts(cutting, plan, count, farm).map((c) => ({
    ...c,
    sold: selling(c.cut.id, c.kg) ?? c.sold,
  }))
  const packs = sumOf(cuts, (c) => c.packs)
  const billed = {
    count,
    live: weights?.live ?? kg(0),
    cold: weights?.cold ?? kg(0),
    ways: waysBilled(cutting, count),
    hot: weights?.hot ?? kg(0),
    hanging: weights?.aged ?? kg(0),
    minutes: allMinutes(
      minutesOf(
        cutting,
        count,
        packs,
        plan.hands,
        plan.held,
        read.dayShare,
        finishing(cuts, plan.hands),
        plan.schools,
      ),
    ),
  }
  return worthOf(cuts, plan, billed, farm.hour)
}

/** The plan's choices with ways taken, and what they make impossible let go. */
export function withPaths(read: Reckoning, plan: Plan, taken: Iterable<SidedEntry<string>>): Choices {
  const wanted = new SidedMap([...plan.choices.paths, ...taken])
  return choicesWith(read.flow.anatomy, plan, wanted, plan.conventions)
}

/** The way a part takes on a side under a plan. */
export const pathIn = (read: Reckoning, plan: Plan, part: string, side: SideName): string =>
  plan.choices.paths.get(part, side) ?? lookup(read.flow.anatomy).part(part)!.fallback

/** Decisions that take a way, as entries of choices. */
export const entriesOf = (read: Reckoning, part: string, sides: readonly SideName[], path: string) =>
  takePath(read.flow.anatomy, part, sides, path).map((d) => ({ id: d.target, side: d.side, value: d.value! }))

/**
 * Every path of a part for the given sides, each evaluated as a whole plan, knock-on effects included.
 * Refused paths stay in the list with their reason. `inForce` only where all the sides already take it. `plan` may be
 * another than the one read.
 */
export function alternativesFor(
  read: Reckoning,
  part: string,
  sides: readonly SideName[],
  plan: Plan = read.plan,
): Alternative[] {
  const { anatomy } = read.flow
  const cutNow = cutAs(read, plan.choices)
  const now = worthAs(read, cutNow)
  return (
    lookup(anatomy)
      .pathsOf(part)
      // What came in a box was kept.
      .filter((p) => !p.leaves || plan.hangs.as === 'whole')
      .map(({ id }) => {
        const takenOn = sides.filter((side) => pathIn(read, plan, part, side) === id)
        const inForce = takenOn.length === sides.length
        const refusal = refusalOf(anatomy, plan, part, sides, id)
        const cutting = inForce
          ? cutNow
          : refusal
            ? null
            : cutAs(read, withPaths(read, plan, entriesOf(read, part, sides, id)))
        const whole = cutting && cutting !== cutNow ? worthAs(read, cutting) : now
        return {
          path: id,
          inForce,
          takenOn,
          refusal,
          whole,
          difference: lessWorth(whole, now),
          outputs: cutting ? outputsOf(cutting, part, sides) : [],
        }
      })
  )
}

/** A way that could be taken behind a place along a part, valued in the whole plan; refused ones with their reason. */
export type RearOption = Pick<Alternative, 'path' | 'inForce' | 'refusal' | 'difference'>

/** Every way of a part for what lies behind `at` of its length, on sides cut alike before it. */
export function rearOptions(
  read: Reckoning,
  part: string,
  sides: readonly SideName[],
  at: number,
): RearOption[] {
  const { plan, flow } = read
  const now = worthAs(read, cutAs(read, plan.choices))
  return lookup(flow.anatomy)
    .pathsOf(part)
    .map(({ id }): RearOption => {
      const split = { at, path: id }
      const unable = sides
        .map((s) => unableSplit(flow.anatomy, plan.choices.paths, plan.conventions, part, s, split))
        .find((issue) => issue !== null)
      const refusal = unable ?? refusalOf(flow.anatomy, plan, part, sides, id)
      const inForce = sides.every((s) => plan.choices.splits?.get(part, s)?.path === id)
      const splits = new SidedMap<Split>([
        ...(plan.choices.splits ?? []),
        ...sides.map((side) => ({ id: part, side, value: split })),
      ])
      const whole = refusal ? now : worthAs(read, cutAs(read, { ...plan.choices, splits }))
      return { path: id, inForce, refusal, difference: lessWorth(whole, now) }
    })
}

/** What comes of a part on some sides, largest first. Cuts after their process, parts as they are. */
export function outputsOf(cutting: CutUp, part: string, sides: readonly SideName[]): Output[] {
  const sums = new Map<string, Output>()
  for (const side of sides)
    for (const row of cutting.slot(part, side)?.rows ?? []) {
      const cut = row.cut?.id ?? null
      const key = cut === null ? `part ${row.part}` : `cut ${cut}`
      const held = sums.get(key) ?? { cut, part: row.part, kg: kg(0) }
      sums.set(key, { ...held, kg: plus(held.kg, cut === null ? row.green : row.product) })
    }
  return [...sums.values()].filter((o) => o.kg > 1e-6).sort((a, b) => b.kg - a.kg)
}

const MERIT: Record<Rank, (w: Worth) => number> = {
  listed: () => 0,
  money: afterBench,
  'take-home': (w) => w.takeHome,
  minutes: (w) => -w.minutes,
}
/** Best first; what cannot be had comes last. */
export const rankedBy = (by: Rank, all: readonly Alternative[]): Alternative[] =>
  by === 'listed'
    ? [...all]
    : all.toSorted(
        (a, b) => Number(!!a.refusal) - Number(!!b.refusal) || MERIT[by](b.whole) - MERIT[by](a.whole),
      )

/** A place a line can lie at, and what the whole plan would come to with it there, against the place in force. */
export interface LinePlace {
  value: string | Mm
  label: string
  /** Where that is, as a cutter says it. */
  says: string
  inForce: boolean
  kg: Kg
  money: Minor
  /** Parts that would weigh more or less, the most changed first. */
  parts: { names: Names; by: Kg }[]
}

/** So many steps of a long line either way are worth seeing. */
const STEPS = 2
/** Parts named beside a place, and the least that is worth naming, kg. */
const PARTS = { most: 3, least: 0.02 }

/** The places of a line on these sides: every school of a transverse line, a little nearer and further of a long one. */
export function linePlaces(read: Reckoning, id: string, sides: readonly Half[]): LinePlace[] {
  const { anatomy } = read.flow
  const { choices } = read.plan
  const line = anatomy.lines.find((l) => l.id === id)!
  const halves: readonly Half[] = heldBy(anatomy, read.plan, id) ? HALVES : sides
  const now = worthAs(read, read.cutting)
  const moved = (cutting: CutUp) =>
    partsAt(anatomy, id)
      .map((part) => ({
        names: lookup(anatomy).part(part)!.names,
        by: kg(cutting.partKg(part) - read.cutting.partKg(part)),
      }))
      .filter((p) => Math.abs(p.by) >= PARTS.least)
      .sort((a, b) => Math.abs(b.by) - Math.abs(a.by))
      .slice(0, PARTS.most)
  const placed = (
    value: string | Mm,
    inForce: boolean,
    then: Choices,
    words: { label: string; says: string },
  ) => {
    const cutting = inForce ? read.cutting : cutAs(read, then)
    const { takeHome, money } = lessWorth(worthAs(read, cutting), now)
    return { value, ...words, inForce, kg: takeHome, money, parts: inForce ? [] : moved(cutting) }
  }
  const entries = <V>(value: V) => halves.map((side) => ({ id, side, value }))
  if (line.kind === 'across')
    return line.settings.map((s) => {
      const inForce = halves.every((side) => (choices.lines.get(id, side) ?? line.fallback) === s.id)
      const lines = new SidedMap([...choices.lines, ...entries(s.id)])
      return placed(s.id, inForce, { ...choices, lines }, { label: s.label, says: s.school })
    })
  const { low, high, step, usual } = line.mm
  const at = choices.mm.get(id, halves[0]!) ?? mm(usual)
  const steps = [-STEPS, 0, STEPS].map((n) => mm(Math.min(high, Math.max(low, at + n * step))))
  return [...new Set(steps)].map((value) => {
    const inForce = halves.every((side) => (choices.mm.get(id, side) ?? usual) === value)
    const then = { ...choices, mm: new SidedMap([...choices.mm, ...entries(value)]) }
    return placed(value, inForce, then, { label: `${value} mm`, says: `${value} mm from the eye` })
  })
}

/** What each place of the transverse lines at a part would give: take-home and money against the place in force. */
export function lineOptions(read: Reckoning, part: string, sides: readonly SideName[]) {
  const { anatomy } = read.flow
  const asked = sides.filter((s): s is Half => s !== 'animal')
  if (asked.length === 0) return []
  return anatomy.lines.flatMap((line) => {
    if (line.kind !== 'across' || line.settings.length < 2 || !partsAt(anatomy, line.id).includes(part))
      return []
    if (!isMovable(anatomy, read.plan.hangs, line.id)) return []
    const halves: readonly Half[] = heldBy(anatomy, read.plan, line.id) ? HALVES : asked
    const settings = linePlaces(read, line.id, asked).map((p) => ({
      ...p,
      id: String(p.value),
      school: p.says,
    }))
    return [{ line, sides: halves, settings }]
  })
}
