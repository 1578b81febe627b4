import { birdAxis, birdBands, birdCuts, birdParts } from '../../poultry/data/birds.ts'
import { cutOf, roasts, whole } from '../../notation.ts'
import type { Cut, Line } from '../../types.ts'

export const axis = birdAxis(420)
export const lines: Line[] = []

/** % of the ready-to-cook bird without neck and giblets. Our own working figures, from memory (docs/sources.md: turkey-cells). */
export const bands = birdBands(axis, '65.5/3.5/21.5/9.5', '1.7/0.25/1.2/0.35', '3.5')
export const parts = birdParts({ neck: 2.6, giblets: 2.6, feet: 2.6 })

const product = cutOf('product')
export const cuts: Cut[] = [
  ...birdCuts('turkey', {
    'leg-quarter': whole(2, 1),
    'breast-quarter': whole(2, 1),
    'breast-bone-in': whole(1, 1),
    'breast-boneless': whole(2, 1),
    'breast-boneless-on': whole(2, 1),
    'breast-first-bone': whole(2, 1),
    tenders: whole(2, 2),
    'leg-whole': whole(2, 1),
    thigh: whole(2, 2),
    drumstick: whole(2, 2),
    'thigh-boneless': whole(2, 2),
    'wing-whole': whole(2, 2),
    'wing-two': whole(2, 2),
    drumette: whole(2, 4),
    'wing-flat': whole(2, 4),
    feet: whole(2, 4),
  }),
  product('breast-rolled', 'Rolled breast roasts, netted', 'R', 2.2, roasts(1.4)),
  product('breast-steak', 'Breast steaks, across the grain', 'T', 2.4, whole(12, 4)),
  product('thigh-rolled', 'Rolled thigh roasts, netted', 'R', 1.6, whole(2, 1)),
]
