import { names } from '../../notation.ts'
import type { Anatomy, ChainFigures, Convention, LaidMap, LiveShare, Measure, TrimFigures } from '../../types.ts'

/** Dressing, shrink and chill of a fast type: our own working figures, from memory (docs/sources.md: broiler-chain). */
export const chain: ChainFigures = {
  liveKg: { low: 0.8, high: 6.5 },
  shrink: { mean: 0.965, sd: 0.008 },
  dressing: { mean: 0.7, sd: 0.015 },
  dressingPossible: { low: 0.52, high: 0.84 },
  chill: { mean: 0.985, sd: 0.005 },
  common: { shrink: 0.005, dressing: 0.008, chill: 0.003 },
  ageingPerDay: { mean: 0.003, sd: 0.001 },
  days: { usual: 1, low: 0, high: 3 },
  tapeDivisor: null,
}

export const conventions: Convention[] = [
  {
    id: 'giblets',
    names: names('Neck and giblets'),
    on: 'neck and giblets in',
    off: 'without neck and giblets',
    usual: false,
    points: 6,
    sd: 0.016,
    removes: [{ bands: ['neck', 'giblets'], tissues: 'all', share: 1 }],
    says: 'They are weighed with the bird and go with it; some buyers want them.',
  },
  {
    id: 'tank',
    names: names('Chill'),
    on: 'chilled in ice water',
    off: 'chilled in air',
    usual: true,
    points: 0,
    chill: { mean: 1.035, sd: 0.012, inflow: 'chill water' },
    says: 'In air the bird dries a little; in ice water it takes some up, which must be declared in many places.',
  },
  {
    id: 'plucked',
    names: names('Skin'),
    on: 'plucked, skin on',
    off: 'skinned',
    usual: true,
    points: -9,
    sd: 0.02,
    removes: [{ bands: 'all', tissues: ['skin'], share: 0.92 }],
    says: 'A skinned bird is 8 to 10 points lower and roasts dry.',
  },
]

/** What is no carcass, % of fasted live weight: our own working figures (docs/sources.md: broiler-live). */
export const live: LiveShare[] = (
  [
    ['blood', 'Blood', 3.5],
    ['feathers', 'Feathers', 5],
    ['head', 'Head', 2.7],
    ['feet', 'Feet', 4, 'feet'],
    ['neck', 'Neck', 2.3, 'loose-neck'],
    ['giblets', 'Heart, liver and gizzard', 4, 'loose-giblets'],
    ['fill', 'Guts and what was in them', 8.5],
  ] as const
).map(([id, words, percent, part]) => ({ id, names: names(words), share: percent / 100, ...(part && { part }) }))

export const measures: Measure[] = []

/** Trim levels (docs/sources.md: trim-levels). */
export const trim: TrimFigures = {
  generous: { waste: 0.5, kept: 1, lean: 0, seam: 0, hard: 0 },
  standard: { waste: 1, kept: 1, lean: 0, seam: 0, hard: 0 },
  close: { waste: 1, kept: 0.7, lean: 0.01, seam: 0, hard: 0 },
  strict: { waste: 1, kept: 0.3, lean: 0.03, seam: 0, hard: 0 },
}

/** Log SDs between birds (docs/sources.md: broiler-spread). */
export const spread: Anatomy['spread'] = { fat: 0.2, lean: 0.03, bone: 0.05, place: 0.025, cutter: 0.035, toTrim: 0.09, besideMm: 3 }

/** Our own drawing of a bird on its back, neck up; the right half, its shapes mirrored where there are two. 400 × 400. */
export const map: LaidMap = {
  kind: 'laid',
  shapes: [
    { parts: ['neck', 'loose-neck'], both: false, label: [200, 44], outline: [[184, 76], [188, 34], [200, 22], [212, 34], [216, 76], [200, 84]] },
    { parts: ['back', 'bird'], both: false, label: [200, 334], outline: [[150, 112], [200, 84], [250, 112], [268, 200], [256, 290], [222, 358], [200, 378], [178, 358], [144, 290], [132, 200]] },
    { parts: ['wing', 'bird'], both: true, label: [326, 166], outline: [[252, 104], [290, 96], [330, 118], [346, 160], [368, 214], [352, 238], [330, 204], [312, 172], [284, 164], [258, 150]] },
    { parts: ['leg', 'bird'], both: true, label: [280, 268], outline: [[248, 214], [286, 208], [316, 236], [318, 276], [298, 316], [284, 352], [268, 372], [256, 358], [262, 322], [244, 296], [232, 250]] },
    { parts: ['feet'], both: true, label: [278, 388], outline: [[262, 366], [280, 360], [292, 384], [282, 398], [268, 396]] },
    { parts: ['breast', 'bird'], both: true, label: [200, 186], outline: [[200, 92], [236, 106], [258, 150], [256, 206], [236, 262], [200, 300]] },
  ],
}
