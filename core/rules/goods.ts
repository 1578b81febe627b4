import { counted } from '#core/measure'
import { CLASS_OF, type Destination, type End, type FinishId, type Species, type Wrap } from '#core/records'

/** What a thing is to whoever cooks and keeps it. */
export type Good =
  | 'whole'
  | 'bladed'
  | 'ground'
  | 'sausage'
  | 'stuffed'
  | 'offal'
  | 'bones'
  | 'for-animals'
  | 'fat'
  | 'rendered'
  | 'cured'
  | 'bacon'
  | 'dry-cured'
  | 'dried'
  | 'cooked'

/** Goods that where they go does not tell; a cured one that is not named here is cured and raw. */
const NAMED: readonly [RegExp, Good][] = [
  // Through blades, what was outside is in the middle (common practice); meat diced with a knife or saw is not.
  [/cube-steak|minute-steak|bladed|tenderi[sz]ed/, 'bladed'],
  [/sausage$/, 'sausage'],
  [/stuffed|^boned-(?:bird|rabbit)$|^breast-rolled$/, 'stuffed'],
  [/^dog-bones$/, 'for-animals'],
  [/^(?:leaf-)?lard$|^tallow$|^rendered-fat$/, 'rendered'],
  [/bacon|^belly-roll$|^jowl-cured$|^breast-cured$/, 'bacon'],
  [/^dry-ham$/, 'dry-cured'],
  [/^jerky$/, 'dried'],
]
const BY_DESTINATION: Partial<Record<Destination, Good>> = {
  ...{ G: 'ground', O: 'offal', N: 'bones', F: 'fat', C: 'cured' },
}
/** Head meat in jelly was boiled: of other animals it is raw and ground. */
const BOILED = 'head-meat'

/** What a cut is, finished as it is. */
export function goodOf(
  cut: { id: string; destination: Destination },
  finishes: readonly FinishId[] = [],
): Good {
  if (finishes.includes('stuffed')) return 'stuffed'
  if (cut.id === BOILED && cut.destination === 'B') return 'cooked'
  return (
    NAMED.find(([id, good]) => id.test(cut.id) && fits(good, cut.destination))?.[1] ??
    BY_DESTINATION[cut.destination] ??
    'whole'
  )
}
/** Fat for sausage is fat, and a belly slab is no bacon. */
const fits = (good: Good, to: Destination): boolean =>
  good === 'sausage' ? to === 'G' : good === 'bacon' ? to === 'C' : true

/** Whose meat it is, as far as its heat and its keeping go. */
export interface Flesh {
  species: Species
  /** Hunted or feral, or of a wild type: its parasites outlive freezing, and nobody looked at it alive. */
  wild: boolean
}
export const fleshOf = (
  species: Species,
  { type, end }: { type: string | null; end: End | null },
): Flesh => ({
  species,
  wild: end === 'hunted' || type === 'wild',
})

/** The lowest temperature in the middle, and how long it rests there after. */
export interface Cooked {
  c: number
  f: number
  restMinutes: number
}
const AT = {
  whole: { c: 63, f: 145, restMinutes: 3 },
  through: { c: 71, f: 160, restMinutes: 0 },
  poultry: { c: 74, f: 165, restMinutes: 0 },
} as const satisfies Record<string, Cooked>

const THROUGH = new Set<Good>(['bladed', 'ground', 'sausage', 'offal', 'dried'])
/** Goods that are not cooked by a temperature, or not raw any more. */
const OTHERWISE = new Set<Good>(['bones', 'for-animals', 'fat', 'rendered', 'bacon', 'dry-cured'])

/**
 * The temperature a good is brought to; null where a temperature is not what makes it safe. United States: the Department of
 * Agriculture’s safe minimum internal temperatures (poultry and all that is stuffed 165 °F, ground and variety meats, rabbit, game
 * and feral swine 160 °F, whole red meat 145 °F and 3 minutes), from memory. What is dried was brought there before it was dried.
 */
export function endOf({ species, wild }: Flesh, good: Good): Cooked | null {
  const of = CLASS_OF[species]
  if (OTHERWISE.has(good)) return null
  if (of === 'poultry' || good === 'stuffed' || good === 'cooked') return AT.poultry
  return wild || of === 'rabbits' || THROUGH.has(good) ? AT.through : AT.whole
}

export const sayHeat = ({ c, f }: Pick<Cooked, 'c' | 'f'>): string => `${c} °C (${f} °F)`
const sayEnd = (end: Cooked, where = 'in the middle'): string =>
  `Cook to ${sayHeat(end)} ${where}${end.restMinutes > 0 ? `, then rest ${end.restMinutes} minutes` : ''}.`

/** How a good is brought to the table safely, in the words of its label. */
export function sayCooking(flesh: Flesh, good: Good): string {
  const end = endOf(flesh, good)
  const cook = end ? sayEnd(end, good === 'stuffed' ? 'in the middle of the stuffing' : undefined) : ''
  switch (good) {
    case 'bladed':
      return `Tenderised by blades. ${cook}`
    case 'stuffed':
      return `Stuffed. ${cook}`
    case 'cured':
      return `Cured, not cooked. ${cook}`
    case 'bacon':
      return flesh.wild
        ? `Cured, not cooked. ${sayEnd(AT.through)}`
        : 'Cured, not cooked. Fry it through, until it is crisp.'
    case 'dry-cured':
      return flesh.wild
        ? `Salted and dried, not cooked. Never eaten raw. ${sayEnd(AT.through)}`
        : 'Salted and dried, not cooked. Eaten as it is only where it was cured and dried by a way your authority knows; boiled or fried through otherwise.'
    case 'dried':
      return `Dried. Eaten as it is only where it was heated to ${sayHeat(end!)} before it was dried.`
    case 'cooked':
      return `Cooked. Eaten cold, or heated to ${sayHeat(end!)}.`
    case 'bones':
      return 'For broth: simmer it until all meat on it is done through.'
    case 'for-animals':
      return 'For animals, not for people.'
    case 'fat':
      return 'Raw fat: render it, or cook it through.'
    case 'rendered':
      return 'Rendered: ready for the pan.'
    case 'whole':
    case 'ground':
    case 'sausage':
    case 'offal':
      return cook
  }
}

/** How long a good keeps at 4 °C (40 °F): days, or months where it is months; and months at −18 °C (0 °F) at its best. */
export interface Keeps {
  days: number
  months: number
}
/** What keeps for months without spoiling is said in months. */
const A_MONTH = 30
const RED: Partial<Record<Good, Keeps>> & { whole: Keeps } = {
  whole: { days: 3, months: 9 },
  bladed: { days: 3, months: 9 },
  ground: { days: 1, months: 3 },
  // Salted fat turns sooner than fat.
  sausage: { days: 1, months: 1 },
  stuffed: { days: 1, months: 1 },
  offal: { days: 1, months: 3 },
  bones: { days: 3, months: 6 },
  'for-animals': { days: 3, months: 6 },
  fat: { days: 3, months: 6 },
  rendered: { days: 6 * A_MONTH, months: 12 },
  cured: { days: 5, months: 1 },
  bacon: { days: 7, months: 1 },
  'dry-cured': { days: 2 * A_MONTH, months: 1 },
  dried: { days: A_MONTH, months: 6 },
  cooked: { days: 3, months: 2 },
}
/** Birds and rabbits keep a day less. */
const WHITE: Partial<Record<Good, Keeps>> = {
  ...{ whole: { days: 1, months: 9 }, bladed: { days: 1, months: 9 }, bones: { days: 1, months: 6 } },
}

/** Air comes through: best for so much of the time only (common practice; a third to a half). */
const SHORTER: Record<Wrap, number> = { vacuum: 1, shrink: 1, jar: 1, zip: 0.4, paper: 0.4, tub: 0.4 }

/**
 * How long a pack keeps at 4 °C and at −18 °C: the lower end of the federal cold food storage chart (FoodSafety.gov, from memory);
 * bones, raw and rendered fat and what is dried common practice, from memory. In the freezer shorter where air comes through. A
 * vacuum does not preserve: chilled it keeps no longer.
 */
export function goodKeeps({ species }: Flesh, good: Good, wrap: Wrap): Keeps {
  const isWhite = CLASS_OF[species] === 'poultry' || CLASS_OF[species] === 'rabbits'
  const { days, months } = (isWhite && WHITE[good]) || (RED[good] ?? RED.whole)
  return { days, months: Math.max(1, Math.round(months * SHORTER[wrap])) }
}

/** In the words of a label; what is dried or rendered needs no thawing in the cold. */
export function sayGoodKeeps(good: Good, { days, months }: Keeps): string {
  const cold = days >= A_MONTH ? counted(Math.round(days / A_MONTH), 'month') : counted(days, 'day')
  const frozen = `or frozen at −18 °C (0 °F), best within ${counted(months, 'month')}.`
  if (good === 'dried') return `Closed and dry, best within ${cold}; ${frozen}`
  if (good === 'rendered') return `Closed, at or below 4 °C (40 °F), ${cold}; ${frozen}`
  if (good === 'dry-cured')
    return `Whole it hangs cool and dry; cut, at or below 4 °C (40 °F), ${cold}; ${frozen}`
  return `Keep at or below 4 °C (40 °F), ${cold}; ${frozen} Thaw in the cold.`
}

/** How meat of this animal is cooked, whole and ground, in one line of a letter or a price list. */
export function cookingInShort(flesh: Flesh): string {
  const [whole, ground] = [endOf(flesh, 'whole')!, endOf(flesh, 'ground')!]
  const of = CLASS_OF[flesh.species]
  const what = flesh.wild
    ? 'Hunted or feral, whole or ground'
    : of === 'poultry'
      ? 'Poultry, whole, in pieces or ground'
      : of === 'rabbits'
        ? 'Rabbit, whole or in pieces'
        : null
  if (what) return `${what}: cook to ${sayHeat(whole)} in the middle.`
  return `Whole cuts: cook to ${sayHeat(whole)} and rest ${whole.restMinutes} minutes. Ground or sausage: ${sayHeat(ground)}. What is stuffed: ${sayHeat(AT.poultry)}.`
}
