import { computed } from 'vue'
import type { Uncovered } from '#core/reading'
import {
  formatMass,
  formatPercent,
  fromKg,
  massDigits,
  minor,
  PLAIN,
  saysFor,
  type Interval,
  type Kg,
  type Says,
} from '#core/measure'
import { useFarm } from './farm.ts'

/** Why there is no Cover, in the words of the screen. */
export const UNCOVERED_WORDS: Record<Uncovered, string> = {
  'no-costs': 'no costs yet',
  'no-weight': 'no weight yet',
  'no-share-price': 'no share price yet',
  'not-for-sale': 'for the household: not sold',
  lost: 'a casualty: nothing of it is food',
}

/** "1.4 MB", "38 kB", "76 GB". */
export function sayBytes(bytes: number): string {
  const [size, unit] =
    bytes >= 1e9
      ? [bytes / 1e9, 'GB']
      : bytes >= 1e6
        ? [bytes / 1e6, 'MB']
        : [Math.max(bytes / 1e3, 0.1), 'kB']
  return `${size.toFixed(size < 10 ? 1 : 0)} ${unit}`
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
  const tongue = computed(() => store.farm ?? { ...PLAIN, massUnit: 'kg' as const })
  const unit = computed(() => tongue.value.massUnit)
  const currency = computed(() => tongue.value.currency)
  const says = computed(() => saysFor(tongue.value))
  /** A change with its sign; what rounds to nothing has none. */
  const signed = (text: string, value: number) => {
    if (!/[1-9]/.test(text)) return text.replace('-', '')
    return value > 0 ? `+${text}` : text.replace('-', '−')
  }
  return {
    unit,
    currency,
    says,
    /** What minced meat is called. */
    get minced() {
      return tongue.value.nameSet === 'american' ? 'ground meat' : 'mince'
    },
    name: (names: Parameters<Says['name']>[0]) => says.value.name(names),
    /** What the other set calls it; nothing where both say the same. */
    also: (names: Parameters<Says['name']>[0]) => {
      const other = says.value.name(names) === names.american ? names.commonwealth : names.american
      return other === says.value.name(names) ? '' : other
    },
    mass: (kg: Kg) => says.value.mass(kg),
    known: (kg: Kg, range: Parameters<Says['known']>[1]) => says.value.known(kg, range),
    /** An estimate of which no range is at hand: three figures of it. */
    about: (kg: Kg) => {
      const value = fromKg(kg, unit.value)
      const digits = Math.max(0, Math.min(massDigits(unit.value), 2 - Math.floor(Math.log10(value || 1))))
      return says.value.mass(kg, digits)
    },
    massRange: (range: Parameters<Says['massRange']>[0]) => says.value.massRange(range),
    /** A figure of the farm’s unit that was rounded with its neighbours. */
    figure: (value: number) => `${value.toFixed(massDigits(unit.value))} ${unit.value}`,
    massFigure: (kg: Kg) => fromKg(kg, unit.value).toFixed(massDigits(unit.value)),
    massChange: (kg: Kg) => signed(formatMass(kg, unit.value), kg),
    /** An amount in whole minor units; a difference of two amounts is one too. */
    money: (amount: number) => says.value.money(minor(amount)),
    moneyChange: (amount: number) => signed(says.value.money(minor(amount)), amount),
    /** "+$4.10 to +$6.20". */
    moneyRange: ({ low, high }: Interval) =>
      [low, high].map((x) => signed(says.value.money(minor(x)), x)).join(' to '),
    price: (price: Parameters<Says['price']>[0]) => says.value.price(price),
    percent: (ratio: number) => formatPercent(ratio),
    instant: (at: string) => sayInstant(at, store.farm?.zone ?? 'UTC'),
    change: (n: number, word: string) => signed(`${n} ${word}`, n),
  }
}
