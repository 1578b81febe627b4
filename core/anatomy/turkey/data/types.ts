import { animalType } from '../../notation.ts'
import type { AnimalType } from '../../types.ts'

/** Where breast meat lies: what a type is built with more or less of. */
const breast = (light: number, heavy: number) => ({
  builds: [{ part: 'bird', to: ['breast', 'breast-quarter', 'breast-first-bone', 'tenders'], light, heavy }],
})

/** Without neck and giblets. Our own working figures, from memory (docs/sources.md: turkey-types). */
export const types: AnimalType[] = [
  animalType('broad', 'Broad-breasted', 'White or bronze, bred for breast: hens at 14 weeks, toms later.', ['4 64/2.6/24.2/9.2', '14 66.6/4.4/19.6/9.4'], '9 0/0', [74, 2], { common: 2, ...breast(0.8, 1.15) }),
  animalType('standard', 'Standard-bred', 'Old breeds that mate by themselves: slower, longer in leg and keel, a fifth less breast.', ['3 62.5/3/26/8.5', '9.500 64/5.2/22/8.8'], '6 0/0', [72, 2], { common: 1, ...breast(0.62, 0.74) }),
]
