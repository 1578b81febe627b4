import { cutOf, packs, part, whole } from '../../notation.ts'
import { birdAxis, birdBands, birdCuts, birdParts } from '../../poultry/data/birds.ts'
import type { Cut, Line } from '../../types.ts'

export const axis = birdAxis(300)
export const lines: Line[] = []

/** % of the ready-to-cook bird without neck and giblets. Our own working figures, from memory (docs/sources.md: duck-cells). */
export const bands = birdBands(axis, '40.5/7/26.5/26', '1.3/0.4/1/0.6', '4.5')
export const parts = [
  ...birdParts({ neck: 2.2, giblets: 3, feet: 2.6 }),
  part('fat', 'Fat and skin trimmed off', 'fat-kept', { scope: 'animal' }),
]

const product = cutOf('product')
export const cuts: Cut[] = [
  ...birdCuts('duck', {
    'breast-boneless': whole(2, 2),
    'leg-whole': whole(2, 2),
    tenders: whole(2, 12),
  }),
  product('rendered-fat', 'Rendered duck fat', 'F', 1.4, packs),
]
