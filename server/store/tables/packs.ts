import { z } from 'zod'
import { grams, type Grams } from '#core/measure'
import { packEventSchema, UNIT_STATES, type PackEvent, type UnitState } from '#core/records'
import { bigint, instantAt, text, uuid } from './columns.ts'
import { table } from './table.ts'

/** A pack as it lies there: worked out from weighings, facts and events, so that packs are found without reading a lot. */
export interface UnitKept {
  number: number
  weighIn: string
  lot: string
  cut: string
  grams: Grams
  state: UnitState
  place: string | null
  at: string
}
export const units = table<UnitKept>({
  name: 'unit',
  schema: z.object({
    ...{ number: z.number(), weighIn: z.string(), lot: z.string(), cut: z.string() },
    ...{ grams: z.number().transform(grams), state: z.enum(UNIT_STATES) },
    ...{ place: z.string().nullable(), at: z.string() },
  }),
  keeps: 'derived',
  key: ['number'],
  order: ['number'],
  called: null,
  columns: {
    ...{ number: bigint, weighIn: uuid, lot: uuid, cut: text, grams: bigint, state: text },
    ...{ place: text.orNull, at: instantAt },
  },
})

export const packEvents = table<PackEvent>({
  name: 'pack_event',
  schema: packEventSchema,
  keeps: 'append',
  key: ['id'],
  order: ['ordinal'],
  counted: 'ordinal',
  called: 'event of a pack',
  columns: {
    ...{ id: uuid, number: bigint, what: text, place: text.orNull },
    ...{ at: instantAt, device: uuid, person: uuid },
  },
  bundle: 'packEvents',
})
