import { z } from 'zod'
import { lookup, openedFrom, sidesOf, type Part, type SideName } from '#core/anatomy'
import type { Sided } from '#core/carcass'
import { allergensOf, finishKind, isLater } from '#core/plan'
import { massDigits, refuse, sumOf, capital } from '#core/measure'
import { CHECK_IDS, CLASS_OF, SIDES, STATIONS } from '#core/records'
import {
  checksOf,
  dressingOf,
  orderedWork,
  placeOf,
  sayDressing,
  sayHandStep,
  stepsOf,
  taskMinutes,
  type Ordered,
  type Task,
} from '#core/hand'
import { heldParts, shownRows, type Reckoning, type ShownRow } from '#core/reading'
import { cautionAt, roomRule } from '#core/rules'
import {
  animalsOf,
  dressingWords,
  hangingWords,
  headed,
  headOf,
  headShape,
  linePlace,
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
  /** Where it is done, empty where it can be nowhere; how long it takes, minutes; what is signed; how a hand does it. */
  station: z.enum(['', ...STATIONS]).default(''),
  minutes: z.number().default(0),
  checks: z.array(z.enum(CHECK_IDS)).default([]),
  by: z.array(z.string()).default([]),
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

/** What a step is said as: of its marks and its words; it has no weights of its own. */
const plain = (
  task: Task,
  says: About['says'],
  words: Pick<CardStep, 'way' | 'how' | 'tool' | 'caution'>,
): CardStep[] => [
  {
    ...words,
    ...UNORDERED,
    marks: task.sides.map((side) => ({ target: task.id, side })),
    side: '',
    title: says.name(task.names),
    cuts: [],
  },
]
/** What the order says of a step is put to it afterwards. */
const UNORDERED: Pick<CardStep, 'station' | 'minutes' | 'checks' | 'by'> = {
  station: '',
  minutes: 0,
  checks: [],
  by: [],
}

/** Parts and where each comes off: "feet at the joint above the dew claws". */
const comesOff = ({ read, says }: About, parts: readonly string[], from: 'from' | 'gland'): string => {
  const { species, parts: all } = read.flow.anatomy
  const said = parts.flatMap((id) => {
    const there = placeOf(CLASS_OF[species], id)?.[from]
    const name = says.name(all.find((p) => p.id === id)!.names)
    return there === undefined ? [] : [`${name}: ${there}.`]
  })
  return [...new Set(said)].join(' ')
}

/** A step that is of no one part. */
function wholeStep(about: About, task: Task): CardStep[] {
  const { read, says } = about
  const say = (way: string, how: string, tool: string, caution = '') =>
    plain(task, says, { way, how, tool, caution })
  switch (task.kind) {
    case 'ready':
      return say(
        'before the first cut',
        'Kit laid out as its list says, knives sharp, boards clean and dry, probe checked in ice water. The mark of its route and the tag are read before anything is cut.',
        'hands',
        'Hands washed, jewellery off; nobody cuts who is sick.',
      )
    case 'dress':
      return say(
        'at home',
        sayDressing(read),
        'knife',
        dressingOf(read)
          .flatMap((d) => d.caution ?? [])
          .join(' '),
      )
    case 'cavity':
      return say(
        'before any line',
        comesOff(about, task.parts, 'from'),
        'knife',
        'Point up and away from the gut side.',
      )
    case 'glands':
      return say('before any line', comesOff(about, task.parts, 'gland'), 'knife')
    case 'off':
      return say('before any line', comesOff(about, task.parts, 'from'), 'knife')
    case 'pack':
      return say(
        'all that is taken home',
        'Dry, as much as one pack holds, weighed without the bag; name, day and lot on it. Flat in the freezer, air round every pack.',
        'scale',
      )
    case 'wash':
      return say(
        'when all is in the cold',
        'Scraped, washed, rinsed, sanitised, dried; saw and grinder taken apart. Waste out of the room.',
        'hands',
        'Unplugged before it is opened; blades are washed by who took them out.',
      )
    case 'free':
    case 'line':
    case 'open':
    case 'finish':
      return []
  }
}

function freeing({ read, says }: About, task: Task): CardStep[] {
  return [
    {
      ...UNORDERED,
      marks: task.sides.map((side) => ({ target: task.id, side })),
      side: sideWord(read, task.sides),
      title: `${says.name(task.names)} first`,
      way: 'before a line is cut through it',
      how: 'From its butt end forward, before the loin is parted: sawing through it unfreed shreds it.',
      tool: 'knife',
      caution: 'Glove on the off hand; cut away from the body.',
      cuts: [],
    },
  ]
}

function breaking(about: About, task: Task): CardStep[] {
  const line = about.read.flow.anatomy.lines.find((l) => `line-${l.id}` === task.id)!
  const { left, right } = linePlace(about, line)
  return plain(task, about.says, {
    way: left === right ? left : `left ${left}; right ${right}`,
    how:
      line.kind === 'across'
        ? 'Count ribs from the first one, every time. Knife through the meat, saw through bone, knife to finish.'
        : 'Measured from the eye at both ends, marked with the point, then cut.',
    tool: 'knife and saw',
    caution: 'One primal on the block, the rest back in the cold.',
  })
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
        ...UNORDERED,
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

/** What is done to a cut once it is cut. */
function finishingStep({ read, says }: About, task: Task): CardStep[] {
  return read.cuts.flatMap((c): CardStep[] => {
    if (`finish-${c.cut.id}` !== task.id) return []
    const kinds = c.finishes.map((f) => finishKind(f.finish))
    const holds = allergensOf(c.finishes)
    return [
      {
        ...UNORDERED,
        marks: [{ target: `finish-${c.cut.id}`, side: 'animal' }],
        side: '',
        title: says.name(c.cut.names),
        way: capital(kinds.map((k) => k.word).join(', ')),
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

/** The steps of a task, with what the order says of it: where, how long, what is signed, and how a hand does it. */
function stepsFor(
  about: About,
  work: Ordered,
  minutes: ReadonlyMap<string, number>,
  rows: readonly ShownRow[],
  weight: (x: number) => string,
  task: Task,
): CardStep[] {
  const { read, says } = about
  const { anatomy } = read.flow
  const made = (() => {
    switch (task.kind) {
      case 'free':
        return freeing(about, task)
      case 'line':
        return breaking(about, task)
      case 'open':
        return opening(about, lookup(anatomy).part(task.id)!, rows, weight)
      case 'finish':
        return finishingStep(about, task)
      case 'ready':
      case 'dress':
      case 'cavity':
      case 'glands':
      case 'off':
      case 'pack':
      case 'wash':
        return wholeStep(about, task)
    }
  })()
  const marks = made.reduce((n, s) => n + s.marks.length, 0)
  return made.map((step) => ({
    ...step,
    station: work.at.get(task.id) ?? '',
    minutes: ((minutes.get(task.id) ?? 0) * step.marks.length) / marks,
    checks: checksOf(read, work, task, step.marks[0]!.side),
    by: byHand(read, says, step),
  }))
}

/** How a hand does it, a line a step: what, where, with what. */
function byHand({ cutting, flow, plan }: Reckoning, says: About['says'], { marks }: CardStep): string[] {
  const [mark] = marks
  const slot = cutting.slot(mark!.target, mark!.side)
  if (!slot) return []
  return waysOf(slot).flatMap((path) =>
    stepsOf(flow.anatomy, path, plan.portions, plan.schools).map((s) => {
      const { head, at, tool } = sayHandStep(s, says, plan.schools)
      return `${head}: ${at} (${tool})`
    }),
  )
}

/** The steps of the day in the order of the bench, as it is planned: what comes first whatever the school, then as the farm works. */
export const blockCard = paperKind({
  title: 'Block card',
  asks: 'Block card',
  cutting: true,
  standsAt: ['bench'],
  forms: ['pdf'],
  schema,
  wants: [
    { word: 'instructions', asks: 'A word to the cutter', long: true },
    { word: 'only', asks: 'Of what', choose: 'part' },
    { word: 'type', asks: 'Type', choose: 'type' },
  ],
  up: { 1: numbered, 2: (data) => headed({ cautions: [], ...data }) },
  make(about: About) {
    const hanging = hangingWords(about)
    if (hanging === null) return refuse('mass-empty', 'live', {})
    const { read, says, farm } = about
    const rows = shownRows(read, farm.massUnit)
    const today = rows.filter((r) => !isLater(read.flow.anatomy, read.plan.held, r.slot.part, r.slot.side))
    const total = sumOf(today, (r) => r.shown)
    const species = `${roomRule(farm.currency)} ${cautionAt('block', read.flow.anatomy.species)}`
    const cautions = [species, ...AT_THE_BENCH, ...notToday(read, says)]
    const work = orderedWork(read)
    const minutes = taskMinutes(read, work.tasks)
    const { only } = about.words
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
        steps: saidOnce(
          cautions,
          work.tasks
            .filter((t) => only === undefined || withinPart(read, only).has(t.id))
            .flatMap((t) => stepsFor(about, work, minutes, rows, weight, t)),
        ),
        total: weight(
          only === undefined
            ? total
            : sumOf(
                today.filter((r) => withinPart(read, only).has(r.slot.part)),
                (r) => r.shown,
              ),
        ),
      },
    }
  },
})

/** A part and what comes out of it: the card of one primal. */
function withinPart({ flow }: Reckoning, part: string): Set<string> {
  const all = new Set([part, `free-${part}`])
  for (let before = -1; before < all.size;) {
    before = all.size
    for (const p of flow.anatomy.parts) if (all.has(openedFrom(flow.anatomy, p.id) ?? '')) all.add(p.id)
  }
  return all
}

/** Whether a step is done: every side of it ticked. Lines were once one step. */
export const stepDone = (step: CardStep, done: Sided<boolean>): boolean =>
  step.marks.every((m) => done.get(m.target, m.side) ?? (isLine(m) && done.has('break', 'animal')))
export const isLine = ({ target }: CardStep['marks'][number]): boolean => target.startsWith('line-')
