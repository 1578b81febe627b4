import { lookup, sidesOf, type Anatomy, type Cut, type Part, type Path } from '#core/anatomy'
import { compile, cutUp, NO_CHOICES, SidedMap, type Choices } from '#core/carcass'
import { kg } from '#core/measure'
import { takePath } from '#core/plan'

/** What a part weighs in a usual plan, where it comes from, and the ways it can be opened. */
export interface PartEntry {
  part: Part
  /** % of carcass, both sides together, hung as usual; 0 where only another way brings it about. */
  share: number
  /** Parts it comes out of; none where it hangs by itself. */
  from: Part[]
  paths: readonly Path[]
}

/** A cut: the ways that make it, and what it can come to. */
export interface CutEntry {
  cut: Cut
  ways: Path[]
  /** % of carcass it comes to by the way that makes most of it, all else as usual. */
  most: number
}

/** A carcass of 100 kg: kilograms are then percent. */
const HUNDRED = kg(100)

/** Every part and cut of an anatomy, with what it weighs of a carcass of 100 kg and what leads to it. */
export function libraryOf(anatomy: Anatomy): { parts: PartEntry[]; cuts: CutEntry[] } {
  const flow = compile(anatomy)
  const find = lookup(anatomy)
  const hung = { carcass: HUNDRED, live: kg(HUNDRED / anatomy.chain.dressing.mean), conventions: {} }
  const cut = (paths: Choices['paths']) => cutUp(flow, { ...NO_CHOICES, paths }, hung)
  const usual = cut(NO_CHOICES.paths)
  const parts = anatomy.parts.map((part): PartEntry => {
    const leading = anatomy.paths.filter((p) => p.outputs.some((o) => o.part === part.id))
    const from = new Set(leading.map((p) => p.part))
    return {
      part,
      share: usual.partKg(part.id),
      from: [...from].map((id) => find.part(id)!),
      paths: find.pathsOf(part.id),
    }
  })
  const most = new Map<string, number>()
  for (const path of anatomy.paths) {
    const taken = takePath(anatomy, path.part, sidesOf(find.part(path.part)!), path.id)
    const made = cut(new SidedMap(taken.map((d) => ({ id: d.target, side: d.side, value: d.value! }))))
    for (const o of path.outputs)
      if (o.cut) most.set(o.cut, Math.max(most.get(o.cut) ?? 0, made.cutKg(o.cut)))
  }
  const cuts = anatomy.cuts.map((c): CutEntry => ({
    cut: c,
    ways: anatomy.paths.filter((p) => p.outputs.some((o) => o.cut === c.id)),
    most: most.get(c.id) ?? 0,
  }))
  return { parts, cuts }
}
