import { limbOf, outlineOf, type Proportions } from '../../outline.ts'
import { names } from '../../notation.ts'
import type { Anatomy, ChainFigures, Convention, LiveShare, Measure, SidesMap, TrimFigures } from '../../types.ts'

/** Dressing, shrink and chill: our own working figures, from memory (docs/sources.md: steer-chain). */
export const chain: ChainFigures = {
  liveKg: { low: 120, high: 1100 },
  shrink: { mean: 0.96, sd: 0.012 },
  dressing: { mean: 0.62, sd: 0.018 },
  dressingPossible: { low: 0.44, high: 0.72 },
  chill: { mean: 0.98, sd: 0.003, atKg: 320 },
  common: { shrink: 0.005, dressing: 0.008, chill: 0.003 },
  ageingPerDay: { mean: 0.0025, sd: 0.0008 },
  ageTrimPerDay: { mean: 0.0014, sd: 0.0006 },
  days: { usual: 14, low: 7, high: 28 },
  tapeDivisor: 300,
}

export const conventions: Convention[] = [
  {
    id: 'under30',
    names: names('Age'),
    on: 'under 30 months',
    off: '30 months or older',
    usual: true,
    points: 0,
    says: 'From 30 months the backbone is not food: T-bones, chine-on roasts, neck bones and backbone soup bones go; oxtail and chined-off back ribs stay. Without papers, the second pair of permanent incisors through means 30 months. Other countries draw the line elsewhere.',
  },
  {
    id: 'kidney-fat',
    names: names('Kidney fat'),
    on: 'kidney fat left in',
    off: 'kidney fat pulled',
    usual: true,
    points: -1.7,
    removes: [{ bands: ['kidney fat'], tissues: 'all', share: 1 }],
    says: 'Pulled at the kill, the suet is neither weighed nor paid for with the carcass.',
  },
]

/** What is no carcass, % of fasted live weight, grain-finished: our own working figures (docs/sources.md: steer-live). */
export const live: LiveShare[] = (
  [
    ['hide', 'Hide', 7.28],
    ['tail', 'Tail', 0.22, 'tail'],
    ['blood', 'Blood', 3.3],
    ['head', 'Head', 2.8, 'head'],
    ['feet', 'Feet', 1.9, 'feet'],
    ['liver', 'Liver', 1.2, 'liver'],
    ['heart', 'Heart', 0.4, 'heart'],
    ['lungs', 'Lungs', 1.2],
    ['kidneys', 'Kidneys', 0.2, 'kidneys'],
    ['spleen', 'Spleen and other', 0.3, 'spleen'],
    ['tract', 'Stomachs and gut, empty', 4.2, 'tract'],
    ['gut-fat', 'Gut fat', 3],
    ['fill', 'What was in the gut', 12],
  ] as const
).map(([id, words, percent, part]) => ({ id, names: names(words), share: percent / 100, ...(part && { part }) }))

export const measures: Measure[] = [
  { id: 'fat-depth', names: names('Fat over the 12th rib'), unit: 'mm', low: 1, high: 50, usual: 12 },
  { id: 'eye-area', names: names('Rib-eye'), unit: 'cm²', low: 30, high: 150, usual: 80 },
  { id: 'kidney-fat', names: names('Kidney, pelvic and heart fat'), unit: '%', low: 0, high: 8, usual: 2.5 },
]

/** Trim levels; generous leaves much of the fat in the mince (docs/sources.md: trim-levels). */
export const trim: TrimFigures = {
  generous: { waste: 0.22, kept: 1, lean: 0, seam: 0, hard: 0 },
  standard: { waste: 1, kept: 1, lean: 0, seam: 0.45, hard: 0.4 },
  close: { waste: 1, kept: 0.65, lean: 0.01, seam: 0.6, hard: 0.5 },
  strict: { waste: 1, kept: 0.25, lean: 0.05, seam: 0.75, hard: 0.65 },
}

/** Log SDs set so that total saleable share varies by about 2.5 points of carcass (docs/sources.md: steer-spread). */
export const spread: Anatomy['spread'] = { fat: 0.1, lean: 0.03, bone: 0.06, place: 0.036, cutter: 0.082, toTrim: 0.11, besideMm: 5.8 }

const mid = (share: number) => ({ from: 'back', to: 'belly', share }) as const
const PLATE = { line: 'plate-line' } as const
const FLANK = { line: 'flank-line' } as const
/** How it is built (docs/sources.md: proportions). */
const BUILD: Proportions = { shank: 0.109, shankWidth: 0.05, leg: 0.245, legWidth: 0.246, waist: 0.222, loinCurve: 0.03, chest: 0.36, chestAt: 0.71, shoulder: 0.325, neck: 0.1, neckWidth: 0.14, foreShank: 0.16 }
/** Our own drawing of a side hung by the hind leg, seen from inside, back to the left; 400 × 800. */
export const map: SidesMap = {
  kind: 'sides',
  outline: outlineOf(BUILD),
  limb: limbOf(BUILD),
  seams: [
    { from: 112, to: { line: 'round-line', plus: -4 }, edge: mid(0.36) },
    { from: 150, to: { line: 'round-line', plus: -4 }, edge: mid(0.72) },
    { from: { line: 'chuck-line', plus: 10 }, to: 770, edge: mid(0.42) },
  ],
  spine: { top: 262, topLine: 'round-line', bottom: 800 },
  shapes: [
    { parts: ['hind-shank'], kind: 'strip', from: 16, to: 105, left: 'back', right: 'belly' },
    { parts: ['round', 'top-round', 'bottom-round', 'knuckle', 'eye-round', 'rump'], kind: 'strip', from: 105, to: { line: 'round-line' }, left: 'back', right: 'belly', label: { level: 186, edge: mid(0.5) } },
    { parts: ['flank'], kind: 'strip', from: { line: 'round-line' }, to: { line: 'quarter-line' }, left: FLANK, right: 'belly', label: { level: { line: 'sirloin-line', plus: 62 }, edge: 'belly', dx: -38 } },
    { parts: ['plate'], kind: 'strip', from: { line: 'quarter-line' }, to: { line: 'chuck-line' }, left: PLATE, right: 'belly', label: { level: { line: 'chuck-line', plus: -60 }, edge: 'belly', dx: -64 } },
    { parts: ['sirloin'], kind: 'strip', from: { line: 'round-line' }, to: { line: 'sirloin-line' }, left: 'back', right: mid(0.8), label: { level: { line: 'round-line', plus: 34 }, edge: mid(0.26) } },
    { parts: ['short-loin-rear'], kind: 'strip', from: { line: 'sirloin-line' }, to: { line: 'loin-split' }, left: 'back', right: FLANK, label: { level: { line: 'sirloin-line', plus: 26 }, edge: mid(0.24) } },
    { parts: ['short-loin'], kind: 'strip', from: { line: 'loin-split' }, to: { line: 'quarter-line' }, left: 'back', right: FLANK, label: { level: { line: 'quarter-line', plus: -34 }, edge: mid(0.22) } },
    { parts: ['rib'], kind: 'strip', from: { line: 'quarter-line' }, to: { line: 'chuck-line' }, left: 'back', right: PLATE, label: { level: { line: 'quarter-line', plus: 62 }, edge: mid(0.2) } },
    { parts: ['skirts'], kind: 'lens', from: { line: 'quarter-line', plus: 6 }, to: { line: 'chuck-line', plus: -20 }, left: { from: PLATE, to: 'belly', share: 0.4 }, right: { from: PLATE, to: 'belly', share: 0.4 }, bulge: [5, 11] },
    { parts: ['chuck', 'clod', 'chuck-roll', 'chuck-ribs', 'neck-bones'], kind: 'strip', from: { line: 'chuck-line' }, to: 800, left: 'back', right: 'belly', label: { level: { line: 'chuck-line', plus: 110 }, edge: mid(0.36) } },
    { parts: ['brisket'], kind: 'strip', from: { line: 'chuck-line' }, to: 712, left: mid(0.66), right: 'belly', label: { level: { line: 'chuck-line', plus: 36 }, edge: mid(0.8) } },
    { parts: ['foreshank'], kind: 'strip', from: 640, to: 770, left: 'limb left', right: 'limb right', label: { level: 716, edge: 'limb left', dx: 22 } },
    { parts: ['suet'], kind: 'lens', from: { line: 'sirloin-line', plus: 4 }, to: { line: 'quarter-line', plus: -14 }, left: mid(0.66), right: mid(0.66), bulge: [16, 10] },
    { parts: ['tenderloin'], kind: 'lens', from: { line: 'round-line', plus: -26 }, to: { line: 'quarter-line', plus: -24 }, left: 'eye', right: 'eye', bulge: [19, 3] },
  ],
}
