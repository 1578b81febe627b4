import type { Ice } from '#core/hand'
import { issueOf, type Issue, type Kg } from '#core/measure'
import type { Chill, Species } from '#core/records'
import { chillHours } from '#core/rules'

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
