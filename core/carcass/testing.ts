import { ANATOMIES, TISSUES, type Anatomy, type SideName, type Species } from '#core/anatomy'
import {
  balanceOf,
  compile,
  evaluate,
  flowWithRibs,
  newYield,
  NO_CHOICES,
  pour,
  setFlow,
  type Choices,
  type Conventions,
  type Flow,
} from './index.ts'

const flows = new Map<Anatomy, Flow>()

/** The compiled flow of a species, once for all tests. */
export function flowOf(species: Species | Anatomy): Flow {
  const anatomy = typeof species === 'string' ? ANATOMIES[species] : species
  if (!flows.has(anatomy)) flows.set(anatomy, compile(anatomy))
  return flows.get(anatomy)!
}

type Sided = Record<string, string>
const SIDES: SideName[] = ['left', 'right', 'animal']
const keyed = <V>(of: Record<string, V>, sides: readonly SideName[]) =>
  Object.entries(of).flatMap(([id, v]) => sides.map((s) => [`${id}:${s}`, v] as const))

/** Choices in short: ways, lines and mm for both sides, and ways of one side that differ. */
export const choose = (
  both: Sided = {},
  more: { lines?: Sided; mm?: Record<string, number>; left?: Sided; right?: Sided } & Partial<
    Pick<Choices, 'trim'>
  > = {},
): Choices => ({
  paths: new Map([
    ...keyed(both, SIDES),
    ...keyed(more.left ?? {}, ['left']),
    ...keyed(more.right ?? {}, ['right']),
  ]),
  lines: new Map(keyed(more.lines ?? {}, SIDES)),
  mm: new Map(keyed(more.mm ?? {}, SIDES)),
  trim: more.trim ?? 'standard',
})

/** A carcass cut up: what was poured into every part, what came of it, and the sums. Kilograms. */
export function cutUp(
  species: Species | Anatomy,
  choices: Choices = NO_CHOICES,
  {
    kg = 100,
    conventions = {},
    liveKg = 0,
    ribs = null,
  }: { kg?: number; conventions?: Conventions; liveKg?: number; ribs?: number | null } = {},
) {
  const flow = flowWithRibs(flowOf(species), ribs)
  const { anatomy } = flow
  const setting = setFlow(flow, choices)
  const inputs = pour(flow, setting, conventions, kg, liveKg)
  const y = evaluate(flow, setting, inputs, newYield(flow))
  const part = (id: string, side?: SideName) =>
    flow.slots.reduce(
      (sum, slot, i) =>
        slot.part === id && (!side || slot.side === side)
          ? TISSUES.reduce((s, _, t) => s + inputs[i * 4 + t]!, sum)
          : sum,
      0,
    )
  const cut = (id: string) => y.cutKg[anatomy.cuts.findIndex((c) => c.id === id)]!
  const tissue = TISSUES.map((_, t) => inputs.reduce((s, mass, i) => (i % 4 === t ? s + mass : s), 0))
  return { flow, setting, inputs, y, part, cut, tissue, balance: balanceOf(flow, inputs, y) }
}
