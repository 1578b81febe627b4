import { describe, expect, it } from 'vitest'
import { TISSUES, type Species } from '#core/anatomy'
import { ANATOMIES } from '#core/species'
import { mm } from '#core/measure'
import { choose, cutUp } from './testing.ts'

const CASES: [Species, string, string, string][] = [
  ['hog', 'loin', 'loin-chops', 'loin-boneless-chops'],
  ['hog', 'leg', 'leg-halves', 'leg-boned'],
  ['hog', 'belly', 'belly-bacon', 'belly-slab'],
  ['steer', 'rib', 'rib-steaks', 'rib-eye'],
  ['steer', 'round', 'round-seamed', 'round-grind'],
  ['lamb', 'loin', 'loin-chops', 'loin-boneless'],
  ['lamb', 'rack', 'rack-chops', 'rack-roast'],
]
const ways = (species: Species, part: string) =>
  ANATOMIES[species].paths.filter((p) => p.part === part && !p.pair && !p.together && !p.leaves)
const sum = (xs: number[]) => xs.reduce((a, b) => a + b, 0)

describe('a part cut two ways along its length', () => {
  it.each(CASES)(
    '%s %s: every gram of every tissue is in one stretch or the other',
    (species, part, a, b) => {
      const own = ways(species, part).map((p) => p.id)
      const front = own.includes(a) ? a : own[0]!
      const rear = own.includes(b) ? b : own.find((id) => id !== front)!
      for (const at of [0.1, 0.35, 0.5, 0.8]) {
        const c = cutUp(species, choose({ [part]: front }, { splits: { [part]: { at, path: rear } } }))
        const { carcass, kept, added, products, byProducts, losses } = c.balance
        expect(products + byProducts + losses).toBeCloseTo(carcass + kept + added, 9)
        const slot = c.cutting.slot(part, 'left')!
        for (const t of TISSUES) expect(sum(slot.rows.map((r) => r.tissue[t]))).toBeCloseTo(slot.tissue[t], 9)
        const rows = slot.rows.filter((r) => r.stretch)
        for (const r of rows) {
          const { pieces, thick, kerf, mm: length } = r.stretch!
          expect(pieces * (thick + kerf)).toBeLessThanOrEqual(length + 1e-6)
        }
      }
    },
  )
  const chops = (at: number | null, left = 'loin-chops', rear = 'loin-boneless-chops') =>
    cutUp('hog', choose({ loin: left }, at === null ? {} : { splits: { loin: { at, path: rear } } }), {
      kg: 85,
    })
  it('half the loin gives about half the chops and half the back ribs, together no more than a loin', () => {
    const [whole, half, boned] = [chops(null), chops(0.5), chops(null, 'loin-boneless-chops')]
    const share = half.cut('bone-in-chop') / whole.cut('bone-in-chop')
    expect(share).toBeGreaterThan(0.4)
    expect(share).toBeLessThan(0.6)
    const back = half.cut('back-ribs') / boned.cut('back-ribs')
    expect(back).toBeGreaterThan(0.35)
    expect(back).toBeLessThan(0.65)
  })
  it('the later the split, the more of the front: chops grow with it and never pass those of a whole loin', () => {
    const kgs = [0.1, 0.3, 0.5, 0.7, 0.9, null].map((at) => chops(at).cut('bone-in-chop'))
    expect(kgs).toEqual(kgs.toSorted((x, y) => x - y))
  })
  it('the tenderloin comes out only from under the stretch that is boned', () => {
    const freed = (c: ReturnType<typeof chops>) => c.cutting.partKg('tenderloin', 'left')
    const [none, rear, all] = [chops(null), chops(0.5), chops(null, 'loin-boneless-chops')].map(freed)
    const front = freed(chops(0.5, 'loin-boneless-chops', 'loin-chops'))
    expect(none!).toBeLessThan(rear!)
    expect(front).toBeLessThan(rear!)
    expect(rear!).toBeLessThan(all! + 1e-9)
    expect(front + rear! - none!).toBeCloseTo(all!, 6)
  })
  it('lengths of the stretches come to the length of the part', () => {
    const c = chops(0.4)
    const rows = c.cutting.slot('loin', 'left')!.rows.filter((r) => r.stretch && r.cut?.id.endsWith('-chop'))
    const whole = chops(null)
      .cutting.slot('loin', 'left')!
      .rows.find((r) => r.cut?.id === 'bone-in-chop')!.stretch!.mm
    expect(sum(rows.map((r) => r.stretch!.mm))).toBeCloseTo(whole, 6)
    expect(rows[0]!.stretch!.mm / whole).toBeCloseTo(0.4, 6)
    expect(mm(whole)).toBeGreaterThan(400)
  })
  it('where nothing is split nothing changes', () => {
    const plain = chops(null).cutting
    const none = cutUp('hog', choose({ loin: 'loin-chops' }, { splits: {} }), { kg: 85 }).cutting
    for (const cut of ANATOMIES.hog.cuts) expect(none.cutKg(cut.id)).toBe(plain.cutKg(cut.id))
  })
})
