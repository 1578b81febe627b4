import type { Cut } from '#core/anatomy'
import type { Finishing } from '#core/carcass'
import { kg, perKg, priceIn, priceOf, type Kg, type MassUnit, type UnitPrice } from '#core/measure'
import type { Allergen, Destination, Finish, FinishId, Skill } from '#core/records'
import { sayCooking } from '#core/rules'
import { TAKES } from './minutes.ts'

/** A finish as it is usually done. Money is a part of the price of mince, so that it holds in any currency. */
export interface FinishKind {
  id: FinishId
  /** "tied": said after the name of a cut. */
  word: string
  how: string
  per: 'piece' | 'kg'
  /** Cuts it is done to, by where they go; and what such a cut must have, or must not. */
  on: readonly Destination[]
  needs?: 'bone' | 'skin' | 'no-bone'
  usual: { minutes: number; goods: number; change: number; extra: number; allergens: Allergen[] }
  /** Whether what goes on it may hold what people react to. */
  seasons?: boolean
  caution?: string
}

const NAMED_IN = 'Name everything that goes in on the label, what people react to first.'
const COLD =
  'Meat and mixture at or below 4 °C (40 °F), straight back into the cold; what is left of the mixture is thrown away.'

/** docs/sources.md: finishes. */
const KINDS: Record<FinishId, Omit<FinishKind, 'id'>> = {
  'bare-bone': {
    word: 'bones bared',
    how: 'Score round each bone, push the meat back and scrape the bone white; the scrapings go to the trim.',
    per: 'piece',
    on: ['R', 'T'],
    needs: 'bone',
    usual: { minutes: 1.5, goods: 0, change: -0.05, extra: 0.25, allergens: [] },
    caution: 'Scrape away from the hand that holds; a glove on it.',
  },
  scored: {
    word: 'scored',
    how: 'Cut the rind or fat in lines a finger apart, not into the meat.',
    per: 'piece',
    on: ['R', 'B'],
    usual: { minutes: 1, goods: 0, change: 0, extra: 0.08, allergens: [] },
    caution: 'A sharp blade set shallow, drawn away from the body: rind makes it slip.',
  },
  tied: {
    word: 'tied',
    how: 'From the middle to the ends, at even gaps, as tight at the end as in the middle.',
    per: 'piece',
    on: ['R', 'B', 'C'],
    usual: { minutes: 2, goods: 0.01, change: 0, extra: 0.12, allergens: [] },
  },
  netted: {
    word: 'netted',
    how: 'Through the tube into a net one size smaller than the piece.',
    per: 'piece',
    on: ['R', 'B', 'C'],
    usual: { minutes: 0.7, goods: 0.05, change: 0, extra: 0.1, allergens: [] },
  },
  skewered: {
    word: 'on skewers',
    how: 'Cubes of a size, no end bare, points inward in the tray.',
    per: 'kg',
    needs: 'no-bone',
    on: ['R', 'T', 'B'],
    usual: { minutes: 8, goods: 0.1, change: 0, extra: 0.35, allergens: [] },
    caution: 'Skewer points hurt hands and go through bags.',
  },
  marinated: {
    word: 'marinated',
    how: 'Weigh the marinade to the meat, cover, turn; drain before it is packed and weighed.',
    per: 'kg',
    on: ['R', 'T', 'B'],
    usual: { minutes: 1.5, goods: 0.2, change: 0.08, extra: 0.15, allergens: ['soy', 'wheat'] },
    seasons: true,
    caution: `${COLD} ${NAMED_IN}`,
  },
  spiced: {
    word: 'spiced',
    how: 'Rub in 20 g of the mixture to a kilogram, evenly.',
    per: 'kg',
    on: ['R', 'T', 'B'],
    usual: { minutes: 1, goods: 0.12, change: 0.02, extra: 0.12, allergens: ['mustard'] },
    seasons: true,
    caution: `${COLD} ${NAMED_IN}`,
  },
  stuffed: {
    word: 'stuffed',
    how: 'Cold stuffing into a pocket or roll, no fuller than it closes; tie it.',
    per: 'piece',
    on: ['R', 'T'],
    usual: { minutes: 4, goods: 0.25, change: 0.2, extra: 0.1, allergens: ['wheat', 'egg'] },
    seasons: true,
    caution: `${COLD} ${NAMED_IN} ${sayCooking({ species: 'hog', wild: false }, 'stuffed')}`,
  },
  'rind-off': {
    word: 'rind off',
    how: 'Blade flat between rind and fat, the rind pulled, the blade held still.',
    per: 'piece',
    on: ['R', 'T', 'B', 'C'],
    needs: 'skin',
    usual: { minutes: 1.5, goods: 0, change: -0.08, extra: 0.12, allergens: [] },
    caution: 'The blade points away from the hand that pulls.',
  },
}
export const FINISHES: FinishKind[] = Object.entries(KINDS).map(([id, kind]) => ({
  id: id as FinishId,
  ...kind,
}))
/** Whether something can be done to a cut once it is cut: not to bones, fat, offal and what goes through the grinder. */
export const canBeFinished = ({ destination, kind }: Pick<Cut, 'destination' | 'kind'>): boolean =>
  kind === 'product' && FINISHES.some((f) => f.on.includes(destination))
export const finishKind = (id: FinishId): FinishKind => ({ id, ...KINDS[id] })

/** A finish with its usual figures, in the unit of the farm, at its price of mince. */
export function usualFinish({ id, usual }: FinishKind, mince: UnitPrice, per: MassUnit): Finish {
  const part = (of: number) => priceOf(Math.round(of * (priceIn(mince, per).milli / 1000)), per)
  const { minutes, change, allergens } = usual
  return { finish: id, minutes, change, allergens, goods: part(usual.goods), extra: part(usual.extra) }
}

/** What finishes put on a cut and leave of it: all that adds first, then all that takes away. */
export function finishingOf(finishes: readonly Finish[]): Finishing {
  const adds = finishes.reduce((sum, f) => sum + Math.max(0, f.change), 0)
  const keeps = finishes.reduce((left, f) => left * (1 + Math.min(0, f.change)), 1)
  return { adds, keeps }
}

/** What is finished of a lot: its weight as it is sold, in so many pieces. */
export interface Finished {
  finishes: readonly Finish[]
  kg: Kg
  pieces: number
}

/** What a cut weighed before it was finished. */
const before = ({ finishes, kg: mass }: Finished): Kg => {
  const { adds, keeps } = finishingOf(finishes)
  return kg(mass / ((1 + adds) * keeps))
}

/** Minutes that the finishes of a cut take such hands. */
export const finishMinutes = (cut: Finished, hands: Skill): number =>
  TAKES[hands] *
  cut.finishes.reduce(
    (sum, f) => sum + f.minutes * (finishKind(f.finish).per === 'kg' ? before(cut) : cut.pieces),
    0,
  )

/** What goes on or round a cut costs; minor units, not rounded. */
export const goodsOf = (cut: Finished): number =>
  cut.finishes.reduce((sum, f) => sum + before(cut) * perKg(f.goods), 0)

/** Minor units per kg that a buyer pays more for all of them. */
export const extraPerKg = (finishes: readonly Finish[]): number =>
  finishes.reduce((sum, f) => sum + perKg(f.extra), 0)

/** A cut with what is done to it: "Shoulder roast, tied". */
export const finishedName = (name: string, finishes: readonly Finish[]): string =>
  [name, ...finishes.map((f) => KINDS[f.finish].word)].join(', ')

/** What people react to in what goes on a cut, each once. */
export const allergensOf = (finishes: readonly Finish[]): Allergen[] => [
  ...new Set(finishes.flatMap((f) => f.allergens)),
]
