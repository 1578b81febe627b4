/** What house plans of the same kind say of themselves, whatever the animal. */
export const BONE_IN = 'Chops, steaks and roasts with their bone: weighs most, costs least time on the knife.'
export const BONELESS = 'Everything boned: smaller, dearer packs that can all be eaten; bones aside.'
export const FREEZER =
  'For one family’s freezer: roasts for four, ground meat and stew, nothing that needs a saw.'
export const SAUSAGE = 'Most of it ground: sausage and ground meat for the market, only the best cuts kept.'
export const WINTER = 'Big roasts and braises for the cold months.'
export const STRICT =
  'A home cutter with a knife: boned, every scrap of outside fat and silver skin off, shanks to stock.'
