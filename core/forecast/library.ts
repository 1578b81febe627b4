import type { Anatomy, Cut, Part, Path } from '#core/anatomy'
import { compile, evaluate, newYield, pour, setFlow, type Choices } from '#core/carcass'
import { takePath } from '#core/plan'

/** What a part weighs in a usual plan, where it comes from, and the ways it can be opened. */
export interface PartEntry {
  part: Part
  /** % of carcass, both sides together, hung as usual; 0 where only another way brings it about. */
  share: number
  /** Parts it comes out of; none where it hangs by itself. */
  from: Part[]
  paths: Path[]
}

/** A cut: the ways that make it, and what it can come to. */
export interface CutEntry {
  cut: Cut
  ways: Path[]
  /** % of carcass it comes to by the way that makes most of it, all else as usual. */
  most: number
}

const PARTS_OF_100 = 100

/** Every part and cut of an anatomy, with what it weighs of a carcass of 100 kg and what leads to it. */
export function libraryOf(anatomy: Anatomy): { parts: PartEntry[]; cuts: CutEntry[] } {
  const flow = compile(anatomy)
  const read = (paths: Choices['paths']) => {
    const setting = setFlow(flow, { paths, lines: new Map(), mm: new Map(), trim: 'standard' })
    return evaluate(
      flow,
      setting,
      pour(flow, setting, {}, PARTS_OF_100, PARTS_OF_100 / anatomy.chain.dressing.mean),
      newYield(flow),
    )
  }
  const usual = read(new Map())
  const byId = new Map(anatomy.parts.map((p) => [p.id, p]))
  const parts = anatomy.parts.map((part): PartEntry => {
    const from = new Set(
      anatomy.paths.filter((p) => p.outputs.some((o) => o.part === part.id)).map((p) => p.part),
    )
    return {
      part,
      share: flow.slots.reduce(
        (sum, slot, s) =>
          slot.part === part.id ? [0, 1, 2, 3].reduce((x, t) => x + usual.slotKg[s * 4 + t]!, sum) : sum,
        0,
      ),
      from: [...from].map((id) => byId.get(id)!),
      paths: anatomy.paths.filter((p) => p.part === part.id),
    }
  })
  const most = new Map<string, number>()
  for (const path of anatomy.paths) {
    const sides =
      byId.get(path.part)!.scope === 'animal' ? (['animal'] as const) : (['left', 'right'] as const)
    const y = read(
      new Map(takePath(anatomy, path.part, sides, path.id).map((d) => [`${d.target}:${d.side}`, d.value!])),
    )
    for (const o of path.outputs) {
      if (!o.cut) continue
      const kg = y.cutKg[anatomy.cuts.findIndex((c) => c.id === o.cut)]!
      most.set(o.cut, Math.max(most.get(o.cut) ?? 0, kg))
    }
  }
  const cuts = anatomy.cuts.map((cut): CutEntry => ({
    cut,
    ways: anatomy.paths.filter((p) => p.outputs.some((o) => o.cut === cut.id)),
    most: most.get(cut.id) ?? 0,
  }))
  return { parts, cuts }
}
