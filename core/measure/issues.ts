import { issues } from './sayIssue.ts'

const plain = (x: number) => x.toLocaleString('en').replace('-', '−')

/** What is refused or doubted here: its code, the figures behind it, its sentence. */
export const ISSUES = issues({
  'mass-empty': () => 'No weight was typed. Type a figure such as “260 lb”, “118 kg” or “12lb 6oz”.',
  'mass-unreadable': ({ typed }: { typed: string }) =>
    `“${typed}” is not a weight Ekko can read. Type a figure such as “260 lb”, “118 kg” or “12lb 6oz”.`,
  'mass-ambiguous': ({ large, small, typed }: { typed: string; large: string; small: string }) =>
    `“${typed}” could be ${large} or ${small}. Type it without the comma.`,
  'mass-not-positive': ({ typed }: { typed: string }) =>
    `${typed} is not above zero. A weight must be more than nothing.`,
  'money-unreadable': ({ typed }: { typed: string }) =>
    `“${typed}” is not an amount of money. Type a figure such as 12.50.`,
  'money-too-fine': ({ digits, typed }: { typed: string; digits: number }) =>
    `“${typed}” has more decimals than the currency (${digits}). Round it.`,
  'temperature-unreadable': ({ high, low, typed }: { typed: string; low: number; high: number }) =>
    `“${typed}” is no temperature from ${plain(low)} to ${plain(high)} °C. Type 4.5, or 40 F.`,
  'number-unreadable': ({ high, low, typed }: { typed: string; low: number; high: number }) =>
    `“${typed}” is not a number from ${plain(low)} to ${plain(high)}.`,
})

declare module './issue.ts' {
  interface IssueRooms {
    measure: typeof ISSUES
  }
}
