import { z } from 'zod'
import { gramsOf } from '#core/measure'

const CURRENCIES = new Set(Intl.supportedValuesOf('currency'))

/** A currency by its code (ISO 4217, by the runtime's tables). */
export const currencySchema = z
  .string()
  .refine((code) => CURRENCIES.has(code), 'There is no such currency. Name one such as USD.')

/** Whole minor units, none or more; a thousand million is past any animal. */
export const amountSchema = z
  .number()
  .int('Money is whole cents or pence.')
  .min(0, 'It is below nothing.')
  .max(1_000_000_000, 'It is more than any animal costs. Check the figure.')

/** A measured or chosen figure: nothing, or something coarser than a millionth; finer was never measured. */
export const figureSchema = (low: number, high: number) =>
  z
    .number()
    .min(low, `It is below ${low}.`)
    .max(high, `It is above ${high}.`)
    .refine((v) => v === 0 || Math.abs(v) >= 1e-6, 'It is finer than anything that is measured.')

/** A weight as a scale showed it, at least the gram it is kept in. */
export const shownMassSchema = z
  .object({
    value: z
      .number()
      .positive('A weight must be more than nothing.')
      .max(100_000, 'It is more than any lot weighs. Check the figure and its unit.'),
    unit: z.enum(['kg', 'lb']),
  })
  .refine((shown) => gramsOf(shown) >= 1, {
    path: ['value'],
    message: 'It is less than a gram, which no scale here shows. Check the figure and its unit.',
  })

/** Animals of a batch that something happened to. */
export const animalsSchema = z.number().int().min(1, 'At least one.').max(2000, 'No more than 2000.')

/** The number on a pack's label: one after another over the whole farm, never used twice. */
export const packNumberSchema = z.number().int().min(1).max(99_999_999)
