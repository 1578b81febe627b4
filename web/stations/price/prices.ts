import { computed } from 'vue'
import { soldFactor, solvePrices, type PriceLine } from '#core/ledger'
import { currencyDigits, fromKg, perKg, pricePer, type UnitPrice } from '#core/measure'
import type { Decision } from '#core/plan'
import { useReading } from '../../state/lot.ts'
import { useWords } from '../../state/words.ts'

/** Prices of this lot's cuts in the farm's unit, and solving them for cost and target. */
export function usePrices() {
  const { read, decide } = useReading()
  const words = useWords()
  const digits = computed(() => currencyDigits(words.currency.value))
  const inUnit = (price: UnitPrice) => Math.round(pricePer(perKg(price), words.unit.value).minor)
  const typed = (minor: number) => (minor / 10 ** digits.value).toFixed(digits.value)
  const products = computed(() => read.value.cuts.filter((c) => c.cut.kind === 'product'))
  const need = computed(() => read.value.money.costs.total + read.value.money.target)

  const lines = computed<PriceLine[]>(() =>
    products.value.map((c) => {
      const terms = read.value.plan.terms.get(c.cut.id)!
      return {
        cut: words.name(c.cut.names),
        quantity: fromKg(c.kg, words.unit.value) * soldFactor(c.sold),
        index: terms.index,
        locked: terms.lock ? inUnit(c.price) : null,
        floor: terms.floor && inUnit(terms.floor),
        ceiling: terms.ceiling && inUnit(terms.ceiling),
      }
    }),
  )
  const solve = () =>
    solvePrices({ lines: lines.value, need: need.value, ending: read.value.plan.ending }, words.money)

  /** Takes solved prices as one step that can be undone. */
  function take(prices: Map<string, number>) {
    decide(
      ...products.value.flatMap((c, i): Decision[] => {
        const minor = prices.get(lines.value[i]!.cut)!
        return lines.value[i]!.locked === null && lines.value[i]!.index > 0
          ? [{ field: 'price', target: c.cut.id, side: 'animal', value: { minor, per: words.unit.value } }]
          : []
      }),
    )
  }
  return { products, need, inUnit, typed, solve, take }
}
