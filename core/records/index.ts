/** What may be kept? The parsers of text, id, instant, zone, currency, money and mass; there is no second set. */
export { idSchema, keySchema, lineSchema, textSchema, unheldIn } from './text.ts'
export { FIRST_YEAR, instantSchema, LAST_YEAR, zoneSchema } from './time.ts'
export { amountSchema, currencySchema, figureSchema, rateSchema, shownMassSchema } from './figures.ts'
