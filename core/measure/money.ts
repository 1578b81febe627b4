import { refuse, type Outcome } from './issue.ts'
import { fromKg } from './mass.ts'
import { KG_PER_LB, milli, minor, type Kg, type MassUnit, type Milli, type Minor } from './units.ts'

/** A price per kg or per lb, exact in the unit it is shown in: whole thousandths of a minor unit. */
export interface UnitPrice {
  milli: Milli
  per: MassUnit
}

const digitsByCurrency = new Map<string, number>()

/** Decimals of a currency (ISO 4217, by the runtime's tables): 2 for USD, 0 for JPY. */
export function currencyDigits(currency: string): number {
  let digits = digitsByCurrency.get(currency)
  if (digits === undefined) {
    digits =
      new Intl.NumberFormat('en', { style: 'currency', currency }).resolvedOptions().maximumFractionDigits ??
      2
    digitsByCurrency.set(currency, digits)
  }
  return digits
}

/** Reads "$12.50", "12,5" or "1250.00" as minor units; refuses words, and more decimals than the currency has. */
export function parseMoney(text: string, currency: string, field = 'amount'): Outcome<Minor> {
  const typed = text.trim()
  const bare = typed.replace(/^(-?)\s*[$£€]\s*/, '$1').replace(/\s*(?:[$£€]|[A-Za-z]{3})$/, '')
  const thousands = /^-?\d{1,3}(?:,\d{3})+(?:\.\d+)?$/.test(bare)
    ? bare.replaceAll(',', '')
    : bare.replace(',', '.')
  if (!/^-?(?:\d+(?:\.\d*)?|\.\d+)$/.test(thousands)) return refuse('money-unreadable', field, { typed })
  const digits = currencyDigits(currency)
  if ((thousands.split('.')[1] ?? '').replace(/0+$/, '').length > digits) {
    return refuse('money-too-fine', field, { typed, digits })
  }
  return { ok: true, value: minor(Number(thousands) * 10 ** digits) }
}

const formatters = new Map<string, Intl.NumberFormat>()

/** "$1,204.50": minor units in the farm's currency. */
export function formatMoney(amount: Minor, currency: string): string {
  let formatter = formatters.get(currency)
  if (!formatter) {
    formatter = new Intl.NumberFormat('en', { style: 'currency', currency, currencyDisplay: 'narrowSymbol' })
    formatters.set(currency, formatter)
  }
  return formatter.format(amount / 10 ** currencyDigits(currency))
}

/** "$8.95/lb". */
export const formatPrice = (price: UnitPrice, currency: string) =>
  `${formatMoney(minor(minorOf(price)), currency)}/${price.per}`

/** Minor units a price comes to for one unit of weight; not rounded. */
export const minorOf = (price: UnitPrice): number => price.milli / 1000
/** A price of so many minor units a unit, to the thousandth. */
export const priceOf = (minorUnits: number, per: MassUnit): UnitPrice => ({
  milli: milli(minorUnits * 1000),
  per,
})
/** Minor units per kg of a price in either unit. */
export const perKg = (price: UnitPrice): number =>
  price.per === 'kg' ? minorOf(price) : minorOf(price) / KG_PER_LB
/** The price in `per` that equals so many minor units per kg, to the thousandth. */
export const pricePer = (minorPerKg: number, per: MassUnit): UnitPrice =>
  priceOf(per === 'kg' ? minorPerKg : minorPerKg * KG_PER_LB, per)
/** The same price in the other unit, to the thousandth of a minor unit. */
export const priceIn = (price: UnitPrice, per: MassUnit): UnitPrice =>
  price.per === per ? price : pricePer(perKg(price), per)
/** What a weight comes to at a price: displayed weight × price in that unit. Minor units, not rounded. */
export const worthAt = (mass: Kg, price: UnitPrice): number => fromKg(mass, price.per) * minorOf(price)
