import { z } from 'zod'
import type { Line, Path } from '#core/anatomy'
import { extentOf, type CutSlot, type Sided } from '#core/carcass'
import { issueOf, type NameSet, type Outcome, type Says, type Tongue, type TypedMass } from '#core/measure'
import {
  paperWordsSchema,
  type Hold,
  type LabelSheet,
  type PaperWords,
  type Share,
  type Unit,
  type Wrap,
} from '#core/records'
import { HOLD_WORDS, type Reckoning, type WeighingRow } from '#core/reading'
import { conventionsOf, hungWords } from '#core/plan'
import { ruleOf } from '#core/rules'

/** A pack a paper is of: its weight as displayed, where it was weighed alone, and the local day it was packed. */
export interface PackAbout extends Unit {
  shown: TypedMass | null
  pieces: number | null
  wrap: Wrap | null
  /** Packs that were opened for it. */
  outOf: readonly number[]
  packedOn: string
}

/** What a paper is made from: the lot as read on that day, the farm's name and words, and the day in its calendar. */
export interface About {
  read: Reckoning
  farm: { name: string; address?: string; telephone?: string; zone?: string } & Tongue
  lot: string
  /** Local date, ISO 8601. */
  date: string
  share: Share
  /** What was typed when it was asked for. */
  words: PaperWords
  says: Says
  /** The packs it is asked for, as the lot's records have them; and how the farm's labels look. */
  packs: readonly PackAbout[]
  design: LabelSheet | null
  /** Weights as they were written down. */
  weighings: readonly WeighingRow[]
}

/** The form papers are issued in today; those of an earlier form are brought up when they are read. */
export const PAPER_FORM = 3
export type PaperPlace = 'sold' | 'bench' | 'booking' | 'day'
type Data = Record<string, unknown>

/** One kind of paper: what its data is, how earlier data becomes that, and how it is made from a lot. */
export interface PaperKindOf<S extends z.ZodType<object> = z.ZodType<object>> {
  title: string
  /** What is pressed to have it; `sold` where it stands with the prices, `bench` where with the block card, `booking` where the doors are, `day` where a batch’s day is. */
  asks: string
  standsAt: readonly PaperPlace[]
  forms: readonly ('pdf' | 'csv')[]
  /** Prices stand on it: there is none where cuts may not be sold by the piece. */
  priced?: boolean
  /** How one group of a lot is cut: there is none of a lot that is split. */
  cutting?: boolean
  /** For a part of the animal: whole, half, quarter. */
  shared?: boolean
  /** What is typed when it is asked for, with the words that stand there until a person writes others. */
  wants: readonly {
    word: Exclude<keyof PaperWords, 'packs'>
    asks: string
    usual?: string
    long?: boolean
    /** One of a few, not typed: a part of the animal, or how large it is printed. */
    choose?: 'part' | 'type'
  }[]
  schema: S
  /** Step from each earlier form to the next. */
  up: Record<number, (data: Data) => Data>
  make(about: About): Outcome<z.infer<S>>
}
export const paperKind = <S extends z.ZodType<object>>(kind: PaperKindOf<S>): PaperKindOf<S> => ({
  ...kind,
  make: (about) => {
    const { food, reasons } = about.read.plan.verdict
    if (kind.cutting && about.read.groups.length > 0)
      return { ok: false, issues: [issueOf('group-needed', 'group', {})] }
    return food ? kind.make(about) : { ok: false, issues: [issueOf('not-food', 'route', reasons[0]!)] }
  },
})

/** The first form had no number of its own. */
export const numbered = (data: Data): Data => ({ ...data, form: 2 })
/** The second knew neither the farm's address nor the animal's tag, and nobody could write on it. */
export const headed = (data: Data): Data => ({
  ...{ address: '', telephone: '', mark: '', killed: '', plant: '', sheet: 'A4', said: {} },
  ...data,
  form: 3,
})

export const headShape = {
  form: z.literal(PAPER_FORM),
  farm: z.string(),
  address: z.string(),
  telephone: z.string(),
  lot: z.string(),
  /** Tag or ear number, the day it was killed and where; empty where nobody said. */
  mark: z.string(),
  killed: z.string(),
  plant: z.string(),
  date: z.string(),
  /** The sheet it is printed on. */
  sheet: z.enum(['A4', 'LETTER']),
  said: paperWordsSchema,
}
/** Money of countries that print on letter paper. */
const ON_LETTER = new Set(['USD', 'CAD', 'MXN', 'PHP'])
export const headOf = ({ farm, lot, date, words, read }: About) => ({
  form: PAPER_FORM as typeof PAPER_FORM,
  farm: farm.name,
  address: farm.address ?? '',
  telephone: farm.telephone ?? '',
  lot,
  mark: read.plan.mark ?? '',
  killed: read.plan.killed ?? '',
  plant: read.plan.plant ?? '',
  date,
  sheet: ON_LETTER.has(farm.currency) ? ('LETTER' as const) : ('A4' as const),
  said: words,
})

const nameSet = ({ farm }: About): NameSet => farm.nameSet
const several = (word: string) => word.replace(/f$/, 've') + 's'
/** "2 hogs", "left side of a hog", "3 × leg of a lamb", in the farm's words. */
export const animalsOf = (about: About): string => {
  const { count, flow, plan } = about.read
  const animal = flow.anatomy.names[nameSet(about)].toLowerCase()
  if (plan.half) return `one side each of ${count * 2} ${several(animal)}`
  const part = hungWords(flow.anatomy, plan.hangs)
  if (!part) return `${count} ${count === 1 ? animal : several(animal)}`
  return `${count === 1 ? '' : `${count} × `}${part[nameSet(about)]} of a ${animal}`
}

/** The hanging weight and how it is known; null before anything was weighed. */
export function hangingWords({ read, says }: About): string | null {
  const hanging = read.stages.find((s) => s.id === 'hanging')
  if (!hanging) return null
  if (hanging.weighed && read.plan.hangs.as === 'part') return `${says.mass(hanging.kg)} (weighed as it came)`
  if (hanging.weighed) return `${says.mass(hanging.kg)} (weighed, as hung on the day of cutting)`
  const likely = hanging.range ? `, likely ${says.massRange(hanging.range)}` : ''
  return `about ${says.known(hanging.kg, hanging.range)}${likely} (aged ${read.plan.days} days; estimate)`
}

/** Every weight that was written down or follows from one, and how it is known. */
export const weightWords = ({ read, says }: About): { name: string; says: string }[] =>
  (
    [
      ['live', 'Live'],
      ['hot', 'Hot carcass'],
      ['hanging', 'Hanging, at cutting'],
    ] as const
  ).flatMap(([id, name]) => {
    const s = read.stages.find((x) => x.id === id)
    if (!s) return []
    return [{ name, says: s.weighed ? `${says.mass(s.kg)}, weighed` : `about ${says.known(s.kg, s.range)}` }]
  })

export const dressingWords = ({ read }: About): string =>
  conventionsOf(read.flow.anatomy, read.plan.conventions)
    .map(({ convention: c, is }) => (is ? c.on : c.off))
    .join('; ')

export function routeWords({ read }: About): string {
  const rule = ruleOf(read.plan.route)
  return rule ? `${rule.label}. ${rule.says}` : 'Route not stated yet'
}

/** Where a line lies on both sides, in words a cutter knows. */
export function linePlace(about: About, l: Line): { name: string; left: string; right: string } {
  const { flow, plan } = about.read
  const at = (asked: 'left' | 'right') => {
    const [only, other] = extentOf(flow.anatomy, plan.hangs).sides
    const side = other ? asked : only!
    if (l.kind === 'along') return `${plan.choices.mm.get(l.id, side) ?? l.mm.usual} mm from the eye`
    const id = plan.choices.lines.get(l.id, side) ?? l.fallback
    return l.settings.find((s) => s.id === id)!.school
  }
  return { name: l.names[nameSet(about)], left: at('left'), right: at('right') }
}
export const linePlaces = (about: About) => about.read.flow.anatomy.lines.map((l) => linePlace(about, l))

/** The ways a part is cut in, that of its front first. */
export const waysOf = ({ path, rear }: Pick<CutSlot, 'path' | 'rear'>): Path[] =>
  rear ? [path, rear.path] : [path]

/** How a part is cut, in the farm's words: "Chops to 40 % of its length, then Boneless roasts"; or that it is held. */
export const wayWords = (
  slot: Pick<CutSlot, 'path' | 'rear' | 'part' | 'side'>,
  says: Pick<Says, 'name'>,
  held: Sided<Hold>,
): string => {
  const hold = held.get(slot.part, slot.side)
  if (hold && hold !== 'later') return capital(HOLD_WORDS[hold])
  const [front, rear] = waysOf(slot).map((p) => says.name(p.names))
  const way = rear ? `${front!} to ${Math.round(slot.rear!.at * 100)} % of its length, then ${rear}` : front!
  return hold ? `${way}; not today, another day` : way
}
const capital = (words: string) => words[0]!.toUpperCase() + words.slice(1)
