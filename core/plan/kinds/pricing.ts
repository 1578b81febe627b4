import { formatPercent, minor } from '#core/measure'
import type { DecisionOf, Field } from '#core/records'
import type { Wanted } from './wanted.ts'
import { knowsCut, type ReadsDecision, type Saying, type Sets, onLot } from './reads.ts'

type OnCut = 'index' | 'price' | 'lock' | 'floor' | 'ceiling' | 'sold' | 'rest' | 'own' | 'given'
/** A figure of a cut, under the field's own name. */
const onCut = <F extends OnCut & Field>(
  field: F,
  say: (decision: Sets<DecisionOf<F>>, saying: Saying) => string,
): ReadsDecision<DecisionOf<F>> => ({
  unknownIn: knowsCut,
  into: (wanted, { target, value }) =>
    void (wanted[field] as Map<string, typeof value> as Wanted[F] & Map<string, typeof value>).set(
      target,
      value,
    ),
  say,
})

export const index = onCut('index', ({ value }) => String(value))
export const price = onCut('price', ({ value }, { says }) => says.price(value))
export const lock = onCut('lock', ({ value }) => String(value))
export const floor = onCut('floor', ({ value }, { says }) => says.price(value))
export const ceiling = onCut('ceiling', ({ value }, { says }) => says.price(value))
export const sold = onCut('sold', ({ value }) => formatPercent(value))
export const rest = onCut('rest', ({ value }) => formatPercent(value))
export const given = onCut('given', ({ value }) => formatPercent(value))
export const own = onCut('own', ({ value }, { says }) => {
  const at = value.at ? `, counted at ${says.price(value.at)}` : ''
  return `${formatPercent(value.share)}${at}`
})

export const target = onLot('target', ({ value }, { says }) => says.money(minor(value)))

export const unpaid = onLot('unpaid', ({ value }) => String(value))

export const aim = onLot(
  'aim',
  ({ value }, { says }) =>
    value.kind === 'margin' ? formatPercent(value.share) : `${says.money(minor(value.amount))} an hour`,
  'What is aimed at',
)

export const ending = onLot('ending', ({ value }) => value)

export const sharePrice = onLot('sharePrice', ({ value }, { says }) => says.price(value))
