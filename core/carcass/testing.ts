import { TISSUES, type Anatomy, type Portion, type SideName, type Species } from '#core/anatomy'
import { ANATOMIES } from '#core/species'
import { kg as kilograms, mm } from '#core/measure'
import { insideOf } from './cutUp.ts'
import { LAID } from './flow.ts'
import type { AgeTrim } from './chain.ts'
import {
  compile,
  cutUp as cutCarcass,
  flowWithRibs,
  NO_CHOICES,
  SidedMap,
  type Choices,
  type Conventions,
  type DepotFactors,
  type Extent,
  type Tilt,
  type Flow,
  type Split,
} from './index.ts'

const flows = new Map<Anatomy, Flow>()

/** The compiled flow of a species, once for all tests. */
export function flowOf(species: Species | Anatomy): Flow {
  const anatomy = typeof species === 'string' ? ANATOMIES[species] : species
  if (!flows.has(anatomy)) flows.set(anatomy, compile(anatomy))
  return flows.get(anatomy)!
}

type Of<V> = Record<string, V>
const SIDES: SideName[] = ['left', 'right', 'animal']
const keyed = <V>(of: Of<V>, sides: readonly SideName[]) =>
  Object.entries(of).flatMap(([id, value]) => sides.map((side) => ({ id, side, value })))

/** Choices in short: ways, lines and mm for both sides, and ways of one side that differ. */
export const choose = (
  both: Of<string> = {},
  more: {
    lines?: Of<string>
    mm?: Of<number>
    left?: Of<string>
    right?: Of<string>
    portions?: Of<Portion>
    splits?: Of<Split>
  } & Partial<Pick<Choices, 'trim' | 'leaves'>> = {},
): Choices => ({
  paths: new SidedMap([
    ...keyed(both, SIDES),
    ...keyed(more.left ?? {}, ['left']),
    ...keyed(more.right ?? {}, ['right']),
  ]),
  lines: new SidedMap(keyed(more.lines ?? {}, SIDES)),
  mm: new SidedMap(keyed(more.mm ?? {}, SIDES).map((e) => ({ ...e, value: mm(e.value) }))),
  trim: more.trim ?? 'standard',
  ...(more.leaves !== undefined && { leaves: more.leaves }),
  portions: new Map(Object.entries(more.portions ?? {})),
  splits: new SidedMap(keyed(more.splits ?? {}, ['left', 'right'])),
})

const kgOnLeft = (of: Of<number>) =>
  new SidedMap(keyed(of, ['left']).map((e) => ({ ...e, value: kilograms(e.value) })))

/** A carcass cut up: what was poured into every part, what came of it, and the sums. Kilograms. */
export function cutUp(
  species: Species | Anatomy,
  choices: Choices = NO_CHOICES,
  {
    kg = 100,
    conventions = {},
    liveKg = 0,
    ribs = null,
    factors,
    tilts,
    extent,
    count = 1,
    parts = {},
    cutAway = {},
    ageTrim,
  }: {
    kg?: number
    conventions?: Conventions
    liveKg?: number
    ribs?: number | null
    factors?: DepotFactors
    tilts?: readonly Tilt[]
    extent?: Extent
    count?: number
    /** kg on the left side. */
    parts?: Of<number>
    cutAway?: Of<number>
    ageTrim?: AgeTrim
  } = {},
) {
  const flow = flowWithRibs(flowOf(species), ribs)
  const cutting = cutCarcass(flow, choices, {
    conventions,
    carcass: kilograms(kg),
    live: kilograms(liveKg),
    factors,
    tilts,
    ...(extent && { extent }),
    count,
    parts: kgOnLeft(parts),
    cutAway: kgOnLeft(cutAway),
    ...(ageTrim && { ageTrim }),
  })
  const { inputs } = insideOf(cutting)
  const poured = (s: number) => TISSUES.reduce((sum, _, t) => sum + inputs[s * TISSUES.length + t]!, 0)
  const part = (id: string, side?: SideName) =>
    flow[LAID].slots.reduce(
      (sum, slot, s) => (slot.part === id && (!side || slot.side === side) ? sum + poured(s) : sum),
      0,
    )
  const cuts = flow.anatomy.cuts.map((c) => cutting.cutKg(c.id))
  const tissue = TISSUES.map((_, t) =>
    inputs.reduce((s, mass, i) => (i % TISSUES.length === t ? s + mass : s), 0),
  )
  return { flow, cutting, part, cut: cutting.cutKg.bind(cutting), cuts, tissue, balance: cutting.balance }
}

/** Every way of every slot with its shares of each tissue, at every trim level: what closes, or does not. */
export function sharesOf(flow: Flow) {
  const { slots, shares } = flow[LAID]
  return slots.flatMap((slot) =>
    slot.paths.flatMap(({ path, start, end }) =>
      Object.entries(shares).flatMap(([level, share]) =>
        TISSUES.map((tissue, t) => ({
          path: path.id,
          level,
          tissue,
          shares: Array.from({ length: end - start }, (_, i) => share[(start + i) * TISSUES.length + t]!),
        })),
      ),
    ),
  )
}

/** The ways that open an animal hung whole into its parts: birds and rabbits; none where it is broken along lines. */
export function parted(species: Species): Record<string, string> {
  const { parts, paths } = ANATOMIES[species]
  const whole = parts[0]!.id
  return paths.some((p) => p.id === `${whole}-parts`) ? { [whole]: `${whole}-parts` } : {}
}
