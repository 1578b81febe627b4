import { z } from 'zod'
import { formatMass, kgOf, refuse } from '#core/measure'
import { CHECK_POINTS } from '#core/hand'
import { inForce, TEMP_WORDS, WEIGHED_WORDS } from '#core/records'
import {
  animalsOf,
  dressingWords,
  headOf,
  headShape,
  paperKind,
  routeWords,
  type About,
  type PackAbout,
} from '../paper.ts'

const rowSchema = z.object({ name: z.string(), says: z.string() })
const sectionSchema = z.object({ heading: z.string(), rows: z.array(rowSchema) })
const schema = z.object({ kind: z.literal('trace'), ...headShape, sections: z.array(sectionSchema) })
export type Trace = z.infer<typeof schema>
export type TraceSection = z.infer<typeof sectionSchema>

/** "2026-11-24 08:30" by the farm's own clock. */
const momentIn =
  (zone = 'UTC') =>
  (at: string): string =>
    at
      ? new Intl.DateTimeFormat('sv-SE', { timeZone: zone, dateStyle: 'short', timeStyle: 'short' }).format(
          new Date(at),
        )
      : ''

const section = (heading: string, rows: (readonly [string, string | null | undefined])[]): TraceSection => ({
  heading,
  rows: rows.flatMap(([name, says]) => (says ? [{ name, says }] : [])),
})

const STATE = {
  here: '',
  corrected: ', weighed again since',
  void: ', void',
  opened: ', opened since',
} as const

function packRow(
  { number, grams, shown, pieces, packedOn, outOf, state }: PackAbout,
  about: About,
  cut: string,
) {
  const weight = shown ? `${shown.value} ${shown.unit}` : formatMass(kgOf(grams), about.farm.massUnit)
  const made = `${weight}${pieces === null ? '' : `, ${pieces} pieces`}, packed ${packedOn}`
  const from = outOf.length > 0 ? `, of pack ${outOf.join(', ')}` : ''
  return [`Pack ${number}`, `${cut}, ${made}${from}${STATE[state]}`] as const
}

/**
 * Where a pack comes from and where its animal went: the animal, its weights, temperatures and signatures, and the packs asked
 * for; without any, every pack of it that is there. Each row is a record; what nobody wrote down is left out.
 */
export function traceSections(about: About): TraceSection[] {
  const { read, says, packs } = about
  const { plan, flow } = read
  const { anatomy } = flow
  const cutName = (id: string) => says.name(anatomy.cuts.find((c) => c.id === id)!.names)
  const accepted = plan.acceptance
  const moment = momentIn(about.farm.zone)
  const partName = (id: string) => {
    const found = anatomy.parts.find((p) => p.id === id) ?? anatomy.lines.find((l) => `line-${l.id}` === id)
    return found ? says.name(found.names) : `${id[0]!.toUpperCase()}${id.slice(1)}`
  }
  return [
    section('The animal', [
      ['Lot', about.lot],
      ['What', animalsOf(about)],
      ['Tag', plan.mark],
      ['Killed', plan.killed],
      ['At', plan.plant],
      ['Route', routeWords(about)],
      ['Dressed', dressingWords(about)],
      ['Hung', `${plan.days} days planned`],
      [
        'Accepted',
        [
          accepted?.colour && `colour ${accepted.colour}`,
          accepted?.marbling && `marbling ${accepted.marbling}`,
          accepted?.cover && `cover ${accepted.cover}`,
        ]
          .filter(Boolean)
          .join(', '),
      ],
      ['Condition', accepted?.condition],
      ['Condemned', accepted?.condemned],
    ]),
    section(
      'Weights',
      inForce(about.weighings).map((w) => [
        `${WEIGHED_WORDS[w.stage]}${w.basis ? `, ${w.basis}` : ''}`,
        `${w.shown.value} ${w.shown.unit} by ${w.source}${w.day ? `, ${w.day}` : w.at ? `, ${moment(w.at)}` : ''}`,
      ]),
    ),
    section(
      'Temperatures',
      plan.temperatures
        .toSorted((a, b) => (a.at < b.at ? -1 : 1))
        .map((t) => [
          moment(t.at),
          `${t.c} °C ${TEMP_WORDS[t.where]}, ${t.source === 'probe' ? 'by probe' : 'typed'}`,
        ]),
    ),
    section(
      'Signed',
      plan.checks.map((c) => [partName(c.of), `${CHECK_POINTS[c.check].word}: ${c.by}, ${moment(c.at)}`]),
    ),
    section(
      packs.length === 1 ? 'The pack' : 'Packs',
      packs.map((p) => packRow(p, about, cutName(p.cut))),
    ),
  ].filter((s) => s.rows.length > 0)
}

export const trace = paperKind({
  title: 'Trace',
  asks: 'Trace',
  standsAt: [],
  forms: ['pdf'],
  wants: [],
  schema,
  up: {},
  make(about: About) {
    const wanted = about.words.packs ?? []
    const gone = wanted.filter((n) => !about.packs.some((p) => p.number === n))
    if (gone.length > 0) return refuse('packs-gone', 'packs', { numbers: gone })
    return { ok: true, value: { kind: 'trace' as const, ...headOf(about), sections: traceSections(about) } }
  },
})
