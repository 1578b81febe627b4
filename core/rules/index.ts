/** May it be sold, and which cautions belong to which step? United States' usual rules. */

export { ROUTES, routesFor, ruleOf } from './routes.ts'
export type { RouteRule, SaleRule } from './routes.ts'
export { chestOf, chillHours, coolingOf, tooWarmToFreeze } from './cooling.ts'
export type { Cooling, TempAt } from './cooling.ts'
export {
  cookingInShort,
  endOf,
  fleshOf,
  goodKeeps,
  goodOf,
  sayCooking,
  sayGoodKeeps,
  sayHeat,
} from './goods.ts'
export type { Flesh, Good } from './goods.ts'
export { HANDLING, retainedWords, packageWords } from './labels.ts'
export { birdsOf, clearOn, EXEMPT_BIRDS, exemptionOf, heldBack, lastOf, sayClear, verdictOf } from './sale.ts'
export type { Reason, Verdict } from './sale.ts'
import { CLASS_OF, type AnimalClass, type Species } from '#core/records'

/** Cautions where the step is. Each defers to the local authority, the inspector or the licensed processor. */
const CAUTIONS = {
  slaughter:
    'Never plan an animal that died by itself, was sick, or is under a drug withdrawal period. Withdraw feed 12–24 h, water always there. Ask the inspector or a vet about anything unusual.',
  chill:
    'Surface at or below 4 °C (40 °F) within 24 h, deep in the leg at or below 7 °C (45 °F) within 48 h. Write temperatures down. The plant’s own plan comes first.',
  block: 'One primal on the block, the rest back in the cold. Glove on the off hand; cut away from the body.',
  pack: 'Cold meat only into the freezer: it takes about 1–1.4 kg per 28 L a day (2–3 lb per cubic foot); hold the rest at or below 2 °C (36 °F).',
} as const

export type Step = keyof typeof CAUTIONS

/** Small carcasses that a hard cooler makes tough. */
const SHORTENS = {
  chill:
    'Surface at or below 4 °C (40 °F) within 24 h, but not under 10 °C (50 °F) within 10 h of the kill, or it toughens. Write temperatures down. The plant’s own plan comes first.',
}
/** Where a class of animals needs other words (poultry: 9 CFR 381.66 as it long stood, and federal minimum temperatures, from memory). */
const ALSO: Record<AnimalClass, Partial<Record<Step, string>>> = {
  swine: {},
  poultry: {
    slaughter:
      'Never plan a bird that died by itself, was sick, or is under a drug withdrawal period. Withdraw feed 8–12 h, water always there. Scald burns; keep children away. A torn gut or gall: cut and wash away at once.',
    chill:
      'To 4 °C (40 °F) within 4 h under 4 lb, 6 h from 4 to 8 lb, 8 h above. Hold 12–48 h before freezing or boning, or it toughens. The plant’s own plan comes first.',
  },
  rabbits: {
    slaughter:
      'Never plan a rabbit that died by itself, was sick, or is under a drug withdrawal period. Withdraw feed 6–12 h, water always there. Gloves: rabbits carry diseases that people catch. White spots on the liver or swollen nodes: stop and ask a vet.',
    chill:
      'To 4 °C (40 °F) within 4 h. Hold 12–24 h before freezing or boning, or it toughens. The plant’s own plan comes first.',
  },
  cattle: {
    chill:
      'Surface at or below 4 °C (40 °F) within 24 h, deep in the round at or below 7 °C (45 °F) within 48 h: a round is slow. Not under 10 °C (50 °F) within 10 h of the kill, or it toughens. The plant’s own plan comes first.',
  },
  goats: SHORTENS,
  sheep: SHORTENS,
}

/**
 * How cold room and meat are kept while they are cut, by the money a farm counts in: United States as inspected rooms are kept (common
 * practice, from memory); the European Union's hygiene rules (Regulation 853/2004, annex III, from memory), which the United Kingdom
 * kept. Elsewhere the stricter of the two.
 */
export function roomRule(currency: string): string {
  const room = ['EUR', 'GBP', 'DKK', 'SEK', 'PLN', 'CZK'].includes(currency)
    ? 'Room at or below 12 °C (54 °F), meat at or below 7 °C (45 °F), birds and rabbits at or below 4 °C (40 °F).'
    : 'Room at or below 10 °C (50 °F), meat at or below 4 °C (40 °F).'
  return currency === 'USD' ? room : `${room} Your authority may ask for less or more.`
}

/** The caution that belongs to a step, for this species. */
export const cautionAt = (step: Step, species: Species): string =>
  ALSO[CLASS_OF[species]][step] ?? CAUTIONS[step]

/** What is kept raw and uncut: how long it may be held cold and frozen before it is used. */
interface Keeping {
  chilled: string
  frozen: string
}
const RED: Keeping = { chilled: '3–5 days', frozen: '4–12 months' }
const WHITE: Keeping = { chilled: '1–2 days', frozen: '9–12 months' }

/**
 * How long a raw piece keeps at 4 °C (40 °F) in a home refrigerator, and how long it keeps its quality at −18 °C (0 °F)
 * (USDA and FoodSafety.gov cold food storage chart; rabbit: FSIS, Rabbit from Farm to Table; both from memory).
 */
export function keepingOf(species: Species): Keeping {
  const isWhite = CLASS_OF[species] === 'poultry' || CLASS_OF[species] === 'rabbits'
  return isWhite ? WHITE : RED
}
