import type { Interval } from './interval.ts'
import { formatMass, formatMassRange, knownDigits } from './mass.ts'
import { formatMoney, formatPrice, priceIn, type UnitPrice } from './money.ts'
import type { Names, NameSet } from './names.ts'
import type { Kg, MassUnit, Minor } from './units.ts'

/** Figures and names in a farm's units, money and words. */
export interface Says {
  unit: MassUnit
  name: (names: Names) => string
  /** The same inside a sentence. */
  small: (names: Names) => string
  mass: (kg: Kg, digits?: number) => string
  massRange: (range: Interval) => string
  /** A mass and its likely range to what is known of it: "118 kg" of 110–126 kg. */
  known: (kg: Kg, range: Interval | null) => string
  money: (amount: Minor) => string
  price: (price: UnitPrice) => string
}
export interface Tongue {
  massUnit: MassUnit
  nameSet: NameSet
  currency: string
}
/** What is spoken before a farm has said how. */
export const PLAIN: Tongue = { massUnit: 'lb', nameSet: 'american', currency: 'USD' }

export const saysFor = ({ massUnit, nameSet, currency }: Tongue): Says => ({
  unit: massUnit,
  name: (names) => names[nameSet],
  small: (names) => names[nameSet].toLowerCase(),
  mass: (kg, digits) => formatMass(kg, massUnit, digits),
  massRange: (range) => formatMassRange(range, massUnit, knownDigits(range, massUnit)),
  known: (kg, range) => formatMass(kg, massUnit, knownDigits(range, massUnit)),
  money: (amount) => formatMoney(amount, currency),
  price: (price) => formatPrice(priceIn(price, massUnit), currency),
})
