import { BONE_IN, BONELESS, FREEZER, SAUSAGE, WINTER, STRICT } from '../../houseWords.ts'
import type { HousePlan } from '../../types.ts'

/** Our own plans; from no figures. */
export const house: HousePlan[] = [
  { name: 'Retail, bone-in', says: BONE_IN, ways: 'loin loin-chops, shoulder shoulder-parted, butt butt-steaks, leg leg-halves, belly belly-bacon, spare-ribs ribs-squared' },
  { name: 'Retail, boneless', says: BONELESS, ways: 'loin loin-boneless-only, shoulder shoulder-collar, leg leg-seamed, belly belly-slices, spare-ribs ribs-grind, fore-hock fore-hock-boned, hind-hock hind-hock-boned, fore-foot fore-foot-left, hind-foot hind-foot-left, tail tail-stock' },
  { name: 'Family freezer', says: FREEZER, ways: 'loin loin-roasts, shoulder shoulder-collar, leg leg-seamed, belly belly-bacon, jowl jowl-ground, fore-hock fore-hock-boned, hind-hock hind-hock-boned, trim trim-half' },
  { name: 'Sausage-heavy', says: SAUSAGE, ways: 'shoulder shoulder-grind, leg leg-grind, loin loin-boneless-chops, belly belly-bacon, trim trim-sausage, back-fat fat-sausage' },
  { name: 'Roasts for winter', says: WINTER, ways: 'loin loin-rack, shoulder shoulder-whole, leg leg-smoked, belly belly-slab, spare-ribs ribs-on-belly, fore-hock fore-hock-smoked, hind-hock hind-hock-smoked' },
  { name: 'Home cutter, strict', says: STRICT, trim: 'strict', ways: 'shoulder shoulder-grind, loin loin-boneless-chops, leg leg-seamed, belly belly-grind, spare-ribs ribs-grind, fore-hock fore-hock-stock, hind-hock hind-hock-stock, fore-foot fore-foot-left, hind-foot hind-foot-left' },
]

/** What a counter, a menu or another region calls them (common practice; docs/sources.md: also-called). */
export const also: Record<string, string> = {
  'butt-roast': 'boston butt pork butt pulled pork spare rib joint neck end',
  'collar-roast': 'collar coppa',
  'back-ribs': 'baby back',
  'spare-ribs': 'side ribs st louis',
  'boneless-chop': 'new york pork chop',
  'picnic-roast': 'hand and spring',
  cubes: 'stew kebab',
  bacon: 'streaky rasher',
  'back-bacon': 'canadian bacon',
  hock: 'knuckle shank',
  'jowl-cured': 'guanciale',
  'head-meat': 'head cheese',
  'ground-pork': 'mince minced ground',
  'leaf-lard': 'flare fat',
}
