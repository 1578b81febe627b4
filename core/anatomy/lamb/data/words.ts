import { BONE_IN, BONELESS, FREEZER, SAUSAGE, WINTER, STRICT } from '../../houseWords.ts'
import type { HousePlan } from '../../types.ts'

/** Our own plans; from no figures. */
export const house: HousePlan[] = [
  { name: 'Retail, bone-in', says: BONE_IN, ways: 'shoulder shoulder-chops, rack rack-chops, loin loin-chops, leg leg-whole, breast breast-ribs, neck neck-slices' },
  { name: 'Retail, boneless', says: BONELESS, ways: 'shoulder shoulder-rolled, rack rack-rolled, loin loin-boneless, leg leg-butterflied, breast breast-rolled, neck neck-rolled, foreshank foreshank-grind' },
  { name: 'Family freezer', says: FREEZER, ways: 'shoulder shoulder-rolled, rack rack-rolled, loin loin-boneless, leg leg-butterflied, breast breast-grind, neck neck-grind, foreshank foreshank-grind' },
  { name: 'Sausage-heavy', says: SAUSAGE, ways: 'shoulder shoulder-grind, leg leg-grind, breast breast-grind, neck neck-grind, trim trim-sausage' },
  { name: 'Roasts for winter', says: WINTER, ways: 'shoulder shoulder-whole, rack rack-frenched, leg leg-whole, breast breast-rolled, neck neck-rolled' },
  { name: 'Home cutter, strict', says: STRICT, trim: 'strict', ways: 'shoulder shoulder-stew, rack rack-rolled, loin loin-boneless, leg leg-butterflied, breast breast-grind, neck neck-grind, foreshank foreshank-grind' },
  { name: 'Seven-meal leg', says: 'Each leg becomes seven meals: chops, shank, cutlets, kebabs, dice, stir-fry and stock.', ways: 'leg leg-seven-meals, shoulder shoulder-rolled, rack rack-frenched' },
]

/** What a counter, a menu or another region calls them (common practice; docs/sources.md: also-called). */
export const also: Record<string, string> = {
  'neck-slices': 'scrag end',
  neck: 'scrag',
  'leg-whole': 'gigot',
  leg: 'gigot',
  rack: 'best end cutlet rack of lamb',
  'loin-chop': 'barnsley',
  saddle: 'double loin',
  stew: 'cubes kebab',
  breast: 'flank plate',
  shank: 'knuckle',
}
