import { issues, type Names } from '#core/measure'

/** What is refused or doubted here: its code, the figures behind it, its sentence. */
export const ISSUES = issues({
  'attachment-gone': ({ name }: { name: string }) =>
    `The bytes of “${name}” did not arrive. Attach it again.`,
  'anatomy-unknown': () => 'These figures are not here. Load the page again and look once more.',
  'weighed-gone': ({ what }: { what: Names }, says) =>
    `${says.name(what)} was weighed or ticked off, and the newer figures have nothing of that name: this lot keeps the figures it has.`,
  'base-ahead': () =>
    'This page knows decisions that are not in these records, which may have been brought back from a copy. Reload the page and decide again.',
  'groups-unequal': ({ children, parent }: { parent: number; children: number }) =>
    `A group of ${parent} cannot be split into ${children}. The parts must come to the whole.`,
  /** A group that was split, or put together with others, since a page last heard of it. */
  'group-gone': ({ name }: { name: string }) =>
    `“${name}” is no group any more: it was split, or put together with others. Choose one of those it became.`,
  'groups-unlike': () =>
    'Sides and whole animals cannot be one group. Put together two groups of whole animals, or the sides of the same ones.',
})

declare module '../../core/measure/issue.ts' {
  interface IssueRooms {
    'server-lots': typeof ISSUES
  }
}
