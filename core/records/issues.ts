import { issues } from '#core/measure'

/** What is refused of a form: its code, the figures behind it, its sentence. */
export const ISSUES = issues({
  /** Nothing was typed where something is needed. */
  'not-said': ({ ask }: { ask: string }) => ask,
  /** The record does not take it, in the record's own words. */
  unfit: ({ why }: { why: string }) => why,
})

declare module '../measure/issue.ts' {
  interface IssueRooms {
    records: typeof ISSUES
  }
}
