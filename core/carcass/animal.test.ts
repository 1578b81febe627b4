import { describe, expect, it } from 'vitest'
import { UNSURE, type Species } from '#core/anatomy'
import { ANATOMIES } from '#core/species'
import { kg } from '#core/measure'
import { animalOf, type Conventions, type Measured } from './index.ts'
import { choose, cutUp } from './testing.ts'

const animal = (
  species: Species,
  at: number,
  {
    type = null,
    measured = {},
    conventions = {},
  }: { type?: string | null; measured?: Measured; conventions?: Conventions } = {},
) => animalOf(ANATOMIES[species], { type, measured, conventions }, kg(at), kg(at / 0.98))
/** Cut as usual, with what was poured of each part and tissue. */
const cut = (species: Species, at: number, more: Parameters<typeof animal>[2] = {}, choices = choose()) => {
  const { factors, tilts } = animal(species, at, more)
  return cutUp(species, choices, { kg: at, conventions: more.conventions ?? {}, factors, tilts })
}

describe('an animal of its type and weight', () => {
  it('a hog of 18 kg is lean and bony, one of 200 kg a third fat; a calf is no small steer', () => {
    expect(animal('hog', 18).made.fat).toBeLessThan(0.17)
    expect(animal('hog', 200).made.fat).toBeGreaterThan(0.38)
    expect(animal('steer', 80, { type: 'calf' }).made.bone).toBeGreaterThan(0.22)
    expect(animal('steer', 320).made.bone).toBeLessThan(0.16)
  })
  it('the carcass poured holds what the animal is made of', () => {
    for (const [species, at, type] of [
      ['steer', 270, 'grass'],
      ['hog', 110, 'heritage'],
      ['lamb', 30, 'middle'],
    ] as const) {
      const { made } = animal(species, at, { type })
      const { tissue } = cut(species, at, { type })
      expect(tissue[2]! / at).toBeCloseTo(made.bone, 9)
      expect((tissue[1]! + tissue[4]!) / at).toBeCloseTo(made.fat, 9)
      expect(tissue[0]! / at).toBeCloseTo(made.lean, 9)
    }
  })
  it('who is not sure has the mixture of the common types', () => {
    const made = (type: string) => animal('steer', 300, { type }).made.fat
    const mixed = made(UNSURE)
    expect(mixed).toBeGreaterThan(made('grass'))
    expect(mixed).toBeLessThan(made('heifer'))
    const fat = (type: string) => animal('steer', 300, { type }).spread.fat
    expect(fat(UNSURE)).toBeGreaterThan(fat('grass') * 1.1)
    expect(fat('grass')).toBe(ANATOMIES.steer.spread.fat)
  })
  it('what is taken off with the hide does not make it a lighter animal', () => {
    const skinned = animal('hog', 79, { conventions: { skin: false } })
    expect(skinned.made.fat).toBeCloseTo(animal('hog', 85).made.fat, 2)
  })
  it('lighter or heavier than any of its type is said', () => {
    expect(animal('steer', 500, { type: 'calf' }).beyond).toBe('heavier')
    expect(animal('hog', 12).beyond).toBe('lighter')
    expect(animal('hog', 85).beyond).toBeNull()
    expect(animal('hog', 0).beyond).toBeNull()
  })
})

describe('a bird is built by type and weight', () => {
  const ways = choose({ bird: 'bird-parts', breast: 'breast-bone-in', wing: 'wing-whole', back: 'back-sold' })
  const boneless = choose({ bird: 'bird-parts', breast: 'breast-boneless-on' })
  const share = (type: string, at: number, id: string, choices = ways) =>
    (cut('broiler', at, { type }, choices).cut(id) / at) * 100

  // Slow coloured birds, parts of a bird without neck and giblets, each ± 2 (common practice, from memory). The boneless
  // breast set the build; the others did not.
  it.each([
    ['breast-bone-in', 30],
    ['thigh', 20],
    ['drumstick', 16.5],
    ['wing-whole', 13],
    ['backs', 20.5],
  ])('a slow bird is that much %s: %d in a hundred, within 2', (id, usual) => {
    expect(Math.abs(share('slow', 1.8, id) - usual)).toBeLessThanOrEqual(2)
  })
  it('a slow bird has a quarter less boneless breast, a heavy fast one more than a light one', () => {
    expect(share('slow', 1.8, 'breast-boneless-on', boneless)).toBeCloseTo(21, 0)
    expect(share('fast', 2, 'breast-boneless-on', boneless)).toBeCloseTo(28, 0)
    const fast = (at: number) => share('fast', at, 'breast-boneless-on', boneless)
    expect(fast(3.3)).toBeGreaterThan(fast(2) + 0.5)
    expect(fast(1.3)).toBeLessThan(fast(2) - 0.5)
  })
  it('whichever way it is cut: the first wing bone on the breast, or a breast quarter', () => {
    for (const [way, id] of [
      ['bird-first-bone', 'breast-first-bone'],
      ['bird-quarters', 'breast-quarter'],
    ] as const) {
      const of = (type: string) => share(type, 1.8, id, choose({ bird: way }))
      expect(of('slow')).toBeLessThan(of('fast') * 0.9)
    }
    expect(share('slow', 1.8, 'whole-bird', choose())).toBeCloseTo(99.2, 6)
  })
  it('nothing is lost by it, and who is not sure has what lies between', () => {
    const { balance } = cut('broiler', 1.8, { type: 'slow' }, ways)
    expect(balance.products + balance.byProducts + balance.losses - balance.added).toBeCloseTo(1.8, 12)
    const mixed = share(UNSURE, 1.8, 'breast-boneless-on', boneless)
    expect(mixed).toBeGreaterThan(share('slow', 1.8, 'breast-boneless-on', boneless))
    expect(mixed).toBeLessThan(share('fast', 1.8, 'breast-boneless-on', boneless))
  })
})

describe('a measurement acts on its own depot, against what is usual at this weight and type', () => {
  it('what is usual moves nothing: a light lean hog with an eye normal for its size stays as it is', () => {
    const light = animal('hog', 60, { measured: { 'eye-area': 34, 'fat-depth': 9.6 } })
    expect(light.moved!.lean).toBeCloseTo(0, 1)
    expect(light.moved!.fat).toBeCloseTo(0, 1)
    expect(animal('hog', 60).moved).toBeNull()
  })
  it.each([
    ['hog', 85, 16, 0.75],
    ['steer', 320, 12, 0.7],
    ['lamb', 20, 4.5, 1.3],
  ] as const)(
    'a %s of %d kg with a mm of fat over %d is about %d points fatter, lean and bone give it',
    (species, at, usual, per) => {
      const { moved } = animal(species, at, { measured: { 'fat-depth': usual + 1 } })
      expect(moved!.fat / per).toBeGreaterThan(0.6)
      expect(moved!.fat / per).toBeLessThan(1.05)
      expect(moved!.lean).toBeLessThan(-0.3 * per)
      expect(-moved!.lean).toBeLessThan(moved!.fat)
    },
  )
  it('a rib-eye a quarter larger makes rib-eye steaks heavier by an eighth or more, and the shank no heavier', () => {
    const ways = choose({ rib: 'rib-eye' })
    const kgOf = (eye: number, id: string) =>
      cut('steer', 320, { measured: { 'eye-area': eye } }, ways).cut(id)
    expect(kgOf(100, 'rib-eye') / kgOf(80, 'rib-eye')).toBeGreaterThan(1.125)
    expect(kgOf(100, 'shank-cut') / kgOf(80, 'shank-cut')).toBeLessThan(1)
  })
  it('kidney fat measured at 6 % is 6 % of the carcass', () => {
    expect(cut('steer', 320, { measured: { 'kidney-fat': 6 } }).part('suet') / 320).toBeCloseTo(0.06, 9)
  })
  it('an absurd figure leaves every depot above nothing', () => {
    const { factors } = animal('hog', 85, { measured: { 'fat-depth': 0, 'eye-area': 900 } })
    for (const f of Object.values(factors)) expect(f).toBeGreaterThan(0)
    expect(Math.min(...cut('hog', 85, { measured: { 'fat-depth': 900 } }).tissue)).toBeGreaterThan(0)
  })
})
