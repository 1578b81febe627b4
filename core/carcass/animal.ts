import { DEPOTS, type Anatomy, type Band, type DepotShares, type Tissue } from '#core/anatomy'
import { conventionIn, type Conventions } from './conventions.ts'

/** On every depot, and on the lean of single bands where an animal is built otherwise. */
export type DepotFactors = Readonly<DepotShares> & { readonly bands?: Readonly<Record<string, number>> }
export const AS_WRITTEN: DepotFactors = Object.fromEntries(DEPOTS.map((d) => [d, 1])) as DepotShares

export interface Grade {
  name: string
  value: number
  unit: string
}

/** Odds on the lean that a part gives to some of its outputs. */
export interface Tilt {
  part: string
  to: readonly string[]
  odds: number
}

/** One animal as it hangs: what of each depot there is beside the anatomy as it is written, and why. */
export interface Animal {
  /** On every depot of the anatomy's cells; the carcass is scaled to its weight afterwards. */
  factors: DepotFactors
  /** Of the whole carcass before a hide or leaf is taken off: shares, closed to 1. */
  made: { lean: number; fat: number; bone: number; skin: number }
  /** Points of carcass that measurements move; null with none. */
  moved: { lean: number; fat: number } | null
  grade: Grade[]
  /** Measured, but outside the weights the published grade is stated for. */
  outsideGrade: boolean
  spread: Anatomy['spread']
  /** How it is built beside the anatomy. */
  tilts: readonly Tilt[]
  /** Lighter or heavier than any carcass of its type that is known. */
  beyond: 'lighter' | 'heavier' | null
}

/** How much of a band's tissue hangs under the conventions: a hide takes the skin and a little of the fat under it. */
export function hanging(anatomy: Anatomy, band: Band, tissue: Tissue, state: Conventions): number {
  let share = 1
  for (const c of anatomy.conventions) {
    if (conventionIn(c, state)) continue
    for (const r of c.removes ?? [])
      if (
        (r.bands === 'all' || r.bands.includes(band.id)) &&
        (r.tissues === 'all' || r.tissues.includes(tissue))
      )
        share *= 1 - r.share
  }
  return share
}
