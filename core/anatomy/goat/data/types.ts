import { animalType } from '../../notation.ts'
import type { AnimalType } from '../../types.ts'

/** Kidneys and their fat in. Our own working figures, from memory (docs/sources.md: goat-types). */
export const types: AnimalType[] = [
  animalType('meat', 'Meat goat', 'Breeds raised for meat, weaned and grown.', ['12 63/11/25/0', '28 60/19/20/0'], '18 50/17', [47, 3], { common: 2 }),
  animalType('kid', 'Kid, milk-fed', 'Slaughtered at six to twelve weeks: pale, nearly without fat.', ['4 64/6/28.5/0', '11 66/10/22.5/0'], '7 50/20', [49, 3], { common: 1 }),
  animalType('dairy', 'Dairy or dairy cross', 'Lean, long-boned; its fat lies round the kidneys.', ['10 61.5/8/29/0', '26 61/14/24/0'], '18 46/30', [45, 3], { common: 1 }),
  animalType('adult', 'Adult doe or buck', 'Over a year: dark, firm; a fat doe has most of it inside.', ['16 62/10/26/0', '40 58/22/19/0'], '26 46/28', [45, 3.5]),
]
