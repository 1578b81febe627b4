import { describe, expect, it } from 'vitest'
import { lookup, SPECIES } from '#core/anatomy'
import { CLASS_OF } from '#core/records'
import { ANATOMIES } from '#core/species'
import { ACTIONS, placeOf, stepsOf, type HandStep } from './index.ts'

const all = SPECIES.flatMap((species) => {
  const anatomy = ANATOMIES[species]
  return anatomy.paths.map((path) => ({ species, anatomy, path, steps: stepsOf(anatomy, path) }))
})
/** All but the last, which names the way itself. */
const said = (steps: readonly HandStep[]) =>
  steps
    .slice(0, -1)
    .map((s) => `${s.action} | ${s.at} | ${s.tool}`)
    .join('\n')
const of = (species: (typeof SPECIES)[number], id: string) =>
  all.find((w) => w.species === species && w.path.id === id)!.steps
const actions = (steps: readonly HandStep[]) => steps.map((s) => s.action)
/** Whether all of one kind stand before all of another. */
const before = (steps: readonly HandStep[], a: string, b: string) =>
  actions(steps).lastIndexOf(a as never) < actions(steps).indexOf(b as never)

describe('the steps of every way of every species', () => {
  it('every part has landmarks of its own', () => {
    const without = SPECIES.flatMap((s) =>
      ANATOMIES[s].parts.filter((p) => !placeOf(CLASS_OF[s], p.id)).map((p) => `${s} ${p.id}`),
    )
    expect(without).toEqual([])
  })
  it('are three at least, each with a landmark, a tool and a sign', () => {
    expect(all.length).toBeGreaterThan(800)
    for (const { path, steps } of all) {
      expect(steps.length, path.id).toBeGreaterThanOrEqual(3)
      for (const s of steps) {
        expect(s.at.length, `${path.id} ${s.action}`).toBeGreaterThan(3)
        expect(ACTIONS[s.action].sign.length).toBeGreaterThan(8)
        expect(s.tool).toBe(ACTIONS[s.action].tool)
      }
    }
  })
  it('are the same for no two ways of a part', () => {
    const twice = SPECIES.flatMap((species) =>
      ANATOMIES[species].parts.flatMap((p) => {
        const own = all.filter((w) => w.species === species && w.path.part === p.id)
        return own
          .filter((w, i) => own.findIndex((x) => said(x.steps) === said(w.steps)) < i)
          .map((w) => `${species} ${w.path.id}`)
      }),
    )
    expect(twice).toEqual([])
  })
  it('name every cut and every part that a way makes, and none before what it is made of lies open', () => {
    for (const { anatomy, path, steps } of all) {
      const find = lookup(anatomy)
      if (path.leaves) continue
      const named = steps.flatMap((s) => (s.of ? [s.of.american] : []))
      for (const o of path.outputs) {
        const cut = o.cut === undefined ? null : find.cut(o.cut)!
        if (cut?.kind === 'product') expect(named, path.id).toContain(cut.names.american)
      }
      expect(actions(steps).indexOf('lay'), path.id).toBeLessThanOrEqual(0)
    }
  })
})

describe('nothing is done after it is needed (common practice)', () => {
  const orders = [
    ['gland', 'sort'],
    ['gland', 'cure'],
    ['free', 'boneOut'],
    ['free', 'chine'],
    ['free', 'sawAcross'],
    ['rind', 'sliceAcross'],
    ['boneOut', 'roll'],
    ['boneOut', 'cube'],
    ['fill', 'roll'],
    ['fill', 'tie'],
    ['roll', 'tie'],
    ['boneOut', 'sweep'],
    ['sweep', 'roll'],
    ['sweep', 'tie'],
    ['sweep', 'cube'],
    ['sweep', 'sort'],
    ['square', 'roll'],
    ['sort', 'grind'],
    ['sawAcross', 'scrape'],
    ['look', 'lift'],
    ['lift', 'clean'],
    ['cure', 'finishCure'],
  ] as const
  it.each(orders)('%s before %s, in every way that has both', (first, then) => {
    const both = all.filter(({ steps }) => actions(steps).includes(first) && actions(steps).includes(then))
    expect(both.length).toBeGreaterThan(0)
    // What is done to one cut is in order on that cut; what is done to the part is done before any of them.
    const cutsOf = (steps: readonly HandStep[]) => new Set(steps.map((s) => s.of))
    for (const { path, steps } of both)
      for (const cut of cutsOf(steps)) {
        const own = steps.filter((s) => s.of === null || s.of === cut)
        if (actions(own).includes(first) && actions(own).includes(then))
          expect(before(own, first, then), path.id).toBe(true)
      }
  })
  it('the last thing is the cold, or the tub it is set aside in', () => {
    for (const { path, steps } of all) expect(['cold', 'aside'], path.id).toContain(steps.at(-1)!.action)
  })
})

describe('what the trade knows of single ways (common practice)', () => {
  it('a boned leg: gland, rind, aitch bone, thigh, kneecap and shank, then swept by hand', () => {
    const steps = of('hog', 'leg-rolled')
    expect(steps.filter((s) => s.action === 'boneOut').map((s) => s.at)).toEqual([
      expect.stringContaining('aitch'),
      expect.stringContaining('thigh'),
      expect.stringContaining('kneecap'),
      expect.stringContaining('shank'),
    ])
    expect(before(steps, 'gland', 'boneOut')).toBe(true)
    expect(actions(steps)).toContain('sweep')
  })
  it('a tenderloin is freed whole before the strip is lifted off or T-bones are sawn', () => {
    expect(actions(of('steer', 'loin-strip')).indexOf('free')).toBeGreaterThan(-1)
    expect(before(of('steer', 'loin-tbone'), 'free', 'sawAcross')).toBe(true)
  })
  it('chops are sawn at their thickness and scraped; boneless ones are cut with the knife and swept', () => {
    const sawn = of('hog', 'loin-chops')
    expect(sawn.find((s) => s.action === 'sawAcross')!.at).toContain('25 mm')
    expect(actions(sawn)).toEqual(expect.arrayContaining(['chine', 'scrape']))
    const boned = actions(of('hog', 'loin-boneless-chops'))
    expect(boned).toEqual(expect.arrayContaining(['ribsOut', 'sliceAcross', 'sweep']))
    expect(boned).not.toContain('sawAcross')
  })
  it('curing is by weight with its caution, and what is stuffed says 74 °C', () => {
    expect(actions(of('hog', 'belly-bacon'))).toContain('cure')
    expect(ACTIONS.cure.caution).toMatch(/scale/)
    expect(ACTIONS.fill.caution).toContain('74 °C (165 °F)')
    expect(ACTIONS.grind.caution).toMatch(/never a hand/)
  })
  it('a bird is parted at its joints: eight pieces at hip, knee, shoulder, back and keel', () => {
    const joints = of('broiler', 'bird-eight').filter((s) => s.action === 'joint')
    expect(joints.map((s) => s.at).join()).toMatch(/hip.*knee.*shoulder.*back.*keel/)
    expect(actions(of('broiler', 'bird-eight'))).not.toContain('sawAcross')
  })
  it('shank cross-cuts keep their bone; a round that is sawn loses only its aitch bone', () => {
    expect(actions(of('steer', 'hind-shank-cuts'))).not.toContain('boneOut')
    expect(of('steer', 'round-bone-in').filter((s) => s.action === 'boneOut')).toHaveLength(1)
  })
  it('bones are felt for in no way that leaves them all in the meat', () => {
    expect(actions(of('hog', 'leg-whole'))).not.toContain('boneOut')
    expect(actions(of('lamb', 'shoulder-whole'))).not.toContain('boneOut')
  })
})

describe('what is done to rind, ribs, fat and offal of a hog (common practice)', () => {
  const ways = (species: (typeof SPECIES)[number], action: HandStep['action']) =>
    all.filter((w) => w.species === species && actions(w.steps).includes(action)).map((w) => w.path.id)
  it('rind that stays on a roast is scored, on what is cured or cut up it comes off; never both', () => {
    expect(ways('hog', 'score')).toEqual([
      ...['shoulder-whole', 'picnic-roasts', 'loin-porchetta', 'belly-slab', 'belly-porchetta'],
      ...['leg-whole', 'leg-halves', 'leg-rolled'],
    ])
    for (const id of ['belly-bacon', 'leg-ham-boneless', 'loin-chops', 'shoulder-grind'])
      expect(actions(of('hog', id)), id).toContain('rind')
    expect(ways('hog', 'rind').filter((id) => ways('hog', 'score').includes(id))).toEqual([])
    expect([ways('lamb', 'rind'), ways('steer', 'score')]).toEqual([[], []])
  })
  it('back ribs come off before the meat is boned where the loin is sold boneless, and only there', () => {
    expect(ways('hog', 'ribsOut').every((id) => id.startsWith('loin-'))).toBe(true)
    expect(ways('hog', 'ribsOut')).toContain('loin-roasts')
    for (const id of ['loin-chops', 'loin-rack', 'loin-grind'])
      expect(actions(of('hog', id)), id).not.toContain('ribsOut')
  })
  it('fat is rendered for lard and tallow and not where it is sold raw; a head is boiled for brawn, a stomach scalded', () => {
    expect([ways('hog', 'render'), ways('steer', 'render')]).toEqual([
      ['leaf-lard', 'fat-lard'],
      ['suet-tallow', 'fat-tallow'],
    ])
    expect([ways('hog', 'boil'), ways('hog', 'scald')]).toEqual([['head-brawn'], ['stomach-kept']])
  })
  it('a part that is not cut is looked at, wrapped under its own name and laid cold, and nothing else', () => {
    const uncut = all.filter((w) => w.path.id === 'belly-uncut' && w.species === 'hog')
    expect(uncut.map((w) => actions(w.steps))).toEqual([['lay', 'look', 'wrap', 'cold']])
    expect(uncut[0]!.steps[2]!.of?.american).toMatch(/belly/i)
    expect(uncut[0]!.steps[3]!.at).toBe(uncut[0]!.path.names.american.toLowerCase())
  })
  it('what is all ground is sorted lean from fat and goes aside into the tubs', () => {
    const steps = of('hog', 'butt-grind').slice(-3)
    expect(steps.map((s) => [s.action, s.at])).toEqual([
      ['sort', 'to trim'],
      ['aside', 'the trim tubs, lean and fat'],
      ['cold', 'to trim'],
    ])
  })
})
