import { z } from 'zod'
import { checkSchema, clockSchema, closingSchema, faultSchema, workSchema } from './bench.ts'
import {
  downgradeSchema,
  lossSchema,
  passedSchema,
  sampleSchema,
  scaldSchema,
  stoppedSchema,
} from './birds.ts'
import { hangsSchema } from './hangs.ts'
import { correctionShape, entrySchema, WITHDRAWS, withdrawsSomething } from './entry.ts'
import { amountSchema, figureSchema, shownMassSchema } from './figures.ts'
import {
  ATTACHMENT_TYPES,
  CHILLED,
  COST_KINDS,
  COST_TIMES,
  COST_SHARES,
  COST_UNITS,
  COVERS,
  END_IDS,
  FEED_PHASES,
  FEE_BASES,
  DESTINATIONS,
  FEE_UNITS,
  LEAN_COLOURS,
  MARBLINGS,
  MEASURES,
  ROUTE_IDS,
  SEXES,
  SIDES,
  TEMP_PLACES,
  type SideName,
  WAIT_MEANINGS,
  LEAST_PER,
} from './lists.ts'
import { hashSchema, idSchema, keySchema, lineSchema, textSchema } from './text.ts'
import { daySchema, instantSchema } from './time.ts'
import { packNumberSchema } from './weights.ts'

/**
 * What was seen of the animal: what of it hangs and of which lot or farm it is, its tag or ear number, the day it was killed and the plant, its route, its type, how it was dressed, what was measured, how many ribs it has, what a
 * part of it weighed, and what was cut away of a part because it was bruised or condemned.
 */
export const observationSchema = z.discriminatedUnion('what', [
  z.object({ kind: z.literal('observation'), what: z.literal('route'), value: z.enum(ROUTE_IDS) }),
  z.object({ kind: z.literal('observation'), what: z.literal('type'), value: keySchema }),
  z.object({
    kind: z.literal('observation'),
    what: z.literal('dressing'),
    of: keySchema,
    value: z.boolean(),
  }),
  z.object({
    kind: z.literal('observation'),
    what: z.literal('measure'),
    of: z.enum(MEASURES),
    value: figureSchema(0, 1000),
  }),
  z.object({
    kind: z.literal('observation'),
    what: z.literal('ribs'),
    value: z.number().int().min(1).max(30),
  }),
  z.object({
    kind: z.literal('observation'),
    what: z.enum(['mark', 'plant', 'mother', 'vet', 'disposal']),
    value: lineSchema(80),
  }),
  z.object({ kind: z.literal('observation'), what: z.literal('end'), value: z.enum(END_IDS) }),
  z.object({ kind: z.literal('observation'), what: z.enum(['killed', 'born']), value: daySchema }),
  z.object({ kind: z.literal('observation'), what: z.literal('hangs'), value: hangsSchema }),
  /** What all animals weighed together when they came, the day, and how many they were: those that are gone since were lost. */
  z.object({
    kind: z.literal('observation'),
    what: z.literal('start'),
    animals: z.number().int().min(1).max(5000).optional(),
    shown: shownMassSchema,
    day: daySchema,
    /** Where they came sexed; males and females together otherwise. */
    sexed: z.enum(SEXES).optional(),
  }),
  z.object({
    kind: z.literal('observation'),
    what: z.literal('part'),
    of: keySchema,
    side: z.enum(SIDES),
    shown: shownMassSchema,
  }),
  z.object({
    kind: z.literal('observation'),
    what: z.literal('cut-away'),
    of: keySchema,
    side: z.enum(SIDES),
    shown: shownMassSchema,
  }),
])
export type Observation = z.infer<typeof observationSchema>

/**
 * What was paid: the animal, its feed, haulage. `amount` is all of it, whole minor units; the rest says what it was spent on,
 * when, how much of it there was, that it is the family’s own work, which slip it stands on, that it is a share of what several
 * lots cost (`of`: one of the farm’s own costs), and that it comes again from its day on: `amount` is then all times together.
 * What other lots bear is `carried`: it is taken off.
 */
export const costSchema = z.object({
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
})
export type Cost = z.infer<typeof costSchema>

/**
 * What the processor bills by a rate: minor units per head, per kg or lb of a weight, or per pack. A fee of its own has a
 * `label`; one that is only for some ways, or for a class of cuts, says so in `on`, and then bills what those are. `least` is
 * billed at the least wherever it is billed at all, of the lot or (`leastPer`) of each animal; a `credit` is taken off (a hide that is bought).
 */
export const feeSchema = z.object({
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
})
export type Fee = z.infer<typeof feeSchema>

/**
 * A medicine that was given, and how long is waited; `animal` is the ear number it was given to, of several. `given` is the day of
 * the last dose, day 0 of the wait. `until` is the last day of the wait, or the first clear one where it `means` that, from an hour
 * on where one was said; null where nobody knows: given off its label, or a wait that is not on it.
 */
export const medicineSchema = z.object({
  kind: z.literal('medicine'),
  name: lineSchema(80),
  given: daySchema,
  until: daySchema.nullable(),
  means: z.enum(WAIT_MEANINGS).optional(),
  hour: clockSchema.optional(),
  animal: lineSchema(40).nullable(),
})
export type Medicine = z.infer<typeof medicineSchema>

/** One animal of several: its ear tag or leg band, and what it weighed by itself, alive and hot. */
export const animalSchema = z.object({
  kind: z.literal('animal'),
  mark: lineSchema(40),
  live: shownMassSchema.nullable(),
  hot: shownMassSchema.nullable(),
})
export type OneAnimal = z.infer<typeof animalSchema>

/** What is done: a step of the block card on a side, or a cut of which all packs are weighed. */
export const tickSchema = z.object({
  kind: z.literal('tick'),
  what: z.enum(['step', 'cut']),
  of: keySchema,
  side: z.enum(SIDES),
})
export type Tick = z.infer<typeof tickSchema>

/** A picture or page that belongs to the lot; its bytes lie beside the database under their hash. */
export const attachmentSchema = z.object({
  kind: z.literal('attachment'),
  name: lineSchema(120),
  type: z.enum(ATTACHMENT_TYPES),
  bytes: z.number().int().min(1).max(16_000_000),
  hash: hashSchema,
})
export type Attachment = z.infer<typeof attachmentSchema>

/** A pack that is no pack: thrown away, given no label, counted twice. Withdrawn, it is one again. */
export const voidSchema = z.object({
  kind: z.literal('void'),
  pack: packNumberSchema,
  why: textSchema(200),
})

/** A temperature that was read, and when. */
export const temperatureSchema = z.object({
  kind: z.literal('temperature'),
  at: instantSchema,
  where: z.enum(TEMP_PLACES),
  c: figureSchema(-40, 60),
  /** Whether a probe said it, or a person typed it. */
  source: z.enum(['probe', 'typed']),
})
export type Temperature = z.infer<typeof temperatureSchema>

/** How the carcass was found when it was accepted: each side as it weighed, and what was seen. */
export const acceptanceSchema = z.object({
  kind: z.literal('acceptance'),
  /** When it was hung. */
  hungAt: instantSchema.nullable(),
  left: shownMassSchema.nullable(),
  right: shownMassSchema.nullable(),
  colour: z.enum(LEAN_COLOURS).nullable(),
  marbling: z.enum(MARBLINGS).nullable(),
  cover: z.enum(COVERS).nullable(),
  /** What cools it; a cooler where nobody said. */
  chilled: z.enum(CHILLED).optional(),
  /** Bruises, dirt, hair; offal that was condemned. */
  condition: textSchema(300).nullable(),
  condemned: textSchema(300).nullable(),
})
export type Acceptance = z.infer<typeof acceptanceSchema>

/** Ice that was filled up in a chest: when, how much where it was weighed, and whether the water was let off first. */
export const icingSchema = z.object({
  kind: z.literal('icing'),
  at: instantSchema,
  shown: shownMassSchema.nullable(),
  drained: z.boolean(),
})
export type Icing = z.infer<typeof icingSchema>

/** The lot was hung by mistake: it leaves the rail, and all its records stay. */
export const withdrawalSchema = z.object({ kind: z.literal('withdrawal'), why: textSchema(300) })

export const factBodySchema = z.discriminatedUnion('kind', [
  observationSchema,
  costSchema,
  feeSchema,
  medicineSchema,
  animalSchema,
  tickSchema,
  attachmentSchema,
  withdrawalSchema,
  checkSchema,
  faultSchema,
  workSchema,
  closingSchema,
  voidSchema,
  temperatureSchema,
  acceptanceSchema,
  icingSchema,
  lossSchema,
  sampleSchema,
  scaldSchema,
  downgradeSchema,
  passedSchema,
  stoppedSchema,
])
export type FactBody = z.infer<typeof factBodySchema>

/** A fact as it is kept: what was seen, paid, billed, ticked. It is corrected by a later one, never undone. */
export const factSchema = entrySchema
  .extend({ ...correctionShape, fact: factBodySchema })
  .refine(withdrawsSomething, WITHDRAWS)
export type Fact = z.infer<typeof factSchema>

/** A fact as it is sent. */
export const newFactSchema = z
  .object({ id: idSchema, ...correctionShape, fact: factBodySchema })
  .refine(withdrawsSomething, WITHDRAWS)
export type NewFact = z.infer<typeof newFactSchema>

/**
 * What a fact is about: of one thing only one fact is in force, and the next one corrects it. Null for what there may be
 * any number of: costs, attachments, faults, what happened to a step.
 */
export function subjectOf(fact: FactBody): string | null {
  switch (fact.kind) {
    case 'observation':
      if ('side' in fact) return `${fact.what} ${fact.of} ${fact.side}`
      return 'of' in fact ? `${fact.what} ${fact.of}` : fact.what
    case 'fee':
      return `fee ${fact.fee}`
    case 'animal':
      return `animal ${fact.mark}`
    case 'tick':
      return `${fact.what} ${fact.of} ${fact.side satisfies SideName}`
    case 'check':
      return `check ${fact.check} ${fact.of} ${fact.side}`
    case 'void':
      return `void ${fact.pack}`
    case 'withdrawal':
    case 'acceptance':
    case 'closing':
      return fact.kind
    case 'temperature':
    case 'icing':
    case 'cost':
    case 'medicine':
    case 'attachment':
    case 'fault':
    case 'work':
    case 'loss':
    case 'sample':
    case 'scald':
    case 'downgrade':
    case 'passed':
    case 'stopped':
      return null
  }
}
