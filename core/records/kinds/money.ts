import { z } from 'zod'
import { amountSchema, figureSchema } from '../figures.ts'
import {
  COST_KINDS,
  COST_SHARES,
  COST_TIMES,
  COST_UNITS,
  DESTINATIONS,
  FEE_BASES,
  FEE_UNITS,
  FEED_PHASES,
  LEAST_PER,
} from '../lists.ts'
import { hashSchema, idSchema, keySchema, lineSchema } from '../text.ts'
import { daySchema } from '../time.ts'
import * as typed from '../form.ts'
import { fact } from './kind.ts'

/**
 * What was paid: the animal, its feed, haulage. `amount` is all of it, whole minor units; the rest says what it was spent on,
 * when, how much of it there was, that it is the family’s own work, which slip it stands on, that it is a share of what several
 * lots cost (`of`: one of the farm’s own costs), and that it comes again from its day on: `amount` is then all times together.
 * What other lots bear is `carried`: it is taken off.
 */
export const cost = fact(
  z.object({
    kind: z.literal('cost'),
    label: lineSchema(80),
    amount: amountSchema,
    of: z.enum(COST_KINDS).optional(),
    day: daySchema.optional(),
    quantity: z.object({ value: figureSchema(0.001, 1_000_000), unit: z.enum(COST_UNITS) }).optional(),
    unpaid: z.boolean().optional(),
    receipt: hashSchema.optional(),
    shared: z.object({ total: amountSchema, by: z.enum(COST_SHARES), of: idSchema.optional() }).optional(),
    repeats: z.object({ each: amountSchema, every: z.enum(COST_TIMES), until: daySchema }).optional(),
    carried: z.boolean().optional(),
    /** Which feed of a batch it was. */
    phase: z.enum(FEED_PHASES).optional(),
  }),
  {
    ...{ hangsOn: 'lot', moves: 'money', right: 'price' },
    fields: ({ shape }) => ({
      label: typed.maybe(typed.line(shape.label, '')),
      day: typed.maybe(typed.picked('')),
      many: typed.maybe(typed.figure(shape.quantity.unwrap().shape.value)),
      each: typed.maybe(typed.money),
      amount: typed.money,
      until: typed.maybe(typed.picked('')),
    }),
  },
)
export type Cost = z.infer<typeof cost.schema>

/**
 * What the processor bills by a rate: minor units per head, per kg or lb of a weight, or per pack. A fee of its own has a
 * `label`; one that is only for some ways, or for a class of cuts, says so in `on`, and then bills what those are. `least` is
 * billed at the least wherever it is billed at all, of the lot or (`leastPer`) of each animal; a `credit` is taken off (a hide that is bought).
 */
export const fee = fact(
  z.object({
    kind: z.literal('fee'),
    fee: keySchema,
    label: lineSchema(80).optional(),
    on: z
      .union([z.object({ ways: z.array(keySchema).min(1).max(40) }), z.object({ to: z.enum(DESTINATIONS) })])
      .optional(),
    least: amountSchema.optional(),
    leastPer: z.enum(LEAST_PER).optional(),
    credit: z.boolean().optional(),
    amount: amountSchema,
    per: z.enum(FEE_UNITS),
    basis: z.enum(FEE_BASES).nullable(),
  }),
  {
    ...{ hangsOn: 'lot', moves: 'money', right: 'price' },
    subject: (b) => `fee ${b.fee}`,
    fields: ({ shape }) => ({
      label: typed.line(shape.label.unwrap(), 'What is it for? Smoking, frenching, waste, a vacuum bag…'),
      amount: typed.money,
      least: typed.maybe(typed.money),
    }),
  },
)
export type Fee = z.infer<typeof fee.schema>
