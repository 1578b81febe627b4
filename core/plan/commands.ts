import { z } from 'zod'
import { portionSchema, TOOLS, TRIM_LEVELS } from '#core/anatomy'
import {
  amountSchema as money,
  figureSchema,
  idSchema,
  instantSchema,
  keySchema as id,
  lineSchema,
} from '#core/records'

/** Minor units per kg or lb. Ten million minor units per unit is past any meat. */
export const unitPriceSchema = z.object({
  minor: z.number().int().min(0).max(10_000_000),
  per: z.enum(['kg', 'lb']),
})

/** How the animal is slaughtered, and so what of it may be sold. */
export const routeSchema = z.enum(['inspected', 'state', 'custom', 'poultry-exempt', 'household'])
export type Route = z.infer<typeof routeSchema>
export const feeBasisSchema = z.enum(['hot', 'hanging'])
export type FeeBasis = z.infer<typeof feeBasisSchema>
/** What a price may end in: any minor unit, 5, 9, or 49/99. */
export const endingSchema = z.enum(['exact', 'fives', 'nines', 'halves'])
export type Ending = z.infer<typeof endingSchema>

const feeSchema = z.object({
  amount: money,
  per: z.enum(['head', 'kg', 'lb', 'pack']),
  basis: feeBasisSchema.nullable(),
})
export type Fee = z.infer<typeof feeSchema>

const sided = z.enum(['left', 'right', 'animal'])
const whole = z.literal('animal')
const lot = { target: z.literal('lot'), side: whole }
const onCut = { target: id, side: whole }

/** One decision: a field of a target on a side, and its value; null goes back to the usual. */
export const decisionSchema = z.discriminatedUnion('field', [
  z.object({ field: z.literal('path'), target: id, side: sided, value: id.nullable() }),
  z.object({ field: z.literal('line'), target: id, side: z.enum(['left', 'right']), value: id.nullable() }),
  z.object({
    field: z.literal('mm'),
    target: id,
    side: z.enum(['left', 'right']),
    value: figureSchema(0, 1000).nullable(),
  }),
  z.object({ field: z.literal('trim'), ...lot, value: z.enum(TRIM_LEVELS).nullable() }),
  z.object({ field: z.literal('convention'), target: id, side: whole, value: z.boolean().nullable() }),
  z.object({
    field: z.literal('measure'),
    target: z.enum(['fat-depth', 'eye-area', 'kidney-fat']),
    side: whole,
    value: figureSchema(0, 1000).nullable(),
  }),
  z.object({ field: z.literal('ribs'), ...lot, value: z.number().int().min(1).max(30).nullable() }),
  z.object({
    field: z.literal('without'),
    target: z.enum(TOOLS),
    side: whole,
    value: z.boolean().nullable(),
  }),
  z.object({ field: z.literal('step'), target: id, side: sided, value: z.boolean().nullable() }),
  z.object({ field: z.literal('portion'), ...onCut, value: portionSchema.nullable() }),
  z.object({ field: z.literal('index'), ...onCut, value: figureSchema(0, 50).nullable() }),
  z.object({ field: z.literal('price'), ...onCut, value: unitPriceSchema.nullable() }),
  z.object({ field: z.literal('lock'), ...onCut, value: z.boolean().nullable() }),
  z.object({ field: z.literal('floor'), ...onCut, value: unitPriceSchema.nullable() }),
  z.object({ field: z.literal('ceiling'), ...onCut, value: unitPriceSchema.nullable() }),
  z.object({ field: z.literal('sold'), ...onCut, value: figureSchema(0, 1).nullable() }),
  z.object({ field: z.literal('done'), ...onCut, value: z.boolean().nullable() }),
  z.object({
    field: z.literal('cost'),
    target: id,
    side: whole,
    value: z.object({ label: lineSchema(80), amount: money }).nullable(),
  }),
  z.object({
    field: z.literal('fee'),
    target: z.enum(['kill', 'cut-wrap', 'pack']),
    side: whole,
    value: feeSchema.nullable(),
  }),
  z.object({ field: z.literal('target'), ...lot, value: money.nullable() }),
  z.object({ field: z.literal('ending'), ...lot, value: endingSchema.nullable() }),
  z.object({ field: z.literal('sharePrice'), ...lot, value: unitPriceSchema.nullable() }),
  z.object({ field: z.literal('route'), ...lot, value: routeSchema.nullable() }),
  z.object({ field: z.literal('days'), ...lot, value: z.number().int().min(0).max(60).nullable() }),
])
export type Decision = z.infer<typeof decisionSchema>
export type Field = Decision['field']

/** A decision in the list: its id and batch are minted where it was taken, `seq` where it was kept. */
export const commandSchema = z.object({
  id: idSchema,
  seq: z.number().int().min(0),
  batch: idSchema,
  /** The batch this one takes back, or brings back. */
  undoes: idSchema.nullable(),
  redoes: idSchema.nullable(),
  decision: decisionSchema,
  at: instantSchema,
})
export type Command = z.infer<typeof commandSchema>
