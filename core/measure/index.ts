/** How are weights, money and figures typed, kept and shown? Everything that reads or writes a unit is here. */
import './issues.ts'
export {
  grams,
  KG_PER_LB,
  kg,
  kgOf,
  MASS_UNITS,
  milli,
  minor,
  minus,
  mm,
  plus,
  sumOf,
  times,
} from './units.ts'
export type { Grams, Kg, MassUnit, Milli, Minor, Mm, TypedMass } from './units.ts'
export {
  asShown,
  formatMass,
  formatMassRange,
  fromKg,
  gramsOf,
  knownDigits,
  massDigits,
  parseMass,
  toKg,
} from './mass.ts'
export {
  currencyDigits,
  formatMoney,
  formatPrice,
  minorOf,
  parseMoney,
  perKg,
  priceIn,
  priceOf,
  pricePer,
  worthAt,
} from './money.ts'
export type { UnitPrice } from './money.ts'
export { parseMasses, parseNumber, parseTemperature, parseWhole } from './typed.ts'
export type { Limits } from './typed.ts'
export { dayAfter, dayIn, daysBetween } from './days.ts'
export { CATCH, readSample } from './sample.ts'
export type { SampleRead } from './sample.ts'
export { apportion, capital, counted, formatPercent, massesToSum, roundToSum, sayMinutes } from './figures.ts'
export { normalQuantile, normalShare, studentQuantile } from './chance.ts'
export { interval, quantilesOf } from './interval.ts'
export type { Interval } from './interval.ts'
export { issueOf, refuse } from './issue.ts'
export { issues, sayIssue } from './sayIssue.ts'
export type { Issue, IssueCode, IssueRooms, Outcome } from './issue.ts'
export { PLAIN, saysFor } from './says.ts'
export type { Says, Tongue } from './says.ts'
export { NAME_SETS } from './names.ts'
export type { Names, NameSet } from './names.ts'
