import type { PracticeSheet } from '#core/records'

export type Try = PracticeSheet['tries'][number]

/** How one thing stands that is practised: how often it was tried and right, and whether it was missed the last time. */
export interface Known {
  tries: number
  right: number
  missed: boolean
  /** Which of all tries was the last of it; −1: never. */
  last: number
}

export function knownOf(tries: readonly Try[], of: string): Known {
  const own = tries.flatMap((t, i) => (t.of === of ? [{ ...t, i }] : []))
  const last = own.at(-1)
  return {
    tries: own.length,
    right: own.filter((t) => t.right).length,
    missed: last !== undefined && !last.right,
    last: last?.i ?? -1,
  }
}

/**
 * What is asked next: what was missed the last time, the longest ago first; then what was never tried; then what was tried
 * longest ago. What was only just asked is not asked again at once.
 */
export function nextOf(items: readonly string[], tries: readonly Try[]): string | null {
  const just = tries.at(-1)?.of
  const open = items.length > 1 ? items.filter((id) => id !== just) : [...items]
  const known = open.map((id) => ({ id, ...knownOf(tries, id) }))
  const turn = (k: (typeof known)[number]) => (k.missed ? 0 : k.tries === 0 ? 1 : 2)
  return known.sort((a, b) => turn(a) - turn(b) || a.last - b.last)[0]?.id ?? null
}
