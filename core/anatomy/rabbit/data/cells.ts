import { bandsOn, cutOf, packs, part, plucked, segments, whole } from '../../notation.ts'
import type { Band, Cut, Line, Part, Segment } from '../../types.ts'

/** 12 ribs, 7 lumbar (common practice); lengths our own, from memory (docs/sources.md: rabbit-cells). */
export const axis: Segment[] = [
  { id: 'neck', mm: 42 },
  ...segments('chest', 12, (i) => 9 + i * 0.3),
  ...segments('lumbar', 7, () => 18),
  { id: 'sacrum', mm: 44 },
]
/** It is jointed where the knife finds the joint: no line is chosen. */
export const lines: Line[] = []

const rows = bandsOn(axis)
/** % of the carcass without head; the head is what it adds when left on (docs/sources.md: rabbit-cells). */
export const bands: Band[] = [rows('body', '77.5/4/18.5', 'rabbit'), rows('head', '3.6/0.4/5.4', 'head')]

const joint = (id: string, words: string, fallback: string, more: Partial<Part> = {}) =>
  part(id, words, fallback, { scope: 'animal', ...more })
export const parts: Part[] = [
  joint('rabbit', 'Rabbit', 'rabbit-whole'),
  joint('hind', 'Hind legs', 'hind-whole'),
  joint('loin', 'Loin (saddle) | Saddle', 'loin-bone-in'),
  joint('flap', 'Belly flaps', 'flap-trim'),
  joint('rib', 'Rib section', 'rib-stock'),
  joint('fore', 'Forelegs', 'fore-whole'),
  joint('pelvis', 'Pelvis and neck', 'pelvis-stock'),
  joint('head', 'Head', 'head-off', { needs: ['head'] }),
  { ...plucked('loose-head', 'Head, off the rabbit', 'loose-head-left', 5.5, '38/4/58'), needs: ['!head'] },
  plucked('liver', 'Liver', 'liver-left', 2.7),
  plucked('kidneys', 'Kidneys', 'kidneys-left', 0.6),
  plucked('heart', 'Heart', 'heart-left', 0.4),
  joint('trim', 'Trim', 'trim-ground'),
  joint('fat', 'Trimmed fat', 'fat-kept'),
  joint('frames', 'Frames and bones', 'frames-kept'),
]

const product = cutOf('product')
const byProduct = cutOf('by-product')
/** Starting price indices, mince = 1: our own working figures, from memory, weak (docs/sources.md: price-index). */
export const cuts: Cut[] = [
  product('whole-rabbit', 'Whole rabbit', 'R', 1, whole()),
  product('half-rabbit', 'Halves', 'R', 1.05, whole(2, 2)),
  product('six-pieces', 'Jointed in six, whole rabbit to a bag', 'B', 1.12, whole(6, 6)),
  product('boned-rabbit', 'Boned whole, stuffed and rolled', 'R', 1.8, whole()),
  product('hind-leg', 'Hind legs', 'B', 1.35, whole(2, 2)),
  product('thigh', 'Thighs', 'B', 1.4, whole(2, 4)),
  product('drumstick', 'Lower hind legs', 'B', 1, whole(2, 4)),
  product('hind-boneless', 'Boneless hind legs', 'T', 1.9, whole(2, 4)),
  product('loin-bone-in', 'Loin, bone in | Saddle, bone in', 'R', 1.6, whole()),
  product('loin-halves', 'Loin, across in two | Saddle, across in two', 'B', 1.6, whole(2, 2)),
  product('loin-flaps', 'Loin rolled in its flaps | Saddle rolled in its flaps', 'R', 1.7, whole()),
  product('loin-boneless', 'Boneless loins | Loin fillets', 'T', 2.6, whole(2, 4)),
  product('foreleg', 'Forelegs', 'B', 0.9, whole(2, 4)),
  product('rib-section', 'Rib sections', 'B', 0.6, whole(1, 2)),
  product('rack', 'Small racks', 'T', 1.7, whole(2, 4)),
  product('flaps', 'Belly flaps', 'T', 0.9, whole(2, 8)),
  product('ground', 'Ground rabbit | Rabbit mince', 'G', 1, packs),
  product('sausage', 'Rabbit sausage | Rabbit sausages', 'G', 1.2, packs),
  product('stew', 'Diced rabbit', 'B', 1.3, packs),
  product('stock-bones', 'Frames for stock', 'N', 0.2, packs),
  product('head', 'Heads, skinned', 'N', 0.15, whole(1, 6)),
  product('liver', 'Livers', 'O', 0.8, packs),
  product('kidney', 'Kidneys', 'O', 0.7, packs),
  product('heart', 'Hearts', 'O', 0.6, packs),
  byProduct('fat-kept', 'Fat', 'F', 0.05),
  byProduct('frames', 'Frames and bones', 'N', 0.1),
  byProduct('inedible', 'Discards', 'X', 0),
  cutOf('loss')('cutting-loss', 'Drip and scraps', 'X', 0),
]
