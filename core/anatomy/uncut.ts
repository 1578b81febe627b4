import { lookup } from './lookup.ts'
import { TISSUES, withSeam, type Anatomy, type Cut, type Part, type Path } from './types.ts'
import { openedFrom, openingWay } from './validate.ts'

/** What drips of a part that is not cut; and what it brings of what its cuts would (our own figures). */
const DRIP = 0.005
const UNCUT_BRINGS = 0.85
type Mass = Record<(typeof TISSUES)[number], number>

const idOf = (part: string) => `${part}-uncut`
/** Whether a way leaves its part uncut. */
export const isUncut = (path: Pick<Path, 'id' | 'part'>): boolean => path.id === idOf(path.part)
export const uncutWay = (part: string): string => idOf(part)

/**
 * An anatomy in which every part may also be left uncut: sold, taken, chilled or frozen as it is; of what is no carcass,
 * that of birds and rabbits, whose feet and livers are pooled as they come. Such a piece starts at
 * what its usual way makes of it, by the indices of those cuts (docs/sources.md: price-index).
 */
export function withUncut(anatomy: Anatomy): Anatomy {
  const find = lookup(anatomy)
  const hung = new Set(
    anatomy.bands.flatMap((b) => b.spans.flatMap((s) => [s.part, s.below?.part ?? s.part])),
  )
  const isLaid = anatomy.map.kind === 'laid'
  const isWhole = (p: Part) => isLaid && p === anatomy.parts[0]
  const isPool = (p: Part) => p.id === anatomy.roles.trim || p.id === anatomy.roles.fat
  const own = anatomy.parts.filter(
    (p) =>
      !(p.offCarcass && !isLaid) &&
      !isWhole(p) &&
      !isPool(p) &&
      (isLaid || hung.has(p.id) || p.extraction || openedFrom(anatomy, p.id) !== null) &&
      !find.path(idOf(p.id)),
  )
  const shares = new Map<string, Mass>()
  const tissueOf = (part: string, seen: readonly string[] = []): Mass => {
    const known = shares.get(part)
    if (known) return known
    const sum: Mass = { lean: 0, fat: 0, bone: 0, skin: 0, seam: 0, ...find.part(part)?.offCarcass?.tissue }
    const add = (m: Mass, share: (t: (typeof TISSUES)[number]) => number) =>
      TISSUES.forEach((t) => (sum[t] += m[t] * share(t)))
    for (const band of anatomy.bands)
      if (
        find.part(part)?.extraction?.band === band.id ||
        band.spans.some((s) => s.part === part || s.below?.part === part)
      )
        add(withSeam(band.tissue), () => 1)
    const outer = openedFrom(anatomy, part)
    const from = outer
      ? anatomy.paths.find((p) => p.part === outer && p.outputs.some((o) => o.part === part))
      : openingWay(anatomy, part)
    if (from && !seen.includes(from.part))
      for (const o of from.outputs)
        if (o.part === part) add(tissueOf(from.part, [...seen, part]), (t) => o[t])
    shares.set(part, sum)
    return sum
  }
  /** The usual way; of what is usually left, the first that keeps it. */
  const usualOf = (p: Part | undefined) => {
    const usual = find.path(p?.fallback ?? '')
    return usual?.leaves ? find.pathsOf(p!.id).find((w) => !w.leaves) : usual
  }
  /** What each kg of a part brings by its usual way, as an index. */
  const worth = (part: string, mass = tissueOf(part), seen: readonly string[] = []): number => {
    const way = usualOf(find.part(part))
    const all = TISSUES.reduce((sum, t) => sum + mass[t], 0)
    if (!way || all === 0 || seen.includes(part)) return 0
    return way.outputs.reduce((sum, o) => {
      const own = Object.fromEntries(TISSUES.map((t) => [t, mass[t] * o[t]])) as Mass
      const kg = TISSUES.reduce((s, t) => s + own[t], 0)
      return sum + (kg / all) * (o.cut ? find.cut(o.cut)!.index : worth(o.part!, own, [...seen, part]))
    }, 0)
  }
  // What would be sliced, ground or cured is a roast while nobody has cut it.
  const destinationOf = (p: Part) => {
    const usual = usualOf(p)!.destination
    return usual === 'T' || usual === 'G' || usual === 'C' ? 'R' : usual
  }
  const of = (share: number) => withSeam({ lean: share, fat: share, bone: share, skin: share })
  const cuts = own.map((p): Cut => ({
    id: idOf(p.id),
    names: { american: `${p.names.american}, uncut`, commonwealth: `${p.names.commonwealth}, uncut` },
    destination: destinationOf(p),
    kind: 'product',
    index: Math.max(0.1, Math.round(worth(p.id) * UNCUT_BRINGS * 100) / 100),
    portion: { kind: 'whole', perSide: 1, perPack: 1 },
    uncut: true,
  }))
  const paths = own.map((p): Path => ({
    id: idOf(p.id),
    part: p.id,
    names: { american: 'Uncut, as it is', commonwealth: 'Uncut, as it is' },
    destination: destinationOf(p),
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
