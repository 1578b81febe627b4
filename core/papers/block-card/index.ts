import { z } from 'zod'
import { sidesOf, type Part, type SideName } from '#core/anatomy'
import type { Sided } from '#core/carcass'
import { allergensOf, finishKind, isLater } from '#core/plan'
import { massDigits, refuse, sumOf } from '#core/measure'
import { SIDES } from '#core/records'
import { heldParts, shownRows, type Reckoning, type ShownRow } from '#core/reading'
import { cautionAt } from '#core/rules'
import {
  animalsOf,
  dressingWords,
  hangingWords,
  headed,
  headOf,
  headShape,
  linePlaces,
  numbered,
  paperKind,
  waysOf,
  wayWords,
  type About,
} from '../paper.ts'

/** One thing to do at the bench. `marks` are the ticks that say it is done, one a side. */
const stepSchema = z.object({
  marks: z.array(z.object({ target: z.string(), side: z.enum(SIDES) })),
  side: z.enum(['both sides', 'left side', 'right side', '']),
  title: z.string(),
  way: z.string(),
  how: z.string(),
  tool: z.string(),
  caution: z.string(),
  cuts: z.array(z.object({ name: z.string(), weight: z.string(), pieces: z.number() })),
})
export type CardStep = z.infer<typeof stepSchema>

/** What is done in which order, as document data in the farm's words and units. */
const schema = z.object({
  kind: z.literal('block-card'),
  ...headShape,
  what: z.string(),
  hanging: z.string(),
  dressing: z.string(),
  /** What holds for all of it; what a step asks besides stands there, once. */
  cautions: z.array(z.string()),
  steps: z.array(stepSchema),
  /** All products of the day together, as the plan shows them. */
  total: z.string(),
})
export type BlockCard = z.infer<typeof schema>

const sideWord = ({ plan }: Reckoning, sides: readonly SideName[]): CardStep['side'] => {
  if (sides[0] === 'animal' || plan.hangs.as !== 'whole') return ''
  return sides.length === 2 ? 'both sides' : `${sides[0] as 'left' | 'right'} side`
}

function freeing(read: Reckoning, part: Part, name: string): CardStep[] {
  const sides = read.cutting.freed(part.id)
  if (sides.length === 0) return []
  return [
    {
      marks: sides.map((side) => ({ target: `free-${part.id}`, side })),
      side: sideWord(read, sides),
      title: `Free the ${name.toLowerCase()} first`,
      way: 'before any line is cut',
      how: 'From its butt end forward, before the loin is parted: sawing through it unfreed shreds it.',
      tool: 'knife',
      caution: 'Glove on the off hand; cut away from the body.',
      cuts: [],
    },
  ]
}

function breaking(about: About): CardStep[] {
  const places = linePlaces(about).map(
    ({ name, left, right }) => `${name}: ${left === right ? left : `left ${left}; right ${right}`}`,
  )
  if (places.length === 0) return []
  return [
    {
      marks: [{ target: 'break', side: 'animal' }],
      side: '',
      title: 'Break along the lines',
      way: 'count ribs from the first one, every time',
      how: `${places.join('. ')}.`,
      tool: 'knife and saw',
      caution: 'One primal on the block, the rest back in the cold.',
      cuts: [],
    },
  ]
}

/** A part's steps: one where its sides are cut alike, else one a side. Parts left alone have none. */
function opening(
  { read, says }: About,
  part: Part,
  rows: readonly ShownRow[],
  weight: (x: number) => string,
): CardStep[] {
  const taken = sidesOf(part).flatMap((side) => {
    const slot = read.cutting.slot(part.id, side)
    const isToday = !isLater(read.flow.anatomy, read.plan.held, part.id, side)
    return slot?.holds && !slot.path.leaves && isToday ? [slot] : []
  })
  return [...new Set(taken.map((t) => wayWords(t, says, read.plan.held)))].flatMap((way): CardStep[] => {
    const own = taken.filter((t) => wayWords(t, says, read.plan.held) === way)
    const ways = waysOf(own[0]!)
    const weights = new Map<string, number>()
    for (const r of rows) if (own.includes(r.slot)) weights.set(r.cut, (weights.get(r.cut) ?? 0) + r.shown)
    if (ways.every((p) => p.minutes === 0) && weights.size === 0) return []
    return [
      {
        marks: own.map((t) => ({ target: part.id, side: t.side })),
        side: sideWord(
          read,
          own.map((t) => t.side),
        ),
        title: says.name(part.names),
        way,
        how: ways.map((p) => p.steps).join(' Behind it: '),
        tool: [...new Set(ways.map((p) => p.tool))].join(' and '),
        caution: [...new Set(ways.flatMap((p) => p.caution ?? []))].join(' '),
        cuts: [...weights].map(([id, mass]) => {
          const { cut, pieces } = read.cuts.find((c) => c.cut.id === id)!
          return { name: says.name(cut.names), weight: weight(mass), pieces }
        }),
      },
    ]
  })
}

/** What is done to cuts once they are cut, one step a cut. */
function finishingSteps({ read, says }: About): CardStep[] {
  return read.cuts.flatMap((c): CardStep[] => {
    if (c.finishes.length === 0 || c.kg <= 1e-6) return []
    const kinds = c.finishes.map((f) => finishKind(f.finish))
    const holds = allergensOf(c.finishes)
    return [
      {
        marks: [{ target: `finish-${c.cut.id}`, side: 'animal' }],
        side: '',
        title: says.name(c.cut.names),
        way: kinds
          .map((k) => k.word)
          .join(', ')
          .replace(/^./, (c) => c.toUpperCase()),
        how: kinds.map((k) => k.how).join(' '),
        tool: 'finishing',
        caution: [
          ...new Set(kinds.flatMap((k) => k.caution ?? [])),
          ...(holds.length > 0
            ? [`Contains ${holds.join(', ')}: kept apart, board and hands washed after.`]
            : []),
        ].join(' '),
        cuts: [],
      },
    ]
  })
}

/** What holds at every bench (common practice). */
const AT_THE_BENCH = [
  'Scrape the bone dust after every saw cut. Every gland out; spinal cord out.',
  'Local codes and the licensed processor come first.',
]

/** What is left out of the steps because it waits for another day. */
function notToday(read: Reckoning, says: About['says']): string[] {
  const parts = heldParts(read).filter((h) => h.hold === 'later')
  return parts.map(({ names, sides }) => {
    const what = [says.name(names).toLowerCase(), sideWord(read, sides)].filter(Boolean)
    return `Not cut today: ${what.join(', ')}.`
  })
}

/** A caution is said once: at the first step that asks for it, unless it holds for all of them. */
function saidOnce(cautions: readonly string[], steps: readonly CardStep[]): CardStep[] {
  const said = new Set(cautions.flatMap(sentences))
  return steps.map((step) => {
    const fresh = sentences(step.caution).filter((s) => ![...said].some((x) => x.startsWith(s.slice(0, -1))))
    fresh.forEach((s) => said.add(s))
    return { ...step, caution: fresh.join(' ') }
  })
}
const sentences = (text: string): string[] => text.match(/[^.!]+[.!]+/g)?.map((s) => s.trim()) ?? []

/**
 * Steps in the order of the bench: what is freed whole before the lines, then the lines, then part by part down the
 * carcass, what comes out of another part behind it.
 */
export const blockCard = paperKind({
  title: 'Block card',
  asks: 'Block card',
  cutting: true,
  standsAt: ['bench'],
  forms: ['pdf'],
  schema,
  wants: [{ word: 'instructions', asks: 'A word to the cutter', long: true }],
  up: { 1: numbered, 2: (data) => headed({ cautions: [], ...data }) },
  make(about: About) {
    const hanging = hangingWords(about)
    if (hanging === null) return refuse('mass-empty', 'live', {})
    const { read, says, farm } = about
    const { parts } = read.flow.anatomy
    const rows = shownRows(read, farm.massUnit)
    const today = rows.filter((r) => !isLater(read.flow.anatomy, read.plan.held, r.slot.part, r.slot.side))
    const total = sumOf(today, (r) => r.shown)
    const species = cautionAt('block', read.flow.anatomy.species)
    const cautions = [species, ...AT_THE_BENCH, ...notToday(read, says)]
    const weight = (x: number) => `${x.toFixed(massDigits(farm.massUnit))} ${farm.massUnit}`
    return {
      ok: true,
      value: {
        kind: 'block-card' as const,
        ...headOf(about),
        what: animalsOf(about),
        hanging,
        dressing: dressingWords(about),
        cautions,
        steps: saidOnce(cautions, [
          ...parts.filter((p) => p.extraction).flatMap((p) => freeing(read, p, says.name(p.names))),
          ...breaking(about),
          ...parts.flatMap((p) => opening(about, p, rows, weight)),
          ...finishingSteps(about),
        ]),
        total: weight(total),
      },
    }
  },
})

/** Whether a step is done: every side of it ticked. */
export const stepDone = (step: CardStep, done: Sided<boolean>): boolean =>
  step.marks.every((m) => done.get(m.target, m.side) ?? false)
