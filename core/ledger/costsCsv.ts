import Papa from 'papaparse'
import { parseMoney, sayIssue, type Minor } from '#core/measure'
import type { CostLine } from '#core/plan'
import { COST_KINDS, COST_UNITS, daySchema, type Cost } from '#core/records'

const COLUMNS = [
  'day',
  'kind',
  'what',
  'quantity',
  'unit',
  'amount',
  'unpaid',
  'carried',
  'currency',
] as const
type Column = (typeof COLUMNS)[number]

/** A row that could not be read: which, in which column, and why. Rows are counted as a spreadsheet counts them. */
export interface BadRow {
  row: number
  column: Column
  reason: string
}

/** Cost lines as a table that any spreadsheet opens: amounts in whole money, a point before the decimals. */
export const costsCsv = (lines: readonly CostLine[], currency: string, digits: number): string =>
  Papa.unparse(
    {
      fields: [...COLUMNS],
      data: lines.map((l) => [
        l.day ?? '',
        l.of ?? '',
        l.label,
        l.quantity?.value ?? '',
        l.quantity?.unit ?? '',
        (Math.abs(l.amount) / 10 ** digits).toFixed(digits),
        l.unpaid ? 'yes' : '',
        l.carried ? 'yes' : '',
        currency,
      ]),
    },
    // A label that begins as a formula is words to a spreadsheet.
    { escapeFormulae: true },
  )

const YES = new Set(['yes', 'y', 'true', '1', 'x'])
const isOneOf = <T extends string>(list: readonly T[], word: string): word is T =>
  (list as readonly string[]).includes(word)

/**
 * Reads cost lines from a table with a heading; columns may come in any order, and only `what` and `amount` must be there. What
 * cannot be read is said by row and column; the good rows come all the same.
 */
export function readCostsCsv(text: string, currency: string): { good: Cost[]; bad: BadRow[] } {
  const { data, meta } = Papa.parse<Record<string, string | undefined>>(text.trim(), {
    header: true,
    skipEmptyLines: 'greedy',
    transformHeader: (h) => h.trim().toLowerCase(),
  })
  const missing = (['what', 'amount'] as const).filter((c) => !meta.fields?.includes(c))
  if (missing.length > 0)
    return {
      good: [],
      bad: missing.map((column) => ({
        row: 1,
        column,
        reason: `There is no column “${column}”. Name it in the first row.`,
      })),
    }
  const good: Cost[] = []
  const bad: BadRow[] = []
  data.forEach((cells, i) => {
    const out = readRow((column) => (cells[column] ?? '').trim().replace(/^'(?=[=+\-@\t\r])/, ''), currency)
    if (Array.isArray(out)) bad.push(...out.map((b) => ({ ...b, row: i + 2 })))
    else good.push(out)
  })
  return { good, bad }
}

function readRow(at: (column: Column) => string, currency: string): Cost | Omit<BadRow, 'row'>[] {
  const bad: Omit<BadRow, 'row'>[] = []
  const wrong = (column: Column, reason: string) => void bad.push({ column, reason })
  const [day, kind, what, quantity, unit, paidIn] = (
    ['day', 'kind', 'what', 'quantity', 'unit', 'currency'] as const
  ).map(at) as [string, string, string, string, string, string]
  if (what === '' || what.length > 80) wrong('what', 'Say in up to 80 letters what was paid for.')
  if (paidIn !== '' && paidIn.toUpperCase() !== currency)
    wrong(
      'currency',
      `This farm counts in ${currency}, the row in ${paidIn}. Change it to ${currency} first.`,
    )
  if (day !== '' && !daySchema.safeParse(day).success) wrong('day', `“${day}” is no day. Write 2026-11-24.`)
  if (kind !== '' && !isOneOf(COST_KINDS, kind))
    wrong('kind', `“${kind}” is none of ${COST_KINDS.join(', ')}.`)
  const many = Number(quantity)
  if (quantity !== '' && !(many > 0)) wrong('quantity', `“${quantity}” is no number above nothing.`)
  if (quantity !== '' && !isOneOf(COST_UNITS, unit))
    wrong('unit', `“${unit}” is none of ${COST_UNITS.join(', ')}.`)
  const amount = parseMoney(at('amount'), currency)
  if (!amount.ok) wrong('amount', sayIssue(amount.issues[0]!))
  else if (amount.value < 0)
    wrong('amount', 'An amount is not below nothing. Enter what was paid back at the line it belongs to.')
  if (bad.length > 0) return bad
  return {
    kind: 'cost',
    label: what,
    amount: (amount as { value: Minor }).value,
    ...(kind !== '' && isOneOf(COST_KINDS, kind) && { of: kind }),
    ...(day !== '' && { day }),
    ...(quantity !== '' && isOneOf(COST_UNITS, unit) && { quantity: { value: many, unit } }),
    ...(YES.has(at('unpaid').toLowerCase()) && { unpaid: true }),
    ...(YES.has(at('carried').toLowerCase()) && { carried: true }),
  }
}
