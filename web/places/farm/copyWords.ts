import { formatDistance } from 'date-fns'
import type { Copies, Held } from '#contracts'

export const KIND_WORD = {
  day: 'day',
  week: 'week',
  month: 'month',
  asked: 'by hand',
  restore: 'before a restore',
} as const

/** One bundle may be kept as the day's, the week's and the month's: one tag for all of them, newest first. */
export function tagsOf(copies: Copies) {
  const byMoment = new Map<string, Copies['bundles']>()
  for (const b of copies.bundles) byMoment.set(b.at, [...(byMoment.get(b.at) ?? []), b])
  return [...byMoment.values()]
    .map((bundles) => ({ ...bundles[0]!, kinds: bundles.map((b) => KIND_WORD[b.kind]) }))
    .reverse()
}
export type KeptTag = ReturnType<typeof tagsOf>[number]

/** How old the last proven copy is, as a sentence; what was written since is not in it. */
export function sayLast(copies: Copies, now: Date): { sentence: string; isGood: boolean } {
  const last = tagsOf(copies)[0]
  if (!last) return { sentence: 'No copy has been proven yet. Keep one now.', isGood: false }
  const age = formatDistance(new Date(last.at), now)
  return copies.upToDate
    ? { sentence: `The last proven copy is ${age} old and holds everything.`, isGood: true }
    : { sentence: `The last proven copy is ${age} old; what was written since is not in it.`, isGood: false }
}

const ROWS: { key: Exclude<keyof Held, 'farm' | 'newest'>; word: string }[] = [
  { key: 'lots', word: 'Lots' },
  { key: 'weighings', word: 'Weighings' },
  { key: 'decisions', word: 'Decisions' },
  { key: 'packs', word: 'Packs weighed' },
  { key: 'papers', word: 'Papers issued' },
]
/** What a copy holds beside what stands now, row by row. */
export const heldBeside = (held: Held, present: Held) =>
  ROWS.map(({ key, word }) => ({
    word,
    held: held[key],
    present: present[key],
    change: held[key] - present[key],
  }))
