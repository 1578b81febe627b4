import { parseMoney, refuse, type Outcome } from '#core/measure'

/** Reads a plain number in bounds. */
export function readNumber(low: number, high: number) {
  return (typed: string): Outcome<number> => {
    const value = Number(typed.trim().replace(',', '.').replace(/\s*%$/, ''))
    return typed.trim() !== '' && value >= low && value <= high
      ? { ok: true, value }
      : refuse('number-unreadable', 'figure', { typed, low, high })
  }
}

/** Reads an amount of money that is not below zero. */
export const readMoney =
  (currency: string) =>
  (typed: string): Outcome<number> => {
    const out = parseMoney(typed, currency)
    return out.ok && out.value < 0 ? refuse('money-unreadable', 'amount', { typed }) : out
  }
