import { CLASS_OF, type Chill, type Destination, type Route, type Species, type Wrap } from '#core/records'

/** What a label says about cooking: the lowest temperature in the middle, and how long it rests there. */
export interface Cooked {
  c: number
  f: number
  restMinutes: number
}

/**
 * The temperature a raw piece is cooked to (United States: the Department of Agriculture’s safe minimum internal temperatures,
 * from memory). Ground, bladed or cubed meat is not intact: what was on the outside is in the middle.
 */
export function cookedTo(
  species: Species,
  cut: { destination: Destination; nonIntact: boolean; stuffed: boolean },
): Cooked {
  const of = CLASS_OF[species]
  if (of === 'poultry' || cut.stuffed) return { c: 74, f: 165, restMinutes: 0 }
  if (of === 'rabbits' || cut.nonIntact || cut.destination === 'G' || cut.destination === 'O')
    return { c: 71, f: 160, restMinutes: 0 }
  return { c: 63, f: 145, restMinutes: 3 }
}

/** "Cook to 63 °C (145 °F) in the middle, then rest 3 minutes." */
export const sayCooked = ({ c, f, restMinutes }: Cooked): string =>
  `Cook to ${c} °C (${f} °F) in the middle${restMinutes > 0 ? `, then rest ${restMinutes} minutes` : ''}.`

/** Days in a refrigerator at 4 °C, and months in a freezer at −18 °C at their best. */
interface Kept {
  days: number
  months: number
}
const WHOLE: Record<'red' | 'white', Kept> = { red: { days: 3, months: 9 }, white: { days: 1, months: 9 } }
const GROUND: Kept = { days: 1, months: 3 }
const CURED: Kept = { days: 7, months: 1 }
const OFFAL: Kept = { days: 1, months: 3 }

/** Air comes through: best for so much of the time only (common practice; a third to a half). */
const SHORTER: Record<Wrap, number> = { vacuum: 1, shrink: 1, jar: 1, zip: 0.4, paper: 0.4, tub: 0.4 }

/**
 * How long a raw pack keeps at 4 °C (40 °F) and at −18 °C (0 °F): the lower end of the federal cold food storage chart
 * (FoodSafety.gov, from memory), in the freezer shorter where air comes through. A vacuum does not preserve: chilled it keeps
 * no longer.
 */
export function packKeeps(species: Species, to: Destination, wrap: Wrap): Kept {
  const isWhite = CLASS_OF[species] === 'poultry' || CLASS_OF[species] === 'rabbits'
  const kept =
    to === 'G' ? GROUND : to === 'C' ? CURED : to === 'O' ? OFFAL : WHOLE[isWhite ? 'white' : 'red']
  return { days: kept.days, months: Math.max(1, Math.round(kept.months * SHORTER[wrap])) }
}

export const sayKeeps = ({ days, months }: Kept): string =>
  `Keep at or below 4 °C (40 °F), ${days} ${days === 1 ? 'day' : 'days'}; or frozen at −18 °C (0 °F), best within ${months} ${months === 1 ? 'month' : 'months'}. Thaw in the cold.`

/** What raw meat and poultry must tell whoever handles it (United States: 9 CFR 317.2(l) and 381.125(b), in our words, from memory). */
export const HANDLING =
  'Safe handling: keep cold or frozen, thaw in the refrigerator or microwave. Keep raw meat apart; wash hands and everything it touched. Cook thoroughly. Keep hot food hot; chill what is left at once.'

/** What a route puts on every package, and may not be left off; null where it asks for nothing (United States, from memory). */
export function packageWords(route: Route | null): { id: 'not-for-sale' | 'exemption'; says: string } | null {
  switch (route) {
    case 'custom':
      return { id: 'not-for-sale', says: 'NOT FOR SALE' }
    case 'poultry-exempt':
      return { id: 'exemption', says: 'Exempt P.L. 90-492' }
    case 'household':
      return { id: 'not-for-sale', says: 'Own table, not for sale' }
    case 'inspected':
    case 'state':
    case null:
      return null
  }
}

/**
 * What a label says of water that a bird took up in the chill (United States: 9 CFR 441.10, retained water is declared, from
 * memory); null where it was chilled in air, or nobody weighed it before and after.
 */
export const retainedWords = (chill: { how: Chill; retained?: number | undefined } | null): string | null =>
  chill && chill.how !== 'air' && chill.retained !== undefined && chill.retained > 0
    ? `May contain up to ${Math.ceil(chill.retained * 100)} % retained water.`
    : null
