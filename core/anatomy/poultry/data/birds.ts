import { names } from '../../names.ts'
import { bandsOn, cutOf, packs, part, plucked, waysIn, whole, type Kitchen } from '../../notation.ts'
import type { Band, Convention, Cut, Part, Path, Portion, Segment, TrimFigures } from '../../types.ts'

/** What birds have in common: their parts, doors and ways. Each species brings its own figures to them. */

/** A bird is not cut along counted ribs: one segment, and what it is parted into is a path. */
export const birdAxis = (mm: number): Segment[] => [{ id: 'bird', mm }]

/** Tissue of the ready-to-cook bird and, where they are left in, of its neck and giblets, % of the bird without them. */
export function birdBands(axis: Segment[], body: string, neck: string, giblets: string): Band[] {
  const rows = bandsOn(axis)
  return [rows('body', body, 'bird'), rows('neck', neck, 'neck'), rows('giblets', giblets, 'giblets')]
}

const bird = (id: string, words: string, fallback: string, more: Partial<Part> = {}) =>
  part(id, words, fallback, { scope: 'animal', ...more })
/** Parts of a bird; what is plucked off the live bird as % of its fasted weight. */
export const birdParts = (off: { neck: number; giblets: number; feet: number }): Part[] => [
  bird('bird', 'Bird', 'bird-whole'),
  bird('breast', 'Breast', 'breast-boneless'),
  bird('leg', 'Legs', 'leg-parted'),
  bird('wing', 'Wings', 'wing-whole'),
  bird('back', 'Back', 'back-stock'),
  bird('tenders', 'Tenders', 'tenders-kept'),
  bird('neck', 'Neck', 'neck-kept', { needs: ['giblets'] }),
  bird('giblets', 'Giblets', 'giblets-kept', { needs: ['giblets'] }),
  {
    ...plucked('loose-neck', 'Neck, off the bird', 'loose-neck-left', off.neck, '45/7/33/15'),
    needs: ['!giblets'],
  },
  {
    ...plucked('loose-giblets', 'Heart, liver and gizzard', 'loose-giblets-left', off.giblets),
    needs: ['!giblets'],
  },
  plucked('feet', 'Feet', 'feet-left', off.feet, '10/5/55/30'),
  bird('trim', 'Trim', 'trim-ground'),
  bird('frames', 'Frames and bones', 'frames-kept'),
]

/** Doors of a bird; what the giblets add to the dressing, points, and what a tank does to its weight. */
export const birdDoors = (giblets: { points: number; sd: number }, tank: { mean: number; sd: number }): Convention[] => [
  {
    id: 'giblets',
    names: names('Neck and giblets'),
    on: 'neck and giblets in',
    off: 'without neck and giblets',
    usual: false,
    ...giblets,
    removes: [{ bands: ['neck', 'giblets'], tissues: 'all', share: 1 }],
    says: 'They are weighed with the bird and go with it; some buyers want them.',
  },
  {
    id: 'tank',
    names: names('Chill'),
    on: 'chilled in ice water',
    off: 'chilled in air',
    usual: true,
    points: 0,
    chill: { ...tank, inflow: 'chill water' },
    says: 'In air the bird dries a little; in ice water it takes some up, which must be declared in many places.',
  },
  {
    id: 'plucked',
    names: names('Skin'),
    on: 'plucked, skin on',
    off: 'skinned',
    usual: true,
    points: -9,
    sd: 0.02,
    dries: 1.5,
    removes: [{ bands: 'all', tissues: ['skin'], share: 0.92 }],
    says: 'A skinned bird is 8 to 10 points lower and roasts dry.',
  },
]

/** Trim levels (docs/sources.md: trim-levels). */
export const birdTrim: TrimFigures = {
  generous: { waste: 0.5, kept: 1, lean: 0, seam: 0, hard: 0 },
  standard: { waste: 1, kept: 1, lean: 0, seam: 0, hard: 0 },
  close: { waste: 1, kept: 0.7, lean: 0.01, seam: 0, hard: 0 },
  strict: { waste: 1, kept: 0.3, lean: 0.03, seam: 0, hard: 0 },
}

const product = cutOf('product')
const byProduct = cutOf('by-product')
/** Starting price indices, mince = 1: our own working figures, from memory, weak (docs/sources.md: price-index). */
export function birdCuts(meat: string, portions: Readonly<Record<string, Portion>> = {}): Cut[] {
  const Meat = meat[0]!.toUpperCase() + meat.slice(1)
  const cuts = [
  product('whole-bird', 'Whole bird', 'R', 1, whole()),
  product('half-bird', 'Half birds', 'R', 1.05, whole(2)),
  product('spatchcock', 'Spatchcock | Spatchcocked bird', 'R', 1.1, whole()),
  product('boned-bird', 'Boned whole, stuffed and tied', 'R', 1.7, whole()),
  product('leg-quarter', 'Leg quarters', 'R', 0.8, whole(2, 2)),
  product('breast-quarter', 'Breast quarters, wing on', 'R', 1.15, whole(2, 2)),
  product('eight-pieces', 'Eight pieces', 'B', 1.1, whole(8, 8)),
  product('breast-bone-in', 'Breasts, bone in', 'R', 1.5, whole(2, 2)),
  product('breast-boneless', 'Boneless breasts', 'T', 2.4, whole(2, 2)),
  product('breast-boneless-on', 'Boneless breasts, tenders on', 'T', 2.35, whole(2, 2)),
  product('tenders', 'Tenders', 'T', 2.5, whole(2, 8)),
  product('breast-first-bone', 'Breasts with the first wing bone', 'T', 2.3, whole(2, 2)),
  product('leg-whole', 'Whole legs', 'R', 0.95, whole(2, 2)),
  product('thigh', 'Thighs', 'B', 1, whole(2, 4)),
  product('drumstick', 'Drumsticks', 'B', 0.85, whole(2, 4)),
  product('thigh-boneless', 'Boneless thighs', 'T', 1.7, whole(2, 4)),
  product('wing-whole', 'Wings, whole', 'B', 1.1, whole(2, 6)),
  product('wing-two', 'Wings, two-piece', 'B', 1.15, whole(2, 6)),
  product('drumette', 'Drumettes', 'B', 1.25, whole(2, 12)),
  product('wing-flat', 'Wing flats', 'B', 1.2, whole(2, 12)),
  product('ground', `Ground ${meat} | ${Meat} mince`, 'G', 1.2, packs),
  product('sausage', `${Meat} sausage | ${Meat} sausages`, 'G', 1.4, packs),
  product('backs', 'Backs and frames for stock', 'N', 0.25, whole(1, 2)),
  product('neck', 'Necks', 'N', 0.4, packs),
  product('giblets', 'Giblets', 'O', 0.6, packs),
  product('livers', 'Livers', 'O', 0.7, packs),
  product('hearts-gizzards', 'Hearts and gizzards', 'O', 0.7, packs),
  product('feet', 'Feet, skinned', 'N', 0.5, packs),
  byProduct('bird-fat', 'Abdominal fat', 'F', 0.1),
  byProduct('skin', 'Skin', 'F', 0.1),
  byProduct('frames', 'Frames and bones', 'N', 0.1),
  byProduct('wing-tips', 'Wing tips', 'N', 0.15),
  byProduct('inedible', 'Discards', 'X', 0),
  cutOf('loss')('cutting-loss', 'Drip and scraps', 'X', 0),
  ]
  return cuts.map((c) => ({ ...c, portion: portions[c.id] ?? c.portion }))
}

/** Processes: what goes in, as shares of green weight, and what is left at the end (docs/sources.md: broiler-process). */
const KITCHEN: Kitchen = {
  rest: { lean: '> trim', fat: 'bird-fat', bone: '> frames', skin: 'skin' },
  loss: 'cutting-loss',
  processes: {
    'boned-bird': { inflows: [{ name: 'stuffing', share: 0.25 }], yield: 1.25 },
    sausage: {
      inflows: [
        { name: 'seasoning', share: 0.02 },
        { name: 'water', share: 0.05 },
      ],
      yield: 1.06,
    },
  },
}

const left = { leaves: true, loss: '0' }
const none = { loss: '0' }
const DRIP = { loss: '0.8/0.8/0.8/0.8' }
const CUT = { loss: '0.7/0.5/0.5/0.5' }
const scraps = { rest: { bone: 'inedible', fat: 'inedible', skin: 'inedible', lean: 'inedible' } }
const FIRST = 'the first wing bone goes with the breast'

/** How a species is parted, by tissue, % lean/fat/bone/skin: the ways whose shares are its own. */
export type BirdShares = Record<
  'bird-parts' | 'bird-parts-oyster' | 'bird-quarters' | 'bird-spatchcock' | 'bird-eight' | 'bird-first-bone' | 'leg-parted' | 'leg-boneless' | 'breast-boneless' | 'breast-boneless-skin',
  string
>

/** What a species has beside: minutes, where its fat and skin go, giblets as they are sorted and as they lie loose, ways of its own. */
interface BirdMore {
  /** Of a bird, beside minutes as they are written. */
  pace?: number
  kitchen?: Partial<Kitchen>
  backs?: string
  giblets?: readonly [sorted: string, loose: string]
  more?: (inKitchen: ReturnType<typeof waysIn>) => Path[]
}

/** Ways of a bird; more of a species' own after them. */
export function birdPaths(
  s: BirdShares,
  {
    pace = 0.45,
    kitchen = {},
    backs = 'backs 99/80/99/98',
    giblets = ['livers 46; hearts-gizzards 50', 'livers 44; hearts-gizzards 44'],
    more = () => [],
  }: BirdMore = {},
): Path[] {
  const inKitchen = waysIn({ ...KITCHEN, pace, ...kitchen })
  const { way, of } = inKitchen
  return [
...of('bird',
    way('bird-whole', 'R', 1, 'knife', 'Whole', 'whole-bird 99.2/99.2/99.2/99.2', 'Drained, weighed, bagged.', DRIP),
    way('bird-halves', 'R', 2, 'knife', 'Halves', 'half-bird 99/98/98/99', 'Split down the back and through the keel.', CUT),
    way('bird-spatchcock', 'R', 2, 'knife', 'Spatchcock, back out', s['bird-spatchcock'], 'Both sides of the back cut through, keel pressed flat.', CUT),
    way('bird-quarters', 'R', 2, 'knife', 'Leg and breast quarters', s['bird-quarters'], 'Leg with its part of the back, breast with its wing.', CUT),
    way('bird-eight', 'B', 5, 'knife', 'Eight pieces, back to stock', s['bird-eight'], 'Legs off at the hip, parted at the knee; wings off; breast off the back and split.', CUT),
    way('bird-boned', 'R', 18, 'knife', 'Boned whole, stuffed, tied', 'boned-bird 95/85/0/95', 'Opened down the back, every bone out, filled cold, tied.', { caution: 'Fill and chill at once. It is cooked through to the middle of what is in it.' }),
    way('bird-parts', 'T', 3, 'knife', 'Parted: breast, legs, wings; oyster with the thigh', s['bird-parts'], 'Legs off with the oyster, wings off at the joint, breast lifted off the back.', CUT),
    way('bird-parts-oyster', 'T', 2, 'knife', 'Parted, oyster left on the back', s['bird-parts-oyster'], 'Legs pulled off at the hip, the oyster stays on the back for stock.', CUT),
    way('bird-first-bone', 'T', 4, 'knife', 'Parted, first wing bone on the breast', s['bird-first-bone'], 'Breast off the keel with the first wing bone left on; no whole wing then.', { ...CUT, shutsOut: [{ cut: 'wing-whole', reason: FIRST }, { cut: 'drumette', reason: FIRST }] }),
  ),
  ...of('breast',
    way('breast-bone-in', 'R', 1, 'knife', 'Bone in', 'breast-bone-in 99/98/98/99', 'Split through the keel.', CUT),
    way('breast-boneless', 'T', 2, 'knife', 'Boneless, tenders apart', s['breast-boneless'], 'Off the keel, skin off, tenders drawn.', CUT),
    way('breast-boneless-on', 'T', 2, 'knife', 'Boneless, tenders on', 'breast-boneless-on 97', 'Off the keel in one, skin off.', CUT),
    way('breast-boneless-skin', 'T', 2, 'knife', 'Boneless, skin on', s['breast-boneless-skin'], 'Off the keel in one, skin kept.', CUT),
    way('breast-grind', 'G', 2, 'grinder', 'To trim', '> trim 98/50', 'Off the keel, for the grinder.'),
  ),
  ...of('leg',
    way('leg-whole', 'R', 0, 'knife', 'Whole legs', 'leg-whole 99/98/98/99', 'Knuckle off at the joint.', CUT),
    way('leg-parted', 'B', 1, 'knife', 'Thighs and drumsticks', s['leg-parted'], 'Parted on the fat line of the knee.', CUT),
    way('leg-boneless', 'T', 4, 'knife', 'Boneless thighs, drumsticks', s['leg-boneless'], 'Thigh bone followed with the point, skin off.', CUT),
    way('leg-grind', 'G', 4, 'grinder', 'Boned to trim', '> trim 95/50', 'Boned, sinew out of the drumsticks.'),
  ),
  ...of('wing',
    way('wing-whole', 'B', 0, 'knife', 'Whole, tip on', 'wing-whole 99/98/98.5/99', 'Folded under; pooled over birds.', CUT),
    way('wing-two', 'B', 1, 'knife', 'Two-piece, tip off', 'wing-two 90/88/78/86; wing-tips 9/10/20/13', 'Tip off at the joint.', CUT),
    way('wing-three', 'B', 1, 'knife', 'Three-piece: drumette, flat, tip', 'drumette 49/48/41/44; wing-flat 41/40/37/42; wing-tips 9/10/20/13', 'Parted at both joints.', CUT),
  ),
  ...of('back',
    way('back-stock', 'N', 0, 'none', 'Kept for stock', '> frames 100/100/100/100', 'With the frames.', none),
    way('back-sold', 'N', 1, 'knife', 'Backs sold for stock', backs, 'Kidneys and lungs scraped out, fat pulled.', { ...CUT, rest: { lean: 'inedible', bone: 'inedible' } }),
  ),
  ...of('tenders',
    way('tenders-kept', 'T', 0, 'none', 'As they come', 'tenders 100/100/100/100', 'Laid flat, packed.', none),
    way('tenders-grind', 'G', 1, 'grinder', 'To trim', '> trim 96/60', 'The white tendon held and drawn out, the rest for the grinder.'),
  ),
  ...of('neck',
    way('neck-kept', 'N', 0, 'none', 'With the bird or apart', 'neck 100/100/100/100', 'Crop and windpipe off.', none),
    way('neck-frames', 'N', 0, 'none', 'To stock', '> frames 100/100/100/100', 'With the frames.', none),
  ),
  ...of('giblets',
    way('giblets-kept', 'O', 1, 'knife', 'Together', 'giblets 96', 'Gall off the liver, gizzard split and peeled.', { ...scraps, loss: '1' }),
    way('giblets-sorted', 'O', 2, 'knife', 'Livers apart, hearts and gizzards', giblets[0], 'Gall off the liver, gizzard split and peeled, hearts drained.', { ...scraps, loss: '1' }),
  ),
  ...of('loose-neck',
    way('loose-neck-left', 'X', 0, 'none', 'Not kept', 'inedible 100/100/100/100', 'Left.', left),
    way('loose-neck-kept', 'N', 0, 'none', 'Kept', 'neck 100/100/100/100', 'Crop and windpipe off.', none),
  ),
  ...of('loose-giblets',
    way('loose-giblets-left', 'X', 0, 'none', 'Not kept', 'inedible 100/100/100/100', 'Left.', left),
    way('loose-giblets-kept', 'O', 1, 'knife', 'Kept together', 'giblets 88', 'Gall off the liver, gizzard split and peeled.', scraps),
    way('loose-giblets-sorted', 'O', 2, 'knife', 'Livers apart, hearts and gizzards', giblets[1], 'Gall off the liver, gizzard split and peeled, hearts drained.', scraps),
  ),
  ...of('feet',
    way('feet-left', 'X', 0, 'none', 'Not kept', 'inedible 100/100/100/100', 'Off at the joint.', left),
    way('feet-kept', 'N', 2, 'knife', 'Kept, skinned', 'feet 92/92/92/82; inedible 8/8/8/18', 'Scalded, skinned, nails off.', none),
  ),
  ...of('trim',
    way('trim-ground', 'G', 0, 'grinder', 'Ground | Minced', 'ground 98/98/98/98', 'Picked, ground cold.', { perKg: 0.6, loss: '2/2/2/2' }),
    way('trim-sausage', 'G', 0, 'grinder', 'Sausage | Sausages', 'sausage 98/98/98/98', 'Seasoned, filled cold.', { perKg: 1.5, loss: '2/2/2/2' }),
  ),
  ...of('frames',
    way('frames-kept', 'N', 0, 'none', 'Kept aside', 'frames 100/100/100/100', 'For stock.', none),
    way('frames-sold', 'N', 1, 'none', 'Sold for stock', 'backs 96/90/97/97; inedible 4/10/3/3', 'Packed two by two.', none),
  ),
    ...more(inKitchen),
  ]
}
