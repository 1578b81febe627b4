import { BONE_IN, BONELESS, SAUSAGE } from '../../houseWords.ts'
import type { HousePlan } from '../../types.ts'

/** Our own plans; from no figures. */
export const house: HousePlan[] = [
  { name: 'Whole birds', says: 'Bagged whole: least work, the cook does the rest.', ways: 'bird bird-whole' },
  { name: 'Retail, bone-in', says: BONE_IN, ways: 'bird bird-parts, breast breast-bone-in, leg leg-whole, wing wing-whole' },
  { name: 'Retail, boneless', says: BONELESS, ways: 'bird bird-parts, breast breast-boneless-skin, leg leg-boneless, wing wing-two, fat fat-rendered' },
  { name: 'Breasts, legs, fat', says: 'Breasts with their skin to fry, whole legs to cook slowly, the fat rendered.', ways: 'bird bird-parts, breast breast-boneless-skin, leg leg-whole, wing wing-two, back back-sold, fat fat-rendered' },
  { name: 'Family freezer', says: 'Halves for two, nothing that needs a saw.', ways: 'bird bird-halves' },
  { name: 'Sausage-heavy', says: SAUSAGE, ways: 'bird bird-parts, breast breast-boneless-skin, leg leg-grind, wing wing-two, trim trim-sausage, fat fat-rendered' },
]

/** What a counter, a menu or another region calls them (common practice; docs/sources.md: also-called). */
export const also: Record<string, string> = {
  'whole-bird': 'oven ready duck duckling',
  'breast-boneless-on': 'magret fillet',
  'leg-whole': 'confit',
  'breast-bone-in': 'crown',
  tenders: 'aiguillettes inner fillets',
  'rendered-fat': 'schmaltz dripping',
  backs: 'carcass soup frame',
  ground: 'mince minced',
}
