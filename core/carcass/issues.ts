import { issues, type Kg, type Names, type TypedMass, capital } from '#core/measure'
import { STAGE_WORDS, type Stage } from './stages.ts'

/** A stage of the weight chain and what was weighed there. */
interface WeightAt {
  stage: Stage
  kg: Kg
}
/** Ratios, as they are computed; percent is made of them in the end. */
interface Band {
  low: number
  high: number
}
interface Dressing extends Band {
  hot: Kg
  live: Kg
  what: Names
  ratio: number
}
const percent = (ratio: number, digits: number) => (ratio * 100).toFixed(digits)

/** What is refused or doubted here: its code, the figures behind it, its sentence. */
export const ISSUES = issues({
  'mass-absurd': (
    {
      each,
      count,
      low,
      high,
      what,
      of,
      meant,
    }: {
      each: Kg
      count: number
      low: Kg
      high: Kg
      what: Names
      of: 'live' | 'carcass' | 'piece'
      meant: TypedMass | null
    },
    says,
  ) => {
    const animal =
      of === 'live'
        ? `a live ${says.small(what)}`
        : of === 'carcass'
          ? `a ${says.small(what)} carcass`
          : `such a piece of a ${says.small(what)}`
    const hint = meant ? `Did you mean ${meant.value} ${meant.unit}?` : 'Check the figure and its unit.'
    return `${says.mass(each, 1)} ${count > 1 ? (of === 'piece' ? 'a piece ' : 'an animal ') : ''}is outside ${says.mass(low, 0)} to ${says.mass(high, 0)}, what ${animal} can weigh. ${hint}`
  },
  'later-above-earlier': ({ later, earlier }: { later: WeightAt; earlier: WeightAt }, says) =>
    `${capital(STAGE_WORDS[later.stage])} ${says.mass(later.kg, 1)} is above ${STAGE_WORDS[earlier.stage]} ${says.mass(earlier.kg, 1)}. A carcass only loses weight here: check both figures, and whether one is in the other unit.`,
  'dressing-impossible': ({ hot, live, what, ratio, low, high }: Dressing, says) =>
    `${says.mass(hot, 1)} hot from ${says.mass(live, 1)} live would dress at ${percent(ratio, 1)} %. No ${says.small(what)} dresses outside ${percent(low, 0)}–${percent(high, 0)} %: check both figures and their units.`,
  'dressing-unusual': ({ hot, live, ratio, low, high }: Dressing, says) =>
    `${says.mass(hot, 1)} hot from ${says.mass(live, 1)} live dresses at ${percent(ratio, 1)} %; ${percent(low, 1)}–${percent(high, 1)} % is usual for this dressing. Was it weighed with the skin and head on as stated? Keep it only if the slip says so.`,
  'loss-unusual': (
    { later, earlier, ratio, low, high }: Band & { later: WeightAt; earlier: WeightAt; ratio: number },
    says,
  ) =>
    `${capital(STAGE_WORDS[later.stage])} ${says.mass(later.kg, 1)} is ${percent(ratio, 1)} % below ${STAGE_WORDS[earlier.stage]} ${says.mass(earlier.kg, 1)}; ${percent(low, 0)}–${percent(high, 1)} % is usual. Keep it only if the scale said so.`,
  'no-live-weight': () =>
    'Only part of an animal hangs here: it has no live weight. Write what it weighed on the hook or in its box.',
  'perhaps-side': ({ each, what, low }: { each: Kg; what: Names; low: Kg }, says) =>
    `${says.mass(each, 1)} is light for a whole ${says.small(what)}: they start at about ${says.mass(low, 0)}. Is it one side? Then say so under “What hangs”. If it is a whole one, keep the figure.`,
})

declare module '../measure/issue.ts' {
  interface IssueRooms {
    carcass: typeof ISSUES
  }
}
