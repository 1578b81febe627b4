import { z } from 'zod'
import {
  commandSchema,
  factSchema,
  groupSchema,
  lotHeadSchema,
  packSchema,
  weighingSchema,
  type Command,
  type Fact,
  type Group,
  type LotHead,
  type PackWeighing,
  type Weighing,
} from '#core/records'
import {
  bigint,
  bodyOf,
  boolean,
  instantAt,
  integer,
  jsonb,
  numbers,
  shownAs,
  text,
  uuid,
  workedOut,
} from './columns.ts'
import { table } from './table.ts'

const author = { device: uuid, person: uuid }
/** What every record of a lot bears. */
const entry = { id: uuid, group: uuid.of('lot_group'), rev: bigint, at: instantAt, ...author }
const correction = { corrects: uuid.orNull, stands: boolean }
const ofLot = { keeps: 'append', key: ['id'], order: ['rev'], within: 'lots' } as const

export const lots = table<LotHead>({
  name: 'lot',
  schema: lotHeadSchema,
  keeps: 'replace',
  key: ['id'],
  order: ['number'],
  counted: 'number',
  called: 'lot',
  columns: {
    ...{ id: uuid, tag: text, species: text, anatomy: text, createdAt: instantAt, rev: bigint, ...author },
    count: workedOut,
  },
  bundle: 'lots',
})

export const groups = table<Group, Group & { lot: string }>({
  ...ofLot,
  name: 'lot_group',
  schema: groupSchema,
  order: ['rev', 'id'],
  called: 'group',
  columns: {
    ...{ id: uuid, parent: uuid.orNull, animals: integer, half: boolean, name: text },
    ...{ rev: bigint, at: instantAt, ...author },
    joins: workedOut,
  },
  also: { lot: { column: uuid, from: (g) => g.lot } },
  bundle: 'groups',
})

/** What a request of several writes came to, so that it is answered the same again. */
export interface Request {
  id: string
  digest: string
  lots: { lot: string; from: number; rev: number }[]
  at: string
}
export const requests = table<Request>({
  name: 'request',
  schema: z.object({
    ...{ id: z.string(), digest: z.string(), at: z.string() },
    lots: z.array(z.object({ lot: z.string(), from: z.number(), rev: z.number() })),
  }),
  keeps: 'append',
  key: ['id'],
  order: ['at'],
  called: 'request',
  columns: { id: uuid, digest: text, lots: jsonb, at: instantAt },
})

/** What else a group was put together of. */
export const groupJoins = table<{ group: string; joins: string }>({
  name: 'lot_group_join',
  schema: z.object({ group: z.string(), joins: z.string() }),
  keeps: 'append',
  key: ['joins'],
  order: ['joins'],
  called: null,
  columns: { group: uuid.of('lot_group'), joins: uuid },
})

export const weighings = table<Weighing>({
  ...ofLot,
  name: 'weighing',
  schema: weighingSchema,
  called: 'weighing',
  columns: {
    ...entry,
    ...correction,
    ...{ stage: text, basis: text.orNull, source: text, shown: shownAs('shown'), grams: bigint },
    day: text.of('weighed_on').orNone,
  },
  bundle: 'weighings',
})

export const packs = table<PackWeighing>({
  ...ofLot,
  name: 'pack',
  schema: packSchema,
  called: 'pack',
  columns: {
    ...entry,
    ...correction,
    ...{ cut: text, shown: shownAs('shown'), grams: bigint, packs: integer, number: bigint.orNull },
    ...{ pieces: integer.orNone, wrap: text.orNone, place: text.orNone, said: text.orNone, outOf: numbers },
  },
  bundle: 'packs',
})

export const commands = table<Command>({
  ...ofLot,
  name: 'command',
  schema: commandSchema,
  called: 'decision',
  columns: {
    ...entry,
    ...{ batch: uuid, undoes: uuid.orNull, redoes: uuid.orNull },
    decision: bodyOf('decision', { name: 'decision', tag: 'field', named: false }),
  },
  bundle: 'commands',
})

export const facts = table<Fact>({
  ...ofLot,
  name: 'fact',
  schema: factSchema,
  called: 'fact',
  columns: {
    ...entry,
    ...correction,
    fact: bodyOf('fact', { name: 'fact', tag: 'kind', named: true }),
  },
  bundle: 'facts',
})
