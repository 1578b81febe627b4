import type { BlockSize, LabelBlock, LabelSize } from '#core/records'
import { LABELS_ON } from './pages.ts'

const PT_PER_MM = 72 / 25.4
/** Points of a block's letters; on a low label they are smaller. */
const LETTERS: Record<BlockSize, number> = { small: 6.2, middle: 8.5, large: 12 }
const FULL_HEIGHT_MM = 75
/** Letters grow into what room there is, and shrink before anything is left off. */
const MOST = 1.4
const LEAST = 0.72
const STEP = 0.04
/** Smaller than this nobody reads it wet, pt. */
const LEGIBLE = 4.6
/** How wide a letter of a condensed face is, of its height; and how far lines lie apart. */
const WIDE = 0.46
const BOLD_WIDE = 0.52
const LINE = 1.2
export const INSET_MM = 2
/** Clear of what stands under them, mm. */
export const BARS_GAP_MM = 1.5
/** How high bars stand, with what they say under them, mm. */
export const BARS_MM: Record<BlockSize, number> = { small: 10, middle: 12, large: 16 }

/** What goes first where a label is too small; the rest is what tells one pack from another, or what a rule asks for. */
const GOES_FIRST: readonly LabelBlock[] = [
  'claims',
  'kitchen',
  'handling',
  'storage',
  'farm',
  'cooking',
  'date',
]

export interface Block {
  id: LabelBlock
  size: BlockSize
  text: string
}
export interface Fitted<B extends Block> {
  blocks: B[]
  /** By how much letters are smaller than usual. */
  scale: number
  /** Blocks for which there is no room. */
  leftOff: LabelBlock[]
}

export const lettersAt = (size: BlockSize, scale: number): number => Math.max(LEGIBLE, LETTERS[size] * scale)

function heightOf({ id, size, text }: Block, width: number, scale: number): number {
  if (id === 'barcode') return (BARS_MM[size] + BARS_GAP_MM) * PT_PER_MM
  const pt = lettersAt(size, scale)
  const lines = Math.max(1, Math.ceil((text.length * pt * (size === 'small' ? WIDE : BOLD_WIDE)) / width))
  return lines * pt * LINE + 1
}

/**
 * The blocks that a label of this size has room for: letters are made smaller first, then what tells least goes. What `must`
 * stand on it stays, whatever else goes.
 */
export function fitted<B extends Block>(
  blocks: readonly B[],
  size: LabelSize,
  must: readonly LabelBlock[],
): Fitted<B> {
  const [w, h] = LABELS_ON[size].label
  const width = (w - 2 * INSET_MM) * PT_PER_MM
  const height = (h - 2 * INSET_MM) * PT_PER_MM
  const start = Math.max(LEAST, MOST * Math.sqrt(Math.min(1, h / FULL_HEIGHT_MM)))
  const takes = (all: readonly B[], scale: number) =>
    all.reduce((sum, b) => sum + heightOf(b, width, scale), 0)
  const leftOff: LabelBlock[] = []
  let left = [...blocks]
  for (;;) {
    for (let scale = start; scale >= LEAST - 1e-9; scale -= STEP)
      if (takes(left, scale) <= height) return { blocks: left, scale, leftOff }
    const goes = GOES_FIRST.find((id) => !must.includes(id) && left.some((b) => b.id === id))
    if (!goes) return { blocks: left, scale: LEAST, leftOff }
    leftOff.push(goes)
    left = left.filter((b) => b.id !== goes)
  }
}
