import { mean, standardDeviation } from 'simple-statistics'
import { describe, expect, it } from 'vitest'
import { TISSUES, type Species } from '#core/anatomy'
import { drawLot } from './index.ts'
import { choose, cutUp } from './testing.ts'

const CASES: [Species, string, number][] = [
  ['hog', 'leg', 85],
  ['hog', 'shoulder', 85],
  ['lamb', 'leg', 20],
  ['steer', 'round', 320],
  ['steer', 'rib', 320],
]
const closes = (c: ReturnType<typeof cutUp>) => {
  const { carcass, kept, added, products, byProducts, losses } = c.balance
  expect(products + byProducts + losses).toBeCloseTo(carcass + kept + added, 9)
}

describe('a part that was weighed by itself', () => {
  it.each(CASES)(
    '%s %s is that weight on its side, its tissues in proportion, the rest what is left',
    (species, part, kg) => {
      const before = cutUp(species, choose({}), { kg })
      const weighed = before.part(part, 'left') * 1.12
      const c = cutUp(species, choose({}), { kg, parts: { [part]: weighed } })
      expect(c.part(part, 'left')).toBeCloseTo(weighed, 9)
      expect(c.balance.carcass).toBeCloseTo(kg, 9)
      const scale = (kg - weighed) / (kg - weighed / 1.12)
      expect(c.part(part, 'right')).toBeCloseTo(before.part(part, 'right') * scale, 9)
      const [a, b] = [before, c].map((x) => x.cutting.slot(part, 'left')!)
      for (const t of TISSUES) expect(b!.tissue[t] / b!.kg).toBeCloseTo(a!.tissue[t] / a!.kg, 9)
      closes(c)
    },
  )
  it('more than the carcass it cannot be: something is left of the rest', () => {
    const c = cutUp('hog', choose({}), { kg: 85, parts: { leg: 60, shoulder: 60 } })
    expect(c.balance.carcass).toBeCloseTo(85, 9)
    expect(c.part('leg', 'right')).toBeGreaterThan(0)
    closes(c)
  })
  it('in every draw it weighs what it weighed; its sisters vary less about what is left', () => {
    const chain = () => [200, 190, 87, 85, 85]
    const drawn = (parts: Record<string, number>) =>
      drawLot(cutUp('hog', choose({ leg: 'leg-whole' }), { kg: 85, parts }).cutting, 1, chain, 400)
    const whole = cutUp('hog', choose({ leg: 'leg-whole' }), { kg: 85 })
    const left = whole.part('leg', 'left')
    const sd = (d: ReturnType<typeof drawn>) => {
      const own = [...d.cut.get('leg-whole')!]
      return standardDeviation(own) / mean(own)
    }
    expect(sd(drawn({ leg: left }))).toBeLessThan(0.7 * sd(drawn({})))
  })
})

describe('what is cut away of a part, bruised or condemned', () => {
  it.each(CASES)('%s %s: it is discarded whole, and nothing of it is in any cut', (species, part, kg) => {
    const before = cutUp(species, choose({}), { kg })
    const away = before.part(part, 'left') * 0.2
    const c = cutUp(species, choose({}), { kg, cutAway: { [part]: away } })
    const discard = before.flow.anatomy.roles.discard
    const slot = c.cutting.slot(part, 'left')!
    expect(slot.cutAway).toBeCloseTo(away, 9)
    expect(slot.rows.reduce((sum, r) => sum + r.green, 0) + away).toBeCloseTo(slot.kg, 9)
    expect(c.cut(discard)).toBeGreaterThan(before.cut(discard) + away * 0.9)
    expect(c.balance.products).toBeLessThan(before.balance.products)
    closes(c)
  })
  it('no more than there is of it', () => {
    const c = cutUp('hog', choose({}), { kg: 85, cutAway: { belly: 500 } })
    const slot = c.cutting.slot('belly', 'left')!
    expect(slot.cutAway).toBeCloseTo(slot.kg, 9)
    closes(c)
  })
  it('of a part that comes out of another, and of one that is cut two ways', () => {
    const c = cutUp('hog', choose({}, { splits: { loin: { at: 0.5, path: 'loin-roasts' } } }), {
      kg: 85,
      cutAway: { butt: 0.5, loin: 1 },
    })
    for (const part of ['butt', 'loin']) {
      const slot = c.cutting.slot(part, 'left')!
      expect(slot.rows.reduce((sum, r) => sum + r.green, 0) + slot.cutAway).toBeCloseTo(slot.kg, 9)
    }
    closes(c)
  })
})
