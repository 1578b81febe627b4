import { TISSUES } from '#core/anatomy'

const T = TISSUES.length
const [LEAN, FAT, SEAM] = [TISSUES.indexOf('lean'), TISSUES.indexOf('fat'), TISSUES.indexOf('seam')]

/** Of dissected lean and fat a laboratory finds so much lean; muscle holds fat of its own (docs/sources.md: chemical-lean). */
const CHEMICAL = { lean: 0.94, fat: 0.18 }
/** Lean as the trade speaks of it: chemical, so that 100/0 reads 94 and 50/50 reads 56. */
export const chemicalLean = (lean: number, fat: number): number =>
  (CHEMICAL.lean * lean + CHEMICAL.fat * fat) / (lean + fat)
/** Fat that makes so much lean read a share of chemical lean. */
const fatFor = (lean: number, reads: number): number =>
  (lean * (CHEMICAL.lean - reads)) / (reads - CHEMICAL.fat)

/** A knife pulls no more than this share of the fat out of trim (our own figure, docs/sources.md: trim-blend). */
const MOST_PULLED = 0.7

/** Trim made leaner or fatter than it falls, by what is pulled off it or put to it of the fat that was trimmed off. */
export interface Blend {
  trim: number
  fat: number
  /** Chemical lean that is wanted; `onlyFatter` where the recipe only asks for fat enough. */
  reads: number
  onlyFatter: boolean
}

/** Moves fat between the trim and the fat that was trimmed off, in kg of each tissue of each slot. */
export function blend(slotKg: Float64Array, { trim, fat, reads, onlyFatter }: Blend): void {
  const [t, f] = [trim * T, fat * T]
  const lean = slotKg[t + LEAN]!
  const own = slotKg[t + FAT]! + slotKg[t + SEAM]!
  const wanted = fatFor(lean, reads)
  if (wanted > own) move(f, t, wanted - own, 1)
  else if (!onlyFatter) move(t, f, own - wanted, MOST_PULLED)

  /** What lies outside first: it is what a knife takes off, and what the bin holds. */
  function move(from: number, to: number, kg: number, most: number) {
    let left = Math.min(kg, most * (slotKg[from + FAT]! + slotKg[from + SEAM]!))
    for (const tissue of [FAT, SEAM]) {
      const moved = Math.min(left, slotKg[from + tissue]!)
      slotKg[from + tissue]! -= moved
      slotKg[to + tissue]! += moved
      left -= moved
    }
  }
}
