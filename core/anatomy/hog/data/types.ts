import { animalType } from '../../notation.ts'
import type { AnimalType } from '../../types.ts'

/** Points of carcass for a mm of fat at the 10th rib, which is about 0.8 of that at the last rib. */
const perMm = 0.75
const eye = [[60, 34], [85, 42], [110, 48]] as const

/** Scalded, head off, leaf in. Our own working figures, from memory (docs/sources.md: hog-types). */
export const types: AnimalType[] = [
  animalType('commercial', 'Commercial', 'Lean lines raised for meat.', ['25 58/17/17/8', '170 47/39/9/4.5'], '85 26/7', [72, 1.8], {
    common: 2,
    perMm,
    expects: { 'fat-depth': [[25, 6], [60, 9.6], [85, 16], [110, 22]], 'eye-area': eye },
  }),
  animalType('heritage', 'Heritage, fat', 'Old lard breeds and their crosses: fatter at every weight.', ['60 50/33/11/6', '120 41/46/8/5'], '85 21/8', [73.5, 2], {
    common: 1,
    perMm,
    expects: { 'fat-depth': [[60, 24], [85, 30], [120, 38]], 'eye-area': [[60, 30], [85, 36], [120, 42]] },
  }),
  animalType('wild', 'Wild or feral', 'Lean and bony; a guessed live weight often runs 15 to 25 % high. Test for trichinella where it is asked; cook it through.', ['30 66/7/19/8', '90 63/14/15/7'], '60 42/8', [58, 3.5], {
    perMm,
    expects: { 'fat-depth': [[30, 3], [90, 8]], 'eye-area': [[30, 20], [90, 40]] },
  }),
  animalType('sow', 'Sow', 'Heavy and marbled with age: more sausage, fewer chops.', ['100 50/35/9.8/5.1', '220 45/42/8.6/4.3'], '150 25/7', [72.5, 2.5], {
    perMm,
    expects: { 'fat-depth': [[100, 20], [220, 36]], 'eye-area': [[100, 44], [220, 62]] },
  }),
  animalType('boar', 'Boar or stag', 'Leaner, with a thick shield over the shoulder. Uncut males may smell when cooked: fry a piece first.', ['50 60/17/15/8', '200 56/24/12/7'], '100 28/5', [70, 2.5], {
    perMm,
    expects: { 'fat-depth': [[50, 7], [200, 18]], 'eye-area': [[50, 32], [200, 64]] },
  }),
]
