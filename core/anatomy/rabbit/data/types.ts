import { animalType } from '../../notation.ts'
import type { AnimalType } from '../../types.ts'

/** Without head and offal. Our own working figures, from memory (docs/sources.md: rabbit-types). */
export const types: AnimalType[] = [
  animalType('fryer', 'Fryer', 'Young, eight to twelve weeks: tender, nearly without fat.', ['0.9 76/2.5/21.5/0', '1.8 78/4.5/17.5/0'], '1.4 0/0', [54, 2.5], { common: 2 }),
  animalType('roaster', 'Roaster', 'Over six months: firmer, fat over the shoulders and round the kidneys.', ['1.5 76/6/18/0', '3 73.5/12/14.5/0'], '2.2 0/0', [56, 2.5], { common: 1 }),
]
