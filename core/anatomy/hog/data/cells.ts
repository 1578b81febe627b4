import { bandsOn, names, part, plucked, segments } from '../../notation.ts'
import type { Band, Line, Part, RibCount, Segment } from '../../types.ts'
import { fitBands } from '../../fitted.ts'
import fitted from './fitted.json'

export const ribs: RibCount = { usual: 14, low: 13, high: 16 }

/** Vertebrae average 32 mm: 25–28 at the front, 35–38 lumbar (common practice; docs/sources.md: hog-axis). */
export const axis: Segment[] = [
  { id: 'neck', mm: 90 },
  ...segments('rib', ribs.usual, (i) => 26 + (8 * i) / (ribs.usual - 1)),
  ...segments('lumbar', 6, () => 37),
  { id: 'sacrum front', mm: 63 },
  { id: 'sacrum back', mm: 60 },
]

const school = (id: string, at: string, says: string, label = id) => ({ id, label, school: says, at })

export const lines: Line[] = [
  {
    kind: 'across',
    id: 'shoulder-line',
    names: names('Shoulder line'),
    settings: [
      school('2|3', 'rib 2', 'between ribs 2 and 3: common commercial standard'),
      school('4|5', 'rib 4', 'between ribs 4 and 5: whole-animal cutters'),
      school('5|6', 'rib 5', 'between ribs 5 and 6: the blade cartilage ends here, no blade bone in the first chop'),
    ],
    fallback: '2|3',
  },
  {
    kind: 'across',
    id: 'rib-end-line',
    names: names('Rib end line'),
    settings: [
      school('on', '=shoulder-line', 'the rib end stays on the loin', 'on'),
      school('+3', '=shoulder-line+3', 'three ribs off the front of the loin: rib end apart', '3 off'),
      school('+5', '=shoulder-line+5', 'five ribs off the front of the loin: country-style end', '5 off'),
    ],
    fallback: 'on',
  },
  {
    kind: 'across',
    id: 'leg-line',
    names: names('Leg line'),
    settings: [
      school('sacrum', 'sacrum front', 'across the sacrum, 60–65 mm ahead of the aitch bone: the sirloin end stays on the loin', 'sacrum'),
      school('lumbar', 'lumbar 6', 'at the last lumbar joint: the sirloin goes with the leg', 'lumbar'),
    ],
    fallback: 'sacrum',
  },
  {
    kind: 'across',
    id: 'sirloin-line',
    names: names('Sirloin line | Chump line'),
    settings: [
      school('on', '=leg-line', 'the sirloin end is cut with the loin, or with the leg', 'on'),
      school('off', '=leg-line-2', 'the sirloin end, with the last lumbar vertebra, is a piece of its own', 'off'),
    ],
    fallback: 'on',
  },
  {
    kind: 'along',
    id: 'belly-line',
    names: names('Belly line'),
    says: 'below the eye at the shoulder end, running to the angle of the pelvis: closer makes a wider belly',
    mm: { low: 5, high: 60, step: 5, usual: 25 },
  },
]

const rows = bandsOn(axis)
const sides = (far: string) => `shoulder < shoulder-line, ${far} < leg-line, leg`
const BACK =
  'shoulder < shoulder-line, rib-end < rib-end-line, loin < sirloin-line, sirloin < leg-line, leg'
/** Below the eye, where the belly line runs. */
const NEAR =
  'shoulder < shoulder-line, rib-end < rib-end-line (belly < belly-line), loin < sirloin-line (belly < belly-line), sirloin < leg-line (belly < belly-line), leg'

/**
 * Mass of each band as a share (%) of the base carcass: scalded, head off, feet on, leaf fat in. Written as our own
 * working figures, from memory (docs/sources.md: hog-cells), then multiplied by what the fit to the published primals
 * found (`fitted.json`, `npm run fit`); the head is what it adds when left on.
 */
export const bands: Band[] = fitBands([
  rows('outer', '0/11/0/1.6', BACK, 'neck 0.8 rib 1.05 lumbar 0.95 sacrum front 1 sacrum back 0.7'),
  rows('eye', '12.4/0/4.1/0/2.2', BACK, {
    lean: 'neck 1.1 rib 1 lumbar 0.9 sacrum front 1.35 sacrum back 0.2',
    fat: 'neck 1.3 rib 1.1 lumbar 0.7 sacrum front 0.9',
    bone: 'neck 1.25 rib 1 lumbar 0.85 sacrum front 1.1 sacrum back 0.6',
  }, { depot: 'eye' }),
  rows('below the eye', '1.4/0.5/0/0/0.5', NEAR, 'neck 0.6 rib 1 lumbar 1 sacrum front 0.4', { fromMm: 0, toMm: 60 }),
  rows('psoas', '1.15/0/0/0/0.15', BACK, 'rib 0.04 lumbar 1 sacrum front 1.1 sacrum back 0.75'),
  rows('plate', '1.9/0.3/1.6/0/0.6', sides('spare-ribs'), 'rib 1'),
  rows('ventral', '7.2/5.5/0/1.4/2.2', sides('belly'), 'rib 1 lumbar 1.05 sacrum front 0.25'),
  rows('fore', '9.6/1.8/1.9/0.6/1.6', 'shoulder'),
  rows('fore shank', '0.75/0.15/0.5/0.2/0.08', 'fore-hock'),
  rows('hind', '16.3/3/2/0.8/1.5', 'leg'),
  rows('hind shank', '0.8/0.12/0.6/0.2/0.07', 'hind-hock'),
  rows('fore foot', '0.12/0.2/0.65/0.35', 'fore-foot'),
  rows('hind foot', '0.12/0.2/0.75/0.4', 'hind-foot'),
  rows('cheek', '0.9/1.1/0/0.3/0.3', 'jowl'),
  rows('flare', '0/1.9', 'leaf-fat', undefined, { depot: 'kidney' }),
  rows('tail', '0.08/0.08/0.1/0.05', 'tail'),
  rows('head', '1.9/1/2.8/0.6/0.4', 'head'),
], fitted)

const loinLength = { length: { from: 'rib-end-line', to: 'sirloin-line' } }
export const parts: Part[] = [
  part('leg', 'Leg (ham) | Leg', 'leg-halves', { length: { mm: 330 } }),
  part('leg-topside', 'Inside of leg | Topside', 'topside-roasts', { length: { mm: 230 } }),
  part('leg-silverside', 'Outside of leg | Silverside', 'silverside-roasts', { length: { mm: 250 } }),
  part('leg-knuckle', 'Leg tip | Knuckle (thick flank)', 'knuckle-roasts', { length: { mm: 180 } }),
  part('hind-hock', 'Hind hock', 'hind-hock-whole'),
  part('hind-foot', 'Hind foot | Hind trotter', 'hind-foot-kept', { needs: ['skin'] }),
  part('sirloin', 'Sirloin end | Chump end', 'sirloin-roast', { length: { from: 'sirloin-line', to: 'leg-line' } }),
  part('loin', 'Loin', 'loin-chops', { ...loinLength, ends: [30, 30] }),
  part('rib-end', 'Rib end of loin', 'rib-end-ribs', { length: { from: 'shoulder-line', to: 'rib-end-line' } }),
  part('tenderloin', 'Tenderloin | Fillet', 'tenderloin-whole', { extraction: { band: 'psoas', order: 1 } }),
  part('belly', 'Belly', 'belly-bacon'),
  part('spare-ribs', 'Spare ribs | Belly ribs', 'ribs-full'),
  part('shoulder', 'Shoulder', 'shoulder-parted', { length: { from: 'start', to: 'shoulder-line' } }),
  part('butt', 'Boston butt | Neck end', 'butt-roasts', { length: { mm: 190 } }),
  part('picnic', 'Picnic | Hand', 'picnic-roasts', { length: { mm: 200 } }),
  part('neck-bones', 'Neck and feather bones', 'neck-bones-stock'),
  part('fore-hock', 'Fore hock', 'fore-hock-whole'),
  part('fore-foot', 'Fore foot | Fore trotter', 'fore-foot-kept', { needs: ['skin'] }),
  part('jowl', 'Jowl | Cheek and jowl', 'jowl-ground'),
  part('leaf-fat', 'Leaf fat | Flead', 'leaf-lard', { needs: ['leaf'] }),
  part('tail', 'Tail', 'tail-kept', { scope: 'animal' }),
  part('head', 'Head', 'head-whole', { scope: 'animal', needs: ['head'] }),
  plucked('liver', 'Liver', 'liver-left', 1.6),
  plucked('heart', 'Heart', 'heart-left', 0.3),
  plucked('kidneys', 'Kidneys', 'kidneys-left', 0.3),
  plucked('caul', 'Caul and gut fat', 'caul-left', 1.5, '0/100'),
  plucked('blood', 'Blood', 'blood-left', 3.5),
  plucked('stomach', 'Stomach and casings', 'stomach-left', 4.5),
  part('trim', 'Trim', 'trim-ground', { scope: 'animal' }),
  part('back-fat', 'Back fat', 'fat-kept', { scope: 'animal' }),
  part('skin', 'Skin | Rind', 'skin-kept', { scope: 'animal', needs: ['skin'] }),
  part('bones', 'Bones', 'bones-kept', { scope: 'animal' }),
]
