import { BONE_IN, BONELESS, SAUSAGE } from '../../houseWords.ts'
import type { HousePlan } from '../../types.ts'

/** Our own plans; from no figures. */
export const house: HousePlan[] = [
  { name: 'Whole birds', says: 'Bagged whole for the feast, weight on the bag for the cook.', ways: 'bird bird-whole' },
  { name: 'Retail, bone-in', says: BONE_IN, ways: 'bird bird-parts, breast breast-bone-in, leg leg-parted, wing wing-whole' },
  { name: 'Retail, boneless', says: BONELESS, ways: 'bird bird-parts, breast breast-boneless, leg leg-boneless, wing wing-three' },
  { name: 'Family freezer', says: 'Rolled roasts for four, drumsticks and wings to braise, backs to stock.', ways: 'bird bird-parts, breast breast-rolled, leg leg-rolled, wing wing-two' },
  { name: 'Sausage-heavy', says: SAUSAGE, ways: 'bird bird-parts, breast breast-boneless, leg leg-grind, wing wing-two, trim trim-sausage' },
  { name: 'Roasts for winter', says: 'Crowns and legs for the oven.', ways: 'bird bird-parts, breast breast-bone-in, leg leg-whole, wing wing-whole' },
]

/** What a counter, a menu or another region calls them (common practice; docs/sources.md: also-called). */
export const also: Record<string, string> = {
  'whole-bird': 'oven ready turkey',
  'breast-bone-in': 'crown',
  'breast-boneless': 'fillet',
  'breast-steak': 'cutlets escalopes scallopini',
  tenders: 'inner fillets',
  'breast-first-bone': 'supreme airline',
  backs: 'carcass soup frame',
  ground: 'mince minced',
}
