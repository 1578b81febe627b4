import { issues, type Kg, type Names } from '#core/measure'

/** What is refused or doubted here: its code, the figures behind it, its sentence. */
export const ISSUES = issues({
  'fault-too-much': ({ cut, typed, held }: { cut: Names; typed: Kg; held: Kg }, says) =>
    `${says.mass(typed)} is more than the ${says.mass(held)} of ${says.small(cut)} that this step gives. Check the figure and its unit.`,
  'fault-nowhere': ({ cut }: { cut: Names }, says) =>
    `${says.name(cut)} does not come out of this step as it is planned. Choose one of its cuts.`,
  /** A step that cannot stand where it was put. */
  'order-cannot': ({ step, other, why }: { step: Names; other: Names; why: string }, says) =>
    `${says.name(step)} cannot come before ${says.small(other)}: ${why}`,
})

declare module '../measure/issue.ts' {
  interface IssueRooms {
    hand: typeof ISSUES
  }
}
