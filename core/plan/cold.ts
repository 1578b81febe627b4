import type { Anatomy } from '#core/anatomy'
import { ageTrimOf, type AgeTrim } from '#core/carcass'
import { kg, plus, toKg, minus, type Kg, dayAfter } from '#core/measure'
import type { Acceptance } from '#core/records'
import type { TempAt } from '#core/rules'
import type { Facts } from './kinds/draft.ts'
import type { Plan } from './read.ts'

export interface ColdLog {
  /** In the order they were read; hours after it was hung. */
  readings: TempAt[]
  /** When it was hung; null where neither hour nor day is known. */
  hungAt: string | null
  /** Ice that was filled up, hours after it was hung, in their order. */
  icings: { hours: number; drained: boolean }[]
  /** Only the day is known: noon of it is taken. */
  assumed: boolean
}

const NOON = 'T12:00:00.000Z'

/** Temperatures by the hours since it was hung: since the hour that was written down, or noon of the day of the kill. */
export function coldLogOf({
  temperatures,
  icings,
  acceptance,
  killed,
}: Pick<Facts, 'temperatures' | 'icings' | 'acceptance' | 'killed'>): ColdLog {
  const hungAt = acceptance?.hungAt ?? (killed === null ? null : killed + NOON)
  /** None before there is an hour to count from. */
  const sinceHung = <R extends { at: string }>(rows: readonly R[]) =>
    hungAt === null
      ? []
      : rows
          .map((r) => ({ ...r, hours: (Date.parse(r.at) - Date.parse(hungAt)) / 3_600_000 }))
          .toSorted((a, b) => a.hours - b.hours)
  return {
    readings: sinceHung(temperatures).map(({ hours, where, c }) => ({ hours, where, c })),
    icings: sinceHung(icings).map(({ hours, drained }) => ({ hours, drained })),
    hungAt,
    assumed: hungAt !== null && !acceptance?.hungAt,
  }
}

/** The day it is cut by plan, from the day of its kill; null where that is not known. */
export const cutOn = ({ killed, days }: Pick<Plan, 'killed' | 'days'>): string | null =>
  killed && dayAfter(killed, days)

/** What of what hangs is cut off as dried face when it is cut; of a part that was bought in, none that is known. */
export const ageTrimIn = ({ chain }: Anatomy, { days, hangs }: Pick<Plan, 'days' | 'hangs'>): AgeTrim =>
  ageTrimOf(chain, hangs.as === 'part' ? 0 : days)

/** What both sides weighed together as they were accepted, and how far that lies from the hot weight on record; null where one was not. */
export function sidesWeighed(
  accepted: Pick<Acceptance, 'left' | 'right'> | null,
  hot: Kg | null,
): { sum: Kg; apart: Kg | null } | null {
  if (!accepted?.left || !accepted.right) return null
  const [left, right] = [accepted.left, accepted.right].map((m) => kg(toKg(m.value, m.unit)))
  const sum = plus(left!, right!)
  return { sum, apart: hot === null ? null : minus(sum, hot) }
}
