import { limbOf, outlineOf, type Proportions } from '../../outline.ts'
import { names } from '../../notation.ts'
import type { Anatomy, ChainFigures, Convention, LiveShare, Measure, SidesMap, TrimFigures } from '../../types.ts'

/** Dressing, shrink and chill: our own working figures, from memory (docs/sources.md: hog-chain). */
export const chain: ChainFigures = {
  liveKg: { low: 15, high: 450 },
  shrink: { mean: 0.97, sd: 0.007 },
  dressing: { mean: 0.72, sd: 0.018 },
  dressingPossible: { low: 0.5, high: 0.86 },
  chill: { mean: 0.98, sd: 0.003, atKg: 84 },
  common: { shrink: 0.005, dressing: 0.008, chill: 0.003 },
  ageingPerDay: { mean: 0.0025, sd: 0.0008 },
  ageTrimPerDay: { mean: 0.0005, sd: 0.0003 },
  days: { usual: 2, low: 1, high: 5 },
  tapeDivisor: 400,
}

export const conventions: Convention[] = [
  {
    id: 'skin',
    names: names('Hide'),
    on: 'scalded, skin on',
    off: 'skinned',
    usual: true,
    points: -4,
    sd: 0.02,
    dries: 1.35,
    removes: [
      { bands: 'all', tissues: ['skin'], share: 1 },
      { bands: ['outer'], tissues: ['fat'], share: 0.07 },
      { bands: ['fore foot', 'hind foot'], tissues: 'all', share: 1 },
    ],
    says: 'No crackling, no rind-on bacon or ham, no cured jowl; the feet go with the hide.',
  },
  {
    id: 'head',
    names: names('Head'),
    on: 'head on',
    off: 'head off',
    usual: false,
    points: 4.8,
    removes: [{ bands: ['head'], tissues: 'all', share: 1 }],
    says: 'The head hangs and is weighed with the carcass.',
  },
  {
    id: 'leaf',
    names: names('Leaf fat | Flead'),
    on: 'leaf fat left in',
    off: 'leaf fat pulled',
    usual: true,
    points: -1.4,
    removes: [{ bands: ['flare'], tissues: 'all', share: 1 }],
    says: 'The best lard stays at the plant.',
  },
  {
    id: 'split',
    names: names('Carcass'),
    on: 'split into sides',
    off: 'left whole',
    usual: true,
    points: 0,
    says: 'Left whole, loins and bellies can be boned in one piece across both sides.',
  },
]

/** What is no carcass, % of fasted live weight, scalded and head off: our own working figures (docs/sources.md: hog-live). */
export const live: LiveShare[] = (
  [
    ['head', 'Head', 4.8, 'head'],
    ['blood', 'Blood', 3.5, 'blood'],
    ['hair', 'Hair and scurf', 0.8],
    ['liver', 'Liver', 1.6, 'liver'],
    ['heart', 'Heart', 0.3, 'heart'],
    ['lungs', 'Lungs', 1],
    ['kidneys', 'Kidneys', 0.3, 'kidneys'],
    ['tract', 'Stomach and gut, empty', 4.5, 'stomach'],
    ['caul', 'Caul and gut fat', 1.5, 'caul'],
    ['rest', 'Spleen, bladder and the rest', 1.2],
    ['fill', 'What was in the gut', 8.5],
  ] as const
).map(([id, words, percent, part]) => ({ id, names: names(words), share: percent / 100, ...(part && { part }) }))

export const measures: Measure[] = [
  { id: 'fat-depth', names: names('Fat over the 10th rib'), unit: 'mm', low: 3, high: 80, usual: 22 },
  { id: 'eye-area', names: names('Loin eye'), unit: 'cm²', low: 15, high: 90, usual: 42 },
]

/** Trim levels: waste and kept scale trimmed and left fat, lean is silver skin and tendon (docs/sources.md: trim-levels). */
export const trim: TrimFigures = {
  generous: { waste: 0.6, kept: 1, lean: 0, seam: 0, hard: 0 },
  standard: { waste: 1, kept: 1, lean: 0, seam: 0.1, hard: 0 },
  close: { waste: 1, kept: 0.65, lean: 0.01, seam: 0.25, hard: 0.2 },
  strict: { waste: 1, kept: 0.25, lean: 0.05, seam: 0.5, hard: 0.4 },
}

/**
 * Common factors between animals and what is left between cutters, as log SDs: set so that total saleable
 * share varies by about 2 points of carcass (docs/sources.md: hog-spread).
 */
export const spread: Anatomy['spread'] = { fat: 0.153, lean: 0.03, bone: 0.07, place: 0.037, cutter: 0.165, toTrim: 0.107, besideMm: 5 }

const mid = (share: number) => ({ from: 'back', to: 'belly', share }) as const
const LINE = { line: 'belly-line' } as const
/** How it is built (docs/sources.md: proportions). */
const BUILD: Proportions = { shank: 0.118, shankWidth: 0.046, leg: 0.247, legWidth: 0.285, waist: 0.258, loinCurve: 0.02, chest: 0.348, chestAt: 0.66, shoulder: 0.328, neck: 0.077, neckWidth: 0.14, foreShank: 0.145 }
/** Our own drawing of a half carcass hung by the hind leg, seen from inside, back to the left; 400 × 800. */
export const map: SidesMap = {
  kind: 'sides',
  outline: outlineOf(BUILD),
  whole: [
    { at: 24, back: 104, eye: 112, belly: 124 },
    { at: 64, back: 100, eye: 112, belly: 130 },
    { at: 112, back: 84, eye: 108, belly: 138 },
    { at: 150, back: 60, eye: 102, belly: 150 },
    { at: 200, back: 26, eye: 96, belly: 166 },
    { at: 236, back: 4, eye: 88, belly: 172 },
    { at: 305, back: 2, eye: 70, belly: 164 },
    { at: 360, back: 2, eye: 60, belly: 160 },
    { at: 440, back: 2, eye: 58, belly: 168 },
    { at: 530, back: 2, eye: 58, belly: 178 },
    { at: 610, back: 2, eye: 60, belly: 184 },
    { at: 680, back: 2, eye: 62, belly: 172 },
    { at: 740, back: 2, eye: 56, belly: 120 },
    { at: 800, back: 2, eye: 36, belly: 70 },
  ],
  limb: limbOf(BUILD),
  seams: [
    { from: 118, to: { line: 'leg-line', plus: -6 }, edge: mid(0.4) },
    { from: 178, to: { line: 'leg-line', plus: -6 }, edge: mid(0.74) },
    { from: { line: 'shoulder-line', plus: 8 }, to: 736, edge: mid(0.5) },
  ],
  spine: { top: 305, topLine: 'leg-line', bottom: 740 },
  shapes: [
    { parts: ['hind-foot'], kind: 'strip', from: 24, to: 64, left: 'back', right: 'belly' },
    { parts: ['hind-hock'], kind: 'strip', from: 64, to: 112, left: 'back', right: 'belly' },
    { parts: ['leg'], kind: 'strip', from: 112, to: { line: 'leg-line' }, left: 'back', right: 'belly', label: { level: 215, edge: mid(0.5) } },
    { parts: ['belly'], kind: 'strip', from: { line: 'leg-line' }, to: { line: 'shoulder-line' }, left: LINE, right: 'belly', label: { level: 440, edge: 'belly', dx: -62 } },
    { parts: ['sirloin'], kind: 'strip', from: { line: 'leg-line' }, to: { line: 'sirloin-line' }, left: 'back', right: LINE },
    { parts: ['loin'], kind: 'strip', from: { line: 'sirloin-line' }, to: { line: 'rib-end-line' }, left: 'back', right: LINE, label: { level: { line: 'sirloin-line', plus: 52 }, edge: mid(0.24) } },
    { parts: ['rib-end'], kind: 'strip', from: { line: 'rib-end-line' }, to: { line: 'shoulder-line' }, left: 'back', right: LINE, label: { level: { line: 'shoulder-line', plus: -34 }, edge: mid(0.2) } },
    { parts: ['spare-ribs'], kind: 'strip', from: { line: 'leg-line', plus: 150 }, to: { line: 'shoulder-line' }, left: LINE, right: 'rib end', label: { level: { line: 'shoulder-line', plus: -66 }, edge: { from: LINE, to: 'rib end', share: 0.52 } } },
    { parts: ['shoulder'], kind: 'strip', from: { line: 'shoulder-line' }, to: 740, left: 'back', right: 'belly', label: { level: 696, edge: mid(0.42) } },
    { parts: ['jowl'], kind: 'strip', from: 740, to: 792, left: mid(0.04), right: mid(0.96) },
    { parts: ['fore-hock'], kind: 'strip', from: 676, to: 744, left: 'limb left', right: 'limb right' },
    { parts: ['fore-foot'], kind: 'strip', from: 744, to: 790, left: 'limb left', right: 'limb right' },
    { parts: ['leaf-fat'], kind: 'lens', from: { line: 'leg-line', plus: 24 }, to: { line: 'leg-line', plus: 128 }, left: mid(0.84), right: mid(0.84), bulge: [26, 8] },
    { parts: ['tenderloin'], kind: 'lens', from: { line: 'leg-line', plus: -40 }, to: { line: 'leg-line', plus: 118 }, left: 'eye', right: 'eye', bulge: [20, 5] },
  ],
}
