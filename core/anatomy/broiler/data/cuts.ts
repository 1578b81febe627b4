import { cutOf, packs, whole } from '../../notation.ts'
import type { Cut } from '../../types.ts'

const product = cutOf('product')
const byProduct = cutOf('by-product')

/** Starting price indices, mince = 1: our own working figures, from memory, weak (docs/sources.md: price-index). */
export const cuts: Cut[] = [
  product('whole-bird', 'Whole bird', 'R', 1, whole()),
  product('half-bird', 'Half birds', 'R', 1.05, whole(2)),
  product('spatchcock', 'Spatchcock | Spatchcocked bird', 'R', 1.1, whole()),
  product('boned-bird', 'Boned whole, stuffed and tied', 'R', 1.7, whole()),
  product('leg-quarter', 'Leg quarters', 'R', 0.8, whole(2, 2)),
  product('breast-quarter', 'Breast quarters, wing on', 'R', 1.15, whole(2, 2)),
  product('eight-pieces', 'Eight pieces', 'B', 1.1, whole(8, 8)),
  product('breast-bone-in', 'Breasts, bone in', 'R', 1.5, whole(2, 2)),
  product('breast-boneless', 'Boneless breasts', 'T', 2.4, whole(2, 2)),
  product('breast-boneless-on', 'Boneless breasts, tenders on', 'T', 2.35, whole(2, 2)),
  product('tenders', 'Tenders', 'T', 2.5, whole(2, 8)),
  product('breast-first-bone', 'Breasts with the first wing bone', 'T', 2.3, whole(2, 2)),
  product('leg-whole', 'Whole legs', 'R', 0.95, whole(2, 2)),
  product('thigh', 'Thighs', 'B', 1, whole(2, 4)),
  product('drumstick', 'Drumsticks', 'B', 0.85, whole(2, 4)),
  product('thigh-boneless', 'Boneless thighs', 'T', 1.7, whole(2, 4)),
  product('wing-whole', 'Wings, whole', 'B', 1.1, whole(2, 6)),
  product('wing-two', 'Wings, two-piece', 'B', 1.15, whole(2, 6)),
  product('drumette', 'Drumettes', 'B', 1.25, whole(2, 12)),
  product('wing-flat', 'Wing flats', 'B', 1.2, whole(2, 12)),
  product('ground', 'Ground chicken | Chicken mince', 'G', 1.2, packs),
  product('sausage', 'Chicken sausage | Chicken sausages', 'G', 1.4, packs),
  product('backs', 'Backs and frames for stock', 'N', 0.25, whole(1, 2)),
  product('neck', 'Necks', 'N', 0.4, packs),
  product('giblets', 'Giblets', 'O', 0.6, packs),
  product('livers', 'Livers', 'O', 0.7, packs),
  product('hearts-gizzards', 'Hearts and gizzards', 'O', 0.7, packs),
  product('feet', 'Feet, skinned', 'N', 0.5, packs),
  byProduct('bird-fat', 'Abdominal fat', 'F', 0.1),
  byProduct('skin', 'Skin', 'F', 0.1),
  byProduct('frames', 'Frames and bones', 'N', 0.1),
  byProduct('wing-tips', 'Wing tips', 'N', 0.15),
  byProduct('inedible', 'Discards', 'X', 0),
  cutOf('loss')('cutting-loss', 'Drip and scraps', 'X', 0),
]
