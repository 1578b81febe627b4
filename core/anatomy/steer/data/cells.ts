import { bandsOn, names, part, plucked, segments } from '../../notation.ts'
import type { Band, Line, Part, RibCount, Segment } from '../../types.ts'
import { fitBands } from '../../fitted.ts'
import fitted from './fitted.json'

export const ribs: RibCount = { usual: 13, low: 12, high: 14 }

/** Our own working lengths, from memory (docs/sources.md: steer-axis). */
export const axis: Segment[] = [
  { id: 'neck', mm: 330 },
  ...segments('rib', ribs.usual, (i) => 49 + (4 * i) / (ribs.usual - 1)),
  ...segments('lumbar', 6, () => 62),
  { id: 'sacrum front', mm: 150 },
  { id: 'sacrum back', mm: 110 },
]

const school = (id: string, at: string, says: string, label = id) => ({ id, label, school: says, at })

export const lines: Line[] = [
  {
    kind: 'across',
    id: 'chuck-line',
    names: names('Chuck line'),
    settings: [school('5|6', 'rib 5', 'between ribs 5 and 6: chuck is ribs 1 to 5')],
    fallback: '5|6',
  },
  {
    kind: 'across',
    id: 'quarter-line',
    names: names('Quarter line'),
    settings: [school('12|13', 'rib 12', 'between ribs 12 and 13: the last rib goes with the loin')],
    fallback: '12|13',
  },
  {
    kind: 'across',
    id: 'sirloin-line',
    names: names('Sirloin line | Rump line'),
    settings: [school('lumbar', 'lumbar 5', 'between the last two lumbar joints, just ahead of the hip bone', 'lumbar')],
    fallback: 'lumbar',
  },
  {
    kind: 'across',
    id: 'round-line',
    names: names('Round line | Leg line'),
    settings: [school('aitch', 'sacrum front', 'just ahead of the aitch bone, square to the leg', 'aitch')],
    fallback: 'aitch',
  },
  {
    kind: 'across',
    id: 'loin-split',
    names: names('Loin split'),
    settings: [
      school('all', '=sirloin-line', 'the loin is cut one way along its whole length', 'whole'),
      ...[1, 2, 3, 4, 5].map((k) =>
        school(`k${k}`, `=quarter-line+${k}`, `split behind ${k} ${k === 1 ? 'vertebra' : 'vertebrae'}: the front one way, the rest boneless`, `${k}`),
      ),
    ],
    fallback: 'all',
  },
  {
    kind: 'along',
    id: 'plate-line',
    names: names('Rib and plate line | Rib and thin rib line'),
    says: 'just below the eye: closer leaves meatier short ribs, further longer tails on the rib',
    mm: { low: 20, high: 200, step: 10, usual: 80 },
  },
  {
    kind: 'along',
    id: 'flank-line',
    names: names('Loin and flank line'),
    says: 'from the eye: closer leaves short tails on the steaks',
    mm: { low: 20, high: 150, step: 10, usual: 60 },
  },
]

const rows = bandsOn(axis)
const HIND = 'short-loin < loin-split, short-loin-rear < sirloin-line, sirloin < round-line, round'
const BACK = `chuck < chuck-line, rib < quarter-line, ${HIND}`
/** A rib that goes with the chuck takes its plate end along to the brisket: the chuck has no long line of its own ahead of rib 6. */
const NEAR =
  'chuck < chuck-line (brisket < plate-line from rib 5), rib < quarter-line (plate < plate-line), short-loin < loin-split (flank < flank-line), short-loin-rear < sirloin-line (flank < flank-line), sirloin < round-line, round'

/**
 * Mass of each band as a share (%) of the base carcass, kidney fat and hanging tender in, kidneys out. Written as our own
 * working figures, from memory (docs/sources.md: steer-cells), then multiplied by what the fit to the published
 * primals found (`fitted.json`, `npm run fit`).
 */
export const bands: Band[] = fitBands(
  [
    rows('outer', '0/9.4', BACK, 'neck 0.4 rib 1 lumbar 0.85 sacrum front 1.5 sacrum back 1'),
    rows('eye', '14.6/0/4.6/0/4', BACK, {
      lean: 'neck 0.85 rib 1.05 lumbar 0.8 sacrum front 2.5 sacrum back 0.7',
      fat: 'neck 0.9 rib 1.3 lumbar 0.7 sacrum front 1.6 sacrum back 0.4',
      bone: 'neck 0.8 rib 1 lumbar 0.9 sacrum front 1.2 sacrum back 0.8',
    }, { depot: 'eye' }),
    rows('psoas', '1.38/0/0/0/0.25', BACK, 'lumbar 0.9 sacrum front 1.2 sacrum back 0.35'),
    rows('rib plate', '3.4/1.1/2/0/1.5', NEAR, 'rib 1', { fromMm: 0, toMm: 330 }),
    rows('flank', '2.6/1.9/0/0/0.9', NEAR, 'lumbar 1', { fromMm: 0, toMm: 280 }),
    rows('belly', '2/1.1/0.3/0/1', 'brisket < chuck-line, plate < quarter-line, flank < round-line, round', 'rib 1 lumbar 0.7'),
    rows('skirt', '0.95/0.15/0/0/0.15', 'skirts'),
    rows('brisket', '2.3/0.9/0.3/0/0.9', 'brisket'),
    rows('fore', '11.2/1/2.4/0/3', 'chuck'),
    rows('fore shank', '1.9/0.1/1.15/0/0.25', 'foreshank'),
    rows('hind', '13.8/1.5/2.4/0/1.4', 'round'),
    rows('hind shank', '1.3/0.1/1.4/0/0.15', 'hind-shank'),
    rows('kidney fat', '0/2.8', 'suet', undefined, { depot: 'kidney' }),
    rows('hanger', '0.38/0.04/0/0/0.04', 'hanger'),
  ],
  fitted,
)

/** Parted between the 12th and 13th rib; the skirts stay on the fore, the kidney fat and the hanging tender on the hind (common practice). */
export const quarters = {
  fore: ['chuck', 'rib', 'plate', 'brisket', 'foreshank', 'skirts'],
  hind: ['short-loin', 'short-loin-rear', 'sirloin', 'flank', 'round', 'hind-shank', 'suet', 'hanger'],
}

export const parts: Part[] = [
  part('round', 'Round | Topside, silverside and thick flank', 'round-seamed', { length: { mm: 420 } }),
  part('knuckle', 'Knuckle (sirloin tip) | Thick flank', 'knuckle-roast', { length: { mm: 230 } }),
  part('top-round', 'Top round | Topside', 'top-round-roast', { length: { mm: 260 } }),
  part('bottom-round', 'Bottom round | Silverside', 'bottom-round-roast', { length: { mm: 300 } }),
  part('eye-round', 'Eye of round | Girello', 'eye-round-roast', { length: { mm: 260 } }),
  part('rump', 'Rump of the round | Rump end of silverside', 'rump-roast', { length: { mm: 180 } }),
  part('hind-shank', 'Hind shank | Hind shin', 'hind-shank-cuts', { length: { mm: 250 } }),
  part('sirloin', 'Sirloin | Rump', 'sirloin-steaks', { length: { from: 'sirloin-line', to: 'round-line' } }),
  part('tenderloin', 'Tenderloin | Eye fillet', 'tenderloin-whole', { extraction: { band: 'psoas', order: 1 } }),
  part('short-loin', 'Short loin | Loin', 'loin-tbone', { length: { from: 'quarter-line', to: 'loin-split' }, ends: [5, 20] }),
  part('short-loin-rear', 'Short loin, behind the split | Loin, behind the split', 'rear-strip', { length: { from: 'loin-split', to: 'sirloin-line' } }),
  part('flank', 'Flank | Thin flank', 'flank-steak'),
  part('rib', 'Rib | Fore rib', 'rib-steaks', { length: { from: 'chuck-line', to: 'quarter-line' }, ends: [10, 10] }),
  part('plate', 'Plate | Thin rib', 'plate-pieces'),
  part('skirts', 'Skirts', 'skirts-kept'),
  part('brisket', 'Brisket', 'brisket-whole'),
  part('foreshank', 'Foreshank | Fore shin', 'foreshank-cuts', { length: { mm: 250 } }),
  part('chuck', 'Chuck', 'chuck-boned', { length: { from: 'start', to: 'chuck-line' } }),
  part('clod', 'Shoulder clod | Bolar blade', 'clod-roast', { length: { mm: 260 } }),
  part('chuck-roll', 'Chuck roll | Chuck eye', 'chuck-roll-roast', { length: { from: 'neck', to: 'chuck-line' } }),
  part('chuck-ribs', 'Chuck short ribs', 'chuck-ribs-cut'),
  part('neck-bones', 'Neck bones', 'neck-bones-stock'),
  part('suet', 'Kidney fat (suet)', 'suet-kept', { needs: ['kidney-fat'] }),
  part('hanger', 'Hanging tender | Thick skirt', 'hanger-steak', { scope: 'animal' }),
  plucked('head', 'Head: tongue and cheeks', 'head-left', 2.8, '24/10/66'),
  plucked('feet', 'Feet', 'feet-left', 1.9, '10/5/55/30'),
  plucked('tail', 'Tail', 'tail-left', 0.22, '45/17/38'),
  plucked('liver', 'Liver', 'liver-left', 1.2),
  plucked('heart', 'Heart', 'heart-left', 0.4),
  plucked('kidneys', 'Kidneys', 'kidneys-left', 0.2),
  plucked('spleen', 'Spleen and sweetbreads', 'spleen-left', 0.3),
  plucked('tract', 'Tripe and intestines', 'tract-left', 4.2),
  part('trim', 'Trim', 'trim-ground', { scope: 'animal' }),
  part('fat', 'Trimmed fat', 'fat-kept', { scope: 'animal' }),
  part('bones', 'Bones', 'bones-kept', { scope: 'animal' }),
]
