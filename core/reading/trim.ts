import type { Names } from '#core/anatomy'
import { chemicalLean, type Choices } from '#core/carcass'
import { lessWorth, type Worth } from '#core/ledger'
import { kg, minus, plus, sumOf, times, type Kg } from '#core/measure'
import { cutAs, worthAs } from './alternatives.ts'
import type { Reckoning } from './lot.ts'

/** Added fat is itself so much lean to a laboratory. */
const FAT_READS = chemicalLean(0, 1)

/** Trim is sorted by chemical lean; what a butcher calls 80/20 holds 75 to 85 % lean. Lower bounds. */
export const LEAN_CLASSES = [
  { name: '90/10', from: 0.85 },
  { name: '80/20', from: 0.75 },
  { name: '70/30', from: 0.6 },
  { name: '50/50', from: 0 },
] as const
export type LeanClass = (typeof LEAN_CLASSES)[number]['name']

/** Fat that sausage wants: most printed recipes 25–30 %; under a fifth it eats dry (docs/sources.md: sausage-fat). */
const SAUSAGE_FAT = { low: 0.25, aim: 0.28, dry: 0.2 }

export interface TrimSource {
  part: string
  names: Names
  kg: Kg
  lean: number
  class: LeanClass
}

export interface TrimLedger {
  sources: TrimSource[]
  classes: { name: LeanClass; kg: Kg }[]
  kg: Kg
  /** Chemical lean of all of it as it falls, a share. */
  lean: number
  /** Fat put to it from what was trimmed off, to come to what is wanted; below zero fat that is pulled off it. */
  blended: Kg
  /** Chemical lean of what is ground. */
  reads: number
  /** What it becomes: trim in, mass added, what comes out. */
  uses: { cut: string; names: Names; in: Kg; added: Kg; out: Kg }[]
  sausage: {
    /** Trim planned for sausage, its fat share, and fat missing (above 0) or over, to come to 28 %. */
    kg: Kg
    fat: number
    missing: Kg
    dry: boolean
  } | null
}

const NOTHING = 1e-9
const classOf = (lean: number): LeanClass => LEAN_CLASSES.find((c) => lean >= c.from)!.name

/** Planned trim by where it comes from and how lean it is, against what it is planned to become. */
export function trimLedger(read: Reckoning): TrimLedger | null {
  const { cutting } = read
  const { anatomy } = read.flow
  const pool = cutting.slot(anatomy.roles.trim, 'animal')
  if (!pool) return null
  const sources = sourcesOf(read)
  const all = sumOf(sources, (s) => s.kg)
  const lean = all > 0 ? sources.reduce((s, x) => s + x.kg * x.lean, 0) / all : 0
  const { tissue } = pool
  const reads = all > 0 ? chemicalLean(tissue.lean, plus(tissue.fat, tissue.seam)) : 0
  const uses = pool.rows.flatMap((row) =>
    !row.cut || row.cut.kind === 'loss' || row.green < NOTHING
      ? []
      : [{ cut: row.cut.id, names: row.cut.names, in: row.green, added: row.added, out: row.product }],
  )
  return {
    sources,
    classes: LEAN_CLASSES.map((c) => ({
      name: c.name,
      kg: sumOf(sources, (x) => (x.class === c.name ? x.kg : kg(0))),
    })).filter((c) => c.kg > 0),
    kg: all,
    lean,
    blended: minus(pool.kg, all),
    reads,
    uses,
    sausage: sausageOf(uses.find((u) => u.cut === 'sausage')?.in, 1 - reads),
  }
}

function sourcesOf(read: Reckoning): TrimSource[] {
  const { anatomy } = read.flow
  const from = new Map<string, { lean: Kg; fat: Kg; kg: Kg }>()
  for (const slot of read.cutting.slots)
    for (const row of slot.rows) {
      if (row.part !== anatomy.roles.trim || row.green < NOTHING) continue
      const { lean, bone, skin } = row.tissue
      const fat = plus(row.tissue.fat, row.tissue.seam)
      const held = from.get(slot.part) ?? { lean: kg(0), fat: kg(0), kg: kg(0) }
      from.set(slot.part, {
        lean: plus(held.lean, lean),
        fat: plus(held.fat, fat),
        kg: plus(held.kg, lean, fat, bone, skin),
      })
    }
  return [...from]
    .map(([part, m]): TrimSource => {
      const lean = chemicalLean(m.lean, m.fat)
      const { names } = anatomy.parts.find((p) => p.id === part)!
      return { part, names, kg: m.kg, lean, class: classOf(lean) }
    })
    .sort((a, b) => b.kg - a.kg)
}

/** Fat to add, itself 18 % lean, so that fat ÷ (trim + added) is the aim; below zero there is lean missing instead. */
const sausageOf = (trim: Kg | undefined, fat: number): TrimLedger['sausage'] =>
  trim === undefined
    ? null
    : {
        kg: trim,
        fat,
        missing: times(trim, (SAUSAGE_FAT.aim - fat) / (1 - FAT_READS - SAUSAGE_FAT.aim)),
        dry: fat < SAUSAGE_FAT.dry,
      }

/** Mince as it could be asked for, and what the whole plan would come to. */
export interface LeanOption {
  /** Chemical lean asked for; null as it falls. */
  lean: number | null
  inForce: boolean
  /** What it would read, where that cannot be reached: as near as the knife or the fat comes. */
  reads: number
  difference: Worth
}

/** How lean butchers and buyers ask for it. */
const ASKED = [0.9, 0.85, 0.8, 0.75, 0.7] as const

/** What leaner or fatter mince would give and cost, beside the plan in force. */
export function leanOptions(read: Reckoning): LeanOption[] {
  const { choices } = read.plan
  const asItFalls: Choices = { ...choices }
  delete asItFalls.lean
  const now = worthAs(read, cutAs(read, choices))
  return [null, ...ASKED].map((lean) => {
    const cutting = cutAs(read, lean === null ? asItFalls : { ...choices, lean })
    const tissue = cutting.slot(read.flow.anatomy.roles.trim, 'animal')?.tissue
    return {
      lean,
      inForce: (choices.lean ?? null) === lean,
      reads: tissue ? chemicalLean(tissue.lean, plus(tissue.fat, tissue.seam)) : 0,
      difference: lessWorth(worthAs(read, cutting), now),
    }
  })
}
