import { parseNumber, PLAIN } from '#core/measure'
import { typed } from '#core/records'

/** Reads a plain number, or one of a hundred, within its limits. */
export const readNumber = (low: number, high: number) => (text: string) =>
  parseNumber(text, 'figure', { low, high }, '%')

/** Reads an amount of money that is not below nothing. */
export const readMoney = (currency: string) => (text: string) =>
  typed.money.read(text, 'amount', { ...PLAIN, currency })
