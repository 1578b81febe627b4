import { waysIn, type Kitchen } from '../../notation.ts'
import type { Path } from '../../types.ts'

/** Processes: what goes in, as shares of green weight, and what is left at the end (docs/sources.md: broiler-process). */
const kitchen: Kitchen = {
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
const { way, of } = waysIn(kitchen)

const left = { leaves: true, loss: '0' }
const none = { loss: '0' }
const DRIP = { loss: '0.8/0.8/0.8/0.8' }
const CUT = { loss: '0.7/0.5/0.5/0.5' }
const scraps = { rest: { bone: 'inedible', fat: 'inedible', skin: 'inedible', lean: 'inedible' } }
const FIRST = 'the first wing bone goes with the breast'

/**
 * How a bird is parted, by tissue, % lean/fat/bone/skin: breast 37, thighs 18, drumsticks 13.5, wings 10.5 and back 21 %
 * of a fast bird (docs/sources.md: broiler-paths).
 */
export const paths: Path[] = [
  ...of('bird',
    way('bird-whole', 'R', 1, 'knife', 'Whole', 'whole-bird 99.2/99.2/99.2/99.2', 'Drained, weighed, bagged.', DRIP),
    way('bird-halves', 'R', 2, 'knife', 'Halves', 'half-bird 99/98/98/99', 'Split down the back and through the keel.', CUT),
    way('bird-spatchcock', 'R', 2, 'knife', 'Spatchcock, back out', 'spatchcock 90/76/74/86; > back 9/22/25/13', 'Both sides of the back cut through, keel pressed flat.', CUT),
    way('bird-quarters', 'R', 2, 'knife', 'Leg and breast quarters', 'leg-quarter 42/56/53/46; breast-quarter 57/43/46/53', 'Leg with its part of the back, breast with its wing.', CUT),
    way('bird-eight', 'B', 3, 'knife', 'Eight pieces, back to stock', 'eight-pieces 89/50/64/75; > back 10/48/35/24', 'Legs off at the hip, parted at the knee; wings off; breast off the back and split.', CUT),
    way('bird-boned', 'R', 18, 'knife', 'Boned whole, stuffed, tied', 'boned-bird 95/85/0/95', 'Opened down the back, every bone out, filled cold, tied.', { caution: 'Fill and chill at once. Stuffed birds are cooked to 74 °C (165 °F) in the middle.' }),
    way('bird-parts', 'T', 3, 'knife', 'Parted: breast, legs, wings; oyster with the thigh', '> breast 49.4/15.4/18.3/24; > leg 32.4/31/31.4/32; > wing 7.1/3.6/14.7/19.2; > back 10.4/49.5/35.1/24.3', 'Legs off with the oyster, wings off at the joint, breast lifted off the back.', CUT),
    way('bird-parts-oyster', 'T', 2, 'knife', 'Parted, oyster left on the back', '> breast 49.4/15.4/18.3/24; > leg 29.9/30.5/31.4/32; > wing 7.1/3.6/14.7/19.2; > back 12.9/50/35.1/24.3', 'Legs pulled off at the hip, the oyster stays on the back for stock.', CUT),
    way('bird-first-bone', 'T', 4, 'knife', 'Parted, first wing bone on the breast', 'breast-first-bone 42.9/10/6/26; tenders 8.1; > leg 32.4/31/31.4/32; wing-flat 3.2/2/6/9.5; wing-tips 0.6/0.6/2.9/2.2; > back 10.4/55.9/53.2/29.8', 'Breast off the keel with the first wing bone left on; no whole wing then.', { ...CUT, shutsOut: [{ cut: 'wing-whole', reason: FIRST }, { cut: 'drumette', reason: FIRST }] }),
  ),
  ...of('breast',
    way('breast-bone-in', 'R', 1, 'knife', 'Bone in', 'breast-bone-in 99/98/98/99', 'Split through the keel.', CUT),
    way('breast-boneless', 'T', 2, 'knife', 'Boneless, tenders apart', 'breast-boneless 80; tenders 16.5', 'Off the keel, skin off, tenders drawn.', CUT),
    way('breast-boneless-on', 'T', 2, 'knife', 'Boneless, tenders on', 'breast-boneless-on 97', 'Off the keel in one, skin off.', CUT),
    way('breast-boneless-skin', 'T', 2, 'knife', 'Boneless, skin on', 'breast-boneless-on 97/70/0/92', 'Off the keel in one, skin kept.', CUT),
    way('breast-grind', 'G', 2, 'grinder', 'To trim', '> trim 98/50', 'Off the keel, for the grinder.'),
  ),
  ...of('leg',
    way('leg-whole', 'R', 0, 'knife', 'Whole legs', 'leg-whole 99/98/98/99', 'Knuckle off at the joint.', CUT),
    way('leg-parted', 'B', 1, 'knife', 'Thighs and drumsticks', 'thigh 57/84/42/64; drumstick 42/14/56.5/35', 'Parted on the fat line of the knee.', CUT),
    way('leg-boneless', 'T', 4, 'knife', 'Boneless thighs, drumsticks', 'thigh-boneless 54/25/0/0; drumstick 42/14/56.5/35', 'Thigh bone followed with the point, skin off.', CUT),
    way('leg-grind', 'G', 4, 'grinder', 'Boned to trim', '> trim 95/50', 'Boned, sinew out of the drumsticks.'),
  ),
  ...of('wing',
    way('wing-whole', 'B', 0, 'knife', 'Whole, tip on', 'wing-whole 99/98/98.5/99', 'Folded under; pooled over birds.', CUT),
    way('wing-two', 'B', 1, 'knife', 'Two-piece, tip off', 'wing-two 90/88/78/86; wing-tips 9/10/20/13', 'Tip off at the joint.', CUT),
    way('wing-three', 'B', 1, 'knife', 'Three-piece: drumette, flat, tip', 'drumette 49/48/41/44; wing-flat 41/40/37/42; wing-tips 9/10/20/13', 'Parted at both joints.', CUT),
  ),
  ...of('back',
    way('back-stock', 'N', 0, 'none', 'Kept for stock', '> frames 100/100/100/100', 'With the frames.', none),
    way('back-sold', 'N', 1, 'knife', 'Backs sold for stock', 'backs 99/80/99/98', 'Kidneys and lungs scraped out, fat pulled.', CUT),
  ),
  ...of('neck',
    way('neck-kept', 'N', 0, 'none', 'With the bird or apart', 'neck 100/100/100/100', 'Crop and windpipe off.', none),
    way('neck-frames', 'N', 0, 'none', 'To stock', '> frames 100/100/100/100', 'With the frames.', none),
  ),
  ...of('giblets',
    way('giblets-kept', 'O', 1, 'knife', 'Together', 'giblets 96', 'Gall off the liver, gizzard split and peeled.', { ...scraps, loss: '1' }),
    way('giblets-sorted', 'O', 2, 'knife', 'Livers apart, hearts and gizzards', 'livers 46; hearts-gizzards 50', 'Gall off the liver, gizzard split and peeled, hearts drained.', { ...scraps, loss: '1' }),
  ),
  ...of('loose-neck',
    way('loose-neck-left', 'X', 0, 'none', 'Not kept', 'inedible 100/100/100/100', 'Left.', left),
    way('loose-neck-kept', 'N', 0, 'none', 'Kept', 'neck 100/100/100/100', 'Crop and windpipe off.', none),
  ),
  ...of('loose-giblets',
    way('loose-giblets-left', 'X', 0, 'none', 'Not kept', 'inedible 100/100/100/100', 'Left.', left),
    way('loose-giblets-kept', 'O', 1, 'knife', 'Kept together', 'giblets 88', 'Gall off the liver, gizzard split and peeled.', scraps),
    way('loose-giblets-sorted', 'O', 2, 'knife', 'Livers apart, hearts and gizzards', 'livers 44; hearts-gizzards 44', 'Gall off the liver, gizzard split and peeled, hearts drained.', scraps),
  ),
  ...of('feet',
    way('feet-left', 'X', 0, 'none', 'Not kept', 'inedible 100/100/100/100', 'Off at the joint.', left),
    way('feet-kept', 'N', 2, 'knife', 'Kept, skinned', 'feet 92/92/92/82; inedible 8/8/8/18', 'Scalded, skinned, nails off.', none),
  ),
  ...of('trim',
    way('trim-ground', 'G', 0, 'grinder', 'Ground | Minced', 'ground 98/98/98/98', 'Picked, ground cold.', { perKg: 0.6, loss: '2/2/2/2', caution: 'Ground poultry is cooked to 74 °C (165 °F).' }),
    way('trim-sausage', 'G', 0, 'grinder', 'Sausage | Sausages', 'sausage 98/98/98/98', 'Seasoned, filled cold.', { perKg: 1.5, loss: '2/2/2/2', caution: 'Poultry sausage is cooked to 74 °C (165 °F).' }),
  ),
  ...of('frames',
    way('frames-kept', 'N', 0, 'none', 'Kept aside', 'frames 100/100/100/100', 'For stock.', none),
    way('frames-sold', 'N', 1, 'none', 'Sold for stock', 'backs 96/90/97/97; inedible 4/10/3/3', 'Packed two by two.', none),
  ),
]
