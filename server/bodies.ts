import { v7 as uuid } from 'uuid'
import type { Append, NewFact, NewLot, NewPack, NewWeighing } from '#contracts'
import { minor, priceOf } from '#core/measure'
import { UNNAMED, type Decision, type FactBody } from '#core/records'

/** An author nobody knows. */
export const NOBODY = { device: UNNAMED, person: UNNAMED }

/** Bodies of requests that are right unless changed: what tests and trials send. */
export const lotBody = (more: Partial<NewLot> = {}): NewLot => ({
  id: uuid(),
  tag: 'Thistle',
  species: 'hog',
  count: 1,
  ...more,
})
export const weighingBody = (
  stage: NewWeighing['stage'],
  value: number,
  more: Partial<NewWeighing> = {},
): NewWeighing => ({
  id: uuid(),
  stage,
  basis: stage === 'hanging' ? 'cold' : null,
  source: 'scale',
  shown: { value, unit: 'lb' },
  corrects: null,
  stands: true,
  confirmed: false,
  ...more,
})
export const packBody = (cut: string, value: number, more: Partial<NewPack> = {}): NewPack => ({
  id: uuid(),
  cut,
  shown: { value, unit: 'lb' },
  packs: 1,
  corrects: null,
  stands: true,
  ...more,
})
export const appendBody = (base: number, ...decisions: Decision[]): Append => ({
  batch: uuid(),
  base,
  own: [],
  undoes: null,
  redoes: null,
  commands: decisions.map((decision) => ({ id: uuid(), decision })),
})
/** Facts as a page sends them; each may name the one it corrects. */
export const factBody = (fact: FactBody, more: Partial<NewFact> = {}): NewFact => ({
  id: uuid(),
  corrects: null,
  stands: true,
  fact,
  ...more,
})
export const takePath = (target: string, value: string, side: 'left' | 'right' = 'left'): Decision => ({
  field: 'path',
  target,
  side,
  value,
})
export const FARM = {
  base: 0,
  name: 'Fallowmere',
  currency: 'USD',
  massUnit: 'lb',
  nameSet: 'american',
  zone: 'UTC',
  mince: priceOf(750, 'lb'),
  hour: minor(0),
} as const
