import { quantile } from 'simple-statistics'
import { describe, expect, it } from 'vitest'
import { ANATOMIES } from '#core/species'
import { ageTrimOf, drawLot } from './index.ts'
import { cutUp } from './testing.ts'

const CARCASS = 320
const trimmed = (days: number) => {
  const ageTrim = ageTrimOf(ANATOMIES.steer.chain, days)
  return { ...cutUp('steer', undefined, { kg: CARCASS, ageTrim }), ageTrim }
}

describe('the dried face that is cut off a carcass that hung', () => {
  // Common practice: 1 to 4 % of a beef that hung one to four weeks; a hog hangs days, in its skin.
  it.each([
    ['steer', 7, 0.008, 0.02],
    ['steer', 28, 0.03, 0.045],
    ['hog', 3, 0, 0.003],
    ['broiler', 2, 0, 0],
  ] as const)('%s after %i days: from %f to %f of what hangs', (species, days, low, high) => {
    const { share } = ageTrimOf(ANATOMIES[species].chain, days)
    expect(share).toBeGreaterThanOrEqual(low)
    expect(share).toBeLessThanOrEqual(high)
  })
  it('an anatomy that says nothing of it loses none: what was planned before stays what it was', () => {
    const { ageTrimPerDay, ...older } = ANATOMIES.steer.chain
    expect(ageTrimPerDay!.mean).toBeGreaterThan(0)
    expect(ageTrimOf(older, 21)).toEqual({ share: 0, sd: 0 })
  })
  it('comes off lean and fat, never off bone, and every kilogram of it is discarded', () => {
    const [fresh, hung] = [trimmed(0), trimmed(21)]
    const off = hung.ageTrim.share * CARCASS
    expect(hung.cutting.ageTrim).toBeCloseTo(off, 9)
    const [lean, , bone, skin] = hung.tissue.map((kg, t) => kg - fresh.tissue[t]!)
    expect(lean).toBeLessThan(0)
    expect([bone, skin]).toEqual([0, 0])
    const { carcass, kept, added, products, byProducts, losses } = hung.balance
    expect(carcass).toBeCloseTo(CARCASS, 9)
    expect(products + byProducts + losses).toBeCloseTo(carcass + kept + added, 9)
    const less = fresh.balance.products - hung.balance.products
    expect(less).toBeGreaterThan(off / 2)
    expect(less).toBeLessThan(off)
  })
  it('a part that was weighed stays what it weighed: the face was off it', () => {
    const ageTrim = { share: 0.03, sd: 0 }
    const c = cutUp('steer', undefined, { kg: CARCASS, ageTrim, parts: { round: 40 } })
    expect(c.part('round', 'left')).toBeCloseTo(40, 9)
    expect(c.balance.carcass).toBeCloseTo(CARCASS, 9)
  })
  it('every draw cuts its own off and closes; about so much in the middle, as uncertain as said', () => {
    const { cutting, ageTrim, flow } = trimmed(21)
    const chain = () => [600, 580, 340, 333, CARCASS]
    const drawn = drawLot(cutting, 1, chain, 400)
    const whole = drawLot(trimmed(0).cutting, 1, chain, 400)
    const { discard } = flow.anatomy.roles
    const gone = Array.from(drawn.cut.get(discard)!, (x, d) => x - whole.cut.get(discard)![d]!)
    expect(quantile(gone, 0.5)).toBeCloseTo(ageTrim.share * CARCASS, 0)
    const logs = gone.filter((x) => x > 0).map(Math.log)
    const spread = (quantile(logs, 0.9) - quantile(logs, 0.1)) / (2 * 1.2816)
    expect(spread / ageTrim.sd).toBeGreaterThan(0.8)
    expect(spread / ageTrim.sd).toBeLessThan(1.2)
    for (const d of [0, 100, 399]) {
      const all = (of: typeof drawn) => [...of.cut.values()].reduce((s, kg) => s + kg[d]!, 0)
      expect(all(drawn)).toBeCloseTo(all(whole), 0)
    }
  })
})
