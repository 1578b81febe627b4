import { describe, expect, it } from 'vitest'
import { appendSchema, farmSchema, newLotSchema, newPackSchema, newWeighingSchema } from './index.ts'

const ID = '01890a5d-ac96-774b-bcce-b302099a8057'
const farm = {
  name: 'Fallowmere',
  currency: 'USD',
  massUnit: 'lb',
  nameSet: 'american',
  zone: 'UTC',
  mince: { milli: 650_000, per: 'lb' },
  hour: 0,
}
const weighing = {
  id: ID,
  stage: 'live',
  basis: null,
  source: 'scale',
  shown: { value: 260, unit: 'lb' },
  corrects: null,
  stands: true,
  confirmed: false,
}
const pack = { id: ID, cut: 'bacon', shown: { value: 9, unit: 'lb' }, packs: 9, corrects: null, stands: true }
const append = (decision: object) => ({
  batch: ID,
  base: 0,
  own: [],
  undoes: null,
  redoes: null,
  commands: [{ id: ID, decision }],
})
const path = { field: 'path', target: 'loin', side: 'left', value: 'loin-chops' }

describe('what crosses the wire', () => {
  it('is read when it is right', () => {
    expect(farmSchema.safeParse(farm).success).toBe(true)
    expect(newWeighingSchema.safeParse(weighing).success).toBe(true)
    expect(newPackSchema.safeParse(pack).success).toBe(true)
    expect(appendSchema.safeParse(append(path)).success).toBe(true)
  })
  it.each([
    ['a currency there is not', farmSchema, { ...farm, currency: 'usd' }, 'currency'],
    ['a farm without a name', farmSchema, { ...farm, name: '  ' }, 'name'],
    ['mince for nothing', farmSchema, { ...farm, mince: { milli: 0, per: 'lb' } }, 'mince.milli'],
    ['no animals', newLotSchema, { id: ID, tag: 'A', species: 'hog', count: 0 }, 'count'],
    ['a species not known yet', newLotSchema, { id: ID, tag: 'A', species: 'yak', count: 1 }, 'species'],
    ['a hanging weight without its basis', newWeighingSchema, { ...weighing, stage: 'hanging' }, 'basis'],
    ['a live weight with a basis', newWeighingSchema, { ...weighing, basis: 'hot' }, 'basis'],
    ['a withdrawal of nothing', newWeighingSchema, { ...weighing, stands: false }, 'stands'],
    [
      'a negative weight',
      newWeighingSchema,
      { ...weighing, shown: { value: -3, unit: 'lb' } },
      'shown.value',
    ],
    ['a weight in stone', newWeighingSchema, { ...weighing, shown: { value: 3, unit: 'st' } }, 'shown.unit'],
    ['half a pack', newPackSchema, { ...pack, packs: 1.5 }, 'packs'],
    ['a pack that withdraws nothing', newPackSchema, { ...pack, stands: false }, 'stands'],
    [
      'a decision on no field',
      appendSchema,
      append({ ...path, field: 'colour' }),
      'commands.0.decision.field',
    ],
    [
      'a line of the whole animal',
      appendSchema,
      append({ field: 'line', target: 'shoulder-line', side: 'animal', value: '2|3' }),
      'commands.0.decision.side',
    ],
    [
      'a price below zero',
      appendSchema,
      append({ field: 'price', target: 'bacon', side: 'animal', value: { milli: -1, per: 'lb' } }),
      'commands.0.decision.value.milli',
    ],
    [
      'more sold than there is',
      appendSchema,
      append({ field: 'sold', target: 'bacon', side: 'animal', value: 1.2 }),
      'commands.0.decision.value',
    ],
    [
      'a price finer than a thousandth of a cent',
      appendSchema,
      append({ field: 'price', target: 'bacon', side: 'animal', value: { milli: 895_000.5, per: 'lb' } }),
      'commands.0.decision.value.milli',
    ],
    [
      'a fact among the decisions',
      appendSchema,
      append({ field: 'route', target: 'lot', side: 'animal', value: 'inspected' }),
      'commands.0.decision.field',
    ],
    ['a batch of nothing', appendSchema, { ...append(path), commands: [] }, 'commands'],
  ])('%s is refused, and the field is named', (_, schema, body, field) => {
    const out = schema.safeParse(body)
    expect(out.success).toBe(false)
    expect(out.error!.issues.map((i) => i.path.join('.'))).toContain(field)
  })
})
