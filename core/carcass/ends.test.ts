import { describe, expect, it } from 'vitest'
import { SPECIES, type Portion, type Species } from '#core/anatomy'
import { ANATOMIES } from '#core/species'
import { kg } from '#core/measure'
import { portionsOf } from '#core/plan'
import { choose, cutUp } from './testing.ts'

const sawn = (ends: 'pack' | 'trim', kerfMm = 1.2, thicknessMm = 25): Portion => ({
  kind: 'sawn',
  thicknessMm,
  kerfMm,
  perPack: 2,
  ends,
})
const of = (species: Species, ways: Record<string, string>, cut: string, portion: Portion) =>
  cutUp(species, choose(ways, { portions: { [cut]: portion } }), { kg: ANATOMIES[species].referenceKg })
const rowOf = (x: ReturnType<typeof of>, part: string, cut: string) =>
  x.cutting.slot(part, 'left')!.rows.find((r) => r.cut?.id === cut)!
const chops = (ends: 'pack' | 'trim', kerf = 1.2) => of('hog', {}, 'bone-in-chop', sawn(ends, kerf))

describe('ends that make no good piece go where the plan says', () => {
  it('opened for the trim: what is left of the length, meat to the trim, bone to the bones, nothing lost', () => {
    const [packed, opened] = [chops('pack', 0), chops('trim', 0)]
    const [before, after] = [packed, opened].map((x) => rowOf(x, 'loin', 'bone-in-chop'))
    const { left, mm } = before!.stretch!
    expect(after!.stretch).toMatchObject({ pieces: before!.stretch!.pieces, left, opened: true })
    expect(after!.green / before!.green).toBeCloseTo(1 - left / mm, 9)
    const ends = (before!.green - after!.green) * 2
    const trim = (x: typeof packed) => x.cutting.partKg('trim')
    expect(trim(opened)).toBeGreaterThan(trim(packed))
    expect(trim(opened) - trim(packed)).toBeLessThan(ends)
    expect(opened.cutting.partKg('bones')).toBeGreaterThan(packed.cutting.partKg('bones'))
    const sum = ({ balance: b }: typeof packed) => b.products + b.byProducts + b.losses - b.added - b.kept
    expect(sum(opened)).toBeCloseTo(ANATOMIES.hog.referenceKg, 9)
  })
  it('the saw’s dust is that of the pieces, whichever way the ends go (to 1e-9)', () => {
    const dust = (ends: 'pack' | 'trim') => {
      const { green, stretch } = rowOf(chops(ends), 'loin', 'bone-in-chop')
      return green * stretch!.dust
    }
    expect(dust('trim')).toBeCloseTo(dust('pack'), 9)
  })
  it('the last pack has no ends then, and there are as many pieces', () => {
    const portions = (ends: 'pack' | 'trim') =>
      portionsOf(chops(ends).cutting, 1, kg(0.5)).get('bone-in-chop')!
    expect(portions('pack').end).toBeGreaterThan(0)
    expect(portions('trim')).toMatchObject({ end: 0, pieces: portions('pack').pieces })
    expect(portions('trim').endMm).toBe(portions('pack').endMm)
  })
  it('in a plan of every way of every species each tissue stays closed', () => {
    for (const species of SPECIES) {
      const a = ANATOMIES[species]
      const cuts = a.cuts.filter((c) => c.portion?.kind === 'sawn').map((c) => c.id)
      const portions = Object.fromEntries(cuts.map((id) => [id, sawn('trim', 1.2, 31)]))
      for (const path of a.paths) {
        const { balance: b, cuts: made } = cutUp(species, choose({ [path.part]: path.id }, { portions }), {
          kg: 100,
          liveKg: 160,
        })
        expect(Math.abs(b.carcass + b.kept + b.added - b.products - b.byProducts - b.losses)).toBeLessThan(
          1e-7,
        )
        expect(Math.min(...made)).toBeGreaterThanOrEqual(0)
      }
    }
  })
  it('a way that lets nothing go to the trim keeps its ends with the pack', () => {
    for (const species of SPECIES)
      for (const path of ANATOMIES[species].paths) {
        const cut = path.outputs.find(
          (o) => ANATOMIES[species].cuts.find((c) => c.id === o.cut)?.portion?.kind === 'sawn',
        )?.cut
        if (!cut || path.outputs.some((o) => o.part === 'trim')) continue
        const x = of(species, { [path.part]: path.id }, cut, sawn('trim'))
        const row = x.cutting.slots.flatMap((s) => s.rows).find((r) => r.cut?.id === cut && r.stretch)
        expect(row?.stretch?.opened ?? false, path.id).toBe(false)
      }
  })
})
