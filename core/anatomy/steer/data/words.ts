import { BONE_IN, BONELESS, FREEZER, SAUSAGE, WINTER, STRICT } from '../../houseWords.ts'
import type { HousePlan } from '../../types.ts'

/** Our own plans; from no figures. */
export const house: HousePlan[] = [
  { name: 'Retail, bone-in', says: BONE_IN, ways: 'chuck chuck-blade-steaks, rib rib-steaks, short-loin loin-tbone, plate plate-pieces, foreshank foreshank-cuts, hind-shank hind-shank-cuts' },
  { name: 'Retail, boneless', says: BONELESS, ways: 'chuck chuck-boned, clod clod-parted, chuck-roll chuck-roll-steaks, chuck-ribs chuck-ribs-grind, rib rib-eye-only, short-loin loin-strip, plate plate-fingers, foreshank foreshank-grind, hind-shank hind-shank-grind' },
  { name: 'Family freezer', says: FREEZER, ways: 'chuck chuck-boned, chuck-ribs chuck-ribs-grind, rib rib-eye-only, short-loin loin-strip-roast, brisket brisket-split, plate plate-grind, foreshank foreshank-grind, hind-shank hind-shank-grind, trim trim-stew' },
  { name: 'Sausage-heavy', says: SAUSAGE, ways: 'chuck chuck-grind, round round-grind, plate plate-grind, flank flank-grind, brisket brisket-grind, trim trim-half' },
  { name: 'Roasts for winter', says: WINTER, ways: 'chuck chuck-blade-roasts, rib rib-roast, short-loin loin-strip-roast, brisket brisket-rolled, sirloin sirloin-roast, foreshank foreshank-cuts, hind-shank hind-shank-cuts' },
  { name: 'Home cutter, strict', says: STRICT, trim: 'strict', ways: 'chuck chuck-boned, rib rib-eye, short-loin loin-strip, plate plate-grind, flank flank-steak, foreshank foreshank-grind, hind-shank hind-shank-grind, chuck-ribs chuck-ribs-grind' },
]

/** What a counter, a menu or another region calls them (common practice; docs/sources.md: also-called). */
export const also: Record<string, string> = {
  'rib-eye': 'ribeye scotch fillet cube roll delmonico',
  strip: 'new york strip sirloin steak porterhouse steak',
  tbone: 't bone porterhouse',
  tenderloin: 'filet mignon eye fillet',
  'flat-iron': 'feather steak feather blade oyster blade butlers steak top blade',
  'top-sirloin': 'rump picanha',
  hanger: 'hanging tender onglet thick skirt butchers steak',
  'skirt-outside': 'thin skirt fajita',
  'flank-steak': 'london broil bavette',
  flap: 'bavette',
  'tri-tip': 'triangle rump tail',
  'shank-cut': 'osso buco shin',
  'top-round': 'topside',
  'bottom-round': 'silverside',
  'eye-round': 'girello salmon cut',
  knuckle: 'round tip thick flank ball tip',
  'chuck-roll': 'chuck eye denver',
  brisket: 'point flat packer',
  oxtail: 'tail',
  'ground-beef': 'mince minced hamburger',
  'short-ribs': 'jacobs ladder flanken',
  cheeks: 'ox cheek',
}
