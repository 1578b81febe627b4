import { z } from 'zod'
import { figureSchema, shownMassSchema } from '../figures.ts'
import { hangsSchema } from '../hangs.ts'
import { END_IDS, MEASURES, ROUTE_IDS, SEXES, SIDES } from '../lists.ts'
import { keySchema, lineSchema } from '../text.ts'
import { daySchema } from '../time.ts'

/** One thing that can be seen of an animal: under its `what`. */
const seen = <W extends string, S extends z.core.$ZodLooseShape>(what: W, shape: S) =>
  z.object({ kind: z.literal('observation'), what: z.literal(what), ...shape })

const line = { value: lineSchema(80) }
const day = { value: daySchema }
/** A part weighed by itself, or cut away: of a side of one group. */
const ofPart = { of: keySchema, side: z.enum(SIDES), shown: shownMassSchema }

/** What can be seen of an animal, each with its form. */
export const SEEN = [
  seen('route', { value: z.enum(ROUTE_IDS) }),
  seen('type', { value: keySchema }),
  seen('dressing', { of: keySchema, value: z.boolean() }),
  seen('measure', { of: z.enum(MEASURES), value: figureSchema(0, 1000) }),
  seen('ribs', { value: z.number().int().min(1).max(30) }),
  seen('mark', line),
  seen('plant', line),
  seen('mother', line),
  seen('vet', line),
  seen('disposal', line),
  seen('end', { value: z.enum(END_IDS) }),
  seen('killed', day),
  seen('born', day),
  seen('hangs', { value: hangsSchema }),
  /** What all animals weighed together when they came, the day, and how many they were: those that are gone since were lost. */
  seen('start', {
    animals: z.number().int().min(1).max(5000).optional(),
    shown: shownMassSchema,
    day: daySchema,
    /** Where they came sexed; males and females together otherwise. */
    sexed: z.enum(SEXES).optional(),
  }),
  seen('part', ofPart),
  seen('cut-away', ofPart),
] as const
