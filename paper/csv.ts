import Papa from 'papaparse'
import type { PriceList } from '#core/papers'
import { currencyDigits, minorOf } from '#core/measure'

/** The price list as CSV; the header names currency and unit. What a spreadsheet would run as a formula is quoted. */
export function priceListCsv(list: PriceList): string {
  const digits = currencyDigits(list.currency)
  const per = list.rows[0]?.price.per ?? 'kg'
  const fields = ['cut', 'name', `price (${list.currency} per ${per})`, 'pack']
  const data = list.rows.map((r) => [
    r.cut,
    r.name,
    (minorOf(r.price) / 10 ** digits).toFixed(digits),
    r.pack,
  ])
  return Papa.unparse({ fields, data }, { escapeFormulae: true })
}
