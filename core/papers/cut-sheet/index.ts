import { z } from 'zod'
import { sidesOf, type SideName } from '#core/anatomy'
import type { CutSlot } from '#core/carcass'
import { refuse } from '#core/measure'
import { portionFor, sayPortion } from '#core/plan'
import {
  animalsOf,
  dressingWords,
  hangingWords,
  headOf,
  headShape,
  linePlaces,
  numbered,
  paperKind,
  routeWords,
  waysOf,
  wayWords,
  type About,
} from '../paper.ts'

/** What the processor is told: one row per part, the two sides apart where they differ. */
const schema = z.object({
  kind: z.literal('cut-sheet'),
  ...headShape,
  count: z.number(),
  /** The animal, in the farm's words. */
  what: z.string(),
  hanging: z.string(),
  route: z.string(),
  dressing: z.string(),
  lines: z.array(z.object({ name: z.string(), left: z.string(), right: z.string() })),
  rows: z.array(z.object({ part: z.string(), left: z.string(), right: z.string(), note: z.string() })),
})
export type CutSheet = z.infer<typeof schema>

/** The first cut sheets did not say the animal: there were hogs only. */
const hogs = (count: number) => `${count} hog${count === 1 ? '' : 's'}`

const NOT_THERE = '–'
const NOTHING = 1e-9

/** Parts that do not hang, or that a choice leaves no meat for, are left out. */
function rowsOf({ read, says }: About): CutSheet['rows'] {
  const { cutting, flow } = read
  const at = (part: string, side: SideName) => {
    const slot = cutting.slot(part, side)
    return slot && slot.kg > 0 ? slot : null
  }
  const portionsIn = (slot: CutSlot) =>
    slot.rows.flatMap(({ cut, green }) => {
      const portion = cut && green > NOTHING ? portionFor(cut, read.plan.portions) : null
      return portion ? [`${says.name(cut!.names)}: ${sayPortion(portion, says)}.`] : []
    })
  return flow.anatomy.parts.flatMap((part) => {
    const sides = sidesOf(part)
    const [left, right] = [at(part.id, sides[0]!), at(part.id, sides.at(-1)!)]
    if (!left && !right) return []
    const word = (slot: typeof left) => (slot ? wayWords(slot, says) : NOT_THERE)
    const notes = new Set(
      [left, right].flatMap((s) => (s ? [...portionsIn(s), ...waysOf(s).map((p) => p.steps)] : [])),
    )
    return [
      {
        part: says.name(part.names),
        left: word(left),
        right: word(right),
        note: [...notes].join(' '),
      },
    ]
  })
}

export const cutSheet = paperKind({
  title: 'Cut sheet',
  asks: 'Cut sheet',
  standsAt: ['sold', 'bench'],
  forms: ['pdf'],
  schema,
  up: { 1: (data) => numbered({ ...data, what: data.what ?? hogs(Number(data.count)) }) },
  make(about: About) {
    const hanging = hangingWords(about)
    if (hanging === null) return refuse('mass-empty', 'live', {})
    const movable = new Set(
      about.read.flow.anatomy.lines
        .filter((l) => l.kind === 'along' || l.settings.length > 1)
        .map((l) => about.says.name(l.names)),
    )
    return {
      ok: true,
      value: {
        kind: 'cut-sheet' as const,
        ...headOf(about),
        count: about.read.count,
        what: animalsOf(about),
        hanging,
        route: routeWords(about),
        dressing: dressingWords(about),
        lines: linePlaces(about).filter((l) => movable.has(l.name)),
        rows: rowsOf(about),
      },
    }
  },
})
