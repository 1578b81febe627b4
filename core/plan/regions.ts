import type { Species } from '#core/anatomy'
import { CLASS_OF } from '#core/records'
import type { CutRow } from '#core/carcass'

/** Where along the back a chop or steak comes from, as butchers tell them apart. */
export type Region = 'rib end' | 'centre' | 'sirloin end' | 'end' | 'T-bone' | 'porterhouse'

/** Lumbar joints of cattle behind this one carry a tenderloin wide enough for a porterhouse (docs/sources.md: loin-regions). */
const T_BONES = 3

function regionOf(species: Species, segment: string): Region | null {
  const [kind, number] = segment.split(' ')
  const isBeef = CLASS_OF[species] === 'cattle'
  if (kind === 'rib') return isBeef ? 'end' : 'rib end'
  if (kind === 'sacrum') return 'sirloin end'
  if (kind !== 'lumbar') return null
  if (!isBeef) return 'centre'
  return Number(number) > T_BONES ? 'porterhouse' : 'T-bone'
}

/**
 * How many slices of a cut come from which region of the back, in order from the head end; empty where all come from one:
 * then it is said by the cut's name.
 */
export function regionsOf(species: Species, rows: readonly Pick<CutRow, 'segments'>[]): [Region, number][] {
  const found = new Map<Region, number>()
  for (const { segments } of rows)
    for (const [segment, pieces] of segments) {
      const region = regionOf(species, segment)
      if (region) found.set(region, (found.get(region) ?? 0) + pieces)
    }
  return found.size > 1 ? [...found] : []
}
