import { z } from 'zod'
import { unitPriceSchema } from './prices.ts'
import { revisionSchema } from './entry.ts'
import { feeSchema } from './facts.ts'
import { amountSchema } from './figures.ts'
import { COST_KINDS, COST_SHARES, SPECIES } from './lists.ts'
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

export const sheetSchema = z.discriminatedUnion('format', [feeSheetSchema, priceSheetSchema, overheadSchema])
export type Sheet = z.infer<typeof sheetSchema>

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
