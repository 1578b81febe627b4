import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { sidesOf, SPECIES, TRIM_LEVELS, type Anatomy, type Species } from '#core/anatomy'
import { ANATOMIES } from '#core/species'
import { kg as kilograms, KG_PER_LB, mm } from '#core/measure'
import { animalOf, chainUnder, SidedMap, type Choices } from './index.ts'
import { choose, cutUp, sharesOf, parted } from './testing.ts'
import { CLASS_OF } from '#core/records'

const all = SPECIES.map((s) => [s, ANATOMIES[s]] as const)
const across = (a: Anatomy) => a.lines.flatMap((l) => (l.kind === 'across' ? [l] : []))
const along = (a: Anatomy) => a.lines.flatMap((l) => (l.kind === 'along' ? [l] : []))

/** Any plan at all of a species: ways and lines of each side, trim, dressing, weight. */
const anyPlan = (a: Anatomy) =>
  fc.record({
    ways: fc.tuple(
      ...a.parts.flatMap((p) =>
        sidesOf(p).map((side) =>
          fc
            .constantFrom(...a.paths.filter((x) => x.part === p.id).map((x) => x.id))
            .map((value) => ({ id: p.id, side, value })),
        ),
      ),
    ),
    lines: fc.tuple(
      ...across(a).flatMap((l) =>
        (['left', 'right'] as const).map((side) =>
          fc.constantFrom(...l.settings).map((x) => ({ id: l.id, side, value: x.id })),
        ),
      ),
    ),
    mm: fc.tuple(
      ...along(a).flatMap((l) =>
        (['left', 'right'] as const).map((side) =>
          fc
            .double({ min: l.mm.low, max: l.mm.high, noNaN: true })
            .map((x) => ({ id: l.id, side, value: mm(x) })),
        ),
      ),
    ),
    trim: fc.constantFrom(...TRIM_LEVELS),
    conventions: fc.record(Object.fromEntries(a.conventions.map((c) => [c.id, fc.boolean()]))),
    kg: fc.double({ min: 1, max: 500, noNaN: true }),
    ribs: a.ribs ? fc.integer({ min: a.ribs.low, max: a.ribs.high }) : fc.constant(null),
  })

describe('every kilogram is somewhere', () => {
  it.each(all)(
    '%s: carcass + kept + added = products + by-products + losses for any plan, lines, trim, ribs and dressing (1e-9), and no mass is negative',
    (species, a) => {
      fc.assert(
        fc.property(anyPlan(a), ({ ways, lines, mm: long, trim, conventions, kg, ribs }) => {
          const choices: Choices = {
            paths: new SidedMap(ways),
            lines: new SidedMap(lines),
            mm: new SidedMap(long),
            trim,
          }
          const { balance: b, cuts } = cutUp(species, choices, { kg, conventions, liveKg: kg * 1.6, ribs })
          expect(Math.abs(b.carcass - kg)).toBeLessThan(1e-9 * kg)
          expect(Math.abs(b.carcass + b.kept + b.added - b.products - b.byProducts - b.losses)).toBeLessThan(
            3e-9 * kg,
          )
          expect(Math.min(...cuts)).toBeGreaterThanOrEqual(-1e-12)
        }),
        { seed: 11, numRuns: 100 },
      )
    },
  )
  it.each(all)('%s: every way of a part conserves each tissue, at every trim level (1e-9)', (species, a) => {
    const ways = sharesOf(cutUp(species).flow)
    const open = ways.filter(
      (w) =>
        w.shares.some((share) => share < -1e-12) || Math.abs(w.shares.reduce((x, y) => x + y, 0) - 1) > 1e-9,
    )
    expect(open).toEqual([])
    expect(ways.length).toBeGreaterThan(a.paths.length)
  })
  it.each(all)('%s: two animals give twice of everything that one gives', (species) => {
    const [one, two] = [cutUp(species), cutUp(species, undefined, { kg: 200, count: 2 })]
    one.cuts.forEach((mass, i) => expect(two.cuts[i]).toBeCloseTo(2 * mass, 9))
  })
  it('sides are independent: what the left becomes leaves the right alone', () => {
    for (const [species, part, way, cut] of [
      ['hog', 'leg', 'leg-grind', 'fresh-ham'],
      ['lamb', 'leg', 'leg-grind', 'leg-whole'],
      ['steer', 'rib', 'rib-grind', 'rib-steak'],
    ] as const) {
      const mixed = cutUp(species, choose({}, { left: { [part]: way } }))
      expect(mixed.cut(cut), species).toBeCloseTo(cutUp(species).cut(cut) / 2, 9)
    }
  })
})

/** Parts whose poured mass differs between two plans. */
function touched(a: ReturnType<typeof cutUp>, b: ReturnType<typeof cutUp>): string[] {
  return a.flow.anatomy.parts.map((p) => p.id).filter((p) => Math.abs(a.part(p) - b.part(p)) > 1e-9)
}

describe('a line changes only the parts that touch it, and never the whole', () => {
  const hogLoin = { loin: 'loin-roasts' }
  it.each([
    ['hog', 'shoulder-line', '2|3', '5|6', ['belly', 'loin', 'shoulder', 'spare-ribs']],
    ['hog', 'rib-end-line', 'on', '+5', ['loin', 'rib-end']],
    ['hog', 'leg-line', 'sacrum', 'lumbar', ['belly', 'leg', 'loin']],
    ['hog', 'sirloin-line', 'on', 'off', ['loin', 'sirloin']],
    ['lamb', 'shoulder-line', '4|5', '5|6', ['breast', 'rack', 'shoulder']],
    ['lamb', 'rack-end-line', '12|13', '11|12', ['loin', 'rack']],
    ['lamb', 'leg-line', 'hip', 'ahead', ['breast', 'leg', 'loin']],
    ['steer', 'loin-split', 'all', 'k3', ['short-loin', 'short-loin-rear', 'tenderloin']],
  ] as const)('%s: the %s from %s to %s', (species, line, from, to, parts) => {
    const at = (setting: string) =>
      cutUp(species, choose(species === 'hog' ? hogLoin : {}, { lines: { [line]: setting } }))
    const [before, after] = [at(from), at(to)]
    expect(touched(before, after).sort()).toEqual([...parts])
    expect(before.tissue.map((t, i) => t - after.tissue[i]!)).toEqual(
      before.tissue.map(() => expect.closeTo(0, 9)),
    )
  })
  it.each([
    ['hog', 'belly-line', 5, 60, ['belly', 'loin']],
    ['lamb', 'breast-line', 20, 110, ['breast', 'loin', 'rack']],
    ['steer', 'plate-line', 20, 200, ['plate', 'rib']],
    ['steer', 'flank-line', 20, 150, ['flank', 'short-loin']],
  ] as const)(
    '%s: the %s from %d to %d mm; further from the eye leaves less below',
    (species, line, near, far, parts) => {
      const at = (mm: number) => cutUp(species, choose({}, { mm: { [line]: mm } }))
      const [before, after] = [at(near), at(far)]
      expect(touched(before, after).sort()).toEqual([...parts])
      const below = parts.find((p) => ['belly', 'breast', 'plate', 'flank'].includes(p))!
      expect(after.part(below)).toBeLessThan(before.part(below))
    },
  )
  it('hog shoulder line 2|3 → 5|6 moves 5–9 points of carcass into the shoulder (common practice)', () => {
    const at = (setting: string) => cutUp('hog', choose({}, { lines: { 'shoulder-line': setting } }))
    const moved = at('5|6').part('shoulder') - at('2|3').part('shoulder')
    expect(moved).toBeGreaterThan(5)
    expect(moved).toBeLessThan(9)
  })
})

describe('ribs', () => {
  const ribsOfRack = (shoulder: string, end: string, ribs: number) => {
    const { cutting } = cutUp(
      'lamb',
      choose({}, { lines: { 'shoulder-line': shoulder, 'rack-end-line': end } }),
      {
        ribs,
      },
    )
    const at = cutting.lineAt('left')
    return at['rack-end-line']! - at['shoulder-line']!
  }
  it.each([
    ['4|5', '12|13', 13, 8],
    ['4|5', '11|12', 13, 7],
    ['5|6', '12|13', 13, 7],
    ['5|6', 'last', 13, 8],
    ['5|6', 'last', 14, 9],
    ['5|6', 'last', 12, 7],
  ])('a lamb cut %s and %s with %d ribs gives racks of %d (common practice)', (shoulder, end, ribs, rack) => {
    expect(ribsOfRack(shoulder, end, ribs)).toBe(rack)
  })
  it('one more rib moves no mass out of nowhere', () => {
    expect(cutUp('lamb', undefined, { ribs: 14 }).balance.products).toBeGreaterThan(0)
    expect(cutUp('lamb', undefined, { ribs: 14 }).tissue).toEqual(
      cutUp('lamb').tissue.map((t) => expect.closeTo(t, 9)),
    )
  })
})

describe('figures of the trade (common practice, from memory): the charts that set the cells do not state them', () => {
  it.each([
    ['hog', 10, 13],
    ['lamb', 16, 21],
    ['steer', 14, 17],
  ] as const)('bone of the %s is %d–%d %% of carcass', (species, low, high) => {
    const bone = cutUp(species).tissue[2]!
    expect(bone).toBeGreaterThan(low)
    expect(bone).toBeLessThan(high)
  })
  it('a lean wild hog of 200 lb live, skinned, strict, quartered where it fell: 12–20 % of live', () => {
    const live = 200 * KG_PER_LB
    const conventions = { skin: false, leaf: false }
    const { mean } = chainUnder(ANATOMIES.hog, { skin: false }, 'wild').dressing
    const weight = kilograms(live * 0.97 * mean * 0.98)
    const as = { type: 'wild', measured: {}, conventions }
    const { factors } = animalOf(ANATOMIES.hog, as, weight, weight)
    const ways = { leg: 'leg-seamed', loin: 'loin-straps', shoulder: 'shoulder-off', tail: 'tail-stock' }
    const left = ['belly', 'jowl', 'fore-hock', 'hind-hock'].map((part) => [part, `${part}-left`])
    const taken = choose(
      { ...ways, ...Object.fromEntries(left), 'spare-ribs': 'ribs-left' },
      { trim: 'strict' },
    )
    const { balance } = cutUp('hog', taken, { kg: weight, factors, conventions })
    expect(balance.products / live).toBeGreaterThan(0.12)
    expect(balance.products / live).toBeLessThan(0.2)
  })
  it('skin is 4–6 % of a hog carcass', () => {
    expect(cutUp('hog').tissue[3]).toBeGreaterThan(4)
    expect(cutUp('hog').tissue[3]).toBeLessThan(6)
  })

  const PLANS: [Species, string, Record<string, string>, number][] = [
    ['hog', 'bone-in', {}, 77.1],
    [
      'hog',
      'boneless',
      {
        shoulder: 'shoulder-collar',
        loin: 'loin-boneless-chops',
        leg: 'leg-seamed',
        belly: 'belly-slices',
        'spare-ribs': 'ribs-grind',
        'fore-hock': 'fore-hock-boned',
        'hind-hock': 'hind-hock-boned',
      },
      64.5,
    ],
    [
      'lamb',
      'bone-in',
      {
        neck: 'neck-grind',
        shoulder: 'shoulder-chops',
        rack: 'rack-chops',
        leg: 'leg-hip-out',
        kidneys: 'kidneys-left',
      },
      75.8,
    ],
    [
      'lamb',
      'boneless',
      {
        neck: 'neck-grind',
        shoulder: 'shoulder-rolled',
        foreshank: 'foreshank-grind',
        rack: 'rack-rolled',
        breast: 'breast-grind',
        loin: 'loin-boneless',
        leg: 'leg-butterflied',
        kidneys: 'kidneys-left',
      },
      56,
    ],
    ['steer', 'bone-in', { chuck: 'chuck-blade-steaks' }, 69.8],
    [
      'steer',
      'boneless',
      {
        foreshank: 'foreshank-grind',
        'hind-shank': 'hind-shank-grind',
        rib: 'rib-eye',
        plate: 'plate-grind',
        'short-loin': 'loin-strip',
        'chuck-ribs': 'chuck-ribs-grind',
      },
      62.5,
    ],
  ]
  /** Saleable meat: lard, kidneys, feet and tail are sold but are not meant by the bands. */
  const APART = ['leaf-lard', 'trotter', 'tail', 'kidney']
  it.each(PLANS)(
    '%s %s at trim standard: the closing sum of its saleable meat within 3 points',
    (species, _, ways, sum) => {
      const c = cutUp(species, choose(ways))
      const apart = APART.filter((id) => ANATOMIES[species].cuts.some((x) => x.id === id))
      const meat = c.balance.products - apart.reduce((s, id) => s + c.cut(id), 0)
      expect(Math.abs(meat - sum)).toBeLessThanOrEqual(3)
    },
  )
  const RULE = { hog: [0.94, 0.4], lamb: [0.9, 0.2], steer: [0.97, 0.28] } as const
  const TYPES = PLANS.filter(([, which]) => which === 'boneless').flatMap(([species, , ways]) =>
    ANATOMIES[species].types.map((t) => [species, t.id, t, ways] as const),
  )
  it.each(TYPES)(
    'a %s, %s, boned: saleable meat is so much of its lean and fat (from memory), within 4 points',
    (species, id, type, ways) => {
      const weight = kilograms(type.depots.kg)
      const { factors, made } = animalOf(
        ANATOMIES[species],
        { type: id, measured: {}, conventions: {} },
        weight,
        weight,
      )
      const c = cutUp(species, choose(ways), { kg: weight, factors })
      const apart = APART.filter((x) => ANATOMIES[species].cuts.some((y) => y.id === x))
      const meat = (c.balance.products - apart.reduce((s, x) => s + c.cut(x), 0)) / weight
      const [lean, fat] = RULE[species as keyof typeof RULE]
      expect(Math.abs(meat - lean * made.lean - fat * made.fat) * 100).toBeLessThanOrEqual(4)
    },
  )

  it.each([
    ['legs with sirloin', 33, 2, ['leg']],
    ['shoulders with neck', 28, 2, ['shoulder', 'neck']],
    ['racks of eight ribs', 10, 1, ['rack']],
    ['loins', 11, 1, ['loin']],
    ['breasts with flanks', 11, 1.5, ['breast']],
    ['foreshanks', 4, 0.7, ['foreshank']],
    ['kidneys and fat', 3, 1, ['kidneys', 'kidney-fat']],
  ] as const)('lamb %s are %d ± %d %% of the carcass', (_, share, within, parts) => {
    const { part } = cutUp('lamb')
    expect(Math.abs(parts.reduce((s, p) => s + part(p), 0) - share)).toBeLessThanOrEqual(within)
  })

  it.each([
    ['breast', 37],
    ['back', 21],
  ])('a fast broiler’s %s is %d ± 2 %% of the bird without neck and giblets', (id, share) => {
    const c = cutUp('broiler', choose({ bird: 'bird-parts' }))
    expect(Math.abs(c.cutting.partKg(id) - share)).toBeLessThanOrEqual(2)
  })
  it('and thighs 18, drumsticks 13.5, wings 10.5, boneless breast with tenders 28, each ± 2', () => {
    const { cut } = cutUp('broiler', choose({ bird: 'bird-parts' }))
    const found = [cut('thigh'), cut('drumstick'), cut('wing-whole'), cut('breast-boneless') + cut('tenders')]
    ;[18, 13.5, 10.5, 28].forEach((share, i) => expect(Math.abs(found[i]! - share)).toBeLessThanOrEqual(2))
  })

  it('beef tenderloin of a 250 kg carcass: 3–3.5 kg pulled whole, 1.5–1.9 kg as butt ends behind T-bones', () => {
    const of = (way: string) => cutUp('steer', choose({ 'short-loin': way }), { kg: 250 }).cut('tenderloin')
    expect(of('loin-strip')).toBeGreaterThan(3)
    expect(of('loin-strip')).toBeLessThan(3.5)
    expect(of('loin-tbone')).toBeGreaterThan(1.5)
    expect(of('loin-tbone')).toBeLessThan(1.9)
  })
  it('a loin split at k: more vertebrae as T-bones, more T-bone weight and less tenderloin', () => {
    const at = (k: string) => cutUp('steer', choose({}, { lines: { 'loin-split': k } }))
    const ks = ['k1', 'k2', 'k3', 'k4', 'k5', 'all'].map(at)
    ks.slice(1).forEach((c, i) => {
      expect(c.cut('tbone')).toBeGreaterThan(ks[i]!.cut('tbone') - 1e-9)
      expect(c.cut('tenderloin')).toBeLessThan(ks[i]!.cut('tenderloin') + 1e-9)
    })
    expect(ks[0]!.cut('tbone')).toBeLessThan(ks[5]!.cut('tbone') / 3)
  })
  it('with a hog’s tenderloin sawn into chops none is left whole, and its butt end stays in the leg', () => {
    const [left, pulled] = [cutUp('hog'), cutUp('hog', choose({ loin: 'loin-chops-pulled' }))]
    expect(left.cut('tenderloin')).toBe(0)
    expect(pulled.cut('tenderloin')).toBeGreaterThan(0.8)
    expect(left.part('leg')).toBeGreaterThan(pulled.part('leg'))
    expect(left.cut('back-ribs') + pulled.cut('back-ribs')).toBe(0)
  })
  it('bone-in and boneless loins hold the same bone', () => {
    for (const [species, part, boned] of [
      ['hog', 'loin', 'loin-boneless-chops'],
      ['lamb', 'loin', 'loin-boneless'],
    ] as const) {
      const bone = (c: ReturnType<typeof cutUp>) => c.cutting.slot(part, 'left')!.tissue.bone
      expect(bone(cutUp(species, choose({ [part]: boned })))).toBeCloseTo(bone(cutUp(species)), 12)
    }
  })
  it('trimming closer makes less to sell and more fat: generous > standard > close > strict, in every species', () => {
    for (const species of SPECIES) {
      const sold = TRIM_LEVELS.map(
        (trim) => cutUp(species, choose(parted(species), { trim })).balance.products,
      )
      expect(
        [...sold].sort((a, b) => b - a),
        species,
      ).toEqual(sold)
      expect(new Set(sold).size, species).toBe(4)
    }
  })
})

describe('processes balance, and name what goes in', () => {
  it('bacon ends at 88–95 % of green belly; sausage takes 3–10 % water and about 2 % seasoning (common practice)', () => {
    const out = (species: Species, path: string, cut: string) =>
      ANATOMIES[species].paths.find((p) => p.id === path)!.outputs.find((o) => o.cut === cut)!.process!
    expect(out('hog', 'belly-bacon', 'bacon').yield).toBeGreaterThanOrEqual(0.88)
    expect(out('hog', 'belly-bacon', 'bacon').yield).toBeLessThanOrEqual(0.95)
    for (const s of SPECIES) {
      const inflow = (name: RegExp) =>
        out(s, CLASS_OF[s] === 'cattle' ? 'trim-half' : 'trim-sausage', 'sausage').inflows.find((i) =>
          name.test(i.name),
        )!.share
      expect(inflow(/water/)).toBeGreaterThanOrEqual(0.03)
      expect(inflow(/water/)).toBeLessThanOrEqual(0.1)
      expect(Math.abs(inflow(/season|spice/) - 0.02)).toBeLessThan(0.01)
    }
  })
  it('spit meat is 45 % lamb and 55 % beef: the beef is added mass, and the balance closes', () => {
    const c = cutUp('lamb', choose({ trim: 'trim-spit' }))
    expect(c.balance.added / c.cut('spit-meat')).toBeCloseTo(0.55, 9)
  })
  it('offal is poured only when kept, as a share of live weight, and stands apart from the carcass', () => {
    const left = cutUp('steer', undefined, { liveKg: 170 })
    const kept = cutUp('steer', choose({ liver: 'liver-kept' }), { liveKg: 170 })
    expect(left.balance.kept).toBe(0)
    expect(kept.balance.kept).toBeCloseTo(170 * 0.012, 9)
    expect(kept.balance.carcass).toBeCloseTo(100, 9)
    expect(kept.cut('liver')).toBeGreaterThan(0)
  })
  it('a bird with neck and giblets in holds them in the carcass; without, they can be kept apart', () => {
    const inside = cutUp('broiler', undefined, { conventions: { giblets: true } })
    expect(inside.cut('neck') + inside.cut('giblets')).toBeGreaterThan(5)
    const apart = cutUp('broiler', choose({ 'loose-giblets': 'loose-giblets-kept' }), { liveKg: 140 })
    expect(apart.cut('giblets')).toBeGreaterThan(0)
    const both = cutUp('broiler', choose({ 'loose-giblets': 'loose-giblets-kept' }), {
      liveKg: 140,
      conventions: { giblets: true },
    })
    expect(both.balance.kept).toBe(0)
  })
})
