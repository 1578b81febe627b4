import { limbOf, outlineOf, type Proportions } from '../../outline.ts'
import { names } from '../../notation.ts'
import type { Anatomy, ChainFigures, Convention, LiveShare, Measure, SidesMap, TrimFigures } from '../../types.ts'

/** Dressing, shrink and chill: our own working figures, from memory (docs/sources.md: lamb-chain). */
export const chain: ChainFigures = {
  liveKg: { low: 12, high: 140 },
  shrink: { mean: 0.96, sd: 0.012 },
  dressing: { mean: 0.5, sd: 0.025 },
  dressingPossible: { low: 0.36, high: 0.66 },
  chill: { mean: 0.978, sd: 0.004, atKg: 20 },
  common: { shrink: 0.005, dressing: 0.008, chill: 0.003 },
  ageingPerDay: { mean: 0.004, sd: 0.001 },
  ageTrimPerDay: { mean: 0.001, sd: 0.0005 },
  days: { usual: 5, low: 3, high: 14 },
  tapeDivisor: 300,
}

export const conventions: Convention[] = [
  {
    id: 'split',
    names: names('Carcass'),
    on: 'split into sides',
    off: 'left whole',
    usual: true,
    points: 0,
    says: 'Only a carcass left whole gives a saddle, double chops, a crown in one piece and whole neck slices. Sheep over 12 months are split in some countries.',
  },
  {
    id: 'kidney',
    names: names('Kidneys and their fat'),
    on: 'kidneys and fat left in',
    off: 'kidneys and fat pulled',
    usual: true,
    points: -1.4,
    removes: [{ bands: ['kidney fat', 'kidney'], tissues: 'all', share: 1 }],
    says: 'Pulled at the kill they are neither weighed nor paid for with the carcass.',
  },
  {
    id: 'shorn',
    names: names('Fleece'),
    on: 'shorn',
    off: 'in the wool',
    usual: false,
    points: 1.5,
    says: 'A shorn lamb dresses higher: there is less of it that is no carcass.',
  },
]

/** What is no carcass, % of fasted live weight: our own working figures (docs/sources.md: lamb-live). */
export const live: LiveShare[] = (
  [
    ['pelt', 'Pelt', 11],
    ['blood', 'Blood', 4],
    ['head', 'Head', 4.5, 'head'],
    ['feet', 'Feet', 2.2, 'feet'],
    ['liver', 'Liver', 1.7, 'liver'],
    ['heart', 'Heart', 0.45, 'heart'],
    ['lungs', 'Lungs', 1.2],
    ['tract', 'Stomachs and gut, empty', 6.5, 'tract'],
    ['gut-fat', 'Gut fat', 3],
    ['spleen', 'Spleen', 0.15, 'spleen'],
    ['sweetbreads', 'Sweetbreads', 0.15, 'sweetbreads'],
    ['testicles', 'Testicles, or udder', 0.75, 'testicles'],
    ['rest', 'Bladder and the rest', 0.35],
    ['fill', 'What was in the gut', 14.05],
  ] as const
).map(([id, words, percent, part]) => ({ id, names: names(words), share: percent / 100, ...(part && { part }) }))

export const measures: Measure[] = [
  { id: 'fat-depth', names: names('Fat over the 12th rib'), unit: 'mm', low: 0.5, high: 25, usual: 6 },
]

/** Trim levels (docs/sources.md: trim-levels). */
export const trim: TrimFigures = {
  generous: { waste: 0.6, kept: 1, lean: 0, seam: 0.25, hard: 0 },
  standard: { waste: 1, kept: 1, lean: 0, seam: 0.6, hard: 0.1 },
  close: { waste: 1, kept: 0.65, lean: 0.01, seam: 0.7, hard: 0.2 },
  strict: { waste: 1, kept: 0.25, lean: 0.05, seam: 0.8, hard: 0.4 },
}

/** Log SDs set so that total saleable share varies by about 2.5 points of carcass (docs/sources.md: lamb-spread). */
export const spread: Anatomy['spread'] = { fat: 0.219, lean: 0.03, bone: 0.05, place: 0.04, cutter: 0.08, toTrim: 0.075, besideMm: 4 }

const mid = (share: number) => ({ from: 'back', to: 'belly', share }) as const
const LINE = { line: 'breast-line' } as const
/** How it is built (docs/sources.md: proportions). */
const BUILD: Proportions = { shank: 0.115, shankWidth: 0.032, leg: 0.262, legWidth: 0.21, waist: 0.178, loinCurve: 0.042, chest: 0.278, chestAt: 0.69, shoulder: 0.262, neck: 0.15, neckWidth: 0.078, foreShank: 0.175 }
/** Our own drawing of a half carcass hung by the hind leg, seen from inside, back to the left; 400 × 800. */
export const map: SidesMap = {
  kind: 'sides',
  outline: outlineOf(BUILD),
  whole: [
    { at: 20, back: 96, eye: 104, belly: 114 },
    { at: 70, back: 88, eye: 102, belly: 116 },
    { at: 120, back: 66, eye: 98, belly: 126 },
    { at: 170, back: 34, eye: 92, belly: 140 },
    { at: 215, back: 3, eye: 80, belly: 146 },
    { at: 275, back: 1, eye: 62, belly: 130 },
    { at: 330, back: 1, eye: 52, belly: 122 },
    { at: 400, back: 1, eye: 48, belly: 128 },
    { at: 480, back: 1, eye: 48, belly: 142 },
    { at: 560, back: 1, eye: 50, belly: 150 },
    { at: 620, back: 1, eye: 50, belly: 144 },
    { at: 670, back: 1, eye: 44, belly: 108 },
    { at: 720, back: 1, eye: 30, belly: 62 },
    { at: 800, back: 1, eye: 22, belly: 42 },
  ],
  limb: limbOf(BUILD),
  seams: [
    { from: 110, to: { line: 'leg-line', plus: -4 }, edge: mid(0.4) },
    { from: 160, to: { line: 'leg-line', plus: -4 }, edge: mid(0.74) },
    { from: { line: 'shoulder-line', plus: 8 }, to: 680, edge: mid(0.5) },
  ],
  wholeLimb: [
    { at: 610, left: 96, right: 140 },
    { at: 660, left: 108, right: 143 },
    { at: 710, left: 116, right: 143 },
    { at: 770, left: 119, right: 142 },
  ],
  spine: { top: 268, topLine: 'leg-line', bottom: 800 },
  shapes: [
    { parts: ['leg'], kind: 'strip', from: 20, to: { line: 'leg-line' }, left: 'back', right: 'belly', label: { level: 205, edge: mid(0.5) } },
    { parts: ['breast'], kind: 'strip', from: { line: 'leg-line' }, to: 668, left: LINE, right: 'belly', label: { level: 470, edge: { from: LINE, to: 'belly', share: 0.5 } } },
    { parts: ['loin'], kind: 'strip', from: { line: 'leg-line' }, to: { line: 'rack-end-line' }, left: 'back', right: LINE, label: { level: { line: 'leg-line', plus: 66 }, edge: mid(0.34) } },
    { parts: ['rack'], kind: 'strip', from: { line: 'rack-end-line' }, to: { line: 'shoulder-line' }, left: 'back', right: LINE, label: { level: { line: 'rack-end-line', plus: 66 }, edge: mid(0.3) } },
    { parts: ['shoulder'], kind: 'strip', from: { line: 'shoulder-line' }, to: { line: 'neck-line' }, left: 'back', right: 'belly', label: { level: { line: 'shoulder-line', plus: 48 }, edge: mid(0.4) } },
    { parts: ['neck'], kind: 'strip', from: { line: 'neck-line' }, to: 798, left: 'back', right: 'belly', label: { level: 768, edge: mid(0.5) } },
    { parts: ['foreshank'], kind: 'strip', from: 618, to: 770, left: 'limb left', right: 'limb right', label: { level: 724, edge: 'limb left', dx: 15 } },
    { parts: ['kidney-fat', 'kidneys'], kind: 'lens', from: { line: 'leg-line', plus: 22 }, to: { line: 'leg-line', plus: 96 }, left: mid(0.66), right: mid(0.66), bulge: [14, 14] },
    { parts: ['tenderloin'], kind: 'lens', from: { line: 'leg-line', plus: -34 }, to: { line: 'leg-line', plus: 96 }, left: 'eye', right: 'eye', bulge: [16, 3] },
  ],
}
