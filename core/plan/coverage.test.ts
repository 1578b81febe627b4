import { describe, expect, it } from 'vitest'
import {
  ANATOMIES,
  openedFrom,
  sidesOf as sidesOfPart,
  SPECIES,
  type Anatomy,
  type Path,
  type SideName,
  type Species,
} from '#core/anatomy'
import { choose, cutUp } from '../carcass/testing.ts'
import type { Decision, FactBody } from '#core/records'
import { NO_LOG, readPlan, refusalOf, takePath, tried, type Said } from './index.ts'

/** Every cell of the trade brief's tables of ways (common practice), and the ways that are it. */
const CELLS: Record<Species, Record<string, string>> = {
  hog: {
    'shoulder: whole, bone in, slow roast': 'shoulder-whole',
    'shoulder: butt and picnic, bone in or boned':
      'shoulder-parted butt-roasts butt-boned picnic-roasts picnic-boned',
    'shoulder: blade steaks': 'shoulder-steaks butt-steaks',
    'shoulder: boned collar roast, fresh or cured': 'shoulder-collar shoulder-collar-cured',
    'shoulder: neck and feather bones to stock': 'neck-bones-stock',
    'shoulder: all to grind': 'shoulder-grind butt-grind picnic-grind',
    'loin: bone-in chops, tenderloin left in': 'loin-chops',
    'loin: tenderloin pulled whole, then chops': 'loin-chops-pulled tenderloin-whole',
    'loin: frenched rack and chops': 'loin-rack',
    'loin: boneless chops': 'loin-boneless-chops',
    'loin: pocket chops': 'loin-pocket',
    'loin: butterfly chops': 'loin-butterfly',
    'loin: roasts, one slit and stuffed': 'loin-roasts loin-stuffed',
    'loin: cured back slices': 'loin-back-bacon',
    'loin: small crown in its own back ribs': 'loin-crown',
    'loin ends: sirloin roast, chops, cubes or sausage':
      'sirloin-roast sirloin-chops sirloin-cubes sirloin-grind',
    'loin ends: rib end roast, country-style ribs or sausage': 'rib-end-roast rib-end-ribs rib-end-grind',
    'loin and belly in one: rolled': 'loin-porchetta belly-porchetta',
    'loin and belly in one: long chops': 'loin-long-chops belly-long-chops',
    'belly: bacon': 'belly-bacon belly-bacon-rind',
    'belly: fresh slabs': 'belly-slab',
    'belly: sliced': 'belly-slices',
    'belly: rolled and cured': 'belly-roll',
    'belly: sausage fat': 'belly-grind',
    'spare ribs: full': 'ribs-full',
    'spare ribs: squared': 'ribs-squared',
    'spare ribs: left on the belly': 'ribs-on-belly',
    'leg: whole ham, fresh or cured and smoked': 'leg-whole leg-smoked',
    'leg: halves': 'leg-halves',
    'leg: hip bone out, rolled': 'leg-rolled',
    'leg: cured steaks': 'leg-gammon',
    'leg: seamed into small roasts, steaks, cube steak':
      'leg-seamed topside-roasts silverside-roasts knuckle-roasts topside-steaks silverside-cube knuckle-cube',
    'leg: ham with nitrite or salt only': 'leg-ham-boneless leg-dry-ham',
    'leg: hock and trotter off': 'hind-hock-whole fore-hock-whole hind-foot-kept fore-foot-kept',
    'leg: all to grind': 'leg-grind',
    'rest: jowl': 'jowl-cured jowl-fresh jowl-ground',
    'rest: head': 'head-whole head-cheeks head-brawn',
    'rest: tail': 'tail-kept',
    'rest: hocks': 'fore-hock-smoked hind-hock-smoked',
    'rest: skin, on and scored or off': 'skin-crackling skin-kept',
    'rest: liver, heart, kidneys': 'liver-kept heart-kept kidneys-kept',
    'rest: caul': 'caul-kept',
    'rest: blood': 'blood-kept',
    'rest: stomach': 'stomach-kept',
    'rest: leaf fat': 'leaf-lard leaf-raw',
    'rest: back fat': 'fat-kept fat-lard fat-sausage',
    'rest: bones': 'bones-kept bones-sold',
  },
  lamb: {
    'neck: slices': 'neck-slices neck-whole-slices',
    'neck: boned and rolled': 'neck-rolled',
    'neck: stock': 'neck-stock',
    'shoulder: whole bone in': 'shoulder-whole',
    'shoulder: boned and rolled': 'shoulder-rolled',
    'shoulder: round-bone then blade chops': 'shoulder-chops',
    'shoulder: stew or grind': 'shoulder-stew shoulder-grind',
    'foreshank: whole braise': 'foreshank-whole',
    'rack: whole, frenched': 'rack-frenched',
    'rack: rib chops': 'rack-chops',
    'rack: boned, rolled': 'rack-rolled',
    'rack: pair tied as crown': 'rack-crown rack-tied',
    'breast: squared rib strip and rip tips': 'breast-ribs',
    'breast: boned, stuffed, rolled': 'breast-rolled',
    'breast: cured': 'breast-cured',
    'breast: tied as barding': 'breast-barding',
    'breast: riblets': 'breast-riblets',
    'breast: grind': 'breast-grind',
    'loin: chops, short tails': 'loin-chops',
    'loin: bone-in double chops': 'loin-double-chops',
    'loin: double boneless chops': 'loin-double-boneless',
    'loin: tenderloins and boneless loin': 'loin-boneless tenderloin-whole',
    'loin: saddle roast': 'loin-saddle',
    'loin: noisette saddle': 'loin-noisette-saddle',
    'leg: whole bone in': 'leg-whole',
    'leg: hip bone out': 'leg-hip-out',
    'leg: butterflied along the seams': 'leg-butterflied',
    'leg: top steaks, shank, butterflied middle': 'leg-three-ways',
    'leg: seven meals': 'leg-seven-meals',
    'leg: kebab, stew, stir-fry': 'leg-cubes',
    'leg: whole steaks on the saw': 'leg-sawn',
    'rest: kidneys': 'kidneys-kept',
    'rest: kidney fat': 'kidney-fat-kept kidney-fat-tallow',
    'rest: liver': 'liver-kept',
    'rest: heart': 'heart-kept',
    'rest: bones': 'bones-sold',
    'rest: trim for spiced sausage in sheep casing': 'trim-sausage',
    'a blend of 45 % lamb and 55 % beef': 'trim-spit',
  },
  steer: {
    'chuck: shoulder clod, roast': 'clod-roast',
    'chuck: flat iron, ranch steaks, shoulder tender': 'clod-parted',
    'chuck: bone-in blade steaks or roasts': 'chuck-blade-steaks chuck-blade-roasts',
    'chuck: mock tender, chuck roll as roast, steaks, inner-chuck steaks':
      'chuck-boned chuck-roll-roast chuck-roll-steaks',
    'chuck: seven-bone, arm and cross-rib pot roasts': 'chuck-blade-roasts',
    'chuck: short ribs': 'chuck-ribs-cut',
    'chuck: neck bones to stock, meat to trim': 'neck-bones-stock neck-bones-out',
    'brisket: whole': 'brisket-whole',
    'brisket: split': 'brisket-split',
    'brisket: rolled': 'brisket-rolled',
    'brisket: squares for curing': 'brisket-cured',
    'brisket: trim': 'brisket-grind',
    'foreshank: cross-cuts': 'foreshank-cuts',
    'foreshank: boned to trim': 'foreshank-grind',
    'rib: bone-in roast': 'rib-roast',
    'rib: bone-in steaks': 'rib-steaks',
    'rib: long-bone steaks': 'rib-long-bone plate-long-bone',
    'rib: boneless rib-eye and back ribs': 'rib-eye',
    'rib: half and half': 'rib-half',
    'plate: short ribs, three-rib plates or pieces': 'plate-ribs plate-pieces',
    'plate: skirts': 'skirts-kept',
    'plate: rib fingers': 'plate-fingers',
    'plate: stir-fry or trim': 'plate-fingers plate-grind',
    'flank: flank steak': 'flank-steak',
    'flank: thin outer flank meat': 'flank-thin',
    'flank: trim': 'flank-grind',
    'short loin: T-bone and porterhouse': 'loin-tbone',
    'short loin: boneless strip and tenderloin':
      'loin-strip loin-strip-roast tenderloin-whole tenderloin-steaks',
    'short loin: split lengthways at vertebra k': 'rear-strip rear-strip-roast rear-tbone',
    'sirloin: top sirloin roast or steaks, cap apart or on, tri-tip, ball tip, flap, butt end':
      'sirloin-roast sirloin-steaks sirloin-cap-apart',
    'round: knuckle':
      'knuckle-roast knuckle-corned knuckle-steaks knuckle-cube knuckle-jerky knuckle-stir-fry knuckle-stew',
    'round: top':
      'top-round-roast top-round-corned top-round-steaks top-round-cube top-round-jerky top-round-stir-fry top-round-stew',
    'round: bottom':
      'bottom-round-roast bottom-round-corned bottom-round-steaks bottom-round-cube bottom-round-jerky bottom-round-stir-fry bottom-round-stew',
    'round: eye':
      'eye-round-roast eye-round-corned eye-round-steaks eye-round-cube eye-round-jerky eye-round-stir-fry eye-round-stew',
    'round: rump': 'rump-roast rump-corned rump-steaks rump-cube rump-jerky rump-stir-fry rump-stew',
    'round: bone-in steaks': 'round-bone-in',
    'round: oyster of the hip, heel to trim': 'round-seamed',
    'round: shank cross-cuts': 'hind-shank-cuts',
    'rest: tongue, cheeks, head meat': 'head-tongue head-all',
    'rest: heart, liver, kidneys': 'heart-kept liver-kept kidneys-kept',
    'rest: spleen, sweetbreads': 'spleen-kept spleen-sweetbreads',
    'rest: tail in segments': 'tail-kept',
    'rest: tripe, intestines': 'tract-tripe tract-all',
    'rest: heel': 'feet-kept',
    'rest: marrow, soup and dog bones': 'bones-sold',
    'rest: suet': 'suet-sold suet-tallow',
    'rest: hanging tender': 'hanger-steak',
  },
  broiler: {
    whole: 'bird-whole',
    'with neck and giblets, or apart': 'neck-kept giblets-kept loose-neck-kept loose-giblets-kept',
    halves: 'bird-halves',
    spatchcock: 'bird-spatchcock',
    'leg quarters': 'bird-quarters',
    'drum and thigh, the oyster with thigh or back': 'bird-parts bird-parts-oyster leg-parted',
    'breasts bone-in, boneless, or with first wing bone': 'breast-bone-in breast-boneless bird-first-bone',
    'tenders off or on': 'breast-boneless breast-boneless-on',
    'wings whole, two-piece or three-piece': 'wing-whole wing-two wing-three',
    'boned whole, stuffed, tied': 'bird-boned',
    'eight pieces': 'bird-eight',
    feet: 'feet-kept',
    giblets: 'giblets-sorted loose-giblets-sorted',
    'backs, necks, tips, frames for stock': 'back-sold neck-frames frames-sold',
  },
}

const sidesOf = (a: Anatomy, part: string) => sidesOfPart(a.parts.find((p) => p.id === part)!)

/** What must be decided before a way can be taken: doors, the way its part comes out of, a line that makes the part. */
function leadingTo(a: Anatomy, path: Path): Said[] {
  const part = a.parts.find((p) => p.id === path.part)!
  const doors = [...(part.needs ?? []), ...(path.needs ?? [])].map((need): FactBody => ({
    kind: 'observation',
    what: 'dressing',
    of: need.replace('!', ''),
    value: !need.startsWith('!'),
  }))
  const outer = openedFrom(a, part.id)
  const opener = a.paths.find(
    (p) =>
      (outer ? p.part === outer : a.species === 'broiler') &&
      p.part !== part.id &&
      p.outputs.some((o) => o.part === part.id && o.lean + o.bone > 0),
  )
  const extractor = part.extraction && a.paths.find((p) => p.extracts?.some((x) => x.part === part.id))
  const before = [opener, extractor].flatMap((p) =>
    p ? [...leadingTo(a, p), ...takePath(a, p.part, sidesOf(a, p.part), p.id)] : [],
  )
  const lines = a.lines.flatMap((l): Decision[] =>
    l.kind === 'across' &&
    ['rib-end-line', 'sirloin-line', 'loin-split'].includes(l.id) &&
    ['rib-end', 'sirloin', 'short-loin-rear'].includes(part.id) &&
    l.settings.length > 1
      ? (['left', 'right'] as const).map((side) => ({
          field: 'line',
          target: l.id,
          side,
          value: l.settings.find((s) => s.id !== l.fallback)!.id,
        }))
      : [],
  )
  return [...doors, ...lines, ...before]
}

describe('every cell of the trade’s tables of ways', () => {
  const cells = SPECIES.flatMap((s) =>
    Object.entries(CELLS[s]).map(([cell, ways]) => [s, cell, ways] as const),
  )
  it.each(cells)('%s, %s', (species, _, ways) => {
    const known = new Set(ANATOMIES[species].paths.map((p) => p.id))
    expect(ways.split(' ').filter((w) => !known.has(w))).toEqual([])
  })
})

describe('every way can be taken, and gives something', () => {
  it.each(SPECIES)('%s', (species) => {
    const a = ANATOMIES[species]
    const problems = a.paths.flatMap((path) => {
      const sides = sidesOf(a, path.part)
      const before = leadingTo(a, path)
      const refusal = refusalOf(a, readPlan(a, tried(NO_LOG, before)), path.part, sides, path.id)
      // A way shut out by another is reached by changing that one first.
      const freed =
        refusal?.code === 'shut-out'
          ? a.paths
              .filter((p) => p.part === refusal.figures!.part)
              .map((p) => [...before, ...takePath(a, p.part, sidesOf(a, p.part), p.id)])
              .find((d) => !refusalOf(a, readPlan(a, tried(NO_LOG, d)), path.part, sides, path.id))
          : before
      if (!freed || (refusal && refusal.code !== 'shut-out')) return [`${path.id}: ${refusal?.code}`]
      const plan = readPlan(a, tried(NO_LOG, [...freed, ...takePath(a, path.part, sides, path.id)]))
      if (plan.dropped.length > 0) return [`${path.id}: dropped ${plan.dropped.map((d) => d.path).join()}`]
      const c = cutUp(species, plan.choices, { conventions: plan.conventions, liveKg: 160 })
      const kg = c.cutting.partKg(path.part, sides[0])
      return kg > 0 || path.leaves ? [] : [`${path.id}: nothing to open`]
    })
    expect(problems).toEqual([])
  })
})

describe('whole and split carcasses', () => {
  const lamb = ANATOMIES.lamb
  const taking = (part: string, way: string, whole: boolean, sides: SideName[] = ['left', 'right']) =>
    refusalOf(
      lamb,
      readPlan(lamb, tried(NO_LOG, [{ kind: 'observation', what: 'dressing', of: 'split', value: !whole }])),
      part,
      sides,
      way,
    )?.code ?? null
  it('saddle, crown and whole neck slices are had from an unsplit carcass only (common practice)', () => {
    for (const [part, way] of [
      ['loin', 'loin-saddle'],
      ['loin', 'loin-double-chops'],
      ['loin', 'loin-double-boneless'],
      ['loin', 'loin-noisette-saddle'],
      ['rack', 'rack-crown'],
      ['neck', 'neck-whole-slices'],
    ] as const) {
      expect(taking(part, way, false), way).toBe('door-closed')
      expect(taking(part, way, true), way).toBeNull()
    }
  })
  it('a way of both sides is refused for one of them', () =>
    expect(taking('loin', 'loin-saddle', true, ['left'])).toBe('both-sides'))
  it('once one side is cut otherwise the saddle is gone from both, and the plan says so', () => {
    const whole: FactBody = { kind: 'observation', what: 'dressing', of: 'split', value: false }
    const plan = readPlan(
      lamb,
      tried(NO_LOG, [
        whole,
        ...takePath(lamb, 'loin', ['left', 'right'], 'loin-saddle'),
        { field: 'path', target: 'loin', side: 'right', value: 'loin-chops' },
      ]),
    )
    expect(plan.choices.paths.get('loin', 'left')).toBeUndefined()
    expect(plan.dropped).toMatchObject([{ part: 'loin', side: 'left', issue: { code: 'both-sides' } }])
    expect(cutUp('lamb', plan.choices).cut('saddle')).toBe(0)
  })
  it('pieces of a way of both sides are counted once: one saddle a lamb', () => {
    const c = cutUp('lamb', choose({ loin: 'loin-saddle' }), { conventions: { split: false } })
    expect(c.cut('saddle')).toBeGreaterThan(5)
  })
})

describe('doors that close at the kill', () => {
  it('from 30 months T-bones, chine-on roasts, neck bones and backbone bones go; oxtail and back ribs stay (9 CFR 310.22, from memory)', () => {
    const { steer } = ANATOMIES
    const old = readPlan(
      steer,
      tried(NO_LOG, [{ kind: 'observation', what: 'dressing', of: 'under30', value: false }]),
    )
    const refused = (part: string, way: string) =>
      refusalOf(steer, old, part, sidesOf(steer, part), way)?.code === 'door-closed'
    expect(refused('short-loin', 'loin-tbone')).toBe(true)
    expect(refused('rib', 'rib-roast')).toBe(true)
    expect(refused('neck-bones', 'neck-bones-sold')).toBe(true)
    expect(refused('bones', 'bones-sold')).toBe(true)
    expect(refused('tail', 'tail-kept')).toBe(false)
    expect(refused('rib', 'rib-eye')).toBe(false)
    const c = cutUp('steer', old.choices)
    expect(c.cut('tbone')).toBe(0)
    expect(c.cut('strip')).toBeGreaterThan(0)
  })
})
