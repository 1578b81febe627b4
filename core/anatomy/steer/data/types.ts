import { animalType } from '../../notation.ts'
import type { AnimalType } from '../../types.ts'

const perMm = 0.95
const kph = (light: number, heavy: number) => [[200, light], [400, heavy]] as const

/** Kidney fat in. Our own working figures, from memory (docs/sources.md: steer-types). */
export const types: AnimalType[] = [
  animalType('grain', 'Grain-finished steer', 'Finished on grain: the charts are drawn from it.', ['200 62.5/19/17/0', '400 54.3/31/13.3/0'], '320 47/11', [62, 1.8], {
    common: 2,
    perMm,
    expects: { 'fat-depth': [[200, 6], [320, 12], [400, 17]], 'eye-area': [[250, 70], [320, 80], [400, 90]], 'kidney-fat': kph(2.3, 3.2) },
  }),
  animalType('grass', 'Grass-finished steer', 'Off grass a steer is fuller and leaner, and dresses about 5 points lower.', ['200 66/12/20/0', '340 61/22/16/0'], '270 53/11', [57, 2.2], {
    common: 2,
    perMm,
    expects: { 'fat-depth': [[200, 3], [270, 5], [340, 9]], 'eye-area': [[200, 58], [270, 68], [340, 77]], 'kidney-fat': kph(1.5, 2.5) },
  }),
  animalType('dairy', 'Dairy cross', 'More bone and gut, less fat outside and more round the kidneys; dresses about 4 points lower.', ['200 62.5/16/20.5/0', '400 54.5/28/16.5/0'], '320 53/17', [58, 2], {
    common: 1,
    perMm,
    expects: { 'fat-depth': [[200, 3], [320, 6], [400, 9]], 'eye-area': [[250, 63], [320, 72], [400, 81]], 'kidney-fat': kph(3, 4.6) },
  }),
  animalType('heifer', 'Heifer', 'Finishes earlier: fatter at the same weight.', ['180 60.5/22/16.5/0', '360 52/34/13/0'], '280 46/12', [61.5, 1.8], {
    common: 1,
    perMm,
    expects: { 'fat-depth': [[180, 7], [280, 14], [360, 20]], 'eye-area': [[200, 64], [280, 76], [360, 86]], 'kidney-fat': kph(2.6, 3.6) },
  }),
  animalType('calf', 'Calf', 'Young and lean, with much bone; little to trim.', ['60 66/6/26/0', '150 65/14/20/0'], '110 52/24', [57, 2.5], {
    perMm,
    expects: { 'fat-depth': [[60, 1], [150, 3]], 'eye-area': [[60, 26], [150, 48]], 'kidney-fat': [[60, 2], [150, 3]] },
  }),
  animalType('cow', 'Cull cow', 'Lean or fat by her last months; mince and roasts of long cooking.', ['180 67.2/9.5/21.5/0', '400 55/28/16/0'], '300 52/13', [50, 3], {
    perMm,
    expects: { 'fat-depth': [[200, 3], [400, 14]], 'eye-area': [[200, 56], [400, 82]], 'kidney-fat': kph(2, 4) },
  }),
  animalType('bull', 'Bull', 'Heavy in the neck and shoulder, lean, dark and firm.', ['220 71/8/19.5/0', '460 73.6/10.5/14.5/0'], '350 52/9', [60, 2], {
    hefts: { fore: 1.35 },
    perMm,
    expects: { 'fat-depth': [[220, 2], [460, 5]], 'eye-area': [[220, 72], [460, 112]], 'kidney-fat': kph(1.2, 1.8) },
  }),
]
