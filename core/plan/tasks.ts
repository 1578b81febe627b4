import type { Anatomy } from '#core/anatomy'

/** Steps that are of no part: what is done first, and last. */
export const WHOLE_STEPS = ['ready', 'dress', 'cavity', 'glands', 'off', 'pack', 'wash'] as const

/** What the steps of a card are called by, whichever plan they are of. */
export const isTask = ({ parts, lines, cuts }: Anatomy, id: string): boolean =>
  (WHOLE_STEPS as readonly string[]).includes(id) ||
  parts.some((p) => p.id === id || `free-${p.id}` === id) ||
  lines.some((l) => `line-${l.id}` === id) ||
  cuts.some((c) => `finish-${c.id}` === id)
