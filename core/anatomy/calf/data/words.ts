import { BONE_IN, BONELESS, FREEZER, SAUSAGE, STRICT, WINTER } from '../../houseWords.ts'
import type { HousePlan } from '../../types.ts'

const ESCALOPES = 'top-round top-round-escalopes, knuckle knuckle-escalopes'
/** Our own plans; from no figures. */
export const house: HousePlan[] = [
  { name: 'Retail, bone-in', says: BONE_IN, ways: 'chuck chuck-blade-steaks, rib rib-chops, short-loin loin-tbone, plate plate-pieces, foreshank foreshank-cuts, hind-shank hind-shank-cuts' },
  { name: 'Retail, boneless', says: BONELESS, ways: `chuck chuck-rolled, rib rib-eye-only, short-loin loin-strip, plate plate-grind, ${ESCALOPES}, foreshank foreshank-grind, hind-shank hind-shank-grind` },
  { name: 'Veal counter', says: 'Rack, thin cutlets, shank cross-cuts, a stuffed breast: the dear side of veal.', ways: `chuck chuck-rolled, rib rib-rack, short-loin loin-tbone, plate plate-stuffed, ${ESCALOPES}, foreshank foreshank-cuts, hind-shank hind-shank-cuts` },
  { name: 'Family freezer', says: FREEZER, ways: 'chuck chuck-rolled, rib rib-eye-only, short-loin loin-strip-roast, brisket brisket-grind, plate plate-grind, foreshank foreshank-grind, hind-shank hind-shank-grind, trim trim-stew' },
  { name: 'Sausage-heavy', says: SAUSAGE, ways: 'chuck chuck-grind, round round-grind, plate plate-grind, flank flank-grind, brisket brisket-grind, trim trim-half' },
  { name: 'Roasts for winter', says: WINTER, ways: 'chuck chuck-rolled, rib rib-roast, short-loin loin-strip-roast, brisket brisket-rolled, sirloin sirloin-roast, foreshank foreshank-cuts, hind-shank hind-shank-cuts' },
  { name: 'Home cutter, strict', says: STRICT, trim: 'strict', ways: 'chuck chuck-rolled, rib rib-eye-only, short-loin loin-strip, plate plate-grind, flank flank-grind, foreshank foreshank-grind, hind-shank hind-shank-grind' },
]

/** What a counter, a menu or another region calls them (common practice; docs/sources.md: also-called). */
export const also: Record<string, string> = {
  escalope: 'scaloppine schnitzel scallops cutlet',
  'shank-cut': 'osso buco shin',
  'breast-stuffed': 'veal breast pocket',
  rack: 'carre',
  sweetbreads: 'thymus ris',
  tenderloin: 'fillet',
  'ground-beef': 'mince minced ground veal',
}
