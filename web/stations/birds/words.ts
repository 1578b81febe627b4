import { SCALD } from '#core/plan'
import type { Downgrade, FeedPhase, Loss } from '#core/records'
import {
  DOWNGRADES,
  LOSS_CAUSES,
  READY_SIGNS,
  SCALD_SCHOOLS,
  SEXES,
  type ReadySign,
  type ScaldSchool,
} from '#core/records'

/** Words of a batch, as its pages say them. */
const CAUSES: Record<Loss['cause'], string> = {
  'found-dead': 'found dead',
  predator: 'a predator',
  weather: 'cold, heat or wet',
  sick: 'sick',
  culled: 'culled',
  escaped: 'got away',
  'arrived-dead': 'dead when it came to the day',
}
export const causeWord = (cause: Loss['cause']): string => CAUSES[cause]
export const CAUSE_OPTIONS = LOSS_CAUSES.map((v) => ({ v, w: CAUSES[v] }))

export const SEXED = [
  { v: 'both' as const, w: 'both sexes, as hatched' },
  ...SEXES.map((v) => ({ v, w: `${v} only` })),
]

export const PHASE_WORDS: Record<FeedPhase, string> = {
  starter: 'starter',
  grower: 'grower',
  finisher: 'finisher',
}

const DOWNGRADE: Record<Downgrade['what'], string> = {
  'over-scald': 'over-scalded: brown, skin tears',
  'torn-skin': 'skin torn',
  bile: 'bile or gut on the meat',
  bruise: 'bruised',
  broken: 'a wing or leg broken',
  feathers: 'feathers or pins left',
  condemned: 'condemned',
}
export const downgradeWord = (what: Downgrade['what']): string => DOWNGRADE[what]
export const DOWNGRADE_OPTIONS = DOWNGRADES.map((v) => ({ v, w: DOWNGRADE[v] }))

const SIGNS: Record<ReadySign, string> = {
  'feather-pulls': 'a tail feather pulls easily',
  'toe-skin': 'toe skin slips',
  both: 'feather and toe skin',
  clock: 'by the clock alone',
  'not-yet': 'not ready yet',
}
export const signWord = (sign: ReadySign): string => SIGNS[sign]
export const SIGN_OPTIONS = READY_SIGNS.map((v) => ({ v, w: SIGNS[v] }))

/** Schools of the scald, and what they leave. */
export const SCHOOL_WORD: Record<ScaldSchool, { word: string; leaves: string }> = {
  soft: { word: 'Soft', leaves: 'the yellow skin stays' },
  medium: { word: 'Medium', leaves: 'the outer skin comes off' },
  hard: { word: 'Hard', leaves: 'quick, and soonest over-scalded' },
}
export const SCALD_OPTIONS = SCALD_SCHOOLS.map((v) => ({
  v,
  w: `${SCHOOL_WORD[v].word}, ${SCALD[v].c.join('–')} °C`,
}))

export const packsWord = (packs: number): string =>
  packs === 0 ? 'not packed' : packs === 1 ? '1 pack' : `${packs} packs`
