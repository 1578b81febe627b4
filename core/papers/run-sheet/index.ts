import { z } from 'zod'
import { sayClock } from '#core/clock'
import { allDays, dayLine, feedAway, readDays, usualStations } from '#core/line'
import { issueOf, sayIssue } from '#core/measure'
import { cautionAt, chillHours } from '#core/rules'
import { animalsOf, headOf, headShape, paperKind, type About } from '../paper.ts'

/** Days that are drawn for a sheet. */
const DRAWS = 200

/** The day of a batch as it hangs on the wall: who does what where, what to look at, what can hurt, ice, kit, who fetches. */
const schema = z.object({
  kind: z.literal('run-sheet'),
  ...headShape,
  what: z.string(),
  day: z.string(),
  times: z.array(z.object({ name: z.string(), says: z.string() })),
  stations: z.array(
    z.object({
      word: z.string(),
      minutes: z.string(),
      who: z.string(),
      watch: z.string(),
      caution: z.string(),
    }),
  ),
  kit: z.array(z.string()),
  ice: z.array(z.object({ name: z.string(), says: z.string() })),
  pickups: z.array(z.object({ at: z.string(), who: z.string(), birds: z.number() })),
  /** What cannot be so, as it is planned. */
  wrong: z.array(z.string()),
  cautions: z.array(z.string()),
})
export type RunSheet = z.infer<typeof schema>

export const runSheet = paperKind({
  title: 'Run sheet',
  asks: 'Run sheet',
  standsAt: ['day'],
  forms: ['pdf'],
  wants: [{ word: 'instructions', asks: 'A word to the crew', long: true }],
  schema,
  up: {},
  make(about: About) {
    const { read, says } = about
    const { species } = read.flow.anatomy
    if (usualStations(species).length === 0)
      return { ok: false, issues: [issueOf('not-a-batch', 'kind', { what: read.flow.anatomy.names })] }
    const day = dayLine(read)
    const told = readDays(day, allDays(day, DRAWS))
    const start = day.line.start!
    const away = feedAway(species, start)
    const between = (x: { middle: number; range: { low: number; high: number } | null }) =>
      `about ${sayClock(x.middle)}${x.range ? `, likely ${sayClock(x.range.low)}–${sayClock(x.range.high)}` : ''}`
    const on = day.stations.filter((s) => !s.off)
    const isIced = day.plan.chill.how !== 'air'
    return {
      ok: true,
      value: {
        kind: 'run-sheet' as const,
        ...headOf(about),
        what: animalsOf(about),
        day: day.plan.day ?? '',
        times: [
          {
            name: 'Feed away, water stays',
            says: `${sayClock(away.from)}–${sayClock(away.until)} before`,
          },
          { name: 'First', says: sayClock(start) },
          { name: 'Last in the ice', says: between(told.iced) },
          { name: 'All bagged', says: between(told.end) },
          {
            name: 'Cold all through',
            says: `4 °C (40 °F) within ${chillHours(species, day.carcass)} h of the kill`,
          },
        ],
        stations: on.map((s) => ({
          word: s.word,
          minutes: `${s.minutes < 10 ? s.minutes.toFixed(1) : s.minutes.toFixed(0)} min${s.load > 1 ? ` for ${s.load}` : ''}`,
          who: s.hand ? (s.who.length > 0 ? s.who.join(', ') : 'all') : 'by itself',
          watch: s.watch,
          caution: s.caution ?? '',
        })),
        kit: [...new Set(on.flatMap((s) => s.kit))],
        ice: isIced
          ? [
              { name: 'Heat of the birds', says: says.mass(day.ice.cool) },
              { name: 'Heat of the water', says: says.mass(day.ice.water) },
              { name: 'For tub, air and holding', says: says.mass(day.ice.reserve) },
              { name: 'Ice to have there', says: says.mass(day.ice.order) },
            ]
          : [],
        pickups: day.plan.pickups.toSorted((a, b) => (a.at < b.at ? -1 : 1)),
        wrong: day.issues.map((i) => sayIssue(i, says)),
        cautions: [cautionAt('slaughter', species), cautionAt('chill', species)],
      },
    }
  },
})
