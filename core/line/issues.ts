import { issues, type Kg } from '#core/measure'

/** What is refused or doubted here: its code, the figures behind it, its sentence. */
export const ISSUES = issues({
  /** A station of the day where hands are needed and nobody works. */
  'station-empty': ({ station }: { station: string }) =>
    `Nobody works at “${station}”. Name somebody there, or leave it open to all.`,
  /** The last bird would be done after midnight. */
  'past-midnight': ({ clock }: { clock: string }) =>
    `At this pace the last is done at ${clock} of the next day. Begin earlier, take fewer, or have more hands.`,
  /** Ice that cannot take the heat of birds and water. */
  'ice-short': ({ given, needed }: { needed: Kg; given: Kg }, says) =>
    `${says.mass(given)} of ice cannot take the heat: birds and water need ${says.mass(needed)} at the least. Have more, or less and colder water.`,
  /** Birds that would not be cold in the hours they have. */
  'chill-late': ({ allowed, hours }: { hours: number; allowed: number }) =>
    `They would take about ${hours.toFixed(1)} h to 4 °C (40 °F) and have ${allowed} h. Keep the ice moving, or chill smaller lots.`,
})

declare module '../measure/issue.ts' {
  interface IssueRooms {
    line: typeof ISSUES
  }
}
