import { fatLeft } from '#core/records'
import { z } from 'zod'
import { drawHung, sidesOf, type Part, type PartShape, type SideName } from '#core/anatomy'
import { extentOf, type CutSlot } from '#core/carcass'
import { formatPercent, refuse, sumOf, counted } from '#core/measure'
import { portionFor, sayPortion } from '#core/plan'
import type { Reckoning } from '#core/reading'
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
  routeWords,
  wayWords,
  weightWords,
  type About,
} from '../paper.ts'

const named = z.object({ name: z.string(), says: z.string() })
/** What the processor is told, on one page: one row per part, the two sides apart where they differ. */
const schema = z.object({
  kind: z.literal('cut-sheet'),
  ...headShape,
  count: z.number(),
  /** The animal, in the farm's words. */
  what: z.string(),
  hanging: z.string(),
  weights: z.array(named),
  route: z.string(),
  dressing: z.string(),
  /** What is so for all of it: trim, mince and its pack. */
  settings: z.array(named),
  lines: z.array(z.object({ name: z.string(), left: z.string(), right: z.string() })),
  /** The half carcass in line drawing, its parts numbered as the rows are; null where none is drawn. */
  map: z
    .object({
      width: z.number(),
      height: z.number(),
      shapes: z.array(
        z.object({ d: z.string(), number: z.number().nullable(), at: z.tuple([z.number(), z.number()]) }),
      ),
    })
    .nullable(),
  rows: z.array(
    z.object({
      number: z.number(),
      part: z.string(),
      left: z.string(),
      right: z.string(),
      cuts: z.array(z.object({ name: z.string(), how: z.string(), pieces: z.string(), packs: z.string() })),
      note: z.string(),
    }),
  ),
})
export type CutSheet = z.infer<typeof schema>

/** The first cut sheets did not say the animal: there were hogs only. */

const NOT_THERE = '–'
const NOTHING = 1e-9

/** A part as it hangs on either side; neither where it does not hang, or a choice leaves no meat for it. */
function slotsOf(read: Reckoning, part: Part): (CutSlot | null)[] {
  const sides = sidesOf(part)
  const at = (side: SideName) => {
    const slot = read.cutting.slot(part.id, side)
    return slot && slot.kg > 0 ? slot : null
  }
  const [left, right] = [at(sides[0]!), at(sides.at(-1)!)]
  // Where one side hangs there is no other to differ from.
  return read.plan.hangs.as === 'whole' ? [left, right] : [left ?? right, left ?? right]
}

/** Cuts of every part: each stands where most of it comes from, with all its pieces and packs. */
function cutsByPart({ read, says }: About): ReadonlyMap<string, CutSheet['rows'][number]['cuts']> {
  const out = new Map<string, CutSheet['rows'][number]['cuts']>()
  for (const c of read.cuts) {
    if (c.cut.kind !== 'product' || c.kg < NOTHING) continue
    const from = new Map<string, number>()
    for (const slot of read.cutting.slots)
      for (const row of slot.rows)
        if (row.cut?.id === c.cut.id) from.set(slot.part, (from.get(slot.part) ?? 0) + row.product)
    const [part] = [...from].sort((a, b) => b[1] - a[1])[0] ?? []
    if (part === undefined) continue
    const portion = portionFor(c.cut, read.plan.portions)
    const counted = portion && portion.kind !== 'pack'
    out.set(part, [
      ...(out.get(part) ?? []),
      {
        name: says.name(c.cut.names),
        how: portion ? sayPortion(portion, says, read.farm.pack) : '',
        pieces: counted && c.pieces > 0 ? String(c.pieces) : '',
        packs: c.packs > 0 ? String(c.packs) : '',
      },
    ])
  }
  return out
}

function rowsOf(about: About): { row: CutSheet['rows'][number]; part: string }[] {
  const { read, says } = about
  const made = cutsByPart(about)
  let number = 0
  return read.flow.anatomy.parts.flatMap((part) => {
    const [left, right] = slotsOf(read, part)
    if (!left && !right) return []
    const word = (slot: CutSlot | null | undefined) =>
      slot ? wayWords(slot, says, read.plan.held) : NOT_THERE
    const cuts = made.get(part.id) ?? []
    // What is left as it is and becomes nothing of its own is no line for a processor.
    if (
      cuts.length === 0 &&
      [left, right].every((s) => !s || (s.path.leaves && sumOf(s.rows, (r) => r.product) < NOTHING))
    )
      return []
    const row = {
      number: ++number,
      part: says.name(part.names),
      left: word(left),
      right: word(right),
      cuts,
      note: '',
    }
    return [{ row, part: part.id }]
  })
}

const SIZE = { sides: { width: 400, height: 800 }, laid: { width: 400, height: 400 } }
const drawn = ({ polygon }: PartShape) =>
  `M${polygon.map(([x, y]) => `${x.toFixed(0)} ${y.toFixed(0)}`).join('L')}Z`

/** The carcass in line drawing, its parts numbered as in the table. */
function mapOf({ read }: About, rows: ReturnType<typeof rowsOf>): CutSheet['map'] {
  const { cutting, flow, plan } = read
  const [side] = extentOf(flow.anatomy, plan.hangs).sides
  const hung = drawHung(flow.anatomy, { at: cutting.lineAt(side!), mm: cutting.mmAt(side!) })
  const shapes = hung.kind === 'laid' ? hung.parts : hung.side.parts
  const numberOf = new Map(rows.map((r) => [r.part, r.row.number]))
  const numbered = new Set<number>()
  return {
    ...SIZE[hung.kind === 'laid' ? 'laid' : 'sides'],
    shapes: shapes.map((s) => {
      const number = s.parts.map((p) => numberOf.get(p)).find((n) => n !== undefined && !numbered.has(n))
      if (number !== undefined) numbered.add(number)
      return { d: drawn(s), number: number ?? null, at: [Math.round(s.label[0]), Math.round(s.label[1])] }
    }),
  }
}

export const cutSheet = paperKind({
  title: 'Cut sheet',
  asks: 'Cut sheet',
  cutting: true,
  standsAt: ['sold', 'bench'],
  forms: ['pdf'],
  wants: [
    { word: 'customer', asks: 'Customer' },
    { word: 'telephone', asks: 'Customer’s telephone' },
    { word: 'instructions', asks: 'Instructions', long: true },
  ],
  schema,
  up: {
    1: (data) => numbered({ ...data, what: data.what ?? counted(Number(data.count), 'hog') }),
    2: (data) =>
      headed({
        ...{ weights: [], settings: [], map: null },
        ...data,
        rows: (data.rows as object[]).map((r, i) => ({ number: i + 1, cuts: [], ...r })),
      }),
  },
  make(about: About) {
    const hanging = hangingWords(about)
    if (hanging === null) return refuse('mass-empty', 'live', {})
    const { read, says } = about
    const movable = new Set(
      read.flow.anatomy.lines
        .filter((l) => l.kind === 'along' || l.settings.length > 1)
        .map((l) => says.name(l.names)),
    )
    const rows = rowsOf(about)
    const { trim, lean } = read.plan.choices
    return {
      ok: true,
      value: {
        kind: 'cut-sheet' as const,
        ...headOf(about),
        count: read.count,
        what: animalsOf(about),
        hanging,
        weights: weightWords(about),
        route: routeWords(about),
        dressing: dressingWords(about),
        settings: [
          { name: 'Fat', says: `${trim}: ${fatLeft(trim, 'left on')}` },
          {
            name: says.name({ american: 'Ground', commonwealth: 'Mince' }),
            says: `${says.mass(read.farm.pack)} a pack${lean === undefined ? '' : `, ${formatPercent(lean)} lean`}`,
          },
        ],
        lines: linePlaces(about).filter((l) => movable.has(l.name)),
        map: mapOf(about, rows),
        rows: rows.map((r) => r.row),
      },
    }
  },
})
