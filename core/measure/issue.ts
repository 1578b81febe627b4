/** The rooms that refuse; each names its own here (`declare module`), so that a code is of one room and its figures are known. */
// eslint-disable-next-line @typescript-eslint/no-empty-object-type
export interface IssueRooms {}
type Merged<U> = (U extends unknown ? (u: U) => void : never) extends (m: infer M) => void ? M : never
type Rules = Merged<IssueRooms[keyof IssueRooms]>
export type IssueCode = Extract<keyof Rules, string>
type FiguresOf<C extends IssueCode> = Rules[C] extends (figures: infer F, ...says: never[]) => string
  ? unknown extends F
    ? Record<never, never>
    : F
  : never

/**
 * What is wrong with a figure, as data: a code, the field it belongs to and the figures behind it. Words come last, in
 * `sayIssue`, in the farm's names and units. `confirmable` issues are unusual, not impossible: the user may keep them.
 */
export type Issue = {
  [C in IssueCode]: { code: C; field: string; figures: FiguresOf<C>; confirmable?: boolean }
}[IssueCode]

export type Outcome<T> = { ok: true; value: T } | { ok: false; issues: Issue[] }

export const issueOf = <C extends IssueCode>(code: C, field: string, figures: FiguresOf<C>) =>
  ({ code, field, figures }) as unknown as Extract<Issue, { code: C }>

export const refuse = <C extends IssueCode>(
  code: C,
  field: string,
  figures: FiguresOf<C>,
): { ok: false; issues: Issue[] } => ({ ok: false, issues: [issueOf(code, field, figures)] })
