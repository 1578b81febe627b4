import { computed } from 'vue'
import { currencyDigits, minorOf, priceIn, type UnitPrice } from '#core/measure'
import { needOf, productsOf, solveLot, takePrices } from '#core/reading'
import { useReading } from '../../state/lot.ts'
import { useWords } from '../../state/words.ts'

/** Prices of this lot's cuts in the farm's unit, and solving them for cost and target. */
export function usePrices() {
  const { read, decide } = useReading()
  const words = useWords()
  const digits = computed(() => currencyDigits(words.currency.value))
  const typed = (minor: number) => (minor / 10 ** digits.value).toFixed(digits.value)
  return {
    products: computed(() => productsOf(read.value)),
    need: computed(() => needOf(read.value)),
    /** Minor units a price comes to in the farm's unit. */
    inUnit: (price: UnitPrice) => minorOf(priceIn(price, words.unit.value)),
    typed,
    solve: () => solveLot(read.value),
    /** Takes solved prices as one step that can be undone. */
    take: (prices: Parameters<typeof takePrices>[1]) => decide(...takePrices(read.value, prices)),
  }
}
