import type { CheckId, End, TempPlace, Tool, TrimLevel, WeighedStage } from './lists.ts'

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

/** What was weighed, as it is written down. */
export const WEIGHED_WORDS: Record<WeighedStage, string> = {
  live: 'Live',
  shrunk: 'Live, fasted',
  hot: 'Hot carcass',
  hanging: 'Hanging',
}

/** Where a temperature was read. */
export const TEMP_WORDS: Record<TempPlace, string> = {
  deep: 'deep in the leg',
  surface: 'on the surface',
  air: 'air of the cooler',
}

/** What a tool that may be down is called. */
export const TOOL_WORDS: Record<Exclude<Tool, 'none'>, string> = {
  knife: 'knife',
  saw: 'saw',
  grinder: 'grinder',
  cure: 'cure room',
}

/** What part of an animal somebody buys. */
export const SHARE_WORDS: Record<1 | 2 | 4, string> = { 1: 'whole', 2: 'half', 4: 'quarter' }

const FAT_LEFT = { generous: 'fat cap', standard: '6 mm of fat', close: '3 mm of fat', strict: null } as const
/** What a trim level leaves on a cut: "6 mm of fat left on". */
export const fatLeft = (trim: TrimLevel, on: string): string =>
  FAT_LEFT[trim] ? `${FAT_LEFT[trim]} ${on}` : 'all outside fat and silver skin off'
