import type { Cut, CutKind, Destination, Portion } from '../../types.ts'

const chops = (thicknessMm: number): Portion => ({ kind: 'sawn', thicknessMm, kerfMm: 1.2, perPack: 2 })
const roasts = (kg: number): Portion => ({ kind: 'roast', kg, perPack: 1 })
const whole = (perSide: number, perPack = 1): Portion => ({ kind: 'whole', perSide, perPack })
const packs: Portion = { kind: 'pack', kg: 0.5, lb: 1 }

const cut =
  (kind: CutKind) =>
  (
    id: string,
    american: string,
    commonwealth: string,
    destination: Destination,
    index: number,
    portion: Portion | null,
  ): Cut => ({
    id,
    names: { american, commonwealth },
    destination,
    kind,
    index,
    portion,
  })
const product = cut('product')
const byProduct = cut('by-product')
const loss = cut('loss')

/** Starting price indices, mince = 1: our own working figures, from memory, weak (docs/sources.md: hog-price-index). */
export const cuts: Cut[] = [
  product('shoulder-whole', 'Whole shoulder, bone in', 'Whole shoulder, bone in', 'R', 0.85, whole(1)),
  product('butt-roast', 'Boston butt roast', 'Shoulder joint, neck end', 'R', 0.95, roasts(1.8)),
  product('picnic-roast', 'Picnic roast', 'Hand and spring', 'R', 0.8, roasts(1.8)),
  product('collar-roast', 'Boned shoulder roll', 'Collar joint, boned', 'R', 1.15, roasts(1.4)),
  product('blade-steak', 'Blade steaks', 'Shoulder steaks', 'T', 1.05, chops(25)),
  product('bone-in-chop', 'Bone-in loin chops', 'Loin chops, bone in', 'T', 1.3, chops(25)),
  product('boneless-chop', 'Boneless loin chops', 'Loin steaks', 'T', 1.6, chops(25)),
  product('loin-roast', 'Boneless loin roast', 'Boned loin joint', 'R', 1.55, roasts(1.4)),
  product('back-ribs', 'Back ribs', 'Loin ribs', 'B', 1.4, whole(1)),
  product('tenderloin', 'Tenderloin, whole', 'Fillet, whole', 'T', 2, whole(1)),
  product('medallions', 'Tenderloin medallions', 'Fillet medallions', 'T', 2.1, whole(8, 4)),
  product('bacon', 'Smoked bacon', 'Streaky bacon', 'C', 1.6, packs),
  product('belly-slab', 'Fresh belly, skin on', 'Belly joint, rind on', 'R', 1.15, roasts(1.4)),
  product('belly-slices', 'Fresh belly slices', 'Belly rashers', 'T', 1.2, packs),
  product('spare-ribs', 'Spare ribs, full', 'Belly ribs, full', 'B', 1.2, whole(1)),
  product('squared-ribs', 'Spare ribs, squared', 'Belly ribs, squared', 'B', 1.35, whole(1)),
  product('rib-tips', 'Rib tips', 'Rib tips', 'B', 0.8, packs),
  product('fresh-ham', 'Fresh ham, bone in', 'Leg of pork, bone in', 'R', 1, whole(2)),
  product('cured-ham', 'Smoked ham', 'Smoked gammon', 'C', 1.35, roasts(2.7)),
  product('leg-roast', 'Seamed leg roasts', 'Seamed leg joints', 'R', 1.25, roasts(1)),
  product('cutlets', 'Leg cutlets', 'Leg escalopes', 'T', 1.4, packs),
  product('hock', 'Hocks', 'Hocks', 'B', 0.6, whole(1)),
  product('trotter', 'Feet', 'Trotters', 'N', 0.35, whole(1, 2)),
  product('ground-pork', 'Ground pork', 'Pork mince', 'G', 1, packs),
  product('sausage', 'Fresh sausage', 'Fresh sausages', 'G', 1.2, packs),
  product('jowl-cured', 'Cured jowl', 'Cured cheek', 'C', 1.1, whole(1)),
  product('leaf-lard', 'Leaf fat', 'Flead', 'F', 0.5, packs),
  product('kidney', 'Kidneys', 'Kidneys', 'O', 0.4, whole(1, 2)),
  product('head', 'Head, whole', 'Head, whole', 'B', 0.25, whole(1)),
  product('cheeks', 'Cheeks', 'Cheeks', 'B', 1.1, packs),
  product('tail', 'Tail', 'Tail', 'B', 0.4, whole(1)),
  byProduct('back-fat', 'Back fat', 'Back fat', 'F', 0.25, null),
  byProduct('bones', 'Bones', 'Bones', 'N', 0.3, null),
  byProduct('rind', 'Skin', 'Rind', 'F', 0.2, null),
  byProduct('inedible', 'Glands and discards', 'Glands and discards', 'X', 0, null),
  loss('cutting-loss', 'Saw dust, drip and drying', 'Saw dust, drip and drying', 'X', 0, null),
]
