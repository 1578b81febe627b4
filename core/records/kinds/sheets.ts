import { z } from 'zod'
import { schoolSheetShape } from '../bench.ts'
import { unitPriceSchema } from '../prices.ts'
import { amountSchema, figureSchema } from '../figures.ts'
import {
  ALLERGENS,
  BLOCK_SIZES,
  COST_KINDS,
  COST_SHARES,
  LABEL_BLOCKS,
  LABEL_SIZES,
  SPECIES,
  STATIONS,
  WRAPS,
} from '../lists.ts'
import { keySchema, lineSchema } from '../text.ts'
import { daySchema, instantSchema } from '../time.ts'
import { packingItemSchema } from '../packing.ts'
import * as typed from '../form.ts'
import { sheet } from './kind.ts'
import { fee } from './money.ts'

const ofFarm = { hangsOn: 'farm' } as const

/** What one processor bills from a day on, for any animal: a lot takes over what it bills, and keeps it when the sheet changes. */
export const fees = sheet(
  z.object({
    format: z.literal('ekko-fees'),
    version: z.literal(1),
    /** The processor. */
    name: lineSchema(80),
    from: daySchema,
    fees: z.array(fee.schema.omit({ kind: true })).max(60),
  }),
  { ...ofFarm, moves: 'money', right: 'price' },
)
export type FeeSheet = z.infer<typeof fees.schema>

/**
 * What the cuts of a species go for at a place, from a day on: our own (farm gate, market, wholesale), or somebody else’s, to
 * be set beside them. Whether tax is in the prices is said.
 */
export const prices = sheet(
  z.object({
    format: z.literal('ekko-prices'),
    version: z.literal(1),
    /** The place, or the shop. */
    name: lineSchema(80),
    from: daySchema,
    species: z.enum(SPECIES),
    ours: z.boolean(),
    tax: z.enum(['with', 'without']),
    prices: z.array(z.object({ cut: keySchema, price: unitPriceSchema })).max(300),
  }),
  { ...ofFarm, moves: 'money', right: 'price' },
)
export type PriceSheet = z.infer<typeof prices.schema>

/** What the farm pays for land, machines, a fence over a time, and how it is shared over the lots that it is for. */
export const overhead = sheet(
  z.object({
    format: z.literal('ekko-overhead'),
    version: z.literal(1),
    name: lineSchema(80),
    from: daySchema,
    until: daySchema,
    of: z.enum(COST_KINDS),
    amount: amountSchema,
    by: z.enum(COST_SHARES),
  }),
  { ...ofFarm, moves: 'money', right: 'price' },
)
export type Overhead = z.infer<typeof overhead.schema>

/** How this farm works on a species: its order, where each step is done, its ways of working. */
export const school = sheet(
  z.object({
    format: z.literal('ekko-school'),
    version: z.literal(1),
    name: lineSchema(80),
    species: z.enum(SPECIES),
    ...schoolSheetShape,
  }),
  { ...ofFarm, moves: 'mass', right: 'plan' },
)
export type SchoolSheet = z.infer<typeof school.schema>

/** A thing of the cutting room: the station it makes, what goes through it, when it was last sharpened or tested, what is wrong with it. */
export const equipment = sheet(
  z.object({
    format: z.literal('ekko-equipment'),
    version: z.literal(1),
    name: lineSchema(80),
    station: z.enum(STATIONS),
    /** Whether it is one of those that make its station: without any that works the station is not to be had. */
    makes: z.boolean(),
    kgPerMinute: figureSchema(0.01, 500).nullable(),
    sharpened: daySchema.nullable(),
    fault: lineSchema(160).nullable(),
    /** Carcasses that find room on it, of a rail or a cooler. */
    places: z.number().int().min(1).max(500).optional(),
    /** From whom, where it is borrowed. */
    borrowed: lineSchema(80).nullable(),
  }),
  {
    ...{ ...ofFarm, moves: 'nothing', right: 'plan' },
    fields: ({ shape }) => ({
      name: typed.line(shape.name, 'It has no name. Type one, such as “Band saw”.'),
      kgPerMinute: typed.maybe(typed.figure(shape.kgPerMinute)),
      places: typed.maybe(typed.count(shape.places)),
      sharpened: typed.maybe(typed.picked('')),
      borrowed: typed.maybe(typed.line(shape.borrowed.unwrap(), '')),
    }),
  },
)
export type Equipment = z.infer<typeof equipment.schema>

/** What a person tried in practice, the newest last. */
export const practice = sheet(
  z.object({
    format: z.literal('ekko-practice'),
    version: z.literal(1),
    /** The person. */
    name: lineSchema(40),
    tries: z
      .array(z.object({ of: keySchema, at: instantSchema, right: z.boolean(), kg: figureSchema(0, 1000) }))
      .max(2000),
  }),
  { ...ofFarm, moves: 'nothing', right: 'weigh' },
)
export type PracticeSheet = z.infer<typeof practice.schema>

/** How the farm's labels look: which blocks stand on them, in which order and size, on what they are printed, and which bar code. */
export const labels = sheet(
  z.object({
    format: z.literal('ekko-labels'),
    version: z.literal(1),
    name: lineSchema(80),
    size: z.enum(LABEL_SIZES),
    blocks: z
      .array(z.object({ id: z.enum(LABEL_BLOCKS), on: z.boolean(), size: z.enum(BLOCK_SIZES) }))
      .max(LABEL_BLOCKS.length)
      .refine((all) => new Set(all.map((b) => b.id)).size === all.length, 'A block stands on a label once.'),
    /** The pack's number; a number of the restricted range with weight or price; or the farm's own GTIN. */
    code: z.discriminatedUnion('kind', [
      z.object({ kind: z.literal('number') }),
      z.object({
        kind: z.literal('ean13'),
        prefix: z.number().int().min(20).max(29),
        says: z.enum(['weight', 'price']),
      }),
      z.object({ kind: z.literal('gs1-128'), gtin: z.string().regex(/^(?:\d{8}|\d{12,14})$/) }),
    ]),
    /** The number that each cut has in the restricted range. */
    items: z
      .array(
        z.object({ species: z.enum(SPECIES), cut: keySchema, item: z.number().int().min(1).max(99_999) }),
      )
      .max(2000),
    /** What the farm says of its meat, and the record that each stands on: without one it is not printed. */
    claims: z.array(z.object({ says: lineSchema(80), record: lineSchema(160) })).max(12),
    /** What is put into a cut, by name, and what of it people react to; what nobody named is not for sale. */
    holds: z
      .array(
        z.object({
          species: z.enum(SPECIES),
          cut: keySchema,
          says: lineSchema(200),
          allergens: z.array(z.enum(ALLERGENS)).max(ALLERGENS.length),
        }),
      )
      .max(500)
      .optional(),
  }),
  { ...ofFarm, moves: 'nothing', right: 'keep' },
)
export type LabelSheet = z.infer<typeof labels.schema>

/** What the farm packs in: the usual wrapping, that of single cuts, what a hundred of each cost, and how many were counted when. */
export const packing = sheet(
  z.object({
    format: z.literal('ekko-packing'),
    version: z.literal(1),
    name: lineSchema(80),
    usual: z.enum(WRAPS).nullable(),
    cuts: z
      .array(z.object({ species: z.enum(SPECIES), cut: keySchema, wrap: z.enum(WRAPS) }))
      .max(2000)
      .refine(
        (all) => new Set(all.map((c) => `${c.species} ${c.cut}`)).size === all.length,
        'A cut goes into one.',
      ),
    lines: z
      .array(
        z.object({
          item: packingItemSchema,
          /** Whole minor units, of a hundred; of a hundred metres of twine. */
          per100: amountSchema.nullable(),
          counted: z.object({ count: z.number().int().min(0).max(1_000_000), at: instantSchema }).nullable(),
        }),
      )
      .max(60),
  }),
  { ...ofFarm, moves: 'money', right: 'keep' },
)
export type PackingSheet = z.infer<typeof packing.schema>
