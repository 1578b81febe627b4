const DAY_MS = 86_400_000

/** Days from one day to another (ISO 8601); below nothing where the second lies before the first. */
export const daysBetween = (from: string, to: string): number =>
  Math.round((Date.parse(to) - Date.parse(from)) / DAY_MS)

/** The day that lies so many days after another; before it where they are below nothing. */
export const dayAfter = (from: string, days: number): string =>
  new Date(Date.parse(from) + Math.round(days) * DAY_MS).toISOString().slice(0, 10)

/** The day it is somewhere at an instant (ISO 8601), by the IANA name of its zone. */
export const dayIn = (at: Date | number, zone: string): string =>
  new Intl.DateTimeFormat('en-CA', { timeZone: zone, dateStyle: 'short' }).format(at)
