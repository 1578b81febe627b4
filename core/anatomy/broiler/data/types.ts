import { animalType } from '../../notation.ts'
import type { AnimalType } from '../../types.ts'

/** Where breast meat lies, whatever way a bird is parted: what a type is built with more or less of. */
const breast = (light: number, heavy: number) => ({
  builds: [{ part: 'bird', to: ['breast', 'breast-quarter', 'breast-first-bone', 'tenders'], light, heavy }],
})

/** Without neck and giblets. Our own working figures, from memory (docs/sources.md: broiler-types). */
export const types: AnimalType[] = [
  animalType('fast', 'Fast type', 'White, ready at six to nine weeks.', ['1.2 56/3.6/25.5/14.2', '3.5 58.5/6.8/20.5/14.5'], '2 0/0', [70, 1.5], { common: 2, ...breast(0.94, 1.07) }),
  animalType('slow', 'Slow coloured type', 'Coloured, ready at eleven to fourteen weeks; dresses about 3 points lower, with a quarter less breast.', ['1.2 55/3/28.5/13.5', '2.6 57/4.8/26/12.5'], '1.8 0/0', [67, 1.5], { common: 1, ...breast(0.6, 0.65) }),
]
