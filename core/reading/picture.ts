import { kg, minus, plus, sumOf, type Kg } from '#core/measure'
import type { Reckoning } from './lot.ts'

/** A picture of where the meat goes: masses between the parts of the animal and what they become. */
export interface FlowLink {
  from: string
  to: string
  kg: Kg
}

const NOTHING = 1e-9
const TOO_THIN = 1e-6
/** What is cut off a carcass that hung, before there are parts. */
export const DRIED_FACE = 'dried-face'

/**
 * From the live animal through the carcass and its parts to destinations; what enters any part leaves it. `from`
 * and `to` are `live`, `carcass`, `dried-face`, `added`, `gone`, a part's id, or a destination's letter as `→R`.
 */
export function flowPicture(read: Reckoning): FlowLink[] {
  const { cutting, weights, balance } = read
  if (!weights) return []
  const links = new Map<string, FlowLink>()
  const link = (from: string, to: string, mass: Kg) => {
    if (mass < TOO_THIN) return
    const key = JSON.stringify([from, to])
    links.set(key, { from, to, kg: plus(links.get(key)?.kg ?? kg(0), mass) })
  }
  for (const slot of cutting.slots) link(slot.part, '→X', slot.cutAway)
  for (const slot of cutting.slots)
    for (const { green, added, product, cut, part } of slot.rows) {
      if (green < NOTHING) continue
      if (part !== null) link(slot.part, part, green)
      if (!cut) continue
      const fromAdded = kg(Math.min(added, product))
      const own = minus(product, fromAdded)
      link(slot.part, `→${cut.destination}`, own)
      link('added', `→${cut.destination}`, fromAdded)
      link(slot.part, '→X', minus(green, own))
      link('added', '→X', minus(added, fromAdded))
    }
  // Fat that is put to the trim, or pulled off it.
  const { trim, fat } = cutting.flow.anatomy.roles
  const into = sumOf([...links.values()], (l) => (l.to === trim ? l.kg : kg(0)))
  const blended = minus(cutting.partKg(trim), into)
  link(fat, trim, blended)
  link(trim, fat, kg(-blended))
  const opened = new Map<string, Kg>()
  for (const { to, kg: mass } of links.values()) opened.set(to, plus(opened.get(to) ?? kg(0), mass))
  for (const part of new Set(cutting.slots.map((s) => s.part))) {
    const own = cutting.slots.filter((s) => s.part === part)
    const hung = minus(
      sumOf(own, (s) => s.kg),
      opened.get(part) ?? kg(0),
    )
    link(own.some((s) => s.offCarcass > 0) ? 'live' : 'carcass', part, hung)
  }
  link('carcass', DRIED_FACE, cutting.ageTrim)
  link(DRIED_FACE, '→X', cutting.ageTrim)
  const { carcass, kept } = balance
  const gone = minus(weights.live, plus(carcass, kept))
  if (gone >= 0) {
    link('live', 'carcass', carcass)
    link('live', 'gone', gone)
  } else {
    link('live', 'carcass', minus(weights.live, kept))
    link('added', 'carcass', kg(-gone))
  }
  return [...links.values()]
}
