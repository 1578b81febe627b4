/** What may be sold under each route of slaughter, and which cautions belong to which step? United States' usual rules. */

import { CLASS_OF, ROUTE_IDS, type AnimalClass, type Route, type Species } from '#core/records'

export type SaleRule = 'by-the-piece' | 'live-shares-only' | 'never'

export interface RouteRule {
  id: Route
  label: string
  sale: SaleRule
  says: string
  /** Classes of animals it is for; all where not said. */
  only?: readonly AnimalClass[]
}

/**
 * Routes and what each lets a farm sell (9 CFR 303.1 for the custom and personal exemptions, 9 CFR 381.10 for
 * poultry, from memory).
 * Other countries differ, and the local authority decides.
 */
const RULES: Record<Route, Omit<RouteRule, 'id'>> = {
  inspected: {
    label: 'Federally inspected',
    sale: 'by-the-piece',
    says: 'Inspected and passed: any cut may be sold by the piece.',
  },
  state: {
    label: 'State-inspected',
    sale: 'by-the-piece',
    says: 'Sold by the piece inside the state only, unless the plant is in the interstate programme.',
  },
  custom: {
    label: 'Custom-exempt',
    sale: 'live-shares-only',
    says: 'Only for the owner’s household, guests and employees. Packages say “not for sale”. A buyer must own a share of the live animal before slaughter, so Ekko prices shares, never cuts.',
  },
  'poultry-exempt': {
    label: 'Small-producer poultry exemption',
    sale: 'by-the-piece',
    says: 'Birds you raised and processed yourself, sold inside the state only: up to 1,000, or with a fit place up to 20,000 a year. States add their own rules; packages carry your name, address and the exemption.',
    only: ['poultry'],
  },
  household: {
    label: 'Own household',
    sale: 'never',
    says: 'Slaughtered at home for the household: never for sale. Ekko shows what the meat costs you, and no prices.',
  },
}
export const ROUTES: RouteRule[] = ROUTE_IDS.map((id) => ({ id, ...RULES[id] }))

/** The routes a species can take: only birds have the small-producer exemption. */
export const routesFor = (species: Species): RouteRule[] =>
  ROUTES.filter((r) => !r.only || r.only.includes(CLASS_OF[species]))

export const ruleOf = (route: Route | null): RouteRule | null =>
  route === null ? null : { id: route, ...RULES[route] }

/** How meat of a route may be sold; by the piece while nobody said how the animal is slaughtered. */
export const saleOf = (route: Route | null): SaleRule => ruleOf(route)?.sale ?? 'by-the-piece'

/** Cautions where the step is. Each defers to the local authority, the inspector or the licensed processor. */
const CAUTIONS = {
  slaughter:
    'Never plan an animal that died by itself, was sick, or is under a drug withdrawal period. Withdraw feed 12–24 h, water always there. Ask the inspector or a vet about anything unusual.',
  chill:
    'Surface at or below 4 °C (40 °F) within 24 h, deep in the leg at or below 7 °C (45 °F) within 48 h. Write temperatures down. The plant’s own plan comes first.',
  block:
    'Room at or below 12 °C (54 °F), meat at or below 7 °C (45 °F). One primal on the block, the rest back in the cold. Glove on the off hand; cut away from the body.',
  pack: 'Cold meat only into the freezer: it takes about 1–1.4 kg per 28 L a day (2–3 lb per cubic foot); hold the rest at or below 2 °C (36 °F).',
  labels: 'Whole cuts: cook to 63 °C (145 °F) and rest 3 minutes. Ground or sausage: 71 °C (160 °F).',
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
    labels: 'Poultry, whole, in pieces or ground: cook to 74 °C (165 °F).',
  },
  rabbits: {
    slaughter:
      'Never plan a rabbit that died by itself, was sick, or is under a drug withdrawal period. Withdraw feed 6–12 h, water always there. Gloves: rabbits carry diseases that people catch. White spots on the liver or swollen nodes: stop and ask a vet.',
    chill:
      'To 4 °C (40 °F) within 4 h. Hold 12–24 h before freezing or boning, or it toughens. The plant’s own plan comes first.',
    labels: 'Rabbit, whole or in pieces: cook to 71 °C (160 °F).',
  },
  cattle: {
    chill:
      'Surface at or below 4 °C (40 °F) within 24 h, deep in the round at or below 7 °C (45 °F) within 48 h: a round is slow. Not under 10 °C (50 °F) within 10 h of the kill, or it toughens. The plant’s own plan comes first.',
  },
  goats: SHORTENS,
  sheep: SHORTENS,
}

/** The caution that belongs to a step, for this species. */
export const cautionAt = (step: Step, species: Species): string =>
  ALSO[CLASS_OF[species]][step] ?? CAUTIONS[step]
