import {
  lookup,
  uncutWay,
  type Anatomy,
  type Cut,
  type Part,
  type Path,
  type PathOutput,
} from '#core/anatomy'
import type { Names } from '#core/measure'
import { portionFor, type Schools } from '#core/plan'
import { CLASS_OF, type Portion } from '#core/records'
import { ACTIONS, type ActionId } from './actions.ts'
import { placeOf, type Place } from './places.ts'
import type { HandStep } from './handStep.ts'
import { inSchool } from './schooled.ts'

/** A part that a farm made itself has no landmarks but what it is opened out of. */
const OWN: Place = { lies: 'flat', find: 'its thick end and its grain', from: 'what it was opened out of' }

const step = (action: ActionId, at: string, of: Names | null = null): HandStep => ({
  ...{ action, at, of },
  tool: ACTIONS[action].tool,
})

/** Of a tissue, how much goes where a test says. */
const shareOf = (
  path: Path,
  tissue: 'bone' | 'fat' | 'skin' | 'lean',
  to: (o: PathOutput) => boolean,
): number => path.outputs.reduce((sum, o) => sum + (to(o) ? o[tissue] : 0), 0)

/** What is no meat that is sold: where bones, fat, rind and waste of every way go. */
const SIDE_TUBS = new Set(['bones', 'frames', 'fat', 'back-fat', 'skin', 'trim'])
const isSold = (anatomy: Anatomy, o: PathOutput): Cut | null => {
  const cut = o.cut === undefined ? undefined : lookup(anatomy).cut(o.cut)
  return cut?.kind === 'product' ? cut : null
}

/**
 * How a way is done, step by step: composed of actions that are written once, at the landmarks of its part, from what comes
 * of it. Nothing is named after it is needed. `portions` are those of the plan, where they are not as usual; `schools` ways of
 * working that are not the usual.
 */
export const stepsOf = (
  anatomy: Anatomy,
  path: Path,
  portions: ReadonlyMap<string, Portion> = new Map(),
  schools: Schools = new Map(),
): HandStep[] => inSchool(asUsual(anatomy, path, portions), schools)

function asUsual(anatomy: Anatomy, path: Path, portions: ReadonlyMap<string, Portion>): HandStep[] {
  const part = lookup(anatomy).part(path.part)!
  const place = OF_WAY[path.id] ?? placeOf(CLASS_OF[anatomy.species], part.id) ?? OWN
  const sold = path.outputs.flatMap((o) => {
    const cut = isSold(anatomy, o)
    return cut ? [{ o, cut }] : []
  })
  const parts = path.outputs.flatMap((o) =>
    o.part !== undefined && !SIDE_TUBS.has(o.part) ? [lookup(anatomy).part(o.part)!] : [],
  )
  const at = path.names.american.toLowerCase()
  if (path.id === uncutWay(part.id)) return asItIs(place, sold[0]?.cut ?? null, at)
  if (isInnard(part))
    return innard(
      path,
      place,
      sold.map((x) => x.cut),
    )
  if (isWaste(path, sold.length + parts.length)) return left(path, place)
  const bone = boning(path, place, sold)
  const isBoned = bone.some((x) => x.action === 'boneOut' || x.action === 'ribsOut')
  const [usesSaw, meat] = [path.tool === 'saw' || bone.some((x) => x.tool === 'saw'), sold.length > 0]
  const fatOff = shareOf(path, 'fat', (o) => !isSold(anatomy, o) && o.part !== 'trim')
  const one = sold.length === 1
  return [
    step('lay', place.lies),
    step('find', place.find),
    ...freed(anatomy, path),
    ...(place.gland ? [step('gland', place.gland)] : []),
    ...(place.cord && (usesSaw || bone.length > 0) ? [step('cord', place.cord)] : []),
    ...rindOff(anatomy, path, place, sold),
    ...bone,
    ...parts.map((p) => openedInto(anatomy, path, p)),
    ...(JOINTS[path.id] ?? []).map((there) => step('joint', there)),
    ...(place.membrane && meat ? [step('membrane', place.membrane)] : []),
    ...(place.tendon ? [step('tendon', place.tendon)] : []),
    ...(isBoned ? [step('sweep', 'every boned face')] : []),
    ...(fatOff >= 0.2 && meat && CLASS_OF[anatomy.species] !== 'poultry'
      ? [step('skinOff', 'all over, fat to one thickness')]
      : []),
    ...(part.id === 'trim' ? [step('sort', 'the lean, the fat, and what is neither')] : []),
    ...sold.toSorted((x, y) => y.o.lean - x.o.lean).flatMap((x) => made(path, x, portions, one)),
    ...(path.tool === 'grinder' && !meat
      ? [step('sort', at, path.names), step('aside', 'the trim tubs, lean and fat')]
      : []),
    ...(usesSaw ? [step('scrape', 'every sawn face')] : []),
    step('cold', at, path.names),
  ]
}

/** A part that is sold as it is. */
const asItIs = (place: Place, cut: Cut | null, at: string): HandStep[] => [
  step('lay', place.lies),
  step('look', place.find),
  step('wrap', at, cut?.names ?? null),
  step('cold', at),
]

const isInnard = (part: Part): boolean => part.offCarcass !== undefined || INNARDS.has(part.id)
const INNARDS = new Set(['kidneys', 'giblets', 'leaf-fat', 'kidney-fat', 'suet', 'head'])

/** Nothing of it is sold or opened, and nothing is ground of it: it is left, thrown, or goes to a tub as it is. */
const isWaste = (path: Path, makes: number): boolean =>
  makes === 0 && path.tool !== 'grinder' && shareOf(path, 'lean', (o) => o.part === 'trim') < 0.2

const keepsForStock = (path: Path): boolean =>
  path.outputs.some((o) => o.part === 'bones' || o.part === 'frames')
const left = (path: Path, place: Place): HandStep[] => [
  step('find', place.find),
  SIDE_TUBS.has(path.part)
    ? step('clean', place.find)
    : step(keepsForStock(path) ? 'joint' : 'lift', place.from),
  step('aside', path.names.american.toLowerCase(), path.names),
]

/** What comes out of the body: looked over, lifted free, cleaned, cold. */
function innard(path: Path, place: Place, made: readonly Cut[]): HandStep[] {
  if (path.leaves || made.length === 0)
    return [
      step('look', place.find),
      step('lift', place.from),
      step('aside', path.names.american.toLowerCase(), path.names),
    ]
  const rendered = /tallow|lard/.test(path.id) && path.id !== 'leaf-raw'
  const boiled = /brawn|-all$/.test(path.id) && place.gland !== undefined
  const scalded = ['feet', 'stomach', 'tract'].includes(path.part)
  return [
    step('look', place.find),
    step('lift', place.from),
    ...(place.gland ? [step('gland', place.gland)] : []),
    step(scalded ? 'scald' : 'clean', place.lies),
    ...(boiled ? [step('boil', 'until it falls off the bone')] : []),
    ...(rendered ? [step('render', 'in small pieces')] : []),
    ...made.map((cut) => step('wrap', cut.names.american.toLowerCase(), cut.names)),
    step('cold', path.names.american.toLowerCase(), path.names),
  ]
}

/** Parts that this way takes out whole before its own part is cut. */
const freed = (anatomy: Anatomy, path: Path): HandStep[] =>
  (path.extracts ?? []).map(({ part }) => {
    const names = lookup(anatomy).part(part)!.names
    const place = placeOf(CLASS_OF[anatomy.species], part) ?? OWN
    return step('free', place.from, names)
  })

const rindOff = (
  anatomy: Anatomy,
  path: Path,
  place: Place,
  sold: readonly { o: PathOutput; cut: Cut }[],
): HandStep[] => {
  const kind = CLASS_OF[anatomy.species]
  if (!place.rind || (kind !== 'swine' && kind !== 'poultry')) return []
  const kept = shareOf(path, 'skin', (o) => isSold(anatomy, o) !== null)
  if (kept < 0.2) return [step('rind', place.rind)]
  return sold.some(({ cut }) => cut.destination === 'R' && kind === 'swine')
    ? [step('score', place.rind)]
    : []
}

/** Ways that leave some bones in: which come out, in the order of the place. */
const BONES: Readonly<Record<string, readonly number[]>> = {
  'leg-hip-out': [0],
  'shoulder-steaks': [1, 2],
  'round-bone-in': [0],
}
/** Ways that part at joints without opening another part: where, in their order (common practice). */
const JOINTS: Readonly<Record<string, readonly string[]>> = {
  'bird-halves': ['the back, along one side of the spine', 'the keel, through its soft front'],
  'bird-spatchcock': ['both sides of the backbone, from tail to neck'],
  'bird-quarters': [
    'across, from the end of the keel to the last rib',
    'the back, between the hips',
    'the keel',
  ],
  'bird-eight': [
    'the hip: bend it back until the ball stands out',
    'the knee, on the line of yellow fat',
    'the shoulder joint of the wing',
    'along the ribs, breast from back',
    'the keel',
  ],
  'bird-first-bone': [
    'the elbow of the wing: the first bone stays',
    'along the keel, the breast with its wing bone',
  ],
  'breast-bone-in': ['the keel, through its soft front'],
  'leg-parted': ['the knee, on the line of yellow fat'],
  'leg-boneless': ['the knee, on the line of yellow fat', 'round the thigh bone, from its ball to the knee'],
  'wing-two': ['the last joint, the tip off'],
  'wing-three': ['the last joint, the tip off', 'the elbow'],
  'rabbit-halves': ['behind the last rib, through the disc'],
  'rabbit-six': [
    'the hip joint: bend it back until the ball stands out',
    'behind the blade, through muscle only',
    'behind the last rib and ahead of the hip',
    'the middle of the loin, through the disc',
  ],
  'hind-parted': ['the knee'],
  'loin-halves': ['the middle of the loin, through the disc'],
}
/** Ways on which a hand finds something else than on its part. */
const OF_WAY: Readonly<Record<string, Place>> = {
  'udder-kept': { lies: 'flat', find: 'the teats, and whether the bag is full', from: 'the belly' },
}

/** The bones that leave the meat: all of them, or the chine alone where ribs stay in the pieces. */
function boning(path: Path, place: Place, sold: readonly { o: PathOutput; cut: Cut }[]): HandStep[] {
  const bare = new Set(sold.filter(({ cut }) => cut.destination === 'N').map(({ cut }) => cut.id))
  const off = shareOf(
    path,
    'bone',
    (o) => o.part === 'bones' || o.part === 'frames' || o.part === 'trim' || bare.has(o.cut ?? ''),
  )
  const [main] = sold.toSorted((x, y) => y.o.lean - x.o.lean)
  const staysIn = main !== undefined && main.o.bone > 0.1 && main.cut.destination !== 'N'
  const ribs = sold.find(({ o, cut }) => /ribs?$/.test(cut.id) && o.bone > 0.1 && o.bone < 0.6)
  if (off >= 0.45 && place.bones && (!staysIn || BONES[path.id]))
    return [
      ...(ribs && place.ribs ? [step('ribsOut', place.ribs, ribs.cut.names)] : []),
      ...place.bones.flatMap((bone, i) =>
        !BONES[path.id] || BONES[path.id]!.includes(i) ? [step('boneOut', bone)] : [],
      ),
    ]
  return off >= 0.05 && place.ribs && path.tool === 'saw' ? [step('chine', place.ribs)] : []
}

/** Ways that differ from another only in where the knife goes. */
const AT: Readonly<Record<string, Readonly<Record<string, string>>>> = {
  'bird-parts-oyster': { leg: 'the hip, straight through: the oyster stays on the back' },
}

const openedInto = (anatomy: Anatomy, path: Path, part: Part): HandStep => {
  const there = AT[path.id]?.[part.id]
  if (there !== undefined) return step('joint', there, part.names)
  const place = placeOf(CLASS_OF[anatomy.species], part.id) ?? OWN
  const atJoint = /joint|hip|knee|elbow/.test(place.from)
  return step(atJoint ? 'joint' : 'seam', place.from, part.names)
}

/** What makes a cut of what lies open now; where it is the `one` cut of its way, the way's own word counts for it too. */
function made(
  path: Path,
  { o, cut }: { o: PathOutput; cut: Cut },
  portions: ReadonlyMap<string, Portion>,
  one: boolean,
): HandStep[] {
  const named = cut.names.american.toLowerCase()
  const on = (action: ActionId, how = '') => [step(action, how ? `${named}: ${how}` : named, cut.names)]
  const words = one ? `${cut.id} ${path.id}` : cut.id
  const is = (pattern: RegExp) => pattern.test(words)
  const boneIn = o.bone > 0.1
  const rolled = is(/roll|porchetta|collar|noisette|barding|bird-boned|rabbit-boned/)
  const stuffed = is(/stuffed|breast-rolled|bird-boned|rabbit-boned/)
  const shaped = [
    ...(is(/frenched|long-bone|rack-roast|rack-crown|rack-tied|rib-rack/) ? on('french') : []),
    ...(is(/loin-stuffed/) ? on('pocket') : []),
    ...(stuffed ? on('fill') : []),
    ...(rolled ? on('roll') : []),
    ...(is(/crown/) ? on('ring') : []),
  ]
  const opened = is(/pocket/) ? on('pocket') : is(/butterf/) && !boneIn ? on('open') : []
  if (is(/sausage|spit/) && cut.destination === 'G') return on('stuff')
  if (cut.destination === 'G') return on('grind')
  if (cut.destination === 'C') return [...shaped, ...on('cure'), ...on('finishCure')]
  if (cut.destination === 'N' && path.tool === 'saw') return on('sawOff')
  if (is(/lard|tallow/) && cut.destination === 'F') return on('render')
  if (/cubes?$|stew|kebab|diced/.test(cut.id) && !/cubed|cube-steak/.test(cut.id))
    return on('cube', '25–30 mm')
  if (is(/strips|stir/)) return on('strips')
  if (path.id.endsWith('-cube')) return [...on('sliceAcross', '12 mm'), ...on('blade')]
  const portion = portionFor(cut, portions)
  switch (portion?.kind) {
    case 'sawn':
      return [...shaped, ...on(boneIn ? 'sawAcross' : 'sliceAcross', `${portion.thicknessMm} mm`), ...opened]
    case 'snapped':
      return [...shaped, ...on('snap', 'one bone each')]
    case 'roast':
      return [...opened, ...shaped, ...(boneIn ? on('sawOff') : [...on('roastOff'), ...on('tie')])]
    case 'whole':
    case 'pack':
    case undefined:
      return [...opened, ...on('square'), ...shaped, ...(rolled || stuffed ? on('tie') : [])]
  }
}
