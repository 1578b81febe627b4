import { linePositions, lookup, uncutWay, type Anatomy, type SideName } from '#core/anatomy'
import { kg } from '#core/measure'
import type { Hangs } from '#core/records'
import { cutUp } from './cutUp.ts'
import { NO_CHOICES, WHOLE, type Extent, type Flow } from './flow.ts'
import { unmet, type Conventions } from './conventions.ts'
import { opensInto } from './opensInto.ts'

/** Of an animal, the sides and parts that hang. Of a part there is no left and right: its pieces are all cut alike. */
export function extentOf(anatomy: Anatomy, hangs: Hangs): Extent {
  switch (hangs.as) {
    case 'whole':
      return WHOLE
    case 'side':
      return { sides: [hangs.side] }
    case 'quarter':
      return { sides: [hangs.side], parts: anatomy.quarters?.[hangs.quarter] ?? [] }
    case 'part':
      return {
        sides: lookup(anatomy).part(hangs.part)?.scope === 'animal' ? WHOLE.sides : ['left'],
        parts: [hangs.part],
      }
  }
}

/** Whether an animal can be come by as this: it has sides, quarters, or such a part by itself. */
export function canHang(anatomy: Anatomy, hangs: Hangs): boolean {
  switch (hangs.as) {
    case 'whole':
      return true
    case 'side':
      return anatomy.map.kind === 'sides'
    case 'quarter':
      return anatomy.quarters !== null
    case 'part':
      return boxedParts(anatomy).includes(hangs.part)
  }
}

/** Parts that may come in a box by themselves: what hangs where lines lie as usual, and what can be kept uncut. */
export function boxedParts(anatomy: Anatomy): string[] {
  const { at } = linePositions(anatomy, () => undefined)
  const hung = new Set(
    anatomy.bands.flatMap((b) =>
      b.spans.flatMap((span, i) => {
        const from = i === 0 ? 0 : at[b.spans[i - 1]!.until]!
        const to = span.until === 'end' ? anatomy.axis.length : at[span.until]!
        return to > from ? [span.part, ...(span.below ? [span.below.part] : [])] : []
      }),
    ),
  )
  const isPool = (id: string) => id === anatomy.roles.fat || id === anatomy.roles.trim
  const mayBeUncut = (id: string) => lookup(anatomy).path(uncutWay(id)) !== undefined
  const isWhole = (id: string) => anatomy.map.kind === 'laid' && id === anatomy.parts[0]!.id
  return anatomy.parts
    .filter((p) => !unmet(anatomy, p.needs, {}) && !isPool(p.id) && !isWhole(p.id))
    .filter(
      (p) => hung.has(p.id) || (mayBeUncut(p.id) && (p.offCarcass || opensInto(anatomy, p.id).length > 0)),
    )
    .map((p) => p.id)
}

/** Sides of a part that hang; none of a part that does not. */
export function sidesIn(anatomy: Anatomy, hangs: Hangs, part: string): readonly SideName[] {
  const { sides, parts } = extentOf(anatomy, hangs)
  const known = lookup(anatomy).part(part)
  const isBox = hangs.as === 'part' && hangs.part === part
  if (!known || (hangs.as !== 'whole' && known.offCarcass && !isBox)) return []
  if (parts && !within(anatomy, parts).has(part)) return []
  return known.scope === 'animal' ? ['animal'] : sides
}

const held = new WeakMap<Anatomy, Map<string, ReadonlySet<string>>>()
/** What parts may come to be: themselves, what is freed from under them, what they are opened into, and all their pools. */
function within(anatomy: Anatomy, parts: readonly string[]): ReadonlySet<string> {
  const own = held.get(anatomy) ?? new Map<string, ReadonlySet<string>>()
  held.set(anatomy, own)
  const key = parts.join(' ')
  const known = own.get(key)
  if (known) return known
  const found = new Set<string>()
  const waiting = [...parts]
  const { pathsOf } = lookup(anatomy)
  for (let part = waiting.pop(); part !== undefined; part = waiting.pop()) {
    if (found.has(part)) continue
    found.add(part)
    for (const path of pathsOf(part)) {
      for (const o of path.outputs) if (o.part) waiting.push(o.part)
      for (const x of path.extracts ?? []) if (!x.from || x.from.includes(part)) waiting.push(x.part)
    }
  }
  own.set(key, found)
  return found
}

/** Of a usual animal, how much hangs: 1 for a whole one, some half for a side. */
export function shareHung(flow: Flow, hangs: Hangs, conventions: Conventions): number {
  if (hangs.as === 'whole') return 1
  const extent = extentOf(flow.anatomy, hangs)
  return cutUp(flow, NO_CHOICES, { conventions, carcass: kg(1), live: kg(0), extent }).hangs
}
