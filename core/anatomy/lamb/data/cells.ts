import { bandsOn, names, part, plucked, segments } from '../../notation.ts'
import { fitBands } from '../../fitted.ts'
import { pluck } from '../../offal/data/offal.ts'
import fitted from './fitted.json'
import type { Band, Line, Part, RibCount, Segment } from '../../types.ts'

export const ribs: RibCount = { usual: 13, low: 12, high: 14 }

/** A loin of 20–23 cm from the last rib to the hip (common practice; docs/sources.md: lamb-axis). */
export const axis: Segment[] = [
  { id: 'neck', mm: 122 },
  ...segments('rib', ribs.usual, (i) => 22.5 + (2 * i) / (ribs.usual - 1)),
  ...segments('lumbar', 6, () => 31),
  { id: 'sacrum', mm: 90 },
]

const school = (id: string, at: string, says: string, label = id) => ({ id, label, school: says, at })

export const lines: Line[] = [
  {
    kind: 'across',
    id: 'neck-line',
    names: names('Neck line | Scrag line'),
    settings: [school('base', 'neck', 'at the base of the neck, before the shoulder comes off', 'base')],
    fallback: 'base',
  },
  {
    kind: 'across',
    id: 'shoulder-line',
    names: names('Shoulder line'),
    settings: [
      school('4|5', 'rib 4', 'between ribs 4 and 5: the longer rack'),
      school('5|6', 'rib 5', 'between ribs 5 and 6: five ribs stay on the shoulder, both racks alike'),
    ],
    fallback: '4|5',
  },
  {
    kind: 'across',
    id: 'rack-end-line',
    names: names('Rack end line | Best end line'),
    settings: [
      school('11|12', 'rib 11', 'between ribs 11 and 12: a short rack, two ribs stay on the loin'),
      school('12|13', 'rib 12', 'between ribs 12 and 13: one rib stays on the loin'),
      school('last', 'rib last', 'behind the last rib: every rib goes with the rack', 'last'),
    ],
    fallback: '12|13',
  },
  {
    kind: 'across',
    id: 'leg-line',
    names: names('Leg line'),
    settings: [
      school('hip', 'lumbar 6', 'at the small of the back, just ahead of the hip: the loin as long as it can be', 'hip'),
      school('ahead', 'lumbar 5', 'one vertebra ahead of the hip: a longer leg, one chop fewer', 'ahead'),
    ],
    fallback: 'hip',
  },
  {
    kind: 'along',
    id: 'breast-line',
    names: names('Breast line'),
    says: 'from the eye: closer leaves shorter rack and loin tails and a wider breast worth selling',
    mm: { low: 20, high: 110, step: 5, usual: 75 },
  },
]

const rows = bandsOn(axis)
const BACK = 'neck < neck-line, shoulder < shoulder-line, rack < rack-end-line, loin < leg-line, leg'
const NEAR =
  'shoulder < shoulder-line, rack < rack-end-line (breast < breast-line), loin < leg-line (breast < breast-line), leg'

/**
 * Mass of each band as a share (%) of the base carcass, kidneys and their fat in. Our own working figures, from
 * memory, held against the primal shares of the trade (docs/sources.md: lamb-cells).
 */
export const bands: Band[] = fitBands([
  rows('outer', '0/6.9', BACK, 'neck 0.35 rib 1 lumbar 1.15 sacrum 1.3'),
  rows('eye', '10.1/0/4.3/0/2', 'shoulder < shoulder-line, rack < rack-end-line, loin < leg-line, leg', {
    lean: 'rib 1 lumbar 1.15 sacrum 0.75',
    fat: 'rib 1 lumbar 0.8 sacrum 0.6',
    bone: 'rib 1 lumbar 0.95 sacrum 1.2',
  }, { depot: 'eye' }),
  rows('psoas', '1.5/0/0/0/0.2', 'shoulder < shoulder-line, rack < rack-end-line, loin < leg-line, leg', 'lumbar 1 sacrum 0.8'),
  rows('rib plate', '3/0.7/2.4/0/1.2', NEAR, 'rib 1', { fromMm: 0, toMm: 170 }),
  rows('flank', '1.7/0.9/0/0/0.6', NEAR, 'lumbar 1', { fromMm: 0, toMm: 150 }),
  rows('brisket', '3.6/1.4/0.9/0/1.5', 'breast < leg-line, leg', 'rib 1 lumbar 0.3'),
  rows('neck', '2.7/0.4/1.4/0/0.6', 'neck'),
  rows('fore', '10.5/1.3/3.1/0/2.4', 'shoulder'),
  rows('fore shank', '1.9/0.15/1.6/0/0.25', 'foreshank'),
  rows('hind', '17.6/2/4.3/0/1.9', 'leg'),
  rows('hind shank', '1.4/0.12/1.3/0/0.18', 'leg'),
  rows('kidney fat', '0/2.15', 'kidney-fat', undefined, { depot: 'kidney' }),
  rows('kidney', '0.85', 'kidneys'),
], fitted)

export const parts: Part[] = [
  part('leg', 'Leg | Leg (gigot)', 'leg-whole', { length: { mm: 260 } }),
  part('loin', 'Loin', 'loin-chops', { length: { from: 'rack-end-line', to: 'leg-line' }, ends: [10, 45] }),
  part('tenderloin', 'Tenderloin | Fillet', 'tenderloin-whole', { extraction: { band: 'psoas', order: 1 } }),
  part('rack', 'Rack | Best end', 'rack-frenched', { length: { from: 'shoulder-line', to: 'rack-end-line' } }),
  part('breast', 'Breast and spare ribs | Breast', 'breast-ribs'),
  part('shoulder', 'Shoulder', 'shoulder-whole', { length: { mm: 190 } }),
  part('foreshank', 'Foreshank | Fore shank', 'foreshank-whole'),
  part('neck', 'Neck | Scrag', 'neck-slices', { length: { from: 'start', to: 'neck-line' } }),
  part('kidney-fat', 'Kidney fat', 'kidney-fat-kept', { needs: ['kidney'] }),
  part('kidneys', 'Kidneys', 'kidneys-kept', { scope: 'animal', needs: ['kidney'] }),
  plucked('liver', 'Liver', 'liver-left', 1.7),
  plucked('heart', 'Heart', 'heart-left', 0.45),
  ...pluck({ head: 4.5, feet: 2.2, spleen: 0.15, sweetbreads: 0.15, tract: 6.5, testicles: 0.75 }),
  part('trim', 'Trim', 'trim-ground', { scope: 'animal' }),
  part('fat', 'Trimmed fat', 'fat-kept', { scope: 'animal' }),
  part('bones', 'Bones', 'bones-kept', { scope: 'animal' }),
]
