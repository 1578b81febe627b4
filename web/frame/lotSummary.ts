import type { Next, Standing } from '#core/reading'

/** How far a lot has come, in the order of the rail. */
export const STANDING_WORDS: Record<Standing, string> = {
  alive: 'On the hoof',
  hanging: 'Hanging',
  packing: 'Being packed',
  packed: 'Packed',
}
export const STANDINGS = Object.keys(STANDING_WORDS) as Standing[]
/** The next thing to do, in words, and where it is done. */
export const NEXT_WORDS: Record<Next, { say: string; station: 'hang' | 'block' | 'price' | 'pack' }> = {
  weigh: { say: 'Enter a live, hot or hanging weight', station: 'hang' },
  'look-at-sum': { say: 'Everything is weighed: look at the sum', station: 'price' },
  'weigh-packs': { say: 'Go on weighing packs', station: 'pack' },
  'enter-costs': { say: 'Say what the animal cost', station: 'price' },
  'say-route': { say: 'Say how it was slaughtered', station: 'hang' },
  plan: { say: 'Decide how each part is cut', station: 'block' },
  price: { say: 'Set prices, then weigh packs', station: 'price' },
  'weigh-again': { say: 'Weigh it again, or try other cuts', station: 'hang' },
}
