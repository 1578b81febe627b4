import { BONE_IN, BONELESS, SAUSAGE } from '../../houseWords.ts'
import type { HousePlan } from '../../types.ts'

/** Our own plans; from no figures. */
export const house: HousePlan[] = [
  { name: 'Whole birds', says: 'Bagged whole: least work, the cook does the rest.', ways: 'bird bird-whole' },
  { name: 'Retail, bone-in', says: BONE_IN, ways: 'bird bird-parts, breast breast-bone-in, leg leg-parted, wing wing-whole' },
  { name: 'Retail, boneless', says: BONELESS, ways: 'bird bird-parts, breast breast-boneless, leg leg-boneless, wing wing-three' },
  { name: 'Family freezer', says: 'Eight pieces to a bag, backs to stock.', ways: 'bird bird-eight' },
  { name: 'Sausage-heavy', says: SAUSAGE, ways: 'bird bird-parts, breast breast-grind, leg leg-grind, wing wing-two, trim trim-sausage' },
  { name: 'Roasts for winter', says: 'Halves and flat-backed birds for the oven.', ways: 'bird bird-spatchcock' },
]

/** What a counter, a menu or another region calls them (common practice; docs/sources.md: also-called). */
export const also: Record<string, string> = {
  'whole-bird': 'roaster broiler fryer oven ready chicken',
  spatchcock: 'butterflied flattened',
  'leg-quarter': 'leg portion maryland',
  'breast-boneless': 'fillet',
  'breast-first-bone': 'supreme airline',
  tenders: 'inner fillets mini fillets',
  'wing-two': 'party wings',
  backs: 'carcass soup frame',
  ground: 'mince',
}
