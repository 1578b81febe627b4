import { dayIn, fromKg, gramsOf, times, type MassUnit } from '#core/measure'
import { unitsOf, type Fact, type PackWeighing } from '#core/records'
import type { Reckoning } from '#core/reading'
import type { PackAbout } from './paper.ts'

/** Packs of a lot by their numbers, whatever became of them, or all that are there; each with the local day it was packed on. */
export function packsAbout(
  { packs, facts }: { packs: readonly PackWeighing[]; facts: readonly Fact[] },
  zone: string,
  numbers: readonly number[] | null = null,
): PackAbout[] {
  const wanted = numbers && new Set(numbers)
  const made = new Map(packs.map((p) => [p.id, p]))
  return unitsOf(packs, facts).flatMap((u) => {
    if (wanted ? !wanted.has(u.number) : u.state !== 'here') return []
    const p = made.get(u.weighIn)!
    const of = { pieces: p.pieces ?? null, wrap: p.wrap ?? null, outOf: p.outOf ?? [] }
    return [{ ...u, ...of, shown: p.packs === 1 ? p.shown : null, packedOn: dayIn(new Date(p.at), zone) }]
  })
}

/** A pack as one of the first product’s is expected, before any was made; null where a lot gives nothing. */
export function expectedPack(read: Reckoning, unit: MassUnit, packedOn: string): PackAbout | null {
  const cut = read.cuts.find((c) => c.cut.kind === 'product')
  if (!cut) return null
  const each = cut.packs > 0 ? times(cut.kg, 1 / cut.packs) : cut.kg
  const shown = { value: Number(fromKg(each, unit).toFixed(2)), unit }
  return {
    ...{ cut: cut.cut.id, grams: gramsOf(shown), state: 'here', number: 1, weighIn: '' },
    ...{ shown, pieces: null, wrap: 'vacuum', outOf: [], packedOn },
  }
}
