import { fromKg, type MassUnit } from '#core/measure'

/** Shares of a live animal: what must be asked in all, and for a whole, half and quarter. Minor units, rounded up. */
export interface SharePrices {
  perUnit: number
  whole: number
  half: number
  quarter: number
}

/** The share price that pays the cost and target over the expected hanging weight (kg) of one animal. */
export function sharePrices(need: number, hangingKg: number, count: number, unit: MassUnit): SharePrices {
  const perUnit = Math.ceil(need / fromKg(hangingKg, unit) - 1e-9)
  const whole = Math.ceil(need / count - 1e-9)
  return { perUnit, whole, half: Math.ceil(whole / 2), quarter: Math.ceil(whole / 4) }
}
