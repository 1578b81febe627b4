import { issues } from '#core/measure'

/** What is refused or doubted here: its code, the figures behind it, its sentence. */
export const ISSUES = issues({
  /** A kind of record that is not known here (`reads` null), or a form of it that came later. */
  'bundle-kind': ({
    family,
    kind,
    form,
    reads,
  }: {
    family: string
    kind: string
    form: number
    reads: number | null
  }) => {
    const here = reads === null ? 'this Ekko knows no such thing' : `this Ekko reads form ${reads} of it`
    return `This bundle holds a ${family} “${kind}” of form ${form}; ${here}: a newer one wrote it. Nothing was changed. Restore it with that one.`
  },
  'bundle-version': ({ reads, version }: { version: string; reads: number }) =>
    `This bundle is of version ${version}; this Ekko reads version ${reads}. Nothing was changed.`,
  'bundle-damaged': ({ where, reason }: { where: string; reason: string }) =>
    `This bundle is damaged: ${where ? `${where}: ` : ''}${reason}. Nothing was changed. Use another copy.`,
})

declare module '../../core/measure/issue.ts' {
  interface IssueRooms {
    'server-bundle': typeof ISSUES
  }
}
