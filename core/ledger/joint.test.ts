import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { apportion, kg, minor, sumOf } from '#core/measure'
import { JOINT_METHODS, shareJoint, type JointMethod, type JointProduct } from './index.ts'

const product = (
  id: string,
  mass: number,
  splitOff: number,
  value: number,
  separable: number,
): JointProduct => ({
  id,
  kg: kg(mass),
  splitOff: minor(splitOff),
  value: minor(value),
  separable: minor(separable),
})
const shares = (method: JointMethod, joint: number, products: JointProduct[]) => {
  const out = shareJoint(method, minor(joint), products)
  if (!out.ok) throw new Error('nothing to share over')
  return out.value
}

describe('joint cost, against the worked example of a textbook (Horngren, Datar and Rajan, Cost Accounting: raw milk into cream and skim, from memory)', () => {
  // 110,000 gallons of milk for $400,000 give 25,000 of cream ($8) and 75,000 of skim ($4); worked on they are 20,000 of
  // buttercream ($25, for $280,000) and 50,000 of condensed milk ($22, for $520,000).
  const dairy = [
    product('cream', 25_000, 200_000, 500_000, 280_000),
    product('skim', 75_000, 300_000, 1_100_000, 520_000),
  ]
  it.each<[JointMethod, number, number]>([
    ['weight', 100_000, 300_000],
    ['split-off', 160_000, 240_000],
    ['realisable', 110_000, 290_000],
    ['margin', 95_000, 305_000],
  ])('by %s', (method, cream, skim) => {
    expect(shares(method, 400_000, dairy).map((s) => s.joint)).toEqual([cream, skim])
  })
  it('leaves both a quarter of what they bring where margins are made equal', () => {
    const rows = shares('margin', 400_000, dairy)
    expect(rows.map((r, i) => r.margin / dairy[i]!.value)).toEqual([0.25, 0.25])
  })
})

describe('sharing a cost', () => {
  const some = fc.array(
    fc.record({
      mass: fc.double({ min: 0, max: 80, noNaN: true }),
      value: fc.nat(90_000),
      part: fc.double({ min: 0, max: 1, noNaN: true }),
      separable: fc.nat(9000),
    }),
    { minLength: 1, maxLength: 30 },
  )
  it('adds up to the cost to the minor unit by every method, and counts nothing twice', () => {
    fc.assert(
      fc.property(some, fc.nat(400_000), (rows, joint) => {
        const products = rows.map((r, i) =>
          product(String(i), r.mass, Math.round(r.value * r.part), r.value, r.separable),
        )
        for (const method of JOINT_METHODS) {
          const out = shareJoint(method, minor(joint), products)
          if (!out.ok) continue
          expect(sumOf(out.value, (s) => s.joint)).toBe(joint)
          const all = joint + sumOf(products, (p) => p.separable)
          const brought = sumOf(products, (p) => p.value)
          expect(sumOf(out.value, (s) => s.margin)).toBe(brought - all)
        }
      }),
    )
  })
  it('gives the largest remainders what is left over: 100 over three is 34, 33, 33', () => {
    expect(apportion(minor(100), [1, 1, 1])).toEqual([34, 33, 33])
    expect(apportion(minor(100), [2, 3, 1])).toEqual([33, 50, 17])
  })
  it('has nothing to share over where nothing is sold, and says so', () => {
    const given = [product('bones', 12, 0, 0, 0)]
    expect(shareJoint('realisable', minor(5000), given)).toMatchObject({
      ok: false,
      issues: [{ code: 'joint-nothing', figures: { method: 'realisable' } }],
    })
    expect(shares('weight', 5000, given)[0]).toMatchObject({ joint: 5000, margin: -5000 })
  })
})
