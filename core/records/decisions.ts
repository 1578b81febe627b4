import { z } from 'zod'
import { mm } from '#core/measure'
import { crewSchema, orderSchema } from './bench.ts'
import { birdDaySchema, classesSchema, raiseSchema } from './birds.ts'
import { entrySchema } from './entry.ts'
import { amountSchema, figureSchema } from './figures.ts'
import { finishesSchema } from './finishes.ts'
import {
  ENDINGS,
  HALVES,
  HOLDS,
  SCHOOL_IDS,
  SCHOOLS,
  SIDES,
  SKILLS,
  STATIONS,
  TOOLS,
  TRIM_LEVELS,
} from './lists.ts'
import { daySchema } from './time.ts'
import { portionSchema } from './portion.ts'
import { unitPriceSchema } from './prices.ts'
import { splitSchema } from './split.ts'
import { hashSchema, idSchema, keySchema as id } from './text.ts'

/** Chemical lean that mince can be asked for: below there is no lean to speak of, above nothing is as lean. */
export const LEAN_BOUNDS = { low: 0.5, high: 0.92 } as const

/** What is wanted beside the costs, where it is no sum of money: a margin of what is brought, or pay for an hour at the bench. */
export const aimSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('margin'), share: figureSchema(0, 0.9) }),
  z.object({ kind: z.literal('hour'), amount: amountSchema }),
])
export type Aim = z.infer<typeof aimSchema>

/** Meat of the own table: how much of a cut, and the price a unit of it counts as. */
export const ownUseSchema = z.object({ share: figureSchema(0, 1), at: unitPriceSchema.nullable() })
export type OwnUse = z.infer<typeof ownUseSchema>

const whole = z.literal('animal')
const lot = { target: z.literal('lot'), side: whole }
const onCut = { target: id, side: whole }
const half = z.enum(HALVES)

/** One decision of a plan: a field of a target on a side, and its value; null goes back to the usual. */
export const decisionSchema = z.discriminatedUnion('field', [
  z.object({ field: z.literal('path'), target: id, side: z.enum(SIDES), value: id.nullable() }),
  z.object({ field: z.literal('line'), target: id, side: half, value: id.nullable() }),
  z.object({
    field: z.literal('mm'),
    target: id,
    side: half,
    value: figureSchema(0, 1000).transform(mm).nullable(),
  }),
  z.object({ field: z.literal('held'), target: id, side: z.enum(SIDES), value: z.enum(HOLDS).nullable() }),
  z.object({ field: z.literal('split'), target: id, side: half, value: splitSchema.nullable() }),
  z.object({ field: z.literal('trim'), ...lot, value: z.enum(TRIM_LEVELS).nullable() }),
  z.object({
    field: z.literal('lean'),
    ...lot,
    value: figureSchema(LEAN_BOUNDS.low, LEAN_BOUNDS.high).nullable(),
  }),
  z.object({
    field: z.literal('without'),
    target: z.enum(TOOLS),
    side: whole,
    value: z.boolean().nullable(),
  }),
  /** The order that steps are wanted in; where one is done; which stations are not to be had. */
  z.object({ field: z.literal('order'), ...lot, value: orderSchema.nullable() }),
  z.object({ field: z.literal('station'), ...onCut, value: z.enum(STATIONS).nullable() }),
  z.object({
    field: z.literal('closed'),
    target: z.enum(STATIONS),
    side: whole,
    value: z.boolean().nullable(),
  }),
  /** A way of working: one of `SCHOOLS`. */
  z
    .object({ field: z.literal('school'), target: z.enum(SCHOOL_IDS), side: whole, value: id.nullable() })
    .refine(({ target, value }) => value === null || (SCHOOLS[target] as readonly string[]).includes(value), {
      path: ['value'],
      message: 'There is no such way of working.',
    }),
  /** The day of cutting, and who is there. */
  z.object({ field: z.literal('cuttingDay'), ...lot, value: daySchema.nullable() }),
  z.object({ field: z.literal('crew'), ...lot, value: crewSchema.nullable() }),
  /** The day birds are killed; what a batch is raised to; where size classes part. */
  z.object({ field: z.literal('birdDay'), ...lot, value: birdDaySchema.nullable() }),
  z.object({ field: z.literal('raise'), ...lot, value: raiseSchema.nullable() }),
  z.object({ field: z.literal('classes'), ...lot, value: classesSchema.nullable() }),
  z.object({ field: z.literal('portion'), ...onCut, value: portionSchema.nullable() }),
  z.object({ field: z.literal('finish'), ...onCut, value: finishesSchema.nullable() }),
  z.object({ field: z.literal('index'), ...onCut, value: figureSchema(0, 50).nullable() }),
  z.object({ field: z.literal('price'), ...onCut, value: unitPriceSchema.nullable() }),
  z.object({ field: z.literal('lock'), ...onCut, value: z.boolean().nullable() }),
  z.object({ field: z.literal('floor'), ...onCut, value: unitPriceSchema.nullable() }),
  z.object({ field: z.literal('ceiling'), ...onCut, value: unitPriceSchema.nullable() }),
  z.object({ field: z.literal('sold'), ...onCut, value: figureSchema(0, 1).nullable() }),
  /** Share of its price that what does not sell at it still brings. */
  z.object({ field: z.literal('rest'), ...onCut, value: figureSchema(0, 1).nullable() }),
  /** Share of it that is kept for the own table, and what that counts as; at its price where no other is said. */
  z.object({ field: z.literal('own'), ...onCut, value: ownUseSchema.nullable() }),
  /** Share of it that is given for help. */
  z.object({ field: z.literal('given'), ...onCut, value: figureSchema(0, 1).nullable() }),
  z.object({ field: z.literal('target'), ...lot, value: amountSchema.nullable() }),
  /** Whether the family’s own work counts as a cost. */
  z.object({ field: z.literal('unpaid'), ...lot, value: z.boolean().nullable() }),
  z.object({ field: z.literal('aim'), ...lot, value: aimSchema.nullable() }),
  z.object({ field: z.literal('ending'), ...lot, value: z.enum(ENDINGS).nullable() }),
  z.object({ field: z.literal('sharePrice'), ...lot, value: unitPriceSchema.nullable() }),
  z.object({ field: z.literal('hands'), ...lot, value: z.enum(SKILLS).nullable() }),
  /** The anatomy it is read by from here on; none is the one it was hung with. */
  z.object({ field: z.literal('anatomy'), ...lot, value: hashSchema.nullable() }),
  z.object({ field: z.literal('days'), ...lot, value: z.number().int().min(0).max(60).nullable() }),
])
export type Decision = z.infer<typeof decisionSchema>
export type Field = Decision['field']

/** A decision as it is kept: its id and batch are minted where it was taken, its revision where it was kept. */
export const commandSchema = entrySchema.extend({
  batch: idSchema,
  /** The batch this one takes back, or brings back. */
  undoes: idSchema.nullable(),
  redoes: idSchema.nullable(),
  decision: decisionSchema,
})
export type Command = z.infer<typeof commandSchema>
