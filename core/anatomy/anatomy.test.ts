import { describe, expect, it } from 'vitest'
import { drawSide, hog, validateAnatomy, type Anatomy } from './index.ts'

describe('the hog', () => {
  it('is sound: every tissue closes in every path and band, every reference and both names exist', () => {
    expect(validateAnatomy(hog)).toEqual([])
  })
  it('offers at least three ways for shoulder, loin, belly, ribs and leg', () => {
    for (const part of ['shoulder', 'loin', 'belly', 'spare-ribs', 'leg']) {
      expect(hog.paths.filter((p) => p.part === part).length, part).toBeGreaterThanOrEqual(3)
    }
  })
  it('has vertebrae of 25–28 mm at the front and 35–38 mm in the loin (common practice)', () => {
    const ribs = hog.axis.filter((s) => s.rib)
    expect(ribs).toHaveLength(14)
    expect(ribs[0]!.mm).toBeGreaterThanOrEqual(25)
    expect(ribs[0]!.mm).toBeLessThanOrEqual(28)
    for (const s of hog.axis.filter((s) => s.id.startsWith('lumbar'))) expect(s.mm).toBe(36)
  })
})

describe('an unsound anatomy is told what is wrong', () => {
  const broken = (change: (a: Anatomy) => void) => {
    const copy = structuredClone(hog)
    change(copy)
    return validateAnatomy(copy).map((f) => `${f.where}: ${f.what}`)
  }
  it('names the tissue that does not close', () => {
    const faults = broken((a) => void (a.paths[0]!.outputs[0]!.lean -= 0.1))
    expect(faults.join()).toMatch(/shoulder-whole: lean adds up to 0\.9\d*: some is missing/)
  })
  it('finds references to nothing', () => {
    expect(broken((a) => void (a.paths[0]!.outputs[0]!.cut = 'wing')).join()).toContain(
      'makes unknown cut wing',
    )
    expect(broken((a) => void (a.parts[0]!.fallback = 'loin-chops')).join()).toContain('none of its paths')
    expect(broken((a) => void (a.cuts[0]!.names.commonwealth = '')).join()).toContain('lacks a name')
  })
})

describe('the drawing', () => {
  const at = (shoulder: number) => drawSide(hog, { 'shoulder-line': shoulder, 'leg-line': 22 })
  const area = (side: ReturnType<typeof at>, part: string) => {
    const polygon = side.parts.find((p) => p.part === part)!.polygon
    return (
      Math.abs(
        polygon.reduce(
          (s, [x, y], i) =>
            s + x * polygon[(i + 1) % polygon.length]![1] - polygon[(i + 1) % polygon.length]![0] * y,
          0,
        ),
      ) / 2
    )
  }
  it('moves ground from loin and belly to the shoulder when the line moves back, and leaves the leg alone', () => {
    const [front, back] = [at(3), at(6)]
    expect(area(back, 'shoulder')).toBeGreaterThan(area(front, 'shoulder') * 1.2)
    expect(area(back, 'loin')).toBeLessThan(area(front, 'loin'))
    expect(area(back, 'leg')).toBeCloseTo(area(front, 'leg'), 6)
    const whole = (s: typeof front) => ['shoulder', 'loin', 'belly'].reduce((sum, p) => sum + area(s, p), 0)
    expect(whole(back) / whole(front)).toBeCloseTo(1, 2)
  })
  it('numbers every rib', () => {
    expect(at(3).ribs.map((r) => r.rib)).toEqual(Array.from({ length: 14 }, (_, i) => i + 1))
  })
})
