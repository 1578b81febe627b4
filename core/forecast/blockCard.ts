import type { Names, NameSet, SideName } from '#core/anatomy'
import { slotKey } from '#core/carcass'
import { fromKg, massDigits, roundToSum, type MassUnit } from '#core/measure'
import { conventionsOf } from '#core/plan'
import type { Reckoning } from './reckon.ts'

/** One thing to do at the bench. `marks` are the decisions that tick it off, one a side. */
export interface CardStep {
  marks: { target: string; side: SideName }[]
  side: 'both sides' | 'left side' | 'right side' | ''
  title: string
  way: string
  how: string
  tool: string
  caution: string
  cuts: { name: string; weight: string; pieces: number }[]
}

/** The block card of a plan: what is done in which order, as document data in the farm's words and units. */
export interface BlockCard {
  kind: 'block-card'
  farm: string
  lot: string
  date: string
  what: string
  hanging: string
  dressing: string
  steps: CardStep[]
  /** All products together, as the plan shows them. */
  total: string
}

export interface CardHead {
  farm: string
  lot: string
  date: string
  hanging: string
}

/** What a part's cuts weigh, rounded together in the whole plan so that the card adds up to it. */
function shownRows(read: Reckoning, unit: MassUnit) {
  const { flow, setting, rowKg } = read
  const rows: { slot: number; cut: number; kg: number }[] = []
  flow.slots.forEach((_, s) => {
    for (let r = setting.start[s]!; r < setting.end[s]!; r++) {
      if (flow.rowCut[r]! < 0 || flow.anatomy.cuts[flow.rowCut[r]!]!.kind !== 'product') continue
      const green = rowKg[r]!
      if (green > 1e-9) rows.push({ slot: s, cut: flow.rowCut[r]!, kg: green * flow.rowYield[r]! })
    }
  })
  const digits = massDigits(unit)
  const total = rows.reduce((sum, r) => sum + r.kg, 0)
  const shown = roundToSum(
    rows.map((r) => fromKg(r.kg, unit)),
    digits,
    Number(fromKg(total, unit).toFixed(digits)),
  )
  return { rows: rows.map((r, i) => ({ ...r, shown: shown[i]! })), total }
}

const SIDES: SideName[] = ['left', 'right', 'animal']

/**
 * Steps in the order of the bench: what is freed whole before the lines, then the lines, then part by part down the
 * carcass, what comes out of another part behind it. Parts left alone have no step.
 */
export function blockCard(
  read: Reckoning,
  count: number,
  unit: MassUnit,
  names: NameSet,
  head: CardHead,
): BlockCard {
  const { flow, setting, plan } = read
  const { anatomy } = flow
  const word = (n: Names) => n[names]
  const { rows, total } = shownRows(read, unit)
  const digits = massDigits(unit)
  const weight = (x: number) => `${x.toFixed(digits)} ${unit}`
  const holdsMeat = (slot: number) => [0, 1, 2, 3].some((t) => read.slotKg[slot * 4 + t]! > 1e-9)
  const steps: CardStep[] = []

  for (const part of anatomy.parts.filter((p) => p.extraction)) {
    const sides = (['left', 'right'] as const).filter((s) => setting.extracted[s].has(part.id))
    if (sides.length === 0) continue
    steps.push({
      marks: sides.map((side) => ({ target: `free-${part.id}`, side })),
      side: sides.length === 2 ? 'both sides' : `${sides[0]!} side`,
      title: `Free the ${word(part.names).toLowerCase()} first`,
      way: 'before any line is cut',
      how: 'From its butt end forward, before the loin is parted: sawing through it unfreed shreds it.',
      tool: 'knife',
      caution: 'Glove on the off hand; cut away from the body.',
      cuts: [],
    })
  }
  const lines = anatomy.lines.map((l) => {
    const of = (side: 'left' | 'right') => {
      if (l.kind === 'along') return `${plan.choices.mm.get(`${l.id}:${side}`) ?? l.mm.usual} mm from the eye`
      const id = plan.choices.lines.get(`${l.id}:${side}`) ?? l.fallback
      return l.settings.find((s) => s.id === id)!.school
    }
    const [left, right] = [of('left'), of('right')]
    return `${word(l.names)}: ${left === right ? left : `left ${left}; right ${right}`}`
  })
  if (lines.length > 0)
    steps.push({
      marks: [{ target: 'break', side: 'animal' }],
      side: '',
      title: 'Break along the lines',
      way: 'count ribs from the first one, every time',
      how: `${lines.join('. ')}.`,
      tool: 'knife and saw',
      caution: 'One primal on the block, the rest back in the cold.',
      cuts: [],
    })

  for (const part of anatomy.parts) {
    const taken = SIDES.flatMap((side) => {
      const slot = flow.slotIndex.get(slotKey(part.id, side))
      if (slot === undefined || !holdsMeat(slot)) return []
      const { path } = flow.slots[slot]!.paths[setting.pathOf[slot]!]!
      return path.leaves ? [] : [{ side, slot, path }]
    })
    const ways = [...new Set(taken.map((t) => t.path))]
    for (const path of ways) {
      const own = taken.filter((t) => t.path === path)
      const weights = new Map<number, number>()
      for (const r of rows)
        if (own.some((t) => t.slot === r.slot)) weights.set(r.cut, (weights.get(r.cut) ?? 0) + r.shown)
      if (path.minutes === 0 && weights.size === 0) continue
      steps.push({
        marks: own.map((t) => ({ target: part.id, side: t.side })),
        side:
          own[0]!.side === 'animal' ? '' : own.length === 2 ? 'both sides' : `${own[0]!.side as 'left'} side`,
        title: word(part.names),
        way: word(path.names),
        how: path.steps,
        tool: path.tool,
        caution: path.caution ?? '',
        cuts: [...weights].map(([i, kg]) => {
          const { cut, pieces } = read.cuts.find((c) => c.cut.id === anatomy.cuts[i]!.id)!
          return { name: word(cut.names), weight: weight(kg), pieces }
        }),
      })
    }
  }
  return {
    kind: 'block-card',
    ...head,
    what: `${count} ${word(anatomy.names).toLowerCase()}${count === 1 ? '' : 's'}`,
    dressing: conventionsOf(anatomy, plan.conventions)
      .map(({ convention: c, is }) => (is ? c.on : c.off))
      .join('; '),
    steps,
    total: weight(Number(fromKg(total, unit).toFixed(digits))),
  }
}

/** Whether a step is done: every side of it ticked. */
export const stepDone = (step: CardStep, done: ReadonlyMap<string, boolean>): boolean =>
  step.marks.every((m) => done.get(`${m.target}:${m.side}`) ?? false)
