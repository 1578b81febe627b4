import { z } from 'zod'
import {
  parseMass,
  parseMasses,
  parseMoney,
  parseNumber,
  parseTemperature,
  parseWhole,
  refuse,
  type Limits,
  type Minor,
  type Outcome,
  type Tongue,
  type TypedMass,
} from '#core/measure'

/** One field of a form: how what was typed is read, in the farm's units and money; `field` is where an issue stands. */
export interface FormField<T> {
  read: (typed: string, field: string, tongue: Tongue) => Outcome<T>
}
export type FormFields = Record<string, FormField<unknown>>
/** What was read of a form. */
export type Filled<F extends FormFields> = { [K in keyof F]: F[K] extends FormField<infer T> ? T : never }

/** What a schema of a number allows; the record and its form have the same limits. */
export function limitsOf(schema: z.ZodType): Limits {
  if (schema instanceof z.ZodOptional || schema instanceof z.ZodNullable)
    return limitsOf(schema.unwrap() as z.ZodType)
  if (!(schema instanceof z.ZodNumber)) throw new Error('Only a number has limits.')
  return { low: schema.minValue ?? -Infinity, high: schema.maxValue ?? Infinity }
}

/** Asked in so many words where nothing was typed. */
const asked = <T>(ask: string, read: FormField<T>['read']): FormField<T> => ({
  read: (typed, field, tongue) =>
    typed.trim() === '' ? refuse('not-said', field, { ask }) : read(typed.trim(), field, tongue),
})

/** May stay empty: null then. */
export const maybe = <T>(of: FormField<T>): FormField<T | null> => ({
  read: (typed, field, tongue) =>
    typed.trim() === '' ? { ok: true, value: null } : of.read(typed, field, tongue),
})

export const mass: FormField<TypedMass> = {
  read: (typed, field, { massUnit }) => parseMass(typed, massUnit, field),
}
/** Several weights, one after another. */
export const masses: FormField<TypedMass[]> = {
  read: (typed, field, { massUnit }) => parseMasses(typed, massUnit, field),
}
/** An amount that is not below nothing. */
export const money: FormField<Minor> = {
  read: (typed, field, { currency }) => {
    const out = parseMoney(typed, currency, field)
    return out.ok && out.value < 0 ? refuse('money-unreadable', field, { typed }) : out
  },
}
/** How many of something. */
export const count = (schema: z.ZodType): FormField<number> => ({
  read: (typed, field) => parseWhole(typed, field, limitsOf(schema)),
})
/** A figure, in a unit that may be typed behind it. */
export const figure = (schema: z.ZodType, unit = ''): FormField<number> => ({
  read: (typed, field) => parseNumber(typed, field, limitsOf(schema), unit),
})
/** A share, typed as a whole number of a hundred. */
export const percent = (schema: z.ZodType): FormField<number> => ({
  read: (typed, field) => {
    const { low, high } = limitsOf(schema)
    const out = parseNumber(typed, field, { low: low * 100, high: high * 100 }, '%')
    return out.ok ? { ok: true, value: out.value / 100 } : out
  },
})
export const celsius = (schema: z.ZodType): FormField<number> => ({
  read: (typed, field) => parseTemperature(typed, field, limitsOf(schema)),
})
/** One of a few, a day, or a day and an hour of this device's clock, as it was picked. */
export const picked = (ask: string): FormField<string> => asked(ask, (typed) => ({ ok: true, value: typed }))
/** A line of text, as its schema takes it. */
export const line = (schema: z.ZodType<string>, ask: string): FormField<string> =>
  asked(ask, (typed, field) => {
    const out = schema.safeParse(typed)
    return out.success
      ? { ok: true, value: out.data }
      : refuse('unfit', field, { why: out.error.issues[0]!.message })
  })

/** Reads a form: all of it, or every field that is wrong. */
export function readForm<F extends FormFields>(
  fields: F,
  typed: Readonly<Record<keyof F, string | null>>,
  tongue: Tongue,
): Outcome<Filled<F>> {
  const read = Object.entries(fields).map(
    ([name, f]) => [name, f.read(typed[name] ?? '', name, tongue)] as const,
  )
  const wrong = read.flatMap(([, out]) => (out.ok ? [] : out.issues))
  return wrong.length > 0
    ? { ok: false, issues: wrong }
    : { ok: true, value: Object.fromEntries(read.map(([n, out]) => [n, out.ok && out.value])) as Filled<F> }
}
