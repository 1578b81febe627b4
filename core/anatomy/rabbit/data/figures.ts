import { names } from '../../names.ts'
import type { Anatomy, ChainFigures, Convention, LaidMap, LiveShare, Measure, Point, TrimFigures } from '../../types.ts'
import { axis } from './cells.ts'

/** Dressing, shrink and chill: our own working figures, from memory (docs/sources.md: rabbit-chain). */
export const chain: ChainFigures = {
  liveKg: { low: 0.9, high: 9 },
  shrink: { mean: 0.968, sd: 0.01 },
  dressing: { mean: 0.54, sd: 0.025 },
  dressingPossible: { low: 0.42, high: 0.68 },
  chill: { mean: 0.98, sd: 0.006 },
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
    ['head', 'Head', 5.5],
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
const TOP = 64
const PX_PER_MM = 0.68
const lengthTo = (last: string) => {
  const i = axis.findLastIndex((s) => s.id.startsWith(last))
  return axis.slice(0, i + 1).reduce((sum, s) => sum + s.mm, 0)
}
const y = (mm: number) => Math.round(TOP + mm * PX_PER_MM)
const [base, ribEnd, hip, rump] = [y(lengthTo('neck')), y(lengthTo('chest')), y(lengthTo('lumbar')), y(lengthTo('sacrum'))]
const both = (points: Point[]): Point[] => [...points, ...points.map(([px, py]): Point => [400 - px, py]).reverse()]

/** Our own drawing of a rabbit on its back, neck up, legs stretched; 400 × 400. */
export const map: LaidMap = {
  kind: 'laid',
  shapes: [
    { parts: ['head'], both: false, label: [200, 34], outline: both([[200, 12], [216, 18], [224, 36], [218, 56], [206, 66]]) },
    { parts: ['fore', 'rabbit'], both: true, label: [276, base - 4], outline: [[228, base + 2], [248, base - 8], [276, base - 22], [300, base - 44], [314, base - 60], [326, base - 54], [318, base - 34], [300, base - 8], [276, base + 14], [252, base + 30], [234, base + 36]] },
    { parts: ['pelvis', 'rabbit'], both: false, label: [200, rump - 6], outline: both([[200, hip - 6], [222, hip - 4], [230, hip + 12], [220, rump - 4], [208, rump + 14], [202, rump + 30]]) },
    { parts: ['hind', 'rabbit'], both: true, label: [262, hip + 34], outline: [[222, hip - 8], [246, hip - 16], [270, hip - 2], [286, hip + 26], [288, hip + 56], [282, hip + 84], [284, hip + 104], [292, hip + 118], [284, hip + 128], [268, hip + 118], [258, hip + 92], [246, hip + 64], [232, hip + 36], [222, hip + 14]] },
    { parts: ['rib', 'rabbit'], both: false, label: [200, Math.round((base + ribEnd) / 2)], outline: both([[200, base - 22], [214, base - 18], [232, base + 2], [240, base + 26], [242, ribEnd - 26], [236, ribEnd - 2], [218, ribEnd + 2]]) },
    { parts: ['flap', 'rabbit'], both: true, label: [243, Math.round((ribEnd + hip) / 2) + 6], outline: [[224, ribEnd - 4], [240, ribEnd - 4], [256, ribEnd + 22], [260, hip - 44], [248, hip - 12], [226, hip - 2], [230, hip - 40], [226, ribEnd + 30]] },
    { parts: ['loin', 'rabbit'], both: false, label: [200, Math.round((ribEnd + hip) / 2)], outline: both([[200, ribEnd - 2], [222, ribEnd], [230, ribEnd + 26], [232, hip - 36], [226, hip - 4], [204, hip]]) },
    { parts: ['liver'], both: false, label: [76, 300], outline: [[44, 292], [58, 278], [78, 284], [98, 276], [110, 290], [104, 310], [84, 316], [66, 312], [50, 310]] },
    { parts: ['kidneys'], both: false, label: [70, 344], outline: [[52, 342], [62, 330], [78, 334], [86, 346], [78, 358], [62, 356]] },
    { parts: ['heart'], both: false, label: [76, 384], outline: [[62, 374], [76, 368], [90, 374], [88, 386], [76, 396], [64, 386]] },
  ],
}
