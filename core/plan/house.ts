import type { Anatomy, Species, TrimLevel } from '#core/anatomy'
import type { CutPlan } from '#core/records'

interface House {
  name: string
  says: string
  /** `part way`, both sides alike. */
  ways: string
  trim?: TrimLevel
}

const BONE_IN = 'Chops, steaks and roasts with their bone: weighs most, costs least time on the knife.'
const BONELESS = 'Everything boned: smaller, dearer packs that can all be eaten; bones aside.'
const FREEZER = 'For one family’s freezer: roasts for four, ground meat and stew, nothing that needs a saw.'
const SAUSAGE = 'Most of it ground: sausage and ground meat for the market, only the best cuts kept.'
const WINTER = 'Big roasts and braises for the cold months.'
const STRICT = 'A home cutter with a knife: boned, every scrap of outside fat and silver skin off, shanks to stock.'

/** House plans of ours, for any animal of the species; our own choices, from no figures. */
const HOUSE: Record<Species, House[]> = {
  hog: [
    { name: 'Retail, bone-in', says: BONE_IN, ways: 'loin loin-chops, shoulder shoulder-parted, butt butt-steaks, leg leg-halves, belly belly-bacon, spare-ribs ribs-squared' },
    { name: 'Retail, boneless', says: BONELESS, ways: 'loin loin-boneless-only, shoulder shoulder-collar, leg leg-seamed, belly belly-slices, spare-ribs ribs-grind, fore-hock fore-hock-boned, hind-hock hind-hock-boned, fore-foot fore-foot-left, hind-foot hind-foot-left, tail tail-stock' },
    { name: 'Family freezer', says: FREEZER, ways: 'loin loin-roasts, shoulder shoulder-collar, leg leg-seamed, belly belly-bacon, jowl jowl-ground, fore-hock fore-hock-boned, hind-hock hind-hock-boned, trim trim-half' },
    { name: 'Sausage-heavy', says: SAUSAGE, ways: 'shoulder shoulder-grind, leg leg-grind, loin loin-boneless-chops, belly belly-bacon, trim trim-sausage, back-fat fat-sausage' },
    { name: 'Roasts for winter', says: WINTER, ways: 'loin loin-rack, shoulder shoulder-whole, leg leg-smoked, belly belly-slab, spare-ribs ribs-on-belly, fore-hock fore-hock-smoked, hind-hock hind-hock-smoked' },
    { name: 'Home cutter, strict', says: STRICT, trim: 'strict', ways: 'shoulder shoulder-grind, loin loin-boneless-chops, leg leg-seamed, belly belly-grind, spare-ribs ribs-grind, fore-hock fore-hock-stock, hind-hock hind-hock-stock, fore-foot fore-foot-left, hind-foot hind-foot-left' },
  ],
  lamb: [
    { name: 'Retail, bone-in', says: BONE_IN, ways: 'shoulder shoulder-chops, rack rack-chops, loin loin-chops, leg leg-whole, breast breast-ribs, neck neck-slices' },
    { name: 'Retail, boneless', says: BONELESS, ways: 'shoulder shoulder-rolled, rack rack-rolled, loin loin-boneless, leg leg-butterflied, breast breast-rolled, neck neck-rolled, foreshank foreshank-grind' },
    { name: 'Family freezer', says: FREEZER, ways: 'shoulder shoulder-rolled, rack rack-rolled, loin loin-boneless, leg leg-butterflied, breast breast-grind, neck neck-grind, foreshank foreshank-grind' },
    { name: 'Sausage-heavy', says: SAUSAGE, ways: 'shoulder shoulder-grind, leg leg-grind, breast breast-grind, neck neck-grind, trim trim-sausage' },
    { name: 'Roasts for winter', says: WINTER, ways: 'shoulder shoulder-whole, rack rack-frenched, leg leg-whole, breast breast-rolled, neck neck-rolled' },
    { name: 'Home cutter, strict', says: STRICT, trim: 'strict', ways: 'shoulder shoulder-stew, rack rack-rolled, loin loin-boneless, leg leg-butterflied, breast breast-grind, neck neck-grind, foreshank foreshank-grind' },
    { name: 'Seven-meal leg', says: 'Each leg becomes seven meals: chops, shank, cutlets, kebabs, dice, stir-fry and stock.', ways: 'leg leg-seven-meals, shoulder shoulder-rolled, rack rack-frenched' },
  ],
  steer: [
    { name: 'Retail, bone-in', says: BONE_IN, ways: 'chuck chuck-blade-steaks, rib rib-steaks, short-loin loin-tbone, plate plate-pieces, foreshank foreshank-cuts, hind-shank hind-shank-cuts' },
    { name: 'Retail, boneless', says: BONELESS, ways: 'chuck chuck-boned, clod clod-parted, chuck-roll chuck-roll-steaks, chuck-ribs chuck-ribs-grind, rib rib-eye-only, short-loin loin-strip, plate plate-fingers, foreshank foreshank-grind, hind-shank hind-shank-grind' },
    { name: 'Family freezer', says: FREEZER, ways: 'chuck chuck-boned, chuck-ribs chuck-ribs-grind, rib rib-eye-only, short-loin loin-strip-roast, brisket brisket-split, plate plate-grind, foreshank foreshank-grind, hind-shank hind-shank-grind, trim trim-stew' },
    { name: 'Sausage-heavy', says: SAUSAGE, ways: 'chuck chuck-grind, round round-grind, plate plate-grind, flank flank-grind, brisket brisket-grind, trim trim-half' },
    { name: 'Roasts for winter', says: WINTER, ways: 'chuck chuck-blade-roasts, rib rib-roast, short-loin loin-strip-roast, brisket brisket-rolled, sirloin sirloin-roast, foreshank foreshank-cuts, hind-shank hind-shank-cuts' },
    { name: 'Home cutter, strict', says: STRICT, trim: 'strict', ways: 'chuck chuck-boned, rib rib-eye, short-loin loin-strip, plate plate-grind, flank flank-steak, foreshank foreshank-grind, hind-shank hind-shank-grind, chuck-ribs chuck-ribs-grind' },
  ],
  broiler: [
    { name: 'Whole birds', says: 'Bagged whole: least work, the cook does the rest.', ways: 'bird bird-whole' },
    { name: 'Retail, bone-in', says: BONE_IN, ways: 'bird bird-parts, breast breast-bone-in, leg leg-parted, wing wing-whole' },
    { name: 'Retail, boneless', says: BONELESS, ways: 'bird bird-parts, breast breast-boneless, leg leg-boneless, wing wing-three' },
    { name: 'Family freezer', says: 'Eight pieces to a bag, backs to stock.', ways: 'bird bird-eight' },
    { name: 'Sausage-heavy', says: SAUSAGE, ways: 'bird bird-parts, breast breast-grind, leg leg-grind, wing wing-two, trim trim-sausage' },
    { name: 'Roasts for winter', says: 'Halves and flat-backed birds for the oven.', ways: 'bird bird-spatchcock' },
  ],
}

/** The house plans of a species, as plans like any other. */
export function housePlans(anatomy: Anatomy): CutPlan[] {
  return HOUSE[anatomy.species].map((h) => ({
    format: 'ekko-plan',
    version: 1,
    species: anatomy.species,
    name: h.name,
    says: h.says,
    trim: h.trim ?? 'standard',
    lines: [],
    mm: [],
    paths: h.ways.split(',').flatMap((way) => {
      const [part, path] = way.trim().split(' ') as [string, string]
      const animal = anatomy.parts.find((p) => p.id === part)?.scope === 'animal'
      return (animal ? (['animal'] as const) : (['left', 'right'] as const)).map((side) => ({ part, side, path }))
    }),
    portions: [],
  }))
}
