import { z } from 'zod'
import { clockSchema } from './bench.ts'
import { amountSchema, figureSchema, shownMassSchema } from './figures.ts'
import {
  CHILLS,
  DOWNGRADES,
  LINE_STATIONS,
  LOSS_CAUSES,
  READY_SIGNS,
  SCALD_SCHOOLS,
  SPECIES,
} from './lists.ts'
import { keySchema, lineSchema } from './text.ts'
import { daySchema, instantSchema } from './time.ts'

const animals = z.number().int().min(1, 'At least one.').max(2000, 'No more than 2000.')

/** Animals of a batch that are gone: how many, on which day, why. */
export const lossSchema = z.object({
  kind: z.literal('loss'),
  day: daySchema,
  animals,
  cause: z.enum(LOSS_CAUSES),
  /** Of those that came and were gone before those here were counted: no fewer are alive for it. */
  uncounted: z.literal(true).optional(),
})
export type Loss = z.infer<typeof lossSchema>

/** Some of a batch weighed one by one, alive or dressed: what they say of all goes by how far they lie apart, so one is none. */
export const sampleSchema = z.object({
  kind: z.literal('sample'),
  day: daySchema,
  of: z.enum(['live', 'dressed']),
  shown: z
    .array(shownMassSchema)
    .min(2, 'One says nothing of how far they lie apart. Weigh at least two.')
    .max(300),
})
export type Sample = z.infer<typeof sampleSchema>

/** One load in the scald, as it went. */
export const scaldSchema = z.object({
  kind: z.literal('scald'),
  when: instantSchema,
  school: z.enum(SCALD_SCHOOLS),
  /** What was wanted and what was read, °C. */
  target: figureSchema(40, 80),
  c: figureSchema(20, 100),
  seconds: z.number().int().min(5).max(900),
  sign: z.enum(READY_SIGNS),
  birds: z.number().int().min(1).max(100),
})
export type Scald = z.infer<typeof scaldSchema>

/** Birds that are worth less than they were: what happened, what was cut away, what it cost, what to do next time. */
export const downgradeSchema = z.object({
  kind: z.literal('downgrade'),
  what: z.enum(DOWNGRADES),
  animals,
  /** All that was cut away of them together, where it was weighed. */
  shown: shownMassSchema.nullable(),
  /** At the prices of the day, minor units. */
  lost: amountSchema,
  lesson: lineSchema(200).nullable(),
})
export type Downgrade = z.infer<typeof downgradeSchema>

/** Birds that are through a station, ticked off as they leave it. */
export const passedSchema = z.object({
  kind: z.literal('passed'),
  station: z.enum(LINE_STATIONS),
  animals,
  when: instantSchema,
})
export type Passed = z.infer<typeof passedSchema>

/** A station that stood still: since when, why, and until when, once that is known. */
export const stoppedSchema = z.object({
  kind: z.literal('stopped'),
  station: z.enum(LINE_STATIONS),
  from: instantSchema,
  until: instantSchema.nullable(),
  why: lineSchema(120),
})
export type Stopped = z.infer<typeof stoppedSchema>

/** A station where it is not as usual: minutes a load and how far they lie apart, places, birds a load, room before it, who. */
const lineStationSchema = z.object({
  id: z.enum(LINE_STATIONS),
  off: z.boolean().optional(),
  minutes: figureSchema(0.02, 480).optional(),
  cv: figureSchema(0, 1.5).optional(),
  places: z.number().int().min(1).max(500).optional(),
  load: z.number().int().min(1).max(100).optional(),
  room: z.number().int().min(0).max(2000).optional(),
  /** Names of the crew who work there; all where nobody is named. */
  who: z.array(lineSchema(40)).max(20).optional(),
})
export type LineStationPlan = z.infer<typeof lineStationSchema>

/** The day birds are killed, as it is planned. */
export const birdDaySchema = z.object({
  day: daySchema.nullable(),
  begins: clockSchema,
  /** How many of them; all that are alive where not said. */
  birds: animals.nullable(),
  stations: z
    .array(lineStationSchema)
    .max(LINE_STATIONS.length)
    .refine((all) => new Set(all.map((s) => s.id)).size === all.length, 'A station stands in it twice.'),
  chill: z.object({
    how: z.enum(CHILLS),
    water: shownMassSchema.nullable(),
    waterC: figureSchema(0, 40),
    ice: shownMassSchema.nullable(),
    /** Water a carcass took up, as a share of it, weighed before and after: it is declared on labels. */
    retained: figureSchema(0, 0.3).optional(),
  }),
  /** What the freezer holds, litres. */
  freezer: figureSchema(10, 100_000).nullable(),
  pickups: z.array(z.object({ at: clockSchema, who: lineSchema(60), birds: animals })).max(100),
  /** Others that go through after these, on the same day. */
  also: z.object({ species: z.enum(SPECIES), type: keySchema.nullable(), birds: animals }).nullable(),
})
export type BirdDay = z.infer<typeof birdDaySchema>

/** What a batch is raised to: the weight alive, and the share of them that is to reach it. */
export const raiseSchema = z.object({ shown: shownMassSchema, share: figureSchema(0.05, 0.99) })
export type RaiseTo = z.infer<typeof raiseSchema>

/** Where one size class ends and the next begins, dressed, from small to large. */
export const classesSchema = z.array(shownMassSchema).min(1).max(5)
export type Classes = z.infer<typeof classesSchema>
