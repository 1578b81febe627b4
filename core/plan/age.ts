/** From this age on the backbone of cattle is not food (9 CFR 310.22, from memory). */
export const CATTLE_MONTHS = 30

/** Whole months between two days, ISO 8601. */
export function monthsBetween(from: string, to: string): number {
  const [a, b] = [from, to].map((day) => day.split('-').map(Number) as [number, number, number])
  const months = (b![0] - a![0]) * 12 + b![1] - a![1]
  return b![2] < a![2] ? months - 1 : months
}
