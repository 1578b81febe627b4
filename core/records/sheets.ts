import { z } from 'zod'
import { schoolSheetShape } from './bench.ts'
import { unitPriceSchema } from './prices.ts'
import { revisionSchema } from './entry.ts'
import { feeSchema } from './facts.ts'
import { amountSchema, figureSchema } from './figures.ts'
import {
  ALLERGENS,
  BLOCK_SIZES,
  COST_KINDS,
  COST_SHARES,
  LABEL_BLOCKS,
  LABEL_SIZES,
  PACK_SIZES,
  SPECIES,
  STATIONS,
  WRAPS,
} from './lists.ts'
import { idSchema, keySchema, lineSchema } from './text.ts'
import { daySchema, instantSchema } from './time.ts'

/** What one processor bills from a day on, for any animal: a lot takes over what it bills, and keeps it when the sheet changes. */
export const feeSheetSchema = z.object({
  format: z.literal('ekko-fees'),
  version: z.literal(1),
  /** The processor. */
  name: lineSchema(80),
  from: daySchema,
  fees: z.array(feeSchema.omit({ kind: true })).max(60),
})
export type FeeSheet = z.infer<typeof feeSheetSchema>

/**
 * What the cuts of a species go for at a place, from a day on: our own (farm gate, market, wholesale), or somebody else’s, to
 * be set beside them. Whether tax is in the prices is said.
 */
export const priceSheetSchema = z.object({
  format: z.literal('ekko-prices'),
  version: z.literal(1),
  /** The place, or the shop. */
  name: lineSchema(80),
  from: daySchema,
  species: z.enum(SPECIES),
  ours: z.boolean(),
  tax: z.enum(['with', 'without']),
  prices: z.array(z.object({ cut: keySchema, price: unitPriceSchema })).max(300),
})
export type PriceSheet = z.infer<typeof priceSheetSchema>

/** What the farm pays for land, machines, a fence over a time, and how it is shared over the lots that it is for. */
export const overheadSchema = z.object({
  format: z.literal('ekko-overhead'),
  version: z.literal(1),
  name: lineSchema(80),
  from: daySchema,
  until: daySchema,
  of: z.enum(COST_KINDS),
  amount: amountSchema,
  by: z.enum(COST_SHARES),
})
export type Overhead = z.infer<typeof overheadSchema>

/** How this farm works on a species: its order, where each step is done, its ways of working. */
export const schoolSheetSchema = z.object({
  format: z.literal('ekko-school'),
  version: z.literal(1),
  name: lineSchema(80),
  species: z.enum(SPECIES),
  ...schoolSheetShape,
})
export type SchoolSheet = z.infer<typeof schoolSheetSchema>

/** A thing of the cutting room: the station it makes, what goes through it, when it was last sharpened or tested, what is wrong with it. */
export const equipmentSchema = z.object({
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
})
export type Equipment = z.infer<typeof equipmentSchema>

/** What a person tried in practice, the newest last. */
export const practiceSchema = z.object({
  format: z.literal('ekko-practice'),
  version: z.literal(1),
  /** The person. */
  name: lineSchema(40),
  tries: z
    .array(z.object({ of: keySchema, at: instantSchema, right: z.boolean(), kg: figureSchema(0, 1000) }))
    .max(2000),
})
export type PracticeSheet = z.infer<typeof practiceSchema>

/** How the farm's labels look: which blocks stand on them, in which order and size, on what they are printed, and which bar code. */
export const labelSheetSchema = z.object({
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
    .array(z.object({ species: z.enum(SPECIES), cut: keySchema, item: z.number().int().min(1).max(99_999) }))
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
})
export type LabelSheet = z.infer<typeof labelSheetSchema>

/** What packs take: a wrapping of a size, a label, twine by the metre. */
export const packingItemSchema = z.discriminatedUnion('is', [
  z.object({
    is: z.literal('wrap'),
    wrap: z.enum(WRAPS),
    /** kg of what goes in. */
    upTo: z.union(PACK_SIZES.map((x) => z.literal(x))),
  }),
  z.object({ is: z.literal('label') }),
  z.object({ is: z.literal('twine') }),
])
export type PackingItem = z.infer<typeof packingItemSchema>

/** What the farm packs in: the usual wrapping, that of single cuts, what a hundred of each cost, and how many were counted when. */
export const packingSheetSchema = z.object({
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
})
export type PackingSheet = z.infer<typeof packingSheetSchema>

export const sheetSchema = z.discriminatedUnion('format', [
  feeSheetSchema,
  priceSheetSchema,
  overheadSchema,
  schoolSheetSchema,
  equipmentSchema,
  practiceSchema,
  labelSheetSchema,
  packingSheetSchema,
])
export type Sheet = z.infer<typeof sheetSchema>

/** A sheet that holds from a day on. */
export type DatedSheet = FeeSheet | PriceSheet | Overhead

/** A sheet as kept. */
export const storedSheetSchema = z.object({
  id: idSchema,
  body: sheetSchema,
  at: instantSchema,
  withdrawn: z.boolean(),
  revision: revisionSchema.min(1),
})
/** One of these; `B` says which. */
export type StoredSheet<B extends Sheet = Sheet> = Omit<z.infer<typeof storedSheetSchema>, 'body'> & {
  body: B
}
