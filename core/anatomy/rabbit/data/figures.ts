import { names } from '../../names.ts'
import type { Anatomy, ChainFigures, Convention, LaidMap, LiveShare, Measure, Point, TrimFigures } from '../../types.ts'
import { axis } from './cells.ts'

/** Dressing, shrink and chill: our own working figures, from memory (docs/sources.md: rabbit-chain). */
export const chain: ChainFigures = {
  liveKg: { low: 0.9, high: 9 },
  shrink: { mean: 0.968, sd: 0.01 },
  dressing: { mean: 0.54, sd: 0.025 },
  dressingPossible: { low: 0.42, high: 0.68 },
  chill: { mean: 0.98, sd: 0.006, atKg: 1.4 },
  common: { shrink: 0.005, dressing: 0.008, chill: 0.003 },
  ageingPerDay: { mean: 0.004, sd: 0.001 },
  days: { usual: 1, low: 0, high: 3 },
  tapeDivisor: null,
}

export const conventions: Convention[] = [
  {
    id: 'head',
    names: names('Head'),
    on: 'head left on',
    off: 'head off',
    usual: false,
    points: 5,
    sd: 0.027,
    removes: [{ bands: ['head'], tissues: 'all', share: 1 }],
    says: 'Some buyers want to see the head; most do not. It is weighed and paid for with the rabbit.',
  },
]

/** What is no carcass, % of fasted live weight: our own working figures (docs/sources.md: rabbit-live). */
export const live: LiveShare[] = (
  [
    ['pelt', 'Pelt and feet', 15],
    ['head', 'Head', 5.5, 'loose-head'],
    ['blood', 'Blood', 3],
    ['liver', 'Liver', 2.7, 'liver'],
    ['kidneys', 'Kidneys', 0.6, 'kidneys'],
    ['heart', 'Heart', 0.4, 'heart'],
    ['lungs', 'Lungs', 0.8],
    ['fill', 'Guts and what was in them', 18],
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

/** Log SDs between rabbits (docs/sources.md: rabbit-spread). */
export const spread: Anatomy['spread'] = { fat: 0.3, lean: 0.03, bone: 0.05, place: 0.03, cutter: 0.04, toTrim: 0.09, besideMm: 3 }

/** Heights from the neck down as the axis has them, on 400 px: ribs, loin and pelvis are as long as their bones. */
const TOP = 92
const PX_PER_MM = 0.6
const lengthTo = (last: string) => {
  const i = axis.findLastIndex((s) => s.id.startsWith(last))
  return axis.slice(0, i + 1).reduce((sum, s) => sum + s.mm, 0)
}
const y = (mm: number) => Math.round(TOP + mm * PX_PER_MM)
const [base, ribEnd, hip, rump] = [y(lengthTo('neck')), y(lengthTo('chest')), y(lengthTo('lumbar')), y(lengthTo('sacrum'))]
const both = (points: Point[]): Point[] => [...points, ...points.map(([px, py]): Point => [400 - px, py]).reverse()]

/** Our own drawing of a rabbit on its back, ears up, legs stretched; 400 × 400. */
export const map: LaidMap = {
  kind: 'laid',
  shapes: [
    { parts: ['head', 'loose-head'], both: false, label: [200, 70], outline: both([[200, 52], [206, 46], [212, 20], [222, 4], [230, 14], [227, 38], [219, 58], [224, 72], [220, 88], [208, 98]]) },
    { parts: ['fore', 'rabbit'], both: true, label: [262, base - 8], outline: [[224, base - 6], [236, base - 14], [256, base - 20], [276, base - 34], [290, base - 48], [299, base - 42], [294, base - 26], [278, base - 4], [258, base + 14], [240, base + 28], [228, base + 26]] },
    { parts: ['hind', 'rabbit'], both: true, label: [256, hip + 26], outline: [[218, hip - 8], [236, hip - 20], [258, hip - 14], [274, hip + 6], [278, hip + 32], [270, hip + 56], [264, hip + 78], [268, hip + 98], [278, hip + 116], [274, hip + 126], [260, hip + 122], [250, hip + 104], [242, hip + 78], [232, hip + 52], [222, hip + 28], [216, hip + 8]] },
    { parts: ['pelvis', 'rabbit'], both: false, label: [200, hip + 14], outline: both([[200, hip - 6], [216, hip - 5], [222, hip + 8], [216, rump - 4], [207, rump + 10], [203, rump + 24]]) },
    { parts: ['rib', 'rabbit'], both: false, label: [200, Math.round((base + ribEnd) / 2)], outline: both([[200, TOP + 2], [210, TOP + 6], [224, base - 4], [232, base + 18], [234, ribEnd - 22], [228, ribEnd - 2], [214, ribEnd + 1]]) },
    { parts: ['flap', 'rabbit'], both: true, label: [238, Math.round((ribEnd + hip) / 2) + 2], outline: [[218, ribEnd - 3], [232, ribEnd - 4], [243, ribEnd + 16], [246, hip - 38], [238, hip - 14], [221, hip - 4], [223, hip - 36], [220, ribEnd + 24]] },
    { parts: ['loin', 'rabbit'], both: false, label: [200, Math.round((ribEnd + hip) / 2)], outline: both([[200, ribEnd - 2], [216, ribEnd], [222, ribEnd + 22], [224, hip - 34], [219, hip - 6], [204, hip - 2]]) },
    { parts: ['liver'], both: false, label: [72, 300], outline: [[40, 292], [54, 278], [74, 284], [94, 276], [106, 290], [100, 310], [80, 316], [62, 312], [46, 310]] },
    { parts: ['kidneys'], both: false, label: [66, 342], outline: [[48, 340], [58, 328], [74, 332], [82, 344], [74, 356], [58, 354]] },
    { parts: ['heart'], both: false, label: [72, 382], outline: [[58, 372], [72, 366], [86, 372], [84, 384], [72, 394], [60, 384]] },
  ],
}
