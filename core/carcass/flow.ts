import {
  lengthBetween,
  linePositions,
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
import { mm, type Mm } from '#core/measure'
import { SidedMap, type Sided } from './sided.ts'
import { trimmed } from './trim.ts'

const T = TISSUES.length

/** A part on one side (or on the animal): what a choice is made for. */
export interface Slot {
  part: string
  side: SideName
  /** Share of fasted live weight of a part that is no carcass; 0 for carcass. */
  offCarcass: number
  paths: { path: Path; start: number; end: number }[]
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
  /** Per slot, the length its cuts lie along, mm at the reference carcass; and mm of the axis up to each position. */
  lengths: (SlotLength | null)[]
  axisMm: Float64Array
  /** Per band, cumulative tissue mass up to each axis position: ((position × 5) + tissue). */
  cumulative: Float64Array[]
  /** Per band and side, the slots of its spans, and of the part that takes the band out before the lines. */
  spanSlots: Record<
    'left' | 'right',
    { spans: { slot: number; below: number }[]; extraction: { part: string; slot: number } | null }[]
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
  /** Parts that are cut two ways: `paths` their front, and another way behind a place along them. */
  splits?: Sided<Split>
}
/** A place along a part, as a share of its length from the front, and the way of what lies behind it. */
export interface Split {
  readonly at: number
  readonly path: string
}
export const NO_CHOICES: Choices = {
  paths: new SidedMap(),
  lines: new SidedMap(),
  mm: new SidedMap(),
  trim: 'standard',
}

type OnSide<V> = Record<'left' | 'right', V>

/** A plan resolved against a flow: the active rows of each slot, and the line positions of each side. */
export interface FlowSetting {
  start: Int32Array
  end: Int32Array
  pathOf: number[]
  trim: TrimLevel
  lineAt: OnSide<Record<string, number>>
  bandLineAt: OnSide<Record<string, Record<string, number>>>
  mm: OnSide<Record<string, Mm>>
  /** Share of each row that the saw turns to dust. */
  dust: Float64Array
  /** Part taken out before the lines → what of it is freed. */
  extracted: OnSide<Map<string, Freed>>
  /** What lies behind the place where a slot is split; null where it is cut one way. */
  rear: (Rear | null)[]
  /** Share of each tissue of a slot that lies before it (slot × 5 + tissue); 1 with no split. `pour` finds it. */
  front: Float64Array
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
  const slots = order.map(({ part, side }): Slot => ({
    part,
    side,
    offCarcass: byId.get(part)!.offCarcass?.share ?? 0,
    paths: pathsOf(part).map((path) => {
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
    }),
  }))
  const spanSlotsOf = (side: 'left' | 'right') =>
    anatomy.bands.map((band) => {
      const out = anatomy.parts.find((p) => p.extraction?.band === band.id)
      return {
        spans: band.spans.map((s) => ({
          slot: slotFor(s.part, side),
          below: s.below ? slotFor(s.below.part, side) : -1,
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

/** Where on the axis a share of a part's length is reached; NaN where it does not lie along the axis. */
function placeAlong(
  axisMm: Float64Array,
  length: SlotLength | null,
  lines: Readonly<Record<string, number>>,
  share: number,
): number {
  if (!length || length.mm !== null) return Number.NaN
  const place = (p: SlotLength['from']) => ('line' in p ? lines[p.line]! : p.at)
  const [from, to] = [mmUpTo(axisMm, place(length.from)), mmUpTo(axisMm, place(length.to))]
  const wanted = from + share * Math.max(0, to - from)
  const next = axisMm.findIndex((x) => x >= wanted)
  if (next <= 0) return Math.max(0, next)
  return next - (axisMm[next]! - wanted) / (axisMm[next]! - axisMm[next - 1]!)
}

/** Millimetres of the axis up to a position; within a segment it lies evenly. */
export function mmUpTo(axisMm: Float64Array, at: number): number {
  const whole = Math.min(axisMm.length - 1, Math.floor(at))
  const below = axisMm[whole]!
  return at === whole ? below : below + (at - whole) * ((axisMm[whole + 1] ?? below) - below)
}

/** What a way of a part frees before the lines; behind a split it frees what lies behind, ahead of it only what lies there. */
function free(freed: Map<string, Freed>, part: string, path: Path, where: 'whole' | 'front' | 'rear') {
  for (const x of path.extracts ?? []) {
    const held = freed.get(x.part) ?? { every: false, from: new Map(), others: false }
    freed.set(x.part, held)
    const add = (from: string, how: typeof where) => {
      const before = held.from.get(from)
      held.from.set(from, before && before !== how ? 'whole' : how)
    }
    if (where === 'whole' && !x.from) held.every = true
    if (where !== 'front') {
      if (!x.from) held.others = true
      for (const from of x.from ?? []) if (from !== part) add(from, 'whole')
    }
    if (!x.from || x.from.includes(part)) add(part, where)
  }
}

/** Resolves choices; a slot without one takes its part's usual path, a line its usual setting. */
export function setFlow(flow: Flow, choices: Choices): FlowSetting {
  const { anatomy } = flow
  const { slots, lengths, axisMm } = flow[LAID]
  const fallback = new Map(anatomy.parts.map((p) => [p.id, p.fallback]))
  const start = new Int32Array(slots.length)
  const end = new Int32Array(slots.length)
  const extracted: FlowSetting['extracted'] = { left: new Map(), right: new Map() }
  const onSide = <V>(of: (side: 'left' | 'right') => V): OnSide<V> => ({
    left: of('left'),
    right: of('right'),
  })
  const across = onSide((side) => linePositions(anatomy, (line) => choices.lines.get(line.id, side)))
  const lineAt = onSide((side) => across[side].at)
  const indexOf = (slot: Slot, wanted: string | undefined) =>
    Math.max(
      0,
      slot.paths.findIndex((p) => p.path.id === wanted),
    )
  const rear = slots.map((slot, i): Rear | null => {
    const split = choices.splits?.get(slot.part, slot.side)
    if (!split) return null
    const pathOf = indexOf(slot, split.path)
    const lines = lineAt[slot.side === 'right' ? 'right' : 'left']
    const position = placeAlong(axisMm, lengths[i]!, lines, split.at)
    return { pathOf, start: slot.paths[pathOf]!.start, end: slot.paths[pathOf]!.end, at: split.at, position }
  })
  const pathOf = slots.map((slot, i) => {
    const index = indexOf(slot, choices.paths.get(slot.part, slot.side) ?? fallback.get(slot.part))
    const { start: from, end: to, path } = slot.paths[index]!
    start[i] = from
    end[i] = to
    if (slot.side === 'animal') return index
    const behind = rear[i]
    free(extracted[slot.side], slot.part, path, behind ? 'front' : 'whole')
    if (behind) free(extracted[slot.side], slot.part, slot.paths[behind.pathOf]!.path, 'rear')
    return index
  })
  return {
    start,
    end,
    dust: new Float64Array(flow[LAID].rowCut.length),
    pathOf,
    trim: choices.trim,
    lineAt,
    bandLineAt: onSide((side) => across[side].bands),
    mm: onSide((side) =>
      Object.fromEntries(
        anatomy.lines.flatMap((l) =>
          l.kind === 'along' ? [[l.id, choices.mm.get(l.id, side) ?? mm(l.mm.usual)]] : [],
        ),
      ),
    ),
    extracted,
    rear,
    front: new Float64Array(slots.length * T).fill(1),
  }
}
