import Papa from 'papaparse'
import type { PriceList } from '#core/ledger'
import { currencyDigits } from '#core/measure'

/** The price list as CSV; the header names currency and unit. */
export function priceListCsv(list: PriceList): string {
  const digits = currencyDigits(list.currency)
  const per = list.rows[0]?.price.per ?? 'kg'
  return Papa.unparse({
    fields: ['cut', 'name', `price (${list.currency} per ${per})`, 'pack'],
    data: list.rows.map((r) => [r.cut, r.name, (r.price.minor / 10 ** digits).toFixed(digits), r.pack]),
  })
}
