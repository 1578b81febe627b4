import { fromKg, minor, priceOf, type Kg, type MassUnit, type Minor, type UnitPrice } from '#core/measure'

/** Shares of a live animal: what must be asked in all, and for a whole, half and quarter, rounded up. */
export interface SharePrices {
  price: UnitPrice
  whole: Minor
  half: Minor
  quarter: Minor
}

const up = (value: number): Minor => minor(Math.ceil(value - 1e-9))

/** The share price that pays the cost and target over the expected hanging weight of the lot. */
export function sharePrices(need: Minor, hanging: Kg, count: number, unit: MassUnit): SharePrices {
  const whole = up(need / count)
  return {
    price: priceOf(up(need / fromKg(hanging, unit)), unit),
    whole,
    half: up(whole / 2),
    quarter: up(whole / 4),
  }
}
