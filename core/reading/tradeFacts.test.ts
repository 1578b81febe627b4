import { describe, expect, it } from 'vitest'
import { lookup, sidesOf, type Species } from '#core/anatomy'
import { ANATOMIES } from '#core/species'
import { KG_PER_LB } from '#core/measure'
import { takePath, type Said } from '#core/plan'
import { flowOf } from '../carcass/testing.ts'
import { dressed } from '../plan/testing.ts'
import { reckon } from './index.ts'
import { FARM, lotOf } from './testing.ts'

const sayTrim = (value: 'close' | 'strict'): Said => ({ field: 'trim', target: 'lot', side: 'animal', value })

const measure = (of: 'fat-depth' | 'eye-area' | 'kidney-fat', value: number): Said => ({
  ...{ kind: 'observation', what: 'measure', of, value },
})

/** One animal of so many kilograms hot, of a type, its parts cut these ways. */
function animal(species: Species, kg: number, ways = '', type = '', more: Said[] = []) {
  const anatomy = ANATOMIES[species]
  const find = lookup(anatomy)
  const taken = ways.split(' ').flatMap((path): Said[] => {
    const part = find.path(path)?.part
    return part ? takePath(anatomy, part, sidesOf(find.part(part)!), path) : []
  })
  const said: Said[] = type ? [{ kind: 'observation', what: 'type', value: type }] : []
  const lot = lotOf(species, [...said, ...taken, ...more], 'hot', kg / KG_PER_LB)
  const read = reckon(flowOf(species), { ...lot, count: 1 }, FARM, 0)
  const cuts = (ids: string) => read.cuts.filter((c) => ids.split(' ').includes(c.cut.id))
  const kgOf = (ids: string) => cuts(ids).reduce((sum, c) => sum + c.kg, 0)
  return {
    read,
    kg: kgOf,
    grams: (ids: string) => kgOf(ids) * 1000,
    /** % of cold weight. */
    share: (ids: string) => (100 * kgOf(ids)) / read.weights!.cold,
    /** % of fasted live weight. */
    ofLive: (ids: string) => (100 * kgOf(ids)) / read.weights!.shrunk,
    /** Pieces of one side. */
    aSide: (id: string) => (cuts(id)[0]?.pieces ?? 0) / 2,
    hand: read.bench.hand + read.bench.grind,
  }
}
type Animal = ReturnType<typeof animal>

const BIRD = { broiler: 2.1, turkey: 9, duck: 2.3 } as const
const BONE_IN = 'bird-parts breast-bone-in leg-parted wing-whole back-stock'
const BONELESS = 'bird-parts breast-boneless leg-boneless wing-whole back-stock tenders-kept'
const RABBIT_BONELESS = 'rabbit-parts hind-boneless loin-boneless fore-grind flap-trim rib-stock pelvis-stock'
const DUCK_FAT = 'bird-parts breast-boneless-skin leg-whole back-sold fat-rendered'
const HOG_OFFAL = 'liver-kept heart-kept kidneys-kept caul-kept stomach-kept head-cheeks'
const STEER_OFFAL = 'head-all liver-kept heart-kept kidneys-kept spleen-sweetbreads tract-tripe tail-kept'
const LAMB_OFFAL = 'head-all liver-kept heart-kept kidneys-kept spleen-kept tract-tripe testicles-kept'
const BEEF_BONED =
  'chuck-boned clod-roast chuck-roll-roast chuck-ribs-grind neck-bones-stock brisket-whole foreshank-grind rib-eye-only plate-grind flank-steak loin-strip sirloin-steaks round-seamed hind-shank-grind'

/** What, of which animal, between. Values of practice and tables: from memory, marked. */
const FACTS: [string, () => number, number, number][] = [
  // Minutes of skilled hands a bird (common practice).
  ['broiler parted, bone in', () => animal('broiler', BIRD.broiler, BONE_IN).hand, 2, 3],
  ['broiler boned', () => animal('broiler', BIRD.broiler, BONELESS).hand, 4, 6],
  ['turkey parted, bone in', () => animal('turkey', BIRD.turkey, BONE_IN).hand, 4, 7],
  ['duck parted, bone in', () => animal('duck', BIRD.duck, BONE_IN).hand, 2.5, 4],
  ['rabbit boned', () => animal('rabbit', 1.4, RABBIT_BONELESS).hand, 6, 8],
  [
    'duck fat rendered, minutes more',
    () =>
      animal('duck', BIRD.duck, DUCK_FAT).hand -
      animal('duck', BIRD.duck, DUCK_FAT.replace('fat-rendered', 'fat-kept')).hand,
    3.5,
    6.5,
  ],
  ['duck fat rendered, g', () => animal('duck', BIRD.duck, DUCK_FAT).grams('rendered-fat'), 150, 300],
  // Pieces of one side (common practice).
  ['ham centre slices of 12 mm', () => animal('hog', 84, 'leg-gammon').aSide('gammon-steak'), 6, 9],
  [
    'chuck-eye steaks of 25 mm',
    () => animal('steer', 320, 'chuck-boned chuck-roll-steaks').aSide('chuck-eye-steak'),
    3.5,
    5,
  ],
  ['lamb leg steaks of 20 mm', () => animal('lamb', 27, 'leg-sawn').aSide('leg-steak'), 3, 5],
  ['lamb blade chops of 25 mm', () => animal('lamb', 27, 'shoulder-chops').aSide('blade-chop'), 3.5, 5.5],
  [
    'T-bones of a light grass steer',
    () => animal('steer', 240, 'loin-tbone', 'grass').aSide('tbone'),
    11.5,
    14.5,
  ],
  // Fifth quarter: Ockerman and Hansen, Animal By-Product Processing, and USDA drop-credit yields, from memory; g and kg by practice.
  ['hog cheeks, kg', () => animal('hog', 88, HOG_OFFAL, '', [dressed('head', true)]).kg('cheeks'), 0.3, 0.45],
  ['hog caul, kg', () => animal('hog', 84, HOG_OFFAL).kg('caul'), 0.2, 0.4],
  ['hog liver, % of live', () => animal('hog', 84, HOG_OFFAL).ofLive('liver'), 1.1, 2.4],
  ['hog heart, % of live', () => animal('hog', 84, HOG_OFFAL).ofLive('heart'), 0.2, 0.35],
  ['hog kidneys, % of live', () => animal('hog', 84, HOG_OFFAL).ofLive('kidney'), 0.2, 0.4],
  ['hog stomach, % of live', () => animal('hog', 84, HOG_OFFAL).ofLive('stomach'), 0.45, 0.9],
  ['steer tongue, kg', () => animal('steer', 320, STEER_OFFAL).kg('tongue'), 1.3, 1.7],
  ['steer tripe, kg', () => animal('steer', 320, STEER_OFFAL).kg('tripe'), 5, 6.5],
  ['steer cheeks, % of live', () => animal('steer', 320, STEER_OFFAL).ofLive('cheeks'), 0.25, 0.45],
  ['steer liver, % of live', () => animal('steer', 320, STEER_OFFAL).ofLive('liver'), 0.9, 1.5],
  ['steer heart, % of live', () => animal('steer', 320, STEER_OFFAL).ofLive('heart'), 0.3, 0.5],
  ['steer kidneys, % of live', () => animal('steer', 320, STEER_OFFAL).ofLive('kidney'), 0.07, 0.24],
  ['steer tail, % of live', () => animal('steer', 320, STEER_OFFAL).ofLive('oxtail'), 0.1, 0.25],
  ['steer spleen, % of live', () => animal('steer', 320, STEER_OFFAL).ofLive('spleen'), 0.1, 0.27],
  ['steer sweetbreads, % of live', () => animal('steer', 320, STEER_OFFAL).ofLive('sweetbreads'), 0.03, 0.1],
  ['lamb liver, % of live', () => animal('lamb', 27, LAMB_OFFAL).ofLive('liver'), 0.9, 2.2],
  ['lamb heart, % of live', () => animal('lamb', 27, LAMB_OFFAL).ofLive('heart'), 0.3, 1.1],
  ['lamb kidneys, % of live', () => animal('lamb', 27, LAMB_OFFAL).ofLive('kidney'), 0.3, 0.6],
  ['lamb spleen, % of live', () => animal('lamb', 27, LAMB_OFFAL).ofLive('spleen'), 0.1, 0.4],
  ['lamb tripe, % of live', () => animal('lamb', 27, LAMB_OFFAL).ofLive('tripe'), 1.2, 4.6],
  ['lamb tongue, % of live', () => animal('lamb', 27, LAMB_OFFAL).ofLive('tongue'), 0.15, 0.35],
  ['ram testicles, g', () => animal('lamb', 27, LAMB_OFFAL).grams('testicles'), 250, 350],
  ['goat kidneys, % of live', () => animal('goat', 18, LAMB_OFFAL).ofLive('kidney'), 0.3, 0.6],
  ['kid kidneys, % of live', () => animal('goat', 7, LAMB_OFFAL, 'kid').ofLive('kidney'), 0.3, 0.7],
  [
    'turkey neck, % of live',
    () => animal('turkey', 9, 'loose-neck-kept loose-giblets-sorted').ofLive('neck'),
    2.2,
    3.4,
  ],
  [
    'turkey liver, % of live',
    () => animal('turkey', 9, 'loose-neck-kept loose-giblets-sorted').ofLive('livers'),
    0.7,
    1.2,
  ],
  [
    'turkey heart and gizzard, % of live',
    () => animal('turkey', 9, 'loose-neck-kept loose-giblets-sorted').ofLive('hearts-gizzards'),
    1.2,
    1.8,
  ],
  [
    'broiler liver, % of live',
    () => animal('broiler', BIRD.broiler, 'loose-neck-kept loose-giblets-sorted').ofLive('livers'),
    1.6,
    2.5,
  ],
  [
    'broiler heart and gizzard, % of live',
    () => animal('broiler', BIRD.broiler, 'loose-neck-kept loose-giblets-sorted').ofLive('hearts-gizzards'),
    1.4,
    2.6,
  ],
  // Pieces of a part and of the whole (trade.md: common practice; handbooks of yields from memory).
  [
    'lamb shoulder boned and rolled, % of bone in',
    () =>
      (100 * animal('lamb', 27, 'shoulder-rolled').kg('shoulder-rolled')) /
      animal('lamb', 27, 'shoulder-whole').kg('shoulder-whole'),
    68,
    72,
  ],
  ['Boston butt, % of carcass', () => animal('hog', 84, 'butt-roasts').share('butt-roast'), 9, 11],
  ['leg of lamb trimmed, % of its primal', () => legOf(animal('lamb', 27, 'leg-whole')), 85, 93],
  ['back ribs of a hog, % of carcass', () => animal('hog', 84, 'loin-roasts').share('back-ribs'), 1.7, 2.1],
  ['tri-tip, % of carcass', () => animal('steer', 320, 'sirloin-steaks').share('tri-tip'), 0.7, 0.9],
  ['clod, % of carcass', () => animal('steer', 320, 'chuck-boned clod-roast').share('clod-roast'), 3.9, 4.7],
  // Types at the edge.
  ['mature bull boned, % of carcass', () => 100 * sold(bull()), 70, 76],
  ['mature bull, chuck, % of carcass', () => 100 * primal(bull(), 'chuck'), 31, 36],
  ['mature bull, lean of the mince, %', () => leanOf(bull()), 90, 95],
  ['thin cull cow, lean of the mince, %', () => leanOf(cow()), 85, 93],
  ['thin cull cow, bone, % of carcass', () => boneOf(cow()), 18, 23],
  ['milk kid, bone, % of carcass', () => boneOf(animal('goat', 7, '', 'kid')), 24, 27],
  ['steer boned close, 750 lb: bone, % of what hangs', () => boneOut(close()), 13.7, 15.7],
  [
    'steer boned close, 750 lb: discards without the dried face, lb',
    () => discards(close()) / KG_PER_LB,
    6,
    10,
  ],
  ['wild hog boned strictly where it fell, % of live', () => takenHome(feral()), 12, 16],
  ['wild hog, both back straps, % of live', () => feral().ofLive('boneless-chop'), 2, 2.4],
  // USDA yield grades of beef carcasses: 4.6 points of retail cuts a grade (from memory); grades of the published equation.
  ['steer, saleable points a yield grade of fat', () => slope(), 4.1, 5.1],
  [
    'spatchcocked broiler, back, % of bird',
    () => 100 - animal('broiler', BIRD.broiler, 'bird-spatchcock').share('spatchcock'),
    5,
    12,
  ],
]
const bull = () => animal('steer', 420, BEEF_BONED, 'bull')
const cow = () => animal('steer', 240, BEEF_BONED, 'cow', [measure('fat-depth', 3)])
const close = () => animal('steer', 750 * KG_PER_LB, BEEF_BONED, '', [sayTrim('close')])
const legOf = (a: Animal) => (100 * a.kg('leg-whole')) / a.read.cutting.partKg('leg')
const sold = (a: Animal) => a.read.balance.products / a.read.weights!.cold
const primal = (a: Animal, part: string) => a.read.cutting.partKg(part) / a.read.weights!.cold
const leanOf = (a: Animal) => {
  const t = a.read.cutting.slot('trim', 'animal')!.tissue
  return (100 * t.lean) / (t.lean + t.fat + t.seam)
}
const boneOf = (a: Animal) =>
  (100 *
    a.read.cutting.slots
      .filter((s) => s.offCarcass === 0 && !s.part.match(/^(trim|bones|fat|frames)$/))
      .reduce((sum, s) => sum + s.tissue.bone, 0)) /
  a.read.weights!.cold
const feral = () =>
  animal(
    'hog',
    42,
    'shoulder-off loin-straps leg-grind belly-left ribs-left fore-hock-left hind-hock-left jowl-left',
    'wild',
    [sayTrim('strict')],
  )
const takenHome = (a: Animal) =>
  a.read.cuts.reduce(
    (sum, c) =>
      sum + (c.cut.kind === 'product' && !'NFO'.includes(c.cut.destination) ? a.ofLive(c.cut.id) : 0),
    0,
  )
const slope = () => {
  const [lean, fat] = [6, 18].map((mm) =>
    animal('steer', 330, BEEF_BONED, '', [
      measure('fat-depth', mm),
      measure('eye-area', 84),
      measure('kidney-fat', 2.5),
    ]),
  )
  const grade = (a: Animal) => a.read.animal.grade[0]!.value
  return (100 * (sold(lean!) - sold(fat!))) / (grade(fat!) - grade(lean!))
}
const discards = (a: Animal) => a.kg('inedible') - a.read.cutting.ageTrim
const boneOut = (a: Animal) => (100 * a.kg('bones neck-bones')) / a.read.weights!.aged

describe('what a practitioner finds on the table', () => {
  it.each(FACTS)('%s', (_, found, low, high) => {
    expect(found()).toBeGreaterThanOrEqual(low)
    expect(found()).toBeLessThanOrEqual(high)
  })
})

/** Cooler shrink by size, cover and hide: common practice; 1.5–2.5 % of heavy beef and more of small lean carcasses in handbooks (from memory). */
describe('what a carcass dries in its first day', () => {
  const dried = (...of: Parameters<typeof animal>) => {
    const { hot, cold } = animal(...of).read.weights!
    return 100 * (1 - cold / hot)
  }
  it.each([
    ['heavy steer', 400, 'steer', '', 1.4, 2],
    ['middle steer', 320, 'steer', '', 1.8, 2.2],
    ['thin cow', 220, 'steer', 'cow', 2.2, 3.2],
    ['calf', 60, 'calf', '', 2.4, 3.6],
    ['middle lamb', 20, 'lamb', '', 1.8, 3],
    ['milk kid', 7, 'goat', 'kid', 2.8, 5],
  ] as const)('%s of %i kg', (_, kg, species, type, low, high) => {
    expect(dried(species, kg, '', type)).toBeGreaterThan(low)
    expect(dried(species, kg, '', type)).toBeLessThan(high)
  })
  it('a smaller one more, a fatter one less, a skinned hog more than a scalded one; a bird never gains in air', () => {
    expect(dried('lamb', 12)).toBeGreaterThan(dried('lamb', 30))
    expect(dried('hog', 85, '', 'heritage')).toBeLessThan(dried('hog', 85))
    expect(dried('hog', 85, '', '', [dressed('skin', false)])).toBeGreaterThan(dried('hog', 85) * 1.2)
    expect(dried('broiler', 2, '', '', [dressed('tank', false)])).toBeGreaterThan(0.5)
  })
})
