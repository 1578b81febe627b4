import { BONE_IN, BONELESS, FREEZER, SAUSAGE, STRICT, WINTER } from '../../houseWords.ts'
import type { HousePlan } from '../../types.ts'

const CUBED = 'neck neck-cubed, shoulder shoulder-cubed, rack rack-cubed, loin loin-cubed, breast breast-cubed, foreshank foreshank-cubed, leg leg-cubed'
/** Our own plans; from no figures. */
export const house: HousePlan[] = [
  { name: 'Cubed on the saw', says: 'The whole goat in bone-in cubes, as most buyers of goat ask: heaviest, least time.', ways: CUBED },
  { name: 'Retail, bone-in', says: BONE_IN, ways: 'shoulder shoulder-chops, rack rack-chops, loin loin-chops, leg leg-whole, breast breast-ribs, neck neck-slices' },
  { name: 'Retail, boneless', says: BONELESS, ways: 'shoulder shoulder-rolled, rack rack-rolled, loin loin-boneless, leg leg-butterflied, breast breast-rolled, neck neck-rolled, foreshank foreshank-grind' },
  { name: 'Family freezer', says: FREEZER, ways: 'shoulder shoulder-stew, rack rack-rolled, loin loin-boneless, leg leg-cubes, breast breast-grind, neck neck-grind, foreshank foreshank-grind' },
  { name: 'Sausage-heavy', says: SAUSAGE, ways: 'shoulder shoulder-grind, leg leg-grind, breast breast-grind, neck neck-grind, trim trim-sausage' },
  { name: 'Roasts for winter', says: WINTER, ways: 'shoulder shoulder-whole, rack rack-frenched, leg leg-whole, breast breast-rolled, neck neck-rolled' },
  { name: 'Home cutter, strict', says: STRICT, trim: 'strict', ways: 'shoulder shoulder-stew, rack rack-rolled, loin loin-boneless, leg leg-butterflied, breast breast-grind, neck neck-grind, foreshank foreshank-grind' },
]

/** What a counter, a menu or another region calls them (common practice; docs/sources.md: also-called). */
export const also: Record<string, string> = {
  'bone-in-cubes': 'curry goat stew goat chunks',
  ground: 'chevon cabrito mince',
  neck: 'scrag',
  shank: 'knuckle',
  breast: 'flank plate ribs',
  saddle: 'double loin',
}
