import {
  lengthBetween,
  partOrder,
  positionOf,
  TISSUES,
  TRIM_LEVELS,
  withRibs,
  type Anatomy,
  type Part,
  type Path,
  type PathOutput,
  type Portion,
  type SideName,
  type TrimLevel,
} from '#core/anatomy'
import { type Mm } from '#core/measure'
import { SidedMap, type Sided } from './sided.ts'
import { trimmed } from './trim.ts'
import type { Blend } from './blend.ts'
import type { AgeTrim } from './chain.ts'

const T = TISSUES.length

/** A part on one side (or on the animal): what a choice is made for. */
export interface Slot {
  part: string
  side: SideName
  /** Share of fasted live weight of a part that is no carcass; 0 for carcass. */
  offCarcass: number
  paths: { path: Path; start: number; end: number }[]
  /** Which of them is usual, and where each stands by its id. */
  usual: number
  indexOf: ReadonlyMap<string, number>
  /** The slot of the same part on the other side, or itself. */
  other: number
}

/** A part's length: so many mm, or between two places on the axis, each a line or a fixed one. */
export interface SlotLength {
  mm: number | null
  from: { line: string } | { at: number }
  to: { line: string } | { at: number }
  ends: readonly [number, number]
}

/** What only this room sees of a flow: all paths of all slots as flat arrays. */
export const LAID: unique symbol = Symbol('laid')

/** An anatomy compiled once: every path of every part laid down, choices only pick among them. */
export interface Flow {
  readonly anatomy: Anatomy
  readonly [LAID]: Laid
}

/** Rows are (slot, path, output); a slot stands behind all that open into it. */
export interface Laid {
  slots: Slot[]
  slotOf: Sided<number>
  cutOf: ReadonlyMap<string, number>
  /** The cut a row goes to, or −1; and the slot it goes on to, or −1. */
  rowCut: Int32Array
  rowSlot: Int32Array
  /** Shares of every tissue per row (row × 5 + tissue), at each trim level. */
  shares: Record<TrimLevel, Float64Array>
  rowAdded: Float64Array
  rowYield: Float64Array
  /** The cutter's own log SD of a row where it is known apart, or NaN. */
  rowSd: Float64Array
  lossCut: number
  discardCut: number
  /** Per slot, the length its cuts lie along, mm at the reference carcass; and mm of the axis up to each position. */
  lengths: (SlotLength | null)[]
  axisMm: Float64Array
  /** Per band, cumulative tissue mass up to each axis position: ((position × 5) + tissue). */
  cumulative: Float64Array[]
  /** Per band and side, the slots of its spans, and of the part that takes the band out before the lines. */
  spanSlots: Record<
    'left' | 'right',
    {
      spans: { slot: number; below: number; from: number }[]
      extraction: { part: string; slot: number } | null
    }[]
  >
  /** The same species with another number of ribs, compiled when first asked for. */
  variants: Map<number, Flow>
}

/** What a plan says of the cutting: ways of parts, settings of transverse lines, mm of long ones, each by side. */
export interface Choices {
  paths: Sided<string>
  lines: Sided<string>
  mm: Sided<Mm>
  trim: TrimLevel
  /** How cuts are divided where not as usual. */
  portions?: ReadonlyMap<string, Portion>
  /** Chemical lean the trim is brought to; as it falls, or by its recipe, when not said. */
  lean?: number
  /** What finishing a cut adds to it and then leaves of it, by cut, beside what its process does. */
  finishes?: ReadonlyMap<string, Finishing>
  /** Share of the lean of a boned part that stays on its bones beside what a skilled hand leaves; 0 when not said. */
  leaves?: number
  /** Of the usual kerf of a saw, what it takes as the farm works; 1 when not said. */
  kerf?: number
  /** Parts that are cut two ways: `paths` their front, and another way behind a place along them. */
  splits?: Sided<Split>
}
/** A place along a part, as a share of its length from the front, and the way of what lies behind it. */
export interface Split {
  readonly at: number
  readonly path: string
}
/** Of the weight of a cut: what its finishes put on it, and of both together what they leave. */
export interface Finishing {
  readonly adds: number
  readonly keeps: number
}
export const NO_CHOICES: Choices = {
  paths: new SidedMap(),
  lines: new SidedMap(),
  mm: new SidedMap(),
  trim: 'standard',
}

/** What of a carcass hangs: sides of it, or some parts of them: a quarter, a primal, a boxed loin. */
export interface Extent {
  readonly sides: readonly ('left' | 'right')[]
  /** All parts when not said. */
  readonly parts?: readonly string[]
}
/** All of it: the only extent with what is no carcass (head, offal) beside it; of that, a part may come in a box. */
export const WHOLE: Extent = { sides: ['left', 'right'] }

export type OnSide<V> = Record<'left' | 'right', V>

/** A plan resolved against a flow: the active rows of each slot, and the line positions of each side. */
export interface FlowSetting {
  start: Int32Array
  end: Int32Array
  pathOf: number[]
  trim: TrimLevel
  /** Of each tissue of a slot, what each row takes (row × 5 + tissue): the flow's at the trim level, or an animal's own. */
  shares: Float64Array
  lineAt: OnSide<Record<string, number>>
  bandLineAt: OnSide<Record<string, Record<string, number>>>
  mm: OnSide<Record<string, Mm>>
  /** Of what the saw leaves of a row: what is put to it, and what comes of it. */
  added: Float64Array
  yields: Float64Array
  /** Share of each row that the saw turns to dust. */
  dust: Float64Array
  /** Part taken out before the lines → what of it is freed. */
  extracted: OnSide<Map<string, Freed>>
  /** What lies behind the place where a slot is split; null where it is cut one way. */
  rear: (Rear | null)[]
  /** Share of each tissue of a slot that lies before it (slot × 5 + tissue); 1 with no split. `pour` finds it. */
  front: Float64Array
  /** Share of a whole carcass that hangs: 1, or less where only some of it does. `pour` finds it. */
  hangs: number
  /** The slot of a part that is no carcass and came in a box by itself: that box is what hangs. -1 where there is none. */
  boxed: number
  /** kg cut away of each slot before it is opened, bruised or condemned. */
  cutAway: Float64Array
  /** Dried face that is cut off before anything is opened. */
  ageTrim: AgeTrim
  /** kg of each slot that was weighed by itself; NaN where none was. */
  weighed: Float64Array
  /** What the trim is brought to; null where it is used as it falls. */
  blend: Blend | null
}
/** Active rows behind a split. */
export interface Rear {
  pathOf: number
  start: number
  end: number
  /** Share of the part's length that lies before, and that place on the axis; NaN for a part that has none. */
  at: number
  position: number
}
/** From under which parts a part is freed before the lines, each whole or up to or behind where it is split. */
export interface Freed {
  every: boolean
  from: Map<string, 'whole' | 'front' | 'rear'>
  /** All other parts too. */
  others: boolean
}

const SIDES = ['left', 'right'] as const

interface Row {
  cut: number
  slot: number
  shares: Record<TrimLevel, PathOutput>
  sd: number
}

/** Compiles an anatomy. Every path of every part is laid down once; choices only pick among the rows. */
export function compile(anatomy: Anatomy): Flow {
  const cutIndex = new Map(anatomy.cuts.map((c, i) => [c.id, i]))
  const byId = new Map(anatomy.parts.map((p) => [p.id, p]))
  const sidesOf = (part: string): readonly SideName[] =>
    byId.get(part)!.scope === 'animal' ? ['animal'] : SIDES
  const order = partOrder(anatomy).ordered.flatMap((part) => sidesOf(part).map((side) => ({ part, side })))
  const slotOf = new SidedMap(order.map((s, value) => ({ id: s.part, side: s.side, value })))
  const slotFor = (part: string, side: SideName) => (slotOf.get(part, side) ?? slotOf.get(part, 'animal'))!
  const pathsOf = (part: string) => anatomy.paths.filter((p) => p.part === part)

  const rows: Row[] = []
  const slots = order.map(({ part, side }): Slot => {
    const own = pathsOf(part)
    const paths = own.map((path) => {
      const start = rows.length
      const levels = trimmed(anatomy, path)
      levels.standard.forEach((o, i) =>
        rows.push({
          cut: o.cut === undefined ? -1 : cutIndex.get(o.cut)!,
          slot: o.part === undefined ? -1 : slotFor(o.part, side),
          shares: Object.fromEntries(TRIM_LEVELS.map((l) => [l, levels[l][i]!])) as Row['shares'],
          sd: o.sd ?? Number.NaN,
        }),
      )
      return { path, start, end: rows.length }
    })
    const { offCarcass, fallback } = byId.get(part)!
    const indexOf = new Map(own.map((p, i) => [p.id, i]))
    return {
      part,
      side,
      offCarcass: offCarcass?.share ?? 0,
      paths,
      indexOf,
      usual: indexOf.get(fallback) ?? 0,
      other: slotFor(part, side === 'left' ? 'right' : side === 'right' ? 'left' : side),
    }
  })
  const spanSlotsOf = (side: 'left' | 'right') =>
    anatomy.bands.map((band) => {
      const out = anatomy.parts.find((p) => p.extraction?.band === band.id)
      return {
        spans: band.spans.map((s) => ({
          slot: slotFor(s.part, side),
          below: s.below || s.spills ? slotFor((s.below ?? s.spills)!.part, side) : -1,
          from: s.spills ? positionOf(anatomy.axis, s.spills.from) : 0,
        })),
        extraction: out ? { part: out.id, slot: slotFor(out.id, side) } : null,
      }
    })
  const process = (r: Row) => r.shares.standard.process
  const laid: Laid = {
    slots,
    slotOf,
    cutOf: cutIndex,
    spanSlots: { left: spanSlotsOf('left'), right: spanSlotsOf('right') },
    rowCut: Int32Array.from(rows, (r) => r.cut),
    rowSlot: Int32Array.from(rows, (r) => r.slot),
    shares: Object.fromEntries(
      TRIM_LEVELS.map((l) => [l, Float64Array.from(rows.flatMap((r) => TISSUES.map((t) => r.shares[l][t])))]),
    ) as Laid['shares'],
    rowAdded: Float64Array.from(rows, (r) => process(r)?.inflows.reduce((s, x) => s + x.share, 0) ?? 0),
    rowYield: Float64Array.from(rows, (r) => process(r)?.yield ?? 1),
    rowSd: Float64Array.from(rows, (r) => r.sd),
    lossCut: cutIndex.get(anatomy.roles.loss)!,
    discardCut: cutIndex.get(anatomy.roles.discard)!,
    lengths: slots.map((slot) => slotLength(anatomy, byId.get(slot.part)!)),
    axisMm: Float64Array.from([0, ...anatomy.axis.map((_, i) => lengthBetween(anatomy.axis, 0, i + 1))]),
    cumulative: anatomy.bands.map((band) => {
      const sums = new Float64Array((anatomy.axis.length + 1) * T)
      for (let p = 0; p < anatomy.axis.length; p++) {
        TISSUES.forEach((t, ti) => {
          sums[(p + 1) * T + ti] = sums[p * T + ti]! + band.along[t][p]! * band.tissue[t]
        })
      }
      return sums
    }),
    variants: new Map(),
  }
  return { anatomy, [LAID]: laid }
}

function slotLength(anatomy: Anatomy, { length, ends = [0, 0] }: Part): SlotLength | null {
  if (!length) return null
  const place = (id: string) =>
    anatomy.lines.some((l) => l.id === id) ? { line: id } : { at: positionOf(anatomy.axis, id) }
  if ('mm' in length) return { mm: length.mm, from: { at: 0 }, to: { at: 0 }, ends }
  return { mm: null, from: place(length.from), to: place(length.to), ends }
}

/** The flow of an animal with so many ribs; the flow itself where the species has only one count. */
export function flowWithRibs(flow: Flow, count: number | null): Flow {
  const { ribs } = flow.anatomy
  if (!ribs || count === null || count === ribs.usual) return flow
  const held = flow[LAID].variants.get(count)
  if (held) return held
  const made = compile(withRibs(flow.anatomy, count))
  flow[LAID].variants.set(count, made)
  return made
}
