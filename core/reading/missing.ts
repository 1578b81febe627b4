import { openedFrom } from '#core/anatomy'
import { interval, kg, minus, sumOf, type Says } from '#core/measure'
import type { CutFigure, Gap, Missing, Reckoning } from './lot.ts'

/** So many SDs off, a person is asked: one honest lot in twenty is further off (normal distribution). */
export const ODD_Z = 2

/** The part that hung, of a part that comes out of others. */
function primalOf(read: Reckoning, part: string): string {
  const outer = openedFrom(read.flow.anatomy, part)
  return outer === null || outer === part ? part : primalOf(read, outer)
}

/** The primals that each cut comes of under the plan. */
function primalsOf(read: Reckoning): ReadonlyMap<string, ReadonlySet<string>> {
  const found = new Map<string, Set<string>>()
  for (const slot of read.cutting.slots) {
    if (!slot.holds) continue
    for (const { cut, green } of slot.rows) {
      if (!cut || green <= 0) continue
      if (!found.has(cut.id)) found.set(cut.id, new Set())
      found.get(cut.id)!.add(primalOf(read, slot.part))
    }
  }
  return found
}

/**
 * Is anything missing? What was packed of the cuts that are all weighed, against the forecast given the weights that were
 * taken (hanging weight among them), over all and by primal. A z of −2 or less is asked about: among honest lots it is one in
 * forty. Null before anything is all weighed, or without draws.
 */
export function missingOf(read: Reckoning): Missing | null {
  const { drawn } = read
  const done = read.cuts.filter((c) => c.done && c.cut.kind === 'product')
  if (!drawn || done.length === 0) return null
  const gapOf = (primal: string | null, cuts: readonly CutFigure[]): Gap => {
    const sums = new Float64Array(drawn.draws)
    for (const c of cuts) drawn.cut.get(c.cut.id)!.forEach((x, d) => (sums[d]! += x))
    const mean = sums.reduce((a, b) => a + b, 0) / sums.length
    const sd = Math.sqrt(sums.reduce((s, x) => s + (x - mean) ** 2, 0) / (sums.length - 1))
    const packed = sumOf(cuts, (c) => c.weighedKg)
    const z = sd > 1e-9 ? (packed - mean) / sd : null
    return { primal, cuts: cuts.map((c) => c.cut.id), expected: kg(mean), range: interval(sums), packed, z }
  }
  const primals = primalsOf(read)
  const groups = new Map<string | null, CutFigure[]>()
  for (const c of done) {
    const own = primals.get(c.cut.id)
    const key = own?.size === 1 ? [...own][0]! : null
    groups.set(key, [...(groups.get(key) ?? []), c])
  }
  return {
    all: gapOf(null, done),
    primals: [...groups].map(([p, cuts]) => gapOf(p, cuts)).toSorted((a, b) => (a.z ?? 0) - (b.z ?? 0)),
  }
}

const isShort = (g: Gap) => g.z !== null && g.z <= -ODD_Z
/** "−2.6": SDs with a real minus sign. */
const sayZ = (z: number) => `${z < 0 ? '−' : '+'}${Math.abs(z).toFixed(1)}`

/** Whether something looks missing, in one sentence with its z; null where nothing is all weighed yet. */
export function sayMissing(
  missing: Missing | null,
  primalName: (id: string) => string,
  says: Says,
): string | null {
  if (!missing) return null
  const { all, primals } = missing
  const short = primals.filter((g) => isShort(g) && g.primal !== null)
  const by = (g: Gap) => says.mass(kg(Math.abs(minus(g.packed, g.expected))))
  const z = all.z === null ? '' : ` (z ${sayZ(all.z)})`
  const of = `${says.mass(all.packed)} packed of about ${says.mass(all.expected)} expected${z}`
  if (short.length > 0) {
    const named = short.map((g) => `${primalName(g.primal!).toLowerCase()} ${by(g)} (z ${sayZ(g.z!)})`)
    return `${of}. Short in ${named.join(', ')}: look for a pack that was not weighed.`
  }
  if (isShort(all)) return `${of}: ${by(all)} short, in no one primal. Look for packs that were not weighed.`
  if (all.z !== null && all.z >= ODD_Z)
    return `${of}: ${by(all)} more than likely. Was a pack weighed twice, or of another animal?`
  return `${of}: nothing looks missing.`
}
