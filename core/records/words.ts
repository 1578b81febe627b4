import type { CheckId, End } from './lists.ts'

/** How an animal came to its end. */
export const END_WORDS: Record<End, string> = {
  slaughtered: 'slaughtered, healthy',
  hunted: 'hunted, or feral',
  died: 'died by itself, or was put down',
  sick: 'slaughtered while sick or hurt',
}

/** What is looked at at a check point. */
export const CHECK_WORDS: Record<CheckId, string> = {
  route: 'Mark and tag',
  fouled: 'Nothing fouled',
  heart: 'Heart drained',
  cavity: 'Cavity clear',
  glands: 'Glands out',
  cord: 'Cord out',
  membrane: 'Membrane off',
  kneecap: 'Kneecap out',
  tendon: 'Tendon ends off',
  swept: 'Swept by hand',
  dust: 'Dust scraped',
  even: 'Even thickness',
  sealed: 'Bags sealed',
  cold: 'Cold on the probe',
}
