import { kg, type Kg } from '#core/measure'
import {
  DEPOTS,
  TISSUES,
  type Anatomy,
  type AnimalType,
  type Band,
  type Build,
  type CompositionRow,
  type Depot,
  type MeasureId,
  type Tissue,
} from './types.ts'

export type DepotShares = Record<Depot, number>

/** Who does not know the type has the mixture of the common ones. */
export const UNSURE = 'unsure'

/** A weight is read inside these multiples of the lightest and the heaviest carcass of its type. */
const REACH = { low: 0.8, high: 1.2 }
/** Growth of each depot against all fat, kg (allometric; docs/sources.md: depots). */
const GROWTH = { outer: 1.2, seam: 0.87, kidney: 1.05 }

/** The weight a composition is read at: of a carcass outside its type's reach, the nearest it knows. */
export const readAt = (type: AnimalType, carcass: Kg): Kg =>
  kg(Math.min(type.rows[1].kg * REACH.high, Math.max(type.rows[0].kg * REACH.low, carcass)))

type Part = 'lean' | 'fat' | 'bone' | 'skin'

/** ln(part ÷ lean) runs straight along ln(weight) through a type's two rows; shares of all, closed to 1. */
export function tissuesAt(type: AnimalType, carcass: Kg): Record<Part, number> {
  const [light, heavy] = type.rows
  const at = Math.log(carcass / light.kg) / Math.log(heavy.kg / light.kg)
  const toLean = (part: Exclude<Part, 'lean'>) => {
    const ratio = (row: CompositionRow) => row[part] / row.lean
    return ratio(light) === 0 ? 0 : ratio(light) * (ratio(heavy) / ratio(light)) ** at
  }
  const [fat, bone, skin] = [toLean('fat'), toLean('bone'), toLean('skin')]
  const lean = 1 / (1 + fat + bone + skin)
  return { lean, fat: fat * lean, bone: bone * lean, skin: skin * lean }
}

/**
 * What a carcass of a type and a weight is made of: shares of the cold carcass by depot, closed to 1. `eye` is left to
 * the anatomy: it is lean, and how much of the lean it is does not change with type.
 */
export function compositionAt(type: AnimalType, carcass: Kg): Omit<DepotShares, 'eye'> {
  const at = readAt(type, carcass)
  const { lean, fat, bone, skin } = tissuesAt(type, at)
  const { depots } = type
  const grown = (fat * at) / (tissuesAt(type, kg(depots.kg)).fat * depots.kg)
  const raw = {
    outer: (1 - depots.seam - depots.kidney) * grown ** (GROWTH.outer - 1),
    seam: depots.seam * grown ** (GROWTH.seam - 1),
    kidney: depots.kidney * grown ** (GROWTH.kidney - 1),
  }
  const all = raw.outer + raw.seam + raw.kidney
  const of = (share: number) => (fat * share) / all
  return { lean, bone, skin, outer: of(raw.outer), seam: of(raw.seam), kidney: of(raw.kidney) }
}

/** A build of a type at a weight, straight along ln(weight): the odds of its outputs beside the anatomy's. */
export function builtAt(type: AnimalType, build: Build, carcass: Kg): number {
  const [light, heavy] = type.rows
  const at = Math.log(readAt(type, carcass) / light.kg) / Math.log(heavy.kg / light.kg)
  return build.light * (build.heavy / build.light) ** at
}

/** The type of an animal by its id; null for the mixture, and where the anatomy knows no types. */
export const typeOf = (anatomy: Pick<Anatomy, 'types'>, id: string | null): AnimalType | null =>
  id === UNSURE ? null : (anatomy.types.find((t) => t.id === id) ?? anatomy.types[0] ?? null)

/** Types an animal may be, with how much of it each is: the one it is said to be, or the common ones. */
export function typesOf(
  anatomy: Pick<Anatomy, 'types'>,
  id: string | null,
): { type: AnimalType; share: number }[] {
  const one = typeOf(anatomy, id)
  if (one) return [{ type: one, share: 1 }]
  const all = anatomy.types.reduce((s, t) => s + t.common, 0)
  return anatomy.types.flatMap((type) => (type.common > 0 ? [{ type, share: type.common / all }] : []))
}

/** Dressing of a type, or of the mixture: the spread of the mixture is that within the types and between them. */
export function dressingOf(anatomy: Anatomy, id: string | null): { mean: number; sd: number } {
  const types = typesOf(anatomy, id)
  if (types.length === 0) return anatomy.chain.dressing
  const mean = types.reduce((s, { type, share }) => s + share * type.dressing.mean, 0)
  const variance = types.reduce(
    (s, { type, share }) => s + share * (type.dressing.sd ** 2 + (type.dressing.mean - mean) ** 2),
    0,
  )
  return { mean, sd: Math.sqrt(variance) }
}

/** What is usually measured on a type at a weight: straight along ln(weight), end slopes kept; null where nobody does. */
export function expectedMeasure(type: AnimalType, id: MeasureId, carcass: Kg): number | null {
  const rows = type.expects[id]
  if (!rows || rows.length === 0) return null
  if (rows.length === 1) return rows[0]![1]
  const next = rows.findIndex(([w]) => carcass <= w)
  const i = next < 0 ? rows.length - 1 : Math.max(1, next)
  const [[w0, v0], [w1, v1]] = [rows[i - 1]!, rows[i]!]
  const at = Math.log(readAt(type, carcass) / w0) / Math.log(w1 / w0)
  return Math.max(v0 * 0.3, v0 + at * (v1 - v0))
}

/** Which depot a band's tissue belongs to. */
export function depotOf(band: Pick<Band, 'depot'>, tissue: Tissue): Depot {
  if (tissue === 'fat') return band.depot === 'kidney' ? 'kidney' : 'outer'
  return tissue === 'lean' && band.depot === 'eye' ? 'eye' : tissue
}

/** Depots of the carcass as the anatomy has it written, with every convention as usual; shares of all of it. */
export function writtenDepots(anatomy: Anatomy, hangs: (band: Band, tissue: Tissue) => number): DepotShares {
  const sums = Object.fromEntries(DEPOTS.map((d) => [d, 0])) as DepotShares
  let all = 0
  for (const band of anatomy.bands)
    for (const t of TISSUES) {
      const mass = band.tissue[t] * hangs(band, t)
      sums[depotOf(band, t)] += mass
      all += mass
    }
  for (const d of DEPOTS) sums[d] /= all
  return sums
}
