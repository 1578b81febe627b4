import type { Names } from '#core/anatomy'
import { slotKey } from '#core/carcass'
import type { Reckoning } from './reckon.ts'

/** Trim is sorted by lean; what a butcher calls 80/20 holds 75 to 85 % lean. Lower bounds, % lean. */
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
  kg: number
  lean: number
  class: LeanClass
}

export interface TrimLedger {
  sources: TrimSource[]
  classes: { name: LeanClass; kg: number }[]
  kg: number
  /** Share of lean in all of it. */
  lean: number
  /** What it becomes: kg of trim in, mass added, kg out. */
  uses: { cut: string; names: Names; in: number; added: number; out: number }[]
  sausage: {
    /** Kg of trim planned for sausage, its fat share, and fat missing (above 0) or over, to come to 28 %. */
    kg: number
    fat: number
    missing: number
    dry: boolean
  } | null
}

const classOf = (lean: number): LeanClass => LEAN_CLASSES.find((c) => lean >= c.from)!.name

/** Planned trim by where it comes from and how lean it is, against what it is planned to become. Kilograms. */
export function trimLedger(read: Reckoning): TrimLedger | null {
  const { flow, setting, slotKg, rowKg } = read
  const { anatomy } = flow
  const pool = flow.slotIndex.get(slotKey(anatomy.roles.trim, 'animal'))
  if (pool === undefined) return null
  const share = flow.shares[setting.trim]
  const from = new Map<string, { lean: number; fat: number; kg: number }>()
  flow.slots.forEach((slot, s) => {
    for (let r = setting.start[s]!; r < setting.end[s]!; r++) {
      if (flow.rowSlot[r] !== pool) continue
      const [lean, fat, bone, skin] = [0, 1, 2, 3].map((t) => share[r * 4 + t]! * slotKg[s * 4 + t]!)
      const kg = lean! + fat! + bone! + skin!
      if (kg < 1e-9) continue
      const held = from.get(slot.part) ?? { lean: 0, fat: 0, kg: 0 }
      from.set(slot.part, { lean: held.lean + lean!, fat: held.fat + fat!, kg: held.kg + kg })
    }
  })
  const sources = [...from]
    .map(([part, m]): TrimSource => {
      const lean = m.lean / (m.lean + m.fat)
      return {
        part,
        names: anatomy.parts.find((p) => p.id === part)!.names,
        kg: m.kg,
        lean,
        class: classOf(lean),
      }
    })
    .sort((a, b) => b.kg - a.kg)
  const kg = sources.reduce((s, x) => s + x.kg, 0)
  const lean = kg > 0 ? sources.reduce((s, x) => s + x.kg * x.lean, 0) / kg : 0
  const uses = []
  for (let r = setting.start[pool]!; r < setting.end[pool]!; r++) {
    const cut = flow.rowCut[r]! < 0 ? null : anatomy.cuts[flow.rowCut[r]!]!
    if (!cut || cut.kind === 'loss') continue
    const green = rowKg[r]!
    if (green < 1e-9) continue
    uses.push({
      cut: cut.id,
      names: cut.names,
      in: green,
      added: green * flow.rowAdded[r]!,
      out: green * flow.rowYield[r]!,
    })
  }
  const sausage = uses.find((u) => u.cut === 'sausage')
  const fat = 1 - lean
  return {
    sources,
    classes: LEAN_CLASSES.map((c) => ({
      name: c.name,
      kg: sources.reduce((s, x) => (x.class === c.name ? s + x.kg : s), 0),
    })).filter((c) => c.kg > 0),
    kg,
    lean,
    uses,
    sausage: sausage
      ? {
          kg: sausage.in,
          fat,
          // Fat to add so that fat / (trim + added) is the aim; below zero there is lean missing instead.
          missing: (sausage.in * (SAUSAGE_FAT.aim - fat)) / (1 - SAUSAGE_FAT.aim),
          dry: fat < SAUSAGE_FAT.dry,
        }
      : null,
  }
}

/** A picture of where the meat goes: masses between the parts of the animal and what they become. */
export interface FlowLink {
  from: string
  to: string
  kg: number
}

/**
 * From the live animal through the carcass and its parts to destinations, kg; what enters any part leaves it. `from`
 * and `to` are `live`, `carcass`, `added`, `gone`, a part's id, or a destination's letter as `→R`.
 */
export function flowPicture(read: Reckoning): FlowLink[] {
  const { flow, setting, slotKg, rowKg, weights } = read
  if (!weights) return []
  const { anatomy } = flow
  const links = new Map<string, FlowLink>()
  const link = (from: string, to: string, kg: number) => {
    if (kg < 1e-6) return
    const key = `${from}|${to}`
    const held = links.get(key)
    if (held) held.kg += kg
    else links.set(key, { from, to, kg })
  }
  const opened = new Float64Array(flow.slots.length)
  flow.slots.forEach((slot, s) => {
    for (let r = setting.start[s]!; r < setting.end[s]!; r++) {
      const green = rowKg[r]!
      if (green < 1e-9) continue
      const next = flow.rowSlot[r]!
      if (next >= 0) {
        opened[next]! += green
        link(slot.part, flow.slots[next]!.part, green)
        continue
      }
      const cut = anatomy.cuts[flow.rowCut[r]!]!
      const added = green * flow.rowAdded[r]!
      const out = green * flow.rowYield[r]!
      const fromAdded = Math.min(added, out)
      link(slot.part, `→${cut.destination}`, out - fromAdded)
      link('added', `→${cut.destination}`, fromAdded)
      link(slot.part, '→X', green - (out - fromAdded))
      link('added', '→X', added - fromAdded)
    }
  })
  flow.slots.forEach((slot, s) => {
    const own = [0, 1, 2, 3].reduce((sum, t) => sum + slotKg[s * 4 + t]!, 0) - opened[s]!
    link(slot.offCarcass > 0 ? 'live' : 'carcass', slot.part, own)
  })
  const { carcass, kept } = read.balance
  const gone = weights.live - carcass - kept
  if (gone >= 0) {
    link('live', 'carcass', carcass)
    link('live', 'gone', gone)
  } else {
    link('live', 'carcass', weights.live - kept)
    link('added', 'carcass', -gone)
  }
  return [...links.values()]
}
