import { formatPercent, minor } from '#core/measure'
import type { DecisionOf, Field } from '#core/records'
import type { Wanted } from './wanted.ts'
import {
  knowsAll,
  knowsCut,
  type ReadsDecision,
  type ReadsDecisions,
  type Saying,
  type Sets,
} from './reads.ts'

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

export const target: ReadsDecisions['target'] = {
  unknownIn: knowsAll,
  into: (wanted, { value }) => void (wanted.lot.target = value),
  say: ({ value }, { says }) => says.money(minor(value)),
}

export const unpaid: ReadsDecisions['unpaid'] = {
  unknownIn: knowsAll,
  into: (wanted, { value }) => void (wanted.lot.unpaid = value),
  say: ({ value }) => String(value),
}

export const aim: ReadsDecisions['aim'] = {
  unknownIn: knowsAll,
  into: (wanted, { value }) => void (wanted.lot.aim = value),
  about: 'What is aimed at',
  say: ({ value }, { says }) =>
    value.kind === 'margin' ? formatPercent(value.share) : `${says.money(minor(value.amount))} an hour`,
}

export const ending: ReadsDecisions['ending'] = {
  unknownIn: knowsAll,
  into: (wanted, { value }) => void (wanted.lot.ending = value),
  say: ({ value }) => value,
}

export const sharePrice: ReadsDecisions['sharePrice'] = {
  unknownIn: knowsAll,
  into: (wanted, { value }) => void (wanted.lot.sharePrice = value),
  say: ({ value }, { says }) => says.price(value),
}
