import { z } from 'zod'
import { amountSchema, animalsSchema, figureSchema, shownMassSchema } from '../figures.ts'
import { DOWNGRADES, LINE_STATIONS, LOSS_CAUSES, READY_SIGNS, SCALD_SCHOOLS } from '../lists.ts'
import { lineSchema } from '../text.ts'
import { daySchema, instantSchema } from '../time.ts'
import * as typed from '../form.ts'
import { fact } from './kind.ts'

/** Animals of a batch that are gone: how many, on which day, why. */
export const loss = fact(
  z.object({
    kind: z.literal('loss'),
    day: daySchema,
    animals: animalsSchema,
    cause: z.enum(LOSS_CAUSES),
    /** Of those that came and were gone before those here were counted: no fewer are alive for it. */
    uncounted: z.literal(true).optional(),
  }),
  // Only how many are left moves a mass, and that is the count.
  {
    ...{ hangsOn: 'group', moves: 'nothing', right: 'weigh' },
    gone: (b) => (b.uncounted ? 0 : b.animals),
    fields: ({ shape }) => ({ animals: typed.count(shape.animals), day: typed.picked('On which day?') }),
  },
)
export type Loss = z.infer<typeof loss.schema>

/** Some of a batch weighed one by one, alive or dressed: what they say of all goes by how far they lie apart, so one is none. */
export const sample = fact(
  z.object({
    kind: z.literal('sample'),
    day: daySchema,
    of: z.enum(['live', 'dressed']),
    shown: z
      .array(shownMassSchema)
      .min(2, 'One says nothing of how far they lie apart. Weigh at least two.')
      .max(300),
  }),
  {
    ...{ hangsOn: 'lot', moves: 'mass', right: 'keep' },
    fields: () => ({ shown: typed.masses, day: typed.picked('On which day were they weighed?') }),
  },
)
export type Sample = z.infer<typeof sample.schema>

/** One load in the scald, as it went. */
export const scald = fact(
  z.object({
    kind: z.literal('scald'),
    when: instantSchema,
    school: z.enum(SCALD_SCHOOLS),
    /** What was wanted and what was read, °C. */
    target: figureSchema(40, 80),
    c: figureSchema(20, 100),
    seconds: z.number().int().min(5).max(900),
    sign: z.enum(READY_SIGNS),
    birds: z.number().int().min(1).max(100),
  }),
  {
    ...{ hangsOn: 'lot', moves: 'nothing', right: 'weigh' },
    fields: ({ shape }) => ({
      c: typed.celsius(shape.c),
      seconds: typed.count(shape.seconds),
      birds: typed.count(shape.birds),
    }),
  },
)
export type Scald = z.infer<typeof scald.schema>

/** Birds that are worth less than they were: what happened, what was cut away, what it cost, what to do next time. */
export const downgrade = fact(
  z.object({
    kind: z.literal('downgrade'),
    what: z.enum(DOWNGRADES),
    animals: animalsSchema,
    /** All that was cut away of them together, where it was weighed. */
    shown: shownMassSchema.nullable(),
    /** At the prices of the day, minor units. */
    lost: amountSchema,
    lesson: lineSchema(200).nullable(),
  }),
  // Condemned after the kill they were killed, and are not food.
  {
    hangsOn: 'group',
    moves: 'nothing',
    right: 'weigh',
    gone: (b) => (b.what === 'condemned' ? b.animals : 0),
    fields: ({ shape }) => ({
      animals: typed.count(shape.animals),
      mass: typed.maybe(typed.mass),
      lost: typed.maybe(typed.money),
      lesson: typed.maybe(typed.line(shape.lesson.unwrap(), '')),
    }),
  },
)
export type Downgrade = z.infer<typeof downgrade.schema>

/** Birds that are through a station, ticked off as they leave it. */
export const passed = fact(
  z.object({
    kind: z.literal('passed'),
    station: z.enum(LINE_STATIONS),
    animals: animalsSchema,
    when: instantSchema,
  }),
  { hangsOn: 'lot', moves: 'nothing', right: 'weigh' },
)
export type Passed = z.infer<typeof passed.schema>

/** A station that stood still: since when, why, and until when, once that is known. */
export const stopped = fact(
  z.object({
    kind: z.literal('stopped'),
    station: z.enum(LINE_STATIONS),
    from: instantSchema,
    until: instantSchema.nullable(),
    why: lineSchema(120),
  }),
  { hangsOn: 'lot', moves: 'nothing', right: 'weigh' },
)
export type Stopped = z.infer<typeof stopped.schema>
