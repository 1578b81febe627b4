import { waysIn, type Kitchen } from '../../notation.ts'
import { pluckWays } from '../../offal/data/offal.ts'
import type { Path } from '../../types.ts'

/** Processes: what goes in, as shares of green weight, and what is left at the end (docs/sources.md: lamb-process). */
const kitchen: Kitchen = {
  pace: 0.45,
  rest: { lean: '> trim', fat: '> fat', bone: '> bones', skin: 'inedible' },
  loss: 'cutting-loss',
  processes: {
    'breast-cured': { inflows: [{ name: 'cure', share: 0.03 }], yield: 0.9 },
    'breast-rolled': { inflows: [{ name: 'stuffing', share: 0.2 }], yield: 1.2 },
    sausage: {
      inflows: [
        { name: 'spice and salt', share: 0.025 },
        { name: 'water', share: 0.05 },
      ],
      yield: 1.07,
    },
    'spit-meat': { inflows: [{ name: 'beef, from another lot', share: 55 / 45 }], yield: 100 / 45 },
    tallow: { inflows: [], yield: 0.75 },
  },
}
const inKitchen = waysIn(kitchen)
const { way, of } = inKitchen

const WHOLE = { pair: true, needs: ['!split'] }
const fillet = [{ part: 'tenderloin', from: ['loin'] }]
const SAWN = [{ cut: 'tenderloin', reason: 'it is sawn into the chops' }]
const left = { leaves: true, loss: '0' }
const none = { loss: '0' }
const GLAND = 'Gland out of the leg'

/** A part thrown away, or left where the animal fell. */
const notKept = (id: string) =>
  way(`${id}-left`, 'X', 0, 'none', 'Not kept', 'inedible 100/100/100/100', 'Left behind: spoilt, or not worth the hand.', none)

/** Shares of each part by tissue, % lean/fat/bone; trim level standard (docs/sources.md: lamb-paths). */
export const paths: Path[] = [
  ...of('neck',
    way('neck-slices', 'B', 3, 'saw', 'Slices, half round', 'neck-slices 92/12/82', 'Cord out, sawn across the half neck.'),
    way('neck-whole-slices', 'B', 3, 'saw', 'Whole slices across the neck', 'neck-rounds 95/28/88', 'Sawn 25 mm across the unsplit neck; cord pushed out of every slice.', WHOLE),
    way('neck-rolled', 'B', 8, 'knife', 'Boned and rolled', 'neck-rolled 82', 'Boned along the spine, backstrap out, rolled and tied.'),
    way('neck-stock', 'N', 1, 'knife', 'To stock', '> bones 30/80/99', 'Quick trim off, the rest to the pot.'),
    way('neck-grind', 'G', 5, 'grinder', 'Boned to trim', '> trim 92; inedible 4', 'Boned for the grinder.'),
  ),
  ...of('shoulder',
    way('shoulder-whole', 'R', 3, 'saw', 'Whole, bone in', 'shoulder-whole 94/0/74; inedible 2/2', 'Knuckle end off so that it fits the pot; gland out; fell left on.'),
    way('shoulder-rolled', 'R', 14, 'knife', 'Boned and rolled', 'shoulder-rolled 86.5/18; inedible 3', 'Fore-arm, upper arm and blade out, the blade by its ball joint; rolled to an even log, tied at even gaps from the middle.'),
    way('shoulder-chops', 'T', 8, 'saw', 'Chops: round-bone off the arm, then blade', 'arm-chop@0-32 28/0/22; blade-chop@32-100 58/0/51; inedible 1/3', 'Sawn 25 mm off the arm face, then turned 45° for the blade chops; gland out.'),
    way('shoulder-stew', 'B', 14, 'knife', 'Boned, cubed', 'stew 78; inedible 4/2', 'Boned, gland out, 30 mm cubes.'),
    way('shoulder-grind', 'G', 10, 'grinder', 'All to trim', '> trim 93; inedible 4/2', 'Boned, gland out by hand, cubed cold.'),
  ),
  ...of('foreshank',
    way('foreshank-whole', 'B', 1, 'saw', 'Whole, to braise', 'shank 97/64/95', 'Off at the joint. Only two a lamb: pool them.'),
    way('foreshank-grind', 'G', 3, 'grinder', 'Boned to trim', '> trim 86; inedible 10', 'Tendon out, lean to trim.'),
  ),
  ...of('rack',
    way('rack-frenched', 'R', 8, 'saw', 'Whole, frenched', 'rack 78/8/58', 'Chine off, backstrap tendon and blade tip out, rib ends frenched; the trim goes to the grinder.'),
    way('rack-chops', 'T', 6, 'saw', 'Rib chops | Cutlets', 'rib-chop 88/16/78', 'Chine off, one chop to a rib.'),
    way('rack-rolled', 'T', 10, 'knife', 'Boned and rolled', 'noisettes 82; inedible 4', 'Boned off the ribs in one, rolled, tied every 30 mm, cut between the ties.'),
    way('rack-crown', 'R', 16, 'saw', 'Crown of the double rack', 'crown 83/11/65', 'Both racks in one piece off the unsplit back, chine out, frenched, bent into a ring and tied.', WHOLE),
    way('rack-tied', 'R', 14, 'saw', 'Two racks tied in a ring', 'racks-tied 79/9/59', 'Two frenched racks sewn end to end, ribs outward.', { pair: true }),
    way('rack-grind', 'G', 8, 'grinder', 'All to trim', '> trim 92; inedible 4', 'Boned for the grinder.'),
  ),
  ...of('breast',
    way('breast-ribs', 'B', 4, 'saw', 'Squared spare ribs and rib tips', 'breast-ribs 44/8/58; rib-tips 16/7/30', 'Sawn along the cartilage, flap off to trim.'),
    way('breast-rolled', 'R', 10, 'knife', 'Boned, stuffed, rolled', 'breast-rolled 88/21', 'Boned, skin and membrane off, filled cold, rolled.', { caution: 'Fill and chill at once: a warm filling inside raw meat is unsafe.' }),
    way('breast-cured', 'C', 12, 'cure', 'Boned and cured', 'breast-cured 86/19', 'Boned, squared, cured by weight, sliced.'),
    way('breast-barding', 'R', 6, 'knife', 'Boned sheet, tied round a lean roast', 'breast-sheet 84/44', 'Boned in one sheet and tied round a boned leg.'),
    way('breast-riblets', 'B', 5, 'saw', 'Riblets', 'riblets 78/29/86', 'Cut between the ribs and sawn across.'),
    way('breast-grind', 'G', 6, 'grinder', 'All to trim', '> trim 92; inedible 4', 'Boned for the grinder.'),
  ),
  ...of('loin',
    way('loin-chops', 'T', 6, 'saw', 'Chops, short tails', 'loin-chop 90/30/80', 'Tails kept short, fell off, fat to 3 mm, sawn across.', { shutsOut: SAWN }),
    way('loin-double-chops', 'T', 6, 'saw', 'Double chops across both loins', 'double-chop 93/38/86', 'Sawn 25 mm straight across the unsplit saddle, cord out of every chop.', { ...WHOLE, shutsOut: SAWN }),
    way('loin-double-boneless', 'T', 18, 'knife', 'Double boneless chops', 'double-boneless 80/35', 'Both loins boned off the spine with the back skin kept whole, folded, cut double.', { ...WHOLE, extracts: fillet }),
    way('loin-saddle', 'R', 5, 'saw', 'Saddle roast', 'saddle 95/51/90', 'The unsplit double loin, flaps tucked under and tied.', { ...WHOLE, shutsOut: SAWN }),
    way('loin-noisette-saddle', 'T', 20, 'knife', 'Noisette saddle', 'saddle-noisette 90/43', 'The unsplit saddle boned from the inside, tenderloins laid in, rolled and tied every 30 mm.', { ...WHOLE, shutsOut: [{ cut: 'tenderloin', reason: 'it is rolled into the saddle' }] }),
    way('loin-boneless', 'T', 10, 'knife', 'Boneless loin and tenderloin | Loin eye and fillet', 'loin-boneless 72; inedible 4', 'Tenderloin freed first; eye lifted off the spine, silver skin off.', { extracts: fillet }),
    way('loin-grind', 'G', 8, 'grinder', 'Tenderloin kept, rest to trim', '> trim 93/9; inedible 4', 'Tenderloin out, the rest boned for the grinder.', { extracts: fillet }),
  ),
  ...of('tenderloin',
    way('tenderloin-whole', 'T', 1, 'knife', 'Whole', 'tenderloin 95', 'Silver skin off.'),
    way('tenderloin-grind', 'G', 1, 'grinder', 'To trim', '> trim 98', 'With the lean trim.'),
  ),
  ...of('leg',
    way('leg-whole', 'R', 3, 'saw', 'Whole, bone in', 'leg-whole 96/42/84; inedible 0.8/1', GLAND + ', shank end off at the joint, fell left on.'),
    way('leg-hip-out', 'R', 7, 'knife', 'Hip bone out', 'leg-semi 94/11/52; inedible 0.8/1', GLAND + ', hip bone followed with the point of the knife, tied.'),
    way('leg-butterflied', 'R', 14, 'knife', 'Butterflied along the seams', 'leg-butterflied 85; inedible 5/2', GLAND + ', knuckle split, inside opened, every bone out.'),
    way('leg-three-ways', 'T', 14, 'knife', 'Sirloin steaks, shank, butterflied middle', 'sirloin-steak 19/7; shank 6/4/22; leg-middle 62; inedible 3/1', 'Three steaks off the top, shank off at the joint, the middle boned and opened; gland out.'),
    way('leg-seven-meals', 'T', 30, 'knife', 'Seven meals', 'sirloin-chop 12/7/13; shank 6/4/22; leg-cutlet 15; kebab 18/1; stew 20/3; stir-fry 16; stock-bones 2/2/58; inedible 1/3', 'Sirloin chops, shank stew, cutlets from the inside, kebab cubes, diced, stir-fry strips, stock bones; gland out.'),
    way('leg-cubes', 'B', 20, 'knife', 'Kebab, stew and stir-fry', 'kebab 34; stew 30; stir-fry 20; inedible 4/1', 'Seamed off the bone, gland and silver skin out; best seams for kebabs.'),
    way('leg-sawn', 'T', 6, 'saw', 'Whole steaks on the saw', 'sirloin-chop@0-28 25/9/20; leg-steak@28-62 45/13/38; shank@ 19/5/25; inedible 0.8/1', 'Sawn right across: chops off the sirloin end, 20 mm steaks from the middle, gland out of them; the shank left whole.'),
    way('leg-grind', 'G', 14, 'grinder', 'All to trim', '> trim 93; inedible 4/2', 'Boned, gland out, cubed cold.'),
  ),
  ...of('kidney-fat',
    way('kidney-fat-kept', 'F', 1, 'none', 'Kept aside', 'kidney-suet 100/100/100/100', 'Pulled out with the kidneys.', none),
    way('kidney-fat-tallow', 'F', 6, 'none', 'Rendered to tallow', 'tallow 97/97/97/97', 'Cut small, rendered low.', { loss: '3/3/3/3', caution: 'Hot fat burns: dry pan, low heat, no water.' }),
  ),
  ...of('kidneys',
    way('kidneys-kept', 'O', 1, 'knife', 'Kept', 'kidney 97', 'Out of their fat, skinned.', { loss: '3', rest: { fat: 'inedible', bone: 'inedible' } }),
    way('kidneys-left', 'X', 0, 'none', 'Not kept', 'inedible 100/100/100/100', 'Left out.', none),
  ),
  ...of('liver',
    way('liver-left', 'X', 0, 'none', 'Not kept', 'inedible 100/100/100/100', 'Left at the plant.', left),
    way('liver-kept', 'O', 2, 'knife', 'Kept, sliced', 'liver 82', 'Passed by the inspector; gall off. Livers are often condemned.', { rest: { lean: 'inedible', fat: 'inedible', bone: 'inedible' } }),
  ),
  ...of('heart',
    way('heart-left', 'X', 0, 'none', 'Not kept', 'inedible 100/100/100/100', 'Left at the plant.', left),
    way('heart-kept', 'O', 1, 'knife', 'Kept', 'heart 92', 'Opened and drained.', { rest: { lean: 'inedible', fat: 'inedible', bone: 'inedible' } }),
  ),
  ...of('trim',
    way('trim-ground', 'G', 4, 'grinder', 'All ground | All minced', 'ground 98/98/98/98', 'Sorted, ground cold, packed.', { perKg: 0.6, loss: '2/2/2/2' }),
    way('trim-sausage', 'G', 4, 'grinder', 'Spiced sausage in sheep casing', 'sausage 98/98/98/98', 'Seasoned, filled cold into sheep casing.', { perKg: 1.5, loss: '2/2/2/2' }),
    way('trim-spit', 'G', 4, 'grinder', 'With beef, for the spit', 'spit-meat 98/98/98/98', '45 % lamb with 55 % beef, seasoned, pressed round the spit.', { perKg: 1.1, loss: '2/2/2/2', caution: 'Two species: both stand on the label, and the beef’s lot goes with it. It is cooked through as it is sliced.' }),
    way('trim-stew', 'B', 6, 'knife', 'Best to stew, rest ground', 'stew 40/10; ground 58/88/98/98', 'The larger pieces cubed, the rest ground.', { loss: '2/2/2/2' }),
  ),
  ...of('fat',
    way('fat-kept', 'F', 0, 'none', 'Kept as it is', 'fat-kept 100/100/100/100', 'For rendering or nothing.', none),
    way('fat-tallow', 'F', 8, 'none', 'Rendered to tallow', 'tallow 100/100/100/100', 'Cut small, rendered low.', { loss: '0', caution: 'Hot fat burns: dry pan, low heat, no water.' }),
  ),
  ...of('bones',
    way('bones-kept', 'N', 0, 'none', 'Kept aside', 'bones 100/100/100/100', 'For stock or the dog.', none),
    way('bones-sold', 'N', 3, 'saw', 'Sold as stock bones', 'stock-bones 90/90/90/90; inedible 10/10/10/10', 'Sawn small, packed; no spinal cord.', none),
  ),
  ...pluckWays(inKitchen),
  // Left behind: said, so that nothing is lost unnoticed.
  ...of('neck', notKept('neck')),
  ...of('breast', notKept('breast')),
  ...of('foreshank', notKept('foreshank')),
]
