import { lookup, openedFrom, openingWay, type Anatomy } from '#core/anatomy'

/** The ways that bring a part to lie by itself, outermost first; none for what hangs by itself. */
export function opensInto(anatomy: Anatomy, part: string): { part: string; path: string }[] {
  const { extraction } = lookup(anatomy).part(part) ?? {}
  if (extraction) {
    const frees = (all: boolean) =>
      anatomy.paths.find((p) => p.extracts?.some((x) => x.part === part && (all ? !x.from : true)) && !p.pair)
    const way = frees(true) ?? frees(false)
    return way ? [{ part: way.part, path: way.id }] : []
  }
  if (anatomy.bands.some((b) => b.spans.some((s) => s.part === part || s.below?.part === part))) return []
  const outer = openedFrom(anatomy, part)
  const way =
    outer === null
      ? openingWay(anatomy, part)
      : lookup(anatomy)
          .pathsOf(outer)
          .find((p) => p.outputs.some((o) => o.part === part) && !p.pair)
  return way ? [...opensInto(anatomy, way.part), { part: way.part, path: way.id }] : []
}
