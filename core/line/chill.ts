import { issueOf, kg, type Issue, type Kg } from '#core/measure'
import type { Chill, Species } from '#core/records'
import { chillHours } from '#core/rules'

/** What a bird gives off for each kg and degree, what water does, and what melting ice takes, kJ (textbook figures; docs/sources.md: ice-balance). */
const BIRD_KJ = 3.4
const WATER_KJ = 4.186
const MELT_KJ = 334
/** Out of the feathers, cold all through, and the water of a bath that is kept in ice, °C. */
const [WARM, COLD, BATH] = [39, 4, 2]

export interface Ice {
  /** What melts to cool the birds, and the water they lie in. */
  birds: Kg
  water: Kg
  /** The two together: with less it cannot be done. */
  needed: Kg
  /** One of ice to one of bird, as is safe to order (common practice), and what of it is for tub, air and holding. */
  order: Kg
  reserve: Kg
}

/**
 * How much ice a bath of birds takes: the heat balance, and apart from it the reserve of the common order of one kg of ice
 * to one of bird. 1 kg of bird takes 0.36 kg, 1 kg of water at 15 °C another 0.16 kg.
 */
export function iceFor(birds: Kg, water: Kg, waterC: number): Ice {
  const forBirds = kg((birds * BIRD_KJ * (WARM - COLD)) / MELT_KJ)
  const forWater = kg((water * WATER_KJ * Math.max(0, waterC - BATH)) / MELT_KJ)
  const needed = kg(forBirds + forWater)
  const order = kg(Math.max(birds, needed))
  return { birds: forBirds, water: forWater, needed, order, reserve: kg(order - needed) }
}

/** Minutes one kg takes to 4 °C in the middle, by what it lies in; they grow as the square of its thickness (our own figures; docs/sources.md: chill-time). */
const MINUTES: Record<Chill, number> = { moving: 55, still: 82, air: 220 }

/** Minutes until a carcass of so many kg is cold all through. */
export const chillMinutes = (how: Chill, carcass: number): number => MINUTES[how] * carcass ** (2 / 3)

/** What is wrong with a chill: too little ice for the heat, too slow for the rule. `hours` it takes from feathers off to cold. */
export function judgeChill(
  species: Species,
  carcass: Kg,
  ice: Ice,
  given: Kg | null,
  hours: number,
  how: Chill,
): Issue[] {
  const allowed = chillHours(species, carcass)
  return [
    ...(how !== 'air' && given !== null && given < ice.needed
      ? [issueOf('ice-short', 'ice', { needed: ice.needed, given })]
      : []),
    ...(hours > allowed ? [issueOf('chill-late', 'how', { hours, allowed })] : []),
  ]
}

/** Days a freezer of so many litres takes to freeze so much, and what it freezes in one: 1 to 1.4 kg for each 28 litres (US extension, from memory). */
export function freezing(
  mass: number,
  litres: number,
): { low: number; high: number; daily: [number, number] } {
  const daily: [number, number] = [litres / 28, (1.4 * litres) / 28]
  return { low: mass / daily[1], high: mass / daily[0], daily }
}
