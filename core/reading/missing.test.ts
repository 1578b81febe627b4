import { describe, expect, it } from 'vitest'
import { randomLcg, randomNormal } from 'd3-random'
import type { Species } from '#core/anatomy'
import { KG_PER_LB, kg, PLAIN, saysFor } from '#core/measure'
import { flowOf } from '../carcass/testing.ts'
import { cutDone } from '../plan/testing.ts'
import { missingOf, reckon, sayMissing, type LotState, type Missing } from './index.ts'
import { FARM, lotOf, packOf } from './testing.ts'

const HUNG_LB = { hog: 187, lamb: 44, steer: 705 } as const
/** Points of saleable share that animals of one carcass weight differ by, and what a cut differs by of its own weight (trade figures, from memory). */
const TOTAL_SD = { hog: 0.02, lamb: 0.025, steer: 0.025 } as const
const CUT_SD = 0.065

/** Animals by another generator than the forecast: every cut by its own log-normal, then all by the saleable share. */
function simulated(
  species: Species & keyof typeof HUNG_LB,
  runs: number,
  steal: (cuts: Map<string, number>) => void,
) {
  const lb = HUNG_LB[species]
  const flow = flowOf(species)
  const cuts = reckon(flow, lotOf(species, [], 'hanging', lb), FARM, 0).cuts.filter(
    (c) => c.cut.kind === 'product',
  )
  const sum = cuts.reduce((s, c) => s + c.kg, 0)
  const normal = randomNormal.source(randomLcg(0.42))(0, 1)
  const done = cuts.map((c) => cutDone(c.cut.id))
  return Array.from({ length: runs }, (): Missing => {
    const drawn = cuts.map((c) => c.kg * Math.exp(CUT_SD * normal()))
    const share = (sum + TOTAL_SD[species] * lb * KG_PER_LB * normal()) / drawn.reduce((a, b) => a + b, 0)
    const packed = new Map(cuts.map((c, i) => [c.cut.id, drawn[i]! * share]))
    steal(packed)
    const packs = [...packed].map(([cut, mass]) => packOf(cut, mass / KG_PER_LB))
    const lot: LotState = { ...lotOf(species, done, 'hanging', lb), packs }
    return missingOf(reckon(flow, lot, FARM, 200))!
  })
}
const share = (all: readonly Missing[], is: (m: Missing) => boolean) => all.filter(is).length / all.length
const STOLEN_KG = 5

describe('is anything missing?', () => {
  it.each(['hog', 'lamb'] as const)('a stolen 5 kg pack is flagged in most %ss on the total', (species) => {
    const stolen = simulated(species, 30, (cuts) => {
      let left = STOLEN_KG
      for (const [cut, mass] of [...cuts].toSorted((a, b) => b[1] - a[1])) {
        const taken = Math.min(left, mass * 0.9)
        cuts.set(cut, mass - taken)
        left -= taken
      }
    })
    expect(share(stolen, (m) => m.all.z! <= -2)).toBeGreaterThan(0.5)
  })

  it.each(['top-sirloin', 'top-roast', 'tbone', 'rib-steak'])(
    'in a steer 5 kg are too little of the total to tell, and flagged in most within the primal they were of: %s',
    (cut) => {
      const stolen = simulated('steer', 24, (cuts) => cuts.set(cut, cuts.get(cut)! - STOLEN_KG))
      expect(share(stolen, (m) => m.all.z! <= -2)).toBeLessThan(0.5)
      const own = (m: Missing) => m.primals.find((g) => g.cuts.includes(cut))!
      expect(share(stolen, (m) => own(m).z! <= -2)).toBeGreaterThan(0.5)
    },
  )

  it.each(['hog', 'lamb', 'steer'] as const)('of %ss with nothing missing few are asked about', (species) => {
    const honest = simulated(species, 30, () => undefined)
    expect(share(honest, (m) => m.all.z! <= -2)).toBeLessThan(0.15)
    const mean = honest.reduce((s, m) => s + m.all.z!, 0) / honest.length
    expect(Math.abs(mean)).toBeLessThan(0.8)
  })

  it('says it in one sentence with its z, and names the primal', () => {
    const says = saysFor({ ...PLAIN, massUnit: 'kg' })
    const gap = { cuts: [], range: null }
    const all = { ...gap, primal: null, expected: kg(80), packed: kg(78), z: -1 }
    const ham = { ...gap, primal: 'ham', expected: kg(20), packed: kg(15), z: -4 }
    expect(sayMissing({ all, primals: [ham] }, (id) => id, says)).toBe(
      '78.00 kg packed of about 80.00 kg expected (z −1.0). Short in ham 5.00 kg (z −4.0): look for a pack that was not weighed.',
    )
    expect(sayMissing({ all, primals: [] }, (id) => id, says)).toContain('nothing looks missing')
    expect(sayMissing({ all: { ...all, packed: kg(90), z: 3 }, primals: [] }, (id) => id, says)).toContain(
      'weighed twice',
    )
    expect(sayMissing(null, (id) => id, says)).toBeNull()
  })

  it('nothing is said before something is all weighed', () =>
    expect(missingOf(reckon(flowOf('hog'), lotOf('hog'), FARM))).toBeNull())
})
