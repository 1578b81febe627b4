import type { UnitPrice } from '#core/measure'

/** A price list as it is issued: stored as printed, so a later price never changes an old list. */
export interface PriceList {
  kind: 'price-list'
  farm: string
  lot: string
  date: string
  currency: string
  rows: { cut: string; name: string; price: UnitPrice; pack: string }[]
  words: string[]
}

/** Cuts in the order they earn, those without a price left off. */
export function priceList(
  head: Omit<PriceList, 'kind' | 'rows'>,
  rows: (PriceList['rows'][number] & { value: number })[],
): PriceList {
  return {
    kind: 'price-list',
    ...head,
    rows: rows
      .filter((r) => r.price.minor > 0)
      .sort((a, b) => b.value - a.value)
      .map(({ cut, name, price, pack }) => ({ cut, name, price, pack })),
  }
}
