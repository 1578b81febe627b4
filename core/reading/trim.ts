import type { Names } from '#core/anatomy'
import { kg, plus, sumOf, times, type Kg } from '#core/measure'
import type { Reckoning } from './lot.ts'

/** Of dissected lean and fat a laboratory finds so much lean; muscle holds fat of its own (docs/sources.md: chemical-lean). */
const CHEMICAL = { lean: 0.94, fat: 0.18 }
/** Lean as the trade speaks of it: chemical, so that 100/0 reads 94 and 50/50 reads 56. */
export const chemicalLean = (lean: number, fat: number): number =>
  (CHEMICAL.lean * lean + CHEMICAL.fat * fat) / (lean + fat)

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
  /** Chemical lean of all of it, a share. */
  lean: number
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
    uses,
    sausage: sausageOf(uses.find((u) => u.cut === 'sausage')?.in, 1 - lean),
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
        missing: times(trim, (SAUSAGE_FAT.aim - fat) / (1 - CHEMICAL.fat - SAUSAGE_FAT.aim)),
        dry: fat < SAUSAGE_FAT.dry,
      }
