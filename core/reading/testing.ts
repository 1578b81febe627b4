import fc from 'fast-check'
import { lookup, sidesOf, SPECIES, type Species } from '#core/anatomy'
import { CLASS_OF } from '#core/records'
import { ANATOMIES } from '#core/species'
import { gramsOf, KG_PER_LB, priceOf } from '#core/measure'
import { NO_LOG, takePath, tried, type Said } from '#core/plan'
import type { FactBody, WeighedStage } from '#core/records'
import { flowOf, parted } from '../carcass/testing.ts'
import {
  figuresOf,
  reckon,
  type FarmFigures,
  type LotState,
  type PackRow,
  type WeighingRow,
} from './index.ts'

/** How many a usual lot is: one animal, or a flock. */
const countOf = (species: Species) => (['poultry', 'rabbits'].includes(CLASS_OF[species]) ? 40 : 1)
/** Hot and live weight of a usual lot, lb. */
const HOT_LB: Partial<Record<Species, number>> = { hog: 185, lamb: 60, steer: 700, broiler: 165 }
export const hotLbOf = (species: Species): number =>
  HOT_LB[species] ?? (ANATOMIES[species].referenceKg * countOf(species)) / KG_PER_LB
const LIVE_LB: Partial<Record<Species, number>> = { hog: 260, lamb: 115, steer: 1150, broiler: 240 }
const liveLbOf = (species: Species): number =>
  LIVE_LB[species] ?? hotLbOf(species) / ANATOMIES[species].chain.dressing.mean / 0.96

/** A farm that counts no labour by the plan. */
export const FARM: FarmFigures = {
  ...figuresOf(null),
  massUnit: 'lb',
  mince: priceOf(1300, 'kg'),
}

/** A lot with one weight, as decided and seen; nothing packed. */
export function lotOf(
  species: Species,
  said: readonly Said[] = [],
  stage: WeighedStage = 'live',
  lb = liveLbOf(species),
): LotState {
  const shown = { value: lb, unit: 'lb' } as const
  return {
    count: countOf(species),
    weighings: [
      {
        id: 'w',
        stage,
        basis: null,
        source: 'scale',
        shown,
        grams: gramsOf(shown),
        corrects: null,
        stands: true,
        at: '',
      },
    ],
    ...tried(NO_LOG, said),
    packs: [],
  }
}

/** Packs of a cut as they were weighed, lb. */
export const packOf = (cut: string, lb: number, packs = 1, more: Partial<PackRow> = {}): PackRow => {
  const shown = { value: lb, unit: 'lb' } as const
  return {
    id: `p ${cut} ${lb} ${packs}`,
    cut,
    shown,
    grams: gramsOf(shown),
    packs,
    number: null,
    corrects: null,
    stands: true,
    at: '',
    ...more,
  }
}

const at = <T>(list: readonly T[], i: number): T => list[i % list.length]!

/**
 * A lot of any species as a farm may have it: some ways taken on one side or both, perhaps hung and weighed, perhaps cut:
 * some cuts weighed to `part` of what the plan expects, some of those all in. From the numbers of a generator.
 */
export function anyLot(draw: readonly number[]): LotState {
  const species = at(SPECIES, draw[0]!)
  const anatomy = ANATOMIES[species]
  const said: Said[] = draw.slice(1, 6).flatMap((n) => {
    const part = at(anatomy.parts, n)
    const path = at(lookup(anatomy).pathsOf(part.id), Math.floor(n / 31))
    const all = sidesOf(part)
    const sides = path.pair || n % 2 ? all : all.slice(0, 1)
    return takePath(anatomy, part.id, sides, path.id)
  })
  const lot = lotOf(species, said)
  const hung = reckon(flowOf(species), lot, FARM, 0)
  const scale = (stage: WeighedStage, kg: number): WeighingRow => ({
    ...lot.weighings[0]!,
    id: `w ${stage}`,
    stage,
    basis: stage === 'hanging' ? 'aged' : null,
    shown: { value: kg, unit: 'kg' },
    grams: gramsOf({ value: kg, unit: 'kg' }),
  })
  const weighed = draw[6]! % 3
  const weighings = [
    ...lot.weighings,
    ...(weighed > 0 ? [scale('hot', hung.weights!.hot * (0.97 + (draw[7]! % 7) / 100))] : []),
    ...(weighed > 1 ? [scale('hanging', hung.weights!.aged * (0.96 + (draw[7]! % 5) / 100))] : []),
  ]
  const cuts =
    draw[8]! % 4 === 0 ? [] : hung.cuts.filter((c, i) => c.cut.kind !== 'loss' && (draw[9]! >> (i % 20)) % 2)
  const packs = cuts.map((c, i) => {
    const kgOfIt = c.kg * (0.5 + ((draw[10]! + i * 7) % 70) / 100)
    return packOf(c.cut.id, kgOfIt / KG_PER_LB, 1 + (i % 5))
  })
  const ticks = packs.flatMap((p, i): FactBody[] =>
    (draw[11]! + i) % 2 ? [{ kind: 'tick', what: 'cut', of: p.cut, side: 'animal' }] : [],
  )
  return { ...lot, ...tried(lot, ticks), weighings, packs }
}
/** That lot with its species, and the numbers it came from. */
export const lotFrom = (draw: readonly number[]) => ({
  draw,
  lot: anyLot(draw),
  species: at(SPECIES, draw[0]!),
})
/** Lots for a property; a failure is shown as the numbers it came from. */
export const someLots = fc.array(fc.nat(100_000), { minLength: 12, maxLength: 12 }).map(lotFrom)

/** What opens an animal hung whole into its parts. */
export const opening = (species: Species): Said[] =>
  Object.entries(parted(species)).flatMap(([part, path]) =>
    takePath(ANATOMIES[species], part, ['animal'], path),
  )
