import { animalType } from '../../notation.ts'
import type { AnimalType } from '../../types.ts'

const breast = (light: number, heavy: number) => ({
  builds: [{ part: 'bird', to: ['breast', 'breast-quarter', 'breast-first-bone', 'tenders'], light, heavy }],
})

/** Without neck and giblets. Our own working figures, from memory (docs/sources.md: duck-types). */
export const types: AnimalType[] = [
  animalType('table', 'White table duck', 'Ready at seven to eight weeks, in full feather: a third skin and fat.', ['1.5 42.5/5/29/23.5', '2.9 39/8.5/25/27.5'], '2.2 0/0', [66, 2], { common: 2, ...breast(0.9, 1.08) }),
  animalType('muscovy', 'Muscovy', 'Drakes at twelve weeks twice their sisters: leaner, more breast, little fat.', ['1.6 50/3.5/27/19.5', '4 52.5/5.5/23.5/18.5'], '2.600 0/0', [66, 2.2], { common: 1, ...breast(1.0, 1.2) }),
  animalType('old', 'Old breed', 'Lighter and slower, more bone, dark meat.', ['1.1 43/4/31.5/21.5', '2.2 42/6.5/28/23.5'], '1.600 0/0', [63, 2.2], { common: 1, ...breast(0.75, 0.88) }),
]
