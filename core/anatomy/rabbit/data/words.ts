import { BONE_IN, BONELESS, SAUSAGE } from '../../houseWords.ts'
import type { HousePlan } from '../../types.ts'

/** Our own plans; from no figures. */
export const house: HousePlan[] = [
  { name: 'Whole rabbits', says: 'Bagged whole: least work, the cook does the rest.', ways: 'rabbit rabbit-whole' },
  { name: 'Jointed in six', says: 'One rabbit to a bag, ready for the pot.', ways: 'rabbit rabbit-six' },
  { name: 'Retail, bone-in', says: BONE_IN, ways: 'rabbit rabbit-parts, hind hind-whole, loin loin-bone-in, fore fore-whole, rib rib-sold, flap flap-sold' },
  { name: 'Retail, boneless', says: BONELESS, ways: 'rabbit rabbit-parts, hind hind-boneless, loin loin-boneless, fore fore-grind, flap flap-trim' },
  { name: 'Family freezer', says: 'Legs to braise, loins to fry, the rest ground.', ways: 'rabbit rabbit-parts, hind hind-whole, loin loin-boneless, fore fore-grind, rib rib-grind, pelvis pelvis-grind' },
  { name: 'Sausage-heavy', says: SAUSAGE, ways: 'rabbit rabbit-parts, hind hind-grind, loin loin-boneless, fore fore-grind, rib rib-grind, pelvis pelvis-grind, trim trim-sausage' },
]

/** What a counter, a menu or another region calls them (common practice; docs/sources.md: also-called). */
export const also: Record<string, string> = {
  'loin-bone-in': 'saddle rable',
  'whole-rabbit': 'fryer oven ready',
  'loin-boneless': 'backstrap fillet',
  'hind-leg': 'haunch ham',
  foreleg: 'shoulder',
  flaps: 'flank belly',
  'stock-bones': 'carcass soup frame',
}
