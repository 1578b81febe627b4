import {
  TISSUES,
  TRIM_LEVELS,
  type Anatomy,
  type Path,
  type PathOutput,
  type TissueShares,
  type TrimLevel,
} from '#core/anatomy'

/** A cut that keeps so much of its part's bone cannot be opened along its seams. */
const ON_THE_BONE = 0.1
const UNTRIMMED = new Set(['N', 'F', 'O', 'X'])

/**
 * A path's outputs at every trim level, the same rows in the same order. The level scales the fat trimmed away
 * (`waste`; what stays lies with the lean) and the fat left on (`kept`), and takes silver skin and tendon (`lean`) and seam
 * fat (`seam` of boned cuts, `hard` of trim) off: mass only moves between the meat, the fat and the discards of the path.
 */
export function trimmed(anatomy: Anatomy, path: Path): Record<TrimLevel, PathOutput[]> {
  const cuts = new Map(anatomy.cuts.map((c) => [c.id, c]))
  const isMeat = (o: PathOutput) => {
    if (path.part === anatomy.roles.trim) return false
    if (o.part === anatomy.roles.trim) return true
    const cut = cuts.get(o.cut ?? '')
    return cut?.kind === 'product' && !UNTRIMMED.has(cut.destination)
  }
  const rows = path.outputs.map((o) => ({ ...o }))
  const isTo = (o: PathOutput, role: string) => o.cut === role || o.part === role
  if (rows.some(isMeat)) {
    for (const role of [anatomy.roles.fat, anatomy.roles.discard]) {
      if (!rows.some((o) => isTo(o, role)))
        rows.push({
          ...(cuts.has(role) ? { cut: role } : { part: role }),
          ...(Object.fromEntries(TISSUES.map((t) => [t, 0])) as TissueShares),
        })
    }
  }
  return Object.fromEntries(
    TRIM_LEVELS.map((level) => {
      const { waste, kept, lean, seam, hard } = anatomy.trim[level]
      const at = rows.map((o) => ({ ...o }))
      const meat = at.filter(isMeat)
      const fat = at.find((o) => isTo(o, anatomy.roles.fat))
      const discard = at.find((o) => isTo(o, anatomy.roles.discard))
      const lying = meat.reduce((s, o) => s + o.lean, 0)
      if (!fat || !discard || meat.length === 0) return [level, at]
      const back = lying > 0 ? fat.fat * (1 - waste) : 0
      for (const o of meat) {
        const share = lying > 0 ? o.lean / lying : 0
        const freed = o.fat * (1 - kept)
        o.fat += share * back - freed
        fat.fat += freed
        discard.lean += o.lean * lean
        o.lean *= 1 - lean
        if (o.bone > ON_THE_BONE) continue
        const pulled = o.part === anatomy.roles.trim ? hard : seam
        fat.seam += o.seam * pulled
        o.seam *= 1 - pulled
      }
      fat.fat -= back
      return [level, at]
    }),
  ) as Record<TrimLevel, PathOutput[]>
}
