import { z } from 'zod'
import { unmet } from '#core/carcass'
import { conventionsOf } from '#core/plan'
import { decideBy } from '#core/reading'
import {
  animalsOf,
  headed,
  headOf,
  headShape,
  numbered,
  paperKind,
  routeWords,
  weightWords,
  type About,
} from '../paper.ts'

const row = z.object({ name: z.string(), says: z.string() })
/** What the plant is told before the kill: how the animal is dressed and what of it is kept. It says nothing of prices. */
const schema = z.object({
  kind: z.literal('booking-sheet'),
  ...headShape,
  what: z.string(),
  weights: z.array(row),
  route: z.string(),
  days: z.string(),
  /** The last day to change anything; empty while none is booked. */
  decideBy: z.string(),
  dressing: z.array(row),
  kept: z.array(row),
})
export type BookingSheet = z.infer<typeof schema>

export const bookingSheet = paperKind({
  title: 'Booking sheet',
  asks: 'Booking sheet',
  standsAt: ['booking'],
  forms: ['pdf'],
  wants: [
    { word: 'customer', asks: 'Whose animal' },
    { word: 'telephone', asks: 'Telephone' },
    { word: 'instructions', asks: 'A word to the plant', long: true },
  ],
  schema,
  up: { 1: numbered, 2: headed },
  make(about: About) {
    const { read, says } = about
    const { flow, plan, cutting } = read
    const { anatomy } = flow
    const offal = anatomy.parts.filter((p) => p.offCarcass && !unmet(anatomy, p.needs, plan.conventions))
    return {
      ok: true,
      value: {
        kind: 'booking-sheet' as const,
        ...headOf(about),
        what: animalsOf(about),
        weights: weightWords(about).slice(0, 1),
        route: routeWords(about),
        days: `${plan.days} days`,
        decideBy: decideBy(plan.killed) ?? '',
        dressing: conventionsOf(anatomy, plan.conventions).map(({ convention: c, is }) => ({
          name: says.name(c.names),
          says: is ? c.on : c.off,
        })),
        kept: offal.map((p) => {
          const slot = cutting.slot(p.id, 'animal')
          return {
            name: says.name(p.names),
            says: !slot || slot.path.leaves ? 'not kept' : says.name(slot.path.names),
          }
        }),
      },
    }
  },
})
