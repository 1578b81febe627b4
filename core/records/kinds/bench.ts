import { z } from 'zod'
import { amountSchema, figureSchema, shownMassSchema } from '../figures.ts'
import { CHECK_IDS, SIDES, WORK_EVENTS } from '../lists.ts'
import { hashSchema, keySchema, lineSchema } from '../text.ts'
import { instantSchema } from '../time.ts'
import * as typed from '../form.ts'
import { fact } from './kind.ts'

/** Who signs: initials, or a name as short. */
const initialsSchema = lineSchema(12)
const atBench = { hangsOn: 'group', right: 'weigh' } as const

/** What is done: a step of the block card on a side, or a cut of which all packs are weighed. */
export const tick = fact(
  z.object({
    kind: z.literal('tick'),
    what: z.enum(['step', 'cut']),
    of: keySchema,
    side: z.enum(SIDES),
  }),
  { ...atBench, subject: (b) => `${b.what} ${b.of} ${b.side}`, moves: 'mass' },
)
export type Tick = z.infer<typeof tick.schema>

/** A check point of a step, signed; `celsius` is what the probe read, where it is one of cold, `minutes` the time out of it. */
export const check = fact(
  z.object({
    kind: z.literal('check'),
    check: z.enum(CHECK_IDS),
    of: keySchema,
    side: z.enum(SIDES),
    by: initialsSchema,
    celsius: figureSchema(-40, 60).optional(),
    minutes: figureSchema(0, 1440).optional(),
  }),
  {
    ...{ ...atBench, moves: 'nothing' },
    subject: (b) => `check ${b.check} ${b.of} ${b.side}`,
    fields: ({ shape }) => ({
      by: typed.line(shape.by, 'Nobody has signed yet: write who you are at “Signed as” above.'),
      celsius: typed.celsius(shape.celsius),
      minutes: typed.figure(shape.minutes, 'min'),
    }),
  },
)
export type Check = z.infer<typeof check.schema>

/**
 * What went wrong at a step: how much of a cut went to another use, why, and what to do next time. `lost` is what that was
 * worth at the prices of the day, minor units; `photo` is an attachment of the lot.
 */
export const fault = fact(
  z.object({
    kind: z.literal('fault'),
    of: keySchema,
    side: z.enum(SIDES),
    what: lineSchema(120),
    cut: keySchema.nullable(),
    /** Another cut or part of the same way; null is waste. */
    to: keySchema.nullable(),
    shown: shownMassSchema.nullable(),
    cause: lineSchema(160),
    lesson: lineSchema(200).nullable(),
    lost: amountSchema,
    photo: hashSchema.optional(),
  }),
  {
    ...atBench,
    moves: 'mass',
    pictures: { photo: 'what' },
    fields: ({ shape }) => ({
      what: typed.line(shape.what, 'Nothing was typed. Say what went wrong.'),
      shown: typed.maybe(typed.mass),
      cause: typed.line(shape.cause, 'No cause was typed. Say why, or “not known”.'),
      lesson: typed.maybe(typed.line(shape.lesson.unwrap(), '')),
    }),
  },
)
export type Fault = z.infer<typeof fault.schema>

/** A step of the day started, paused, handed over, resumed, skipped with a reason, done; `usual` is what the model had for it, minutes. */
export const work = fact(
  z.object({
    kind: z.literal('work'),
    of: keySchema,
    did: z.enum(WORK_EVENTS),
    when: instantSchema,
    by: lineSchema(40),
    why: lineSchema(160).optional(),
    usual: figureSchema(0, 2000).optional(),
  }),
  { ...atBench, moves: 'nothing' },
)
export type Work = z.infer<typeof work.schema>

/** The card is closed: by whom, and why check points stayed open, where some did. */
export const closing = fact(
  z.object({ kind: z.literal('closing'), by: initialsSchema, why: lineSchema(200).nullable() }),
  { ...atBench, subject: () => 'closing', moves: 'nothing' },
)
export type Closing = z.infer<typeof closing.schema>
