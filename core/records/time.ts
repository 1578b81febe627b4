import { z } from 'zod'

/** No farm's record is older or younger: a clock that says otherwise is wrong, or a figure was made up. */
export const FIRST_YEAR = 2000
export const LAST_YEAR = 2099

/** An instant, ISO 8601 in UTC. */
export const instantSchema = z.iso.datetime('It is not an instant in UTC.').refine((at) => {
  const year = new Date(at).getUTCFullYear()
  return year >= FIRST_YEAR && year <= LAST_YEAR
}, `It lies outside the years ${FIRST_YEAR} to ${LAST_YEAR}. Check the clock it came from.`)

/** A day of a calendar, ISO 8601: no instant, no zone. */
export const daySchema = z.iso.date('It is not a day. Write it as 2026-11-26.').refine((day) => {
  const year = Number(day.slice(0, 4))
  return year >= FIRST_YEAR && year <= LAST_YEAR
}, `It lies outside the years ${FIRST_YEAR} to ${LAST_YEAR}. Check the year.`)

function isZone(name: string): boolean {
  try {
    new Intl.DateTimeFormat('en', { timeZone: name })
    return true
  } catch {
    return false
  }
}

/** A time zone by its name in the IANA database, never a bare offset: offsets do not know summer. */
export const zoneSchema = z
  .string()
  .max(60)
  .refine(
    (name) => /^[A-Za-z][\w+/-]*$/.test(name) && isZone(name),
    'It is not a time zone. Name one such as America/New_York.',
  )

const CLOCK = /^(?:[01]\d|2[0-3]):[0-5]\d$/
/** A time of a day. */
export const clockSchema = z
  .string()
  .regex(CLOCK, 'It is no time of a day. Write it as 08:30; a day ends at 23:59.')
