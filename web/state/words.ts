import { computed } from 'vue'
import type { Names } from '#core/anatomy'
import type { Uncovered } from '#core/forecast'
import {
  formatMass,
  formatMassRange,
  formatMoney,
  formatPercent,
  formatPrice,
  fromKg,
  massDigits,
  type Interval,
  type UnitPrice,
} from '#core/measure'
import { useFarm } from './farm.ts'

/** Why there is no Cover, in the words of the screen. */
export const UNCOVERED_WORDS: Record<Uncovered, string> = {
  'no-costs': 'no costs yet',
  'no-weight': 'no weight yet',
  'no-share-price': 'no share price yet',
  'not-for-sale': 'for the household: not sold',
}

/** An instant in the farm's own time: "Wed 25 Nov 2026, 14:03". */
const sayInstant = (at: string, zone: string): string =>
  new Intl.DateTimeFormat('en-GB', {
    timeZone: zone,
    weekday: 'short',
    day: 'numeric',
    month: 'short',
    year: 'numeric',
    hour: '2-digit',
    minute: '2-digit',
  }).format(new Date(at))

/** Figures and names in the farm's units, money and words. */
export function useWords() {
  const store = useFarm()
  const unit = computed(() => store.farm?.massUnit ?? 'kg')
  const currency = computed(() => store.farm?.currency ?? 'USD')
  /** A change with its sign; what rounds to nothing has none. */
  const signed = (text: string, value: number) => {
    if (!/[1-9]/.test(text)) return text.replace('-', '')
    return value > 0 ? `+${text}` : text.replace('-', '−')
  }
  return {
    unit,
    currency,
    name: (names: Names) => names[store.farm?.nameSet ?? 'american'],
    mass: (kg: number) => formatMass(kg, unit.value),
    massRange: (range: Interval) => formatMassRange(range, unit.value),
    massFigure: (kg: number) => fromKg(kg, unit.value).toFixed(massDigits(unit.value)),
    massChange: (kg: number) => signed(formatMass(kg, unit.value), kg),
    money: (minor: number) => formatMoney(minor, currency.value),
    moneyChange: (minor: number) => signed(formatMoney(minor, currency.value), minor),
    price: (price: UnitPrice) => formatPrice(price, currency.value),
    percent: (ratio: number) => formatPercent(ratio),
    instant: (at: string) => sayInstant(at, store.farm?.zone ?? 'UTC'),
    change: (n: number, word: string) => signed(`${n} ${word}`, n),
  }
}
