import { issues } from '#core/measure'

/** What is refused or doubted here: its code, the figures behind it, its sentence. */
export const ISSUES = issues({
  'own-unsound': ({ what, where }: { where: string; what: string }) => `${where}: ${what}.`,
})

declare module '../measure/issue.ts' {
  interface IssueRooms {
    anatomy: typeof ISSUES
  }
}
