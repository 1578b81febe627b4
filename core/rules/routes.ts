import { CLASS_OF, ROUTE_IDS, type AnimalClass, type Route, type Species } from '#core/records'

export type SaleRule = 'by-the-piece' | 'live-shares-only' | 'never'

export interface RouteRule {
  id: Route
  label: string
  sale: SaleRule
  says: string
  /** What it allows of the cuts, of shares, on the label, and where it is sold. */
  allows: { cuts: string; shares: string; label: string; place: string }
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
    allows: {
      cuts: 'any, by the piece',
      shares: 'of the animal or of the meat',
      label: 'the plant’s inspection legend, name, weight, handling',
      place: 'anywhere in the country',
    },
  },
  state: {
    label: 'State-inspected',
    sale: 'by-the-piece',
    says: 'Sold by the piece inside the state only, unless the plant is in the interstate programme.',
    allows: {
      cuts: 'any, by the piece',
      shares: 'of the animal or of the meat',
      label: 'the state’s legend, name, weight, handling',
      place: 'inside the state',
    },
  },
  custom: {
    label: 'Custom-exempt',
    sale: 'live-shares-only',
    says: 'Only for the owner’s household, guests and employees. Packages say “not for sale”. A buyer must own a share of the live animal before slaughter, so Ekko prices shares, never cuts.',
    allows: {
      cuts: 'none',
      shares: 'of the live animal, before slaughter',
      label: '“not for sale” on every package',
      place: 'the owners’ households',
    },
  },
  'poultry-exempt': {
    label: 'Small-producer poultry exemption',
    sale: 'by-the-piece',
    says: 'Birds you raised and processed yourself, sold inside the state only: up to 1,000, or with a fit place up to 20,000 a year. States add their own rules; packages carry your name, address and the exemption.',
    allows: {
      cuts: 'any, by the piece',
      shares: 'of the birds or of the meat',
      label: 'name, address, the exemption, handling',
      place: 'inside the state',
    },
    only: ['poultry'],
  },
  household: {
    label: 'Own household',
    sale: 'never',
    says: 'Slaughtered at home for the household: never for sale. Ekko shows what the meat costs you, and no prices.',
    allows: {
      cuts: 'none',
      shares: 'none',
      label: 'none needed; a date helps',
      place: 'your own table',
    },
  },
}
export const ROUTES: RouteRule[] = ROUTE_IDS.map((id) => ({ id, ...RULES[id] }))

/** The routes a species can take: only birds have the small-producer exemption. */
export const routesFor = (species: Species): RouteRule[] =>
  ROUTES.filter((r) => !r.only || r.only.includes(CLASS_OF[species]))

export const ruleOf = (route: Route | null): RouteRule | null =>
  route === null ? null : { id: route, ...RULES[route] }
