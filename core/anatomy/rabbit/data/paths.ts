import { waysIn, type Kitchen } from '../../notation.ts'
import type { Path } from '../../types.ts'

/** Processes: what goes in, as shares of green weight, and what is left at the end (docs/sources.md: rabbit-process). */
const kitchen: Kitchen = {
  pace: 0.45,
  rest: { lean: '> trim', fat: '> fat', bone: '> frames', skin: 'inedible' },
  loss: 'cutting-loss',
  processes: {
    'boned-rabbit': { inflows: [{ name: 'stuffing', share: 0.25 }], yield: 1.25 },
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
const CUT = { loss: '0.7/0.5/0.6' }
const scraps = { rest: { bone: 'inedible', fat: 'inedible', skin: 'inedible', lean: 'inedible' } }
const CHIPS = 'Rabbit bones splinter: joints by the knife, never the cleaver; feel every boned piece for chips.'
const kept = (id: string, cut: string, words: string, share: string, says: string) => [
  way(`${id}-left`, 'X', 0, 'none', 'Not kept', 'inedible 100/100/100/100', 'Left.', left),
  way(`${id}-kept`, 'O', 1, 'knife', words, `${cut} ${share}`, says, scraps),
]

/**
 * How a rabbit is jointed, % lean/fat/bone: hind legs 37, loin 24, rib section 14, forelegs 13, flaps 6, pelvis and neck
 * 6 % of a fryer (docs/sources.md: rabbit-paths).
 */
export const paths: Path[] = [
  ...of('rabbit',
    way('rabbit-whole', 'R', 1, 'knife', 'Whole', 'whole-rabbit 99.2/99/99.4', 'Wiped dry, weighed, bagged.', CUT),
    way('rabbit-halves', 'R', 2, 'knife', 'Halves, across behind the ribs', 'half-rabbit 99/98/99', 'Across behind the last rib, through the joint.', { ...CUT, caution: CHIPS }),
    way('rabbit-six', 'B', 4, 'knife', 'Jointed in six, in one bag', 'six-pieces 86/72/76', 'Hind legs at the hip, forelegs behind the blade, loin across in two; ribs and pelvis to stock.', { ...CUT, caution: CHIPS, rest: { lean: '> frames', fat: '> fat', bone: '> frames' } }),
    way('rabbit-parts', 'B', 4, 'knife', 'Parted: legs, loin, flaps, ribs', '> hind 38.6/14.6/33.7; > loin 25.6/31.4/15; > fore 12.7/10.2/14.2; > rib 11.2/22.1/23.4; > flap 6.9/14.8/0.2; > pelvis 4.3/6.4/12.9', 'Hind legs at the hip, forelegs behind the blade, flaps off along the loin, loin from the last rib to the hip.', { ...CUT, caution: CHIPS }),
    way('rabbit-saddle', 'R', 5, 'knife', 'Parted, loin rolled in its flaps', '> hind 38.6/14.6/33.7; loin-flaps 32/40/15; > fore 12.7/10.2/14.2; > rib 11.2/22.1/23.4; > pelvis 4.3/6.4/12.9', 'As parted, the flaps left on the loin, folded under it and tied.', { ...CUT, caution: CHIPS }),
    way('rabbit-boned', 'R', 20, 'knife', 'Boned whole, stuffed, rolled', 'boned-rabbit 88/60', 'Opened from the belly, every bone out from inside, filled cold, rolled and tied.', { caution: `${CHIPS} Fill and chill at once.` }),
    way('rabbit-grind', 'G', 10, 'grinder', 'Boned to trim', '> trim 92/40', 'Boned off every joint, chips felt for by hand.'),
  ),
  ...of('hind',
    way('hind-whole', 'B', 0, 'knife', 'Whole', 'hind-leg 99/98/99', 'Foot end trimmed.', CUT),
    way('hind-parted', 'B', 1, 'knife', 'Thighs and lower legs', 'thigh 76/80/56; drumstick 23/18/43', 'Parted at the knee.', CUT),
    way('hind-boneless', 'T', 4, 'knife', 'Boned', 'hind-boneless 93/60', 'Thigh bone followed with the point, kneecap out.', { caution: CHIPS }),
    way('hind-stew', 'B', 5, 'knife', 'Boned, diced', 'stew 92/40', 'Boned, 25 mm cubes.', { caution: CHIPS }),
    way('hind-grind', 'G', 3, 'grinder', 'Boned to trim', '> trim 95/40', 'Boned for the grinder.'),
  ),
  ...of('loin',
    way('loin-bone-in', 'R', 0, 'knife', 'Bone in, one piece', 'loin-bone-in 99/75/99', 'Kidney fat off, silver skin left to hold it.', CUT),
    way('loin-halves', 'B', 1, 'knife', 'Across in two', 'loin-halves 98.500/75/98', 'Through the joint in the middle.', { ...CUT, caution: CHIPS }),
    way('loin-boneless', 'T', 4, 'knife', 'Two boneless loins', 'loin-boneless 60/4', 'Silver skin off, lifted off the spine from above; the small fillets with the trim.', { caution: CHIPS }),
    way('loin-grind', 'G', 3, 'grinder', 'Boned to trim', '> trim 95/20', 'Boned for the grinder.'),
  ),
  ...of('fore',
    way('fore-whole', 'B', 0, 'knife', 'Whole', 'foreleg 99/98/99', 'Off behind the blade, no joint to cut.', CUT),
    way('fore-stock', 'N', 0, 'knife', 'To stock', '> frames 100/100/100/100', 'With the frames.', none),
    way('fore-grind', 'G', 3, 'grinder', 'Boned to trim', '> trim 88/40', 'Boned for the grinder.'),
  ),
  ...of('rib',
    way('rib-stock', 'N', 0, 'none', 'To stock', '> frames 100/70/100/100', 'With the frames.', none),
    way('rib-sold', 'B', 1, 'knife', 'Sold to braise', 'rib-section 98/70/98', 'Trimmed, packed two by two.', CUT),
    way('rib-rack', 'T', 8, 'knife', 'Two small racks', 'rack 46/10/44', 'Split along the spine, rib ends cleaned; for cooks who ask.', { caution: CHIPS }),
    way('rib-grind', 'G', 4, 'grinder', 'Picked to trim', '> trim 78/30', 'Picked off the ribs, chips felt for.'),
  ),
  ...of('flap',
    way('flap-trim', 'G', 0, 'knife', 'To trim', '> trim 98/70', 'With the trim.'),
    way('flap-sold', 'T', 1, 'knife', 'Sold', 'flaps 97/90/0', 'Squared, packed flat.', CUT),
    way('flap-stock', 'N', 0, 'none', 'To stock', '> frames 100/100/100/100', 'With the frames.', none),
  ),
  ...of('pelvis',
    way('pelvis-stock', 'N', 0, 'none', 'To stock', '> frames 100/80/100/100', 'With the frames.', none),
    way('pelvis-grind', 'G', 2, 'grinder', 'Picked to trim', '> trim 75/30', 'Picked, chips felt for.'),
  ),
  ...of('head',
    way('head-off', 'X', 0, 'knife', 'Off at the block, thrown away', 'inedible 100/100/100/100', 'Off behind the skull.', none),
    way('head-sold', 'N', 2, 'knife', 'Kept, skinned', 'head 95/90/97', 'Skinned, eyes out.', { loss: '0', rest: { lean: 'inedible', fat: 'inedible', bone: 'inedible' } }),
  ),
  ...of('loose-head',
    way('loose-head-left', 'X', 0, 'none', 'Not kept', 'inedible 100/100/100/100', 'Left.', left),
    way('loose-head-kept', 'N', 2, 'knife', 'Kept, skinned', 'head 95/90/97', 'Skinned, eyes out.', { loss: '0', rest: { lean: 'inedible', fat: 'inedible', bone: 'inedible' } }),
  ),
  ...of('liver', ...kept('liver', 'liver', 'Kept', '92', 'Gall off without a drop; white spots: throw the liver away and ask a vet.')),
  ...of('kidneys', ...kept('kidneys', 'kidney', 'Kept', '95', 'Out of their fat.')),
  ...of('heart', ...kept('heart', 'heart', 'Kept', '95', 'Opened, rinsed.')),
  ...of('trim',
    way('trim-ground', 'G', 0, 'grinder', 'Ground | Minced', 'ground 98/98/98/98', 'Picked over, ground cold.', { perKg: 0.6, loss: '2/2/2/2' }),
    way('trim-sausage', 'G', 0, 'grinder', 'Sausage | Sausages', 'sausage 98/98/98/98', 'Seasoned, filled cold; lean, so fat of another species is often added: then both stand on the label.', { perKg: 1.5, loss: '2/2/2/2' }),
  ),
  ...of('fat', way('fat-kept', 'F', 0, 'none', 'Kept aside', 'fat-kept 100/100/100/100', 'Off the kidneys and the loin.', none)),
  ...of('frames',
    way('frames-kept', 'N', 0, 'none', 'Kept aside', 'frames 100/100/100/100', 'For stock.', none),
    way('frames-sold', 'N', 1, 'none', 'Sold for stock', 'stock-bones 96/90/97/97; inedible 4/10/3/3', 'Packed.', none),
  ),
]
