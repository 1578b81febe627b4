import { animalType } from '../../notation.ts'
import type { AnimalType } from '../../types.ts'

const perMm = 0.7

/** Kidney fat in. Our own working figures, from memory (docs/sources.md: calf-types). */
export const types: AnimalType[] = [
  animalType('milk', 'Milk-fed calf', 'On milk or a suckler, four to eight months: pale, lean, much bone.', ['60 66/6/26/0', '150 65/14/20/0'], '110 52/24', [58, 3], {
    common: 2,
    perMm,
    expects: { 'fat-depth': [[60, 1], [150, 3]] },
  }),
  animalType('grass', 'Grass calf', 'Weaned on grass, six to twelve months: redder, leaner, lighter for its age.', ['70 67/5/27/0', '190 66/12/21/0'], '130 54/20', [54, 3], {
    common: 1,
    perMm,
    expects: { 'fat-depth': [[70, 0.7], [190, 2.5]] },
  }),
  animalType('dairy', 'Dairy bull calf', 'Long-boned, with little fat, most of it round the kidneys.', ['45 63/5/30/0', '150 63/10/25/0'], '100 48/32', [55, 3], {
    common: 1,
    perMm,
    expects: { 'fat-depth': [[45, 0.6], [150, 1.6]] },
  }),
]
