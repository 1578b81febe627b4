import { issuedPaperSchema, type IssuedPaper } from '#core/papers'
import {
  keptFarmSchema,
  ownVersionSchema,
  sheetUp,
  storedPlanSchema,
  storedSheetSchema,
  type KeptFarm,
  type OwnVersion,
  type StoredPlan,
  type StoredSheet,
} from '#core/records'
import { z } from 'zod'
import {
  bigint,
  boolean,
  instantAt,
  integer,
  jsonb,
  priceAs,
  shownAs,
  text,
  uuid,
  type Column,
} from './columns.ts'
import { table } from './table.ts'

export const farms = table<KeptFarm>({
  name: 'farm',
  schema: keptFarmSchema,
  keeps: 'replace',
  key: ['id'],
  order: ['id'],
  called: null,
  columns: {
    ...{ name: text, currency: text, massUnit: text, nameSet: text, zone: text, mince: priceAs('mince') },
    ...{ hour: bigint, address: text.orNone, telephone: text.orNone, minces: jsonb.orNone },
    ...{ pack: shownAs('pack', true), aliases: jsonb.orNone, revision: integer },
  },
  // There is one.
  also: { id: { column: integer, from: () => 1 } },
})

/** Figures of a carcass by their hash, in the form they were pinned in. */
export const pins = table<{ hash: string; species: string; body: Record<string, unknown> }>({
  name: 'anatomy',
  schema: z.object({ hash: z.string(), species: z.string(), body: z.record(z.string(), z.unknown()) }),
  keeps: 'append',
  key: ['hash'],
  order: ['hash'],
  called: null,
  columns: { hash: text, species: text, body: jsonb },
})

const inPlace = { keeps: 'replace', key: ['id'], order: ['number'], counted: 'number', once: ['at'] } as const

export const own = table<OwnVersion>({
  name: 'own_addition',
  schema: ownVersionSchema,
  keeps: 'append',
  key: ['species', 'version'],
  order: ['species', 'version'],
  called: null,
  columns: { version: integer, body: jsonb, at: instantAt },
  also: { species: { column: text, from: (o) => o.body.species } },
  bundle: 'own',
})

export const plans = table<StoredPlan>({
  ...inPlace,
  name: 'cut_plan',
  schema: storedPlanSchema,
  called: 'plan',
  columns: { id: uuid, body: jsonb, at: instantAt, withdrawn: boolean, revision: integer },
  also: { species: { column: text, from: (p) => p.body.species } },
  bundle: 'plans',
})

const sheetBody: Column = {
  ...jsonb,
  read: (body) => sheetUp(body as { format: string; version: number }),
}
export const sheets = table<StoredSheet>({
  ...inPlace,
  name: 'sheet',
  schema: storedSheetSchema,
  called: 'sheet',
  columns: { id: uuid, body: sheetBody, at: instantAt, withdrawn: boolean, revision: bigint },
  bundle: 'sheets',
})

export const papers = table<IssuedPaper>({
  name: 'paper',
  schema: issuedPaperSchema,
  keeps: 'append',
  key: ['id'],
  order: ['number'],
  counted: 'number',
  called: 'paper',
  columns: { id: uuid, lot: uuid, kind: text, share: integer, data: jsonb, issuedAt: instantAt },
  bundle: 'papers',
})
