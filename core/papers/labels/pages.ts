import type { LabelSize } from '#core/records'

/** A page of labels, mm: on a roll one label a page, on a sheet so many across and down. */
interface Page {
  words: string
  page: readonly [width: number, height: number]
  label: readonly [width: number, height: number]
  across: number
  down: number
  /** Left and top margin, and the gap between columns. */
  margin: readonly [left: number, top: number]
  gap: number
}
const roll = (width: number, height: number): Page => ({
  words: `roll, ${width} × ${height} mm`,
  page: [width, height],
  label: [width, height],
  ...{ across: 1, down: 1, margin: [0, 0] as const, gap: 0 },
})
/** Sheets as stationers sell them (common sizes). */
export const LABELS_ON: Record<LabelSize, Page> = {
  'roll-58x40': roll(58, 40),
  'roll-100x50': roll(100, 50),
  'roll-100x75': roll(100, 75),
  'a4-3x7': {
    words: 'A4 sheet, 3 × 7 of 63.5 × 38.1 mm',
    ...{ page: [210, 297], label: [63.5, 38.1], across: 3, down: 7, margin: [7.2, 15.1], gap: 2.5 },
  },
  'letter-2x5': {
    words: 'letter sheet, 2 × 5 of 101.6 × 50.8 mm',
    ...{ page: [215.9, 279.4], label: [101.6, 50.8], across: 2, down: 5, margin: [4, 12.7], gap: 4.7 },
  },
}
