import { linePositions, TISSUES, type Path } from '#core/anatomy'
import { mm } from '#core/measure'
import type { Blend } from './blend.ts'
import { NO_AGE_TRIM } from './chain.ts'
import {
  LAID,
  type Choices,
  type Flow,
  type FlowSetting,
  type Freed,
  type OnSide,
  type Rear,
  type Slot,
  type SlotLength,
} from './flow.ts'

const T = TISSUES.length

/** Where a part that lies along the axis begins and ends on it. */
export const placesOf = (
  { from, to }: SlotLength,
  lines: Readonly<Record<string, number>>,
): readonly [number, number] => {
  const place = (p: SlotLength['from']) => ('line' in p ? lines[p.line]! : p.at)
  return [place(from), place(to)]
}

/** Where on the axis a share of a part's length is reached; NaN where it does not lie along the axis. */
function placeAlong(
  axisMm: Float64Array,
  length: SlotLength | null,
  lines: Readonly<Record<string, number>>,
  share: number,
): number {
  if (!length || length.mm !== null) return Number.NaN
  const [from, to] = placesOf(length, lines).map((at) => mmUpTo(axisMm, at)) as [number, number]
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

/** The blend a plan asks for; null where the trim is used as it falls. */
function blendOf(flow: Flow, choices: Choices, trimPath: (slot: number) => number): Blend | null {
  const { slotOf, slots } = flow[LAID]
  const { roles } = flow.anatomy
  const [trim, fat] = [slotOf.get(roles.trim, 'animal'), slotOf.get(roles.fat, 'animal')]
  // Only fat that is still to be opened can be put to it.
  if (trim === undefined || fat === undefined || fat < trim) return null
  const recipe = slots[trim]!.paths[trimPath(trim)]!.path.leanest
  const reads = choices.lean ?? recipe
  return reads === undefined ? null : { trim, fat, reads, onlyFatter: choices.lean === undefined }
}

/** What is put to every row and comes of it: its process, and the finishes of its cut after that. */
function finished(flow: Flow, finishes: Choices['finishes']): Pick<FlowSetting, 'added' | 'yields'> {
  const { rowAdded, rowYield, rowCut } = flow[LAID]
  if (!finishes?.size) return { added: rowAdded, yields: rowYield }
  const [added, yields] = [rowAdded.slice(), rowYield.slice()]
  rowCut.forEach((cut, r) => {
    const finish = cut < 0 ? undefined : finishes.get(flow.anatomy.cuts[cut]!.id)
    if (!finish) return
    added[r]! += rowYield[r]! * finish.adds
    yields[r]! *= (1 + finish.adds) * finish.keeps
  })
  return { added, yields }
}

/** Whether a slot holds what is kept beside the carcass: a share of live weight, no part of what was weighed hanging. */
export const isBeside = (flow: Flow, { boxed }: Pick<FlowSetting, 'boxed'>, slot: number): boolean =>
  flow[LAID].slots[slot]!.offCarcass > 0 && slot !== boxed

/** Resolves choices; a slot without one takes its part's usual path, a line its usual setting. */
export function setFlow(flow: Flow, choices: Choices): FlowSetting {
  const { anatomy } = flow
  const { slots, lengths, axisMm } = flow[LAID]
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
    wanted === undefined ? slot.usual : (slot.indexOf.get(wanted) ?? 0)
  const [isSplit, isChosen] = [(choices.splits?.size ?? 0) > 0, choices.paths.size > 0]
  const rear = slots.map((slot, i): Rear | null => {
    const split = isSplit ? choices.splits?.get(slot.part, slot.side) : undefined
    if (!split) return null
    const pathOf = indexOf(slot, split.path)
    const lines = lineAt[slot.side === 'right' ? 'right' : 'left']
    const position = placeAlong(axisMm, lengths[i]!, lines, split.at)
    return { pathOf, start: slot.paths[pathOf]!.start, end: slot.paths[pathOf]!.end, at: split.at, position }
  })
  const pathOf = slots.map((slot, i) => {
    const index = indexOf(slot, isChosen ? choices.paths.get(slot.part, slot.side) : undefined)
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
    ...finished(flow, choices.finishes),
    dust: new Float64Array(flow[LAID].rowCut.length),
    pathOf,
    trim: choices.trim,
    shares: flow[LAID].shares[choices.trim],
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
    hangs: 1,
    boxed: -1,
    cutAway: new Float64Array(slots.length),
    ageTrim: NO_AGE_TRIM,
    weighed: new Float64Array(slots.length).fill(Number.NaN),
    blend: blendOf(flow, choices, (slot) => pathOf[slot]!),
  }
}
