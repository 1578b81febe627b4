import { issues, type Names } from '#core/measure'

/** What is refused or doubted here: its code, the figures behind it, its sentence. */
export const ISSUES = issues({
  'not-a-batch': ({ what }: { what: Names }, says) =>
    `No run sheet is made for this: ${says.small(what)} is not taken through a line of stations.`,
  'not-for-sale-by-cut': ({ reason }: { reason: string }) => reason,
})

declare module '../measure/issue.ts' {
  interface IssueRooms {
    papers: typeof ISSUES
  }
}
