import { lookup } from './lookup.ts'
import { TISSUES, withSeam, type Anatomy, type Cut, type Part, type Path } from './types.ts'
import { openedFrom } from './validate.ts'

/** What drips of a part that is not cut, and how the tissues of a part weigh on what it is worth (our own figures). */
const DRIP = 0.005
const WEIGHT = { lean: 0.6, fat: 0.2, bone: 0.2, skin: 0, seam: 0 } as const

const idOf = (part: string) => `${part}-uncut`
/** Whether a way leaves its part uncut. */
export const isUncut = (path: Pick<Path, 'id' | 'part'>): boolean => path.id === idOf(path.part)
export const uncutWay = (part: string): string => idOf(part)

/**
 * An anatomy in which every part may also be left uncut: sold, taken, chilled or frozen as it is. Such a piece starts at
 * what its usual way makes of it, by the indices of those cuts (docs/sources.md: price-index).
 */
export function withUncut(anatomy: Anatomy): Anatomy {
  const find = lookup(anatomy)
  const hung = new Set(
    anatomy.bands.flatMap((b) => b.spans.flatMap((s) => [s.part, s.below?.part ?? s.part])),
  )
  const isWhole = (p: Part) => anatomy.map.kind === 'laid' && p === anatomy.parts[0]
  const isPool = (p: Part) => p.id === anatomy.roles.trim || p.id === anatomy.roles.fat
  const own = anatomy.parts.filter(
    (p) =>
      !p.offCarcass &&
      !isWhole(p) &&
      !isPool(p) &&
      (hung.has(p.id) || p.extraction || openedFrom(anatomy, p.id) !== null) &&
      !find.path(idOf(p.id)),
  )
  const worth = (part: string, seen: readonly string[] = []): number => {
    const way = find.path(find.part(part)?.fallback ?? '')
    if (!way || seen.includes(part)) return 0
    return way.outputs.reduce((sum, o) => {
      const share = TISSUES.reduce((s, t) => s + WEIGHT[t] * o[t], 0)
      return sum + share * (o.cut ? find.cut(o.cut)!.index : worth(o.part!, [...seen, part]))
    }, 0)
  }
  const of = (share: number) => withSeam({ lean: share, fat: share, bone: share, skin: share })
  const cuts = own.map((p): Cut => ({
    id: idOf(p.id),
    names: { american: `${p.names.american}, uncut`, commonwealth: `${p.names.commonwealth}, uncut` },
    destination: find.path(p.fallback)!.destination,
    kind: 'product',
    index: Math.max(0.1, Math.round(worth(p.id) * 100) / 100),
    portion: { kind: 'whole', perSide: 1, perPack: 1 },
    uncut: true,
  }))
  const paths = own.map((p): Path => ({
    id: idOf(p.id),
    part: p.id,
    names: { american: 'Uncut, as it is', commonwealth: 'Uncut, as it is' },
    destination: find.path(p.fallback)!.destination,
    minutes: 0.5,
    tool: 'none',
    steps: 'Weighed, wrapped and labelled as it is; the cold first.',
    outputs: [
      { cut: idOf(p.id), ...of(1 - DRIP) },
      { cut: anatomy.roles.loss, ...of(DRIP) },
    ],
  }))
  return { ...anatomy, cuts: [...anatomy.cuts, ...cuts], paths: [...anatomy.paths, ...paths] }
}
