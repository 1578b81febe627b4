import { TISSUES, type Anatomy, type SideName } from '#core/anatomy'

const T = TISSUES.length

/** A part on one side (or on the animal): what a choice is made for. */
export interface Slot {
  part: string
  side: SideName
  paths: { id: string; start: number; end: number; extracts: string[]; minutes: number }[]
}

/** An anatomy with all its paths, once, as flat arrays. Rows are (slot, path, output). */
export interface Flow {
  anatomy: Anatomy
  slots: Slot[]
  slotIndex: Map<string, number>
  rowCut: Int32Array
  rowShare: Float64Array
  rowAdded: Float64Array
  rowYield: Float64Array
  lossCut: number
  /** Per band, cumulative tissue mass up to each axis position: ((position × 4) + tissue). */
  cumulative: Float64Array[]
  /** Per band and side, the slot of each span, and of the part that takes the band out before the lines. */
  spanSlots: Record<
    'left' | 'right',
    { spans: number[]; extraction: { part: string; slot: number } | null }[]
  >
}

/** What a plan says: a path per slot and a setting per line and side, keyed `part:side`, `line:side`. */
export interface Choices {
  paths: ReadonlyMap<string, string>
  lines: ReadonlyMap<string, string>
}

/** How the carcass was dressed: what hangs. */
export interface DressingState {
  skin: boolean
  head: boolean
}

/** A plan resolved against a flow: the active rows of each slot, and the line positions of each side. */
export interface FlowSetting {
  start: Int32Array
  end: Int32Array
  pathOf: number[]
  lineAt: Record<'left' | 'right', Record<string, number>>
  extracted: Record<'left' | 'right', Set<string>>
}

export const slotKey = (part: string, side: SideName) => `${part}:${side}`
const SIDES = ['left', 'right'] as const

/** Compiles an anatomy. Every path of every part is laid down once; choices only pick among the rows. */
export function compile(anatomy: Anatomy): Flow {
  const cutIndex = new Map(anatomy.cuts.map((c, i) => [c.id, i]))
  const rows: { cut: number; share: number[]; added: number; yield: number }[] = []
  const slots = anatomy.parts.flatMap((part) =>
    (part.scope === 'animal' ? (['animal'] as const) : SIDES).map((side): Slot => ({
      part: part.id,
      side,
      paths: anatomy.paths
        .filter((p) => p.part === part.id)
        .map((p) => {
          const start = rows.length
          for (const o of p.outputs) {
            rows.push({
              cut: cutIndex.get(o.cut)!,
              share: TISSUES.map((t) => o[t]),
              added: o.process?.added ?? 0,
              yield: o.process?.yield ?? 1,
            })
          }
          return { id: p.id, start, end: rows.length, extracts: p.extracts ?? [], minutes: p.minutes }
        }),
    })),
  )
  const slotIndex = new Map(slots.map((s, i) => [slotKey(s.part, s.side), i]))
  const spanSlotsOf = (side: 'left' | 'right') =>
    anatomy.bands.map((band) => {
      const slotOf = (part: string) =>
        (slotIndex.get(slotKey(part, side)) ?? slotIndex.get(slotKey(part, 'animal')))!
      const out = anatomy.parts.find((p) => p.extraction?.band === band.id)
      return {
        spans: band.spans.map((s) => slotOf(s.part)),
        extraction: out ? { part: out.id, slot: slotOf(out.id) } : null,
      }
    })
  return {
    anatomy,
    slots,
    slotIndex,
    spanSlots: { left: spanSlotsOf('left'), right: spanSlotsOf('right') },
    rowCut: Int32Array.from(rows, (r) => r.cut),
    rowShare: Float64Array.from(rows.flatMap((r) => r.share)),
    rowAdded: Float64Array.from(rows, (r) => r.added),
    rowYield: Float64Array.from(rows, (r) => r.yield),
    lossCut: anatomy.cuts.findIndex((c) => c.kind === 'loss'),
    cumulative: anatomy.bands.map((band) => {
      const sums = new Float64Array((anatomy.axis.length + 1) * T)
      for (let p = 0; p < anatomy.axis.length; p++) {
        TISSUES.forEach((t, ti) => {
          sums[(p + 1) * T + ti] = sums[p * T + ti]! + band.along[t][p]! * band.tissue[t]
        })
      }
      return sums
    }),
  }
}

/** Resolves choices; a slot without one takes its part's usual path, a line its usual setting. */
export function setFlow(flow: Flow, choices: Choices): FlowSetting {
  const { anatomy, slots } = flow
  const fallback = new Map(anatomy.parts.map((p) => [p.id, p.fallback]))
  const start = new Int32Array(slots.length)
  const end = new Int32Array(slots.length)
  const extracted = { left: new Set<string>(), right: new Set<string>() }
  const pathOf = slots.map((slot, i) => {
    const wanted = choices.paths.get(slotKey(slot.part, slot.side)) ?? fallback.get(slot.part)
    const index = Math.max(
      0,
      slot.paths.findIndex((p) => p.id === wanted),
    )
    const path = slot.paths[index]!
    start[i] = path.start
    end[i] = path.end
    if (slot.side !== 'animal') for (const x of path.extracts) extracted[slot.side].add(x)
    return index
  })
  const lineAt = { left: {} as Record<string, number>, right: {} as Record<string, number> }
  for (const line of anatomy.lines) {
    for (const side of SIDES) {
      const id = choices.lines.get(`${line.id}:${side}`) ?? line.fallback
      lineAt[side][line.id] = (
        line.settings.find((s) => s.id === id) ?? line.settings.find((s) => s.id === line.fallback)!
      ).at
    }
  }
  return { start, end, pathOf, lineAt, extracted }
}

/** How much of a band's tissue hangs under a dressing: a hide takes the skin and a little of the fat under it. */
function kept(
  anatomy: Anatomy,
  partOfBand: string,
  bandId: string,
  tissue: number,
  dressing: DressingState,
): number {
  const needs = anatomy.parts.find((p) => p.id === partOfBand)?.needs
  if (needs === 'head' && !dressing.head) return 0
  if (needs === 'feet' && !dressing.skin) return 0
  if (dressing.skin) return 1
  if (TISSUES[tissue] === 'skin') return 0
  return bandId === 'outer' && TISSUES[tissue] === 'fat' ? 0.93 : 1
}

/**
 * Pours a carcass of `carcassKg` into the slots: kg of each tissue in each part of each side, as
 * (slot × 4 + tissue). Lines only move mass between the parts that touch them; the total is `carcassKg`.
 */
export function pour(
  flow: Flow,
  setting: FlowSetting,
  dressing: DressingState,
  carcassKg: number,
): Float64Array {
  const { anatomy, cumulative, spanSlots } = flow
  const inputs = new Float64Array(flow.slots.length * T)
  const last = anatomy.axis.length
  let total = 0
  anatomy.bands.forEach((band, b) => {
    for (let t = 0; t < T; t++) {
      const factor = kept(anatomy, band.spans[0]!.part, band.id, t, dressing)
      if (factor === 0) continue
      total += cumulative[b]![last * T + t]! * factor
      for (const side of SIDES) {
        const { spans, extraction } = spanSlots[side][b]!
        const taken = extraction && setting.extracted[side].has(extraction.part) ? extraction.slot : -1
        let from = 0
        band.spans.forEach((span, i) => {
          const to = span.until === 'end' ? last : setting.lineAt[side][span.until]!
          const mass = (cumulative[b]![to * T + t]! - cumulative[b]![from * T + t]!) * factor * 0.5
          inputs[(taken < 0 ? spans[i]! : taken) * T + t]! += mass
          from = to
        })
      }
    }
  })
  const scale = carcassKg / total
  for (let i = 0; i < inputs.length; i++) inputs[i]! *= scale
  return inputs
}
