import { animalType } from '../../notation.ts'
import type { AnimalType } from '../../types.ts'

const perMm = 1.3

/** Kidneys and their fat in. A larger frame is the same animal at a heavier weight. Our own working figures (docs/sources.md: lamb-types). */
export const types: AnimalType[] = [
  animalType('middle', 'Lamb, middle frame', 'Most breeds and crosses raised for meat.', ['10 60/14/24/0', '35 49/36/14/0'], '20 41/12', [50, 2.5], {
    common: 2,
    perMm,
    expects: { 'fat-depth': [[10, 2], [20, 4.5], [27, 7], [35, 10]] },
  }),
  animalType('small', 'Lamb, small frame', 'Hill and primitive breeds: as fat at 15 kg as a middle one at 20.', ['7.5 60/14/24/0', '26 49/36/14/0'], '15 41/12', [48, 2.5], {
    common: 1,
    perMm,
    expects: { 'fat-depth': [[7.5, 2], [15, 4.5], [26, 10]] },
  }),
  animalType('large', 'Lamb, large frame', 'Heavy sires: as lean at 26 kg as a middle one at 20.', ['13 60/14/24/0', '45 49/36/14/0'], '26 41/12', [51, 2.5], {
    common: 1,
    perMm,
    expects: { 'fat-depth': [[13, 2], [26, 4.5], [45, 10]] },
  }),
  animalType('hogget', 'Hogget', 'Between one and two years: heavier bone, firmer fat, more taste.', ['17 58/18/22/0', '38 50/34/15/0'], '25 42/12', [49, 2.5], {
    perMm,
    expects: { 'fat-depth': [[17, 3], [25, 6], [38, 10]] },
  }),
  animalType('mutton', 'Mutton', 'Grown sheep; a fat ewe is a third fat, an old one little.', ['18 59/15/24/0', '45 50/34/15/0'], '30 44/12', [46, 3], {
    perMm,
    expects: { 'fat-depth': [[18, 2], [30, 6], [45, 11]] },
  }),
]
