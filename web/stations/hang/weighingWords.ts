import type { NewWeighing } from '#contracts'

/** How a weight is known, and what a hanging weight was printed on, in the words of the screen. */
export const SOURCE_WORDS: Record<NewWeighing['source'], string> = {
  scale: 'own scale',
  plant: 'plant’s scale',
  tape: 'tape',
  guess: 'a guess',
}
export const BASIS_WORDS: Record<NonNullable<NewWeighing['basis']>, string> = {
  hot: 'hot, day of kill',
  'hot×0.98': 'printed hot × 0.98',
  'hot×0.975': 'printed hot × 0.975',
  cold: 'cold, after chilling',
  aged: 'aged, day of cutting',
  boxed: 'boxed, as it came',
}
