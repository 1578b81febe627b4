import { SCALD } from '#core/plan'
import { DOWNGRADES, SCALD_SCHOOLS, type Downgrade, type Scald, type ScaldSchool } from '#core/records'

/** What is off about a load: hotter or cooler than its school, longer or shorter in it. */
export type ScaldOff = 'hotter' | 'cooler' | 'longer' | 'shorter'
export function offOfScald({ school, c, seconds }: Pick<Scald, 'school' | 'c' | 'seconds'>): ScaldOff[] {
  const { c: temps, seconds: times } = SCALD[school]
  return [
    ...(c > temps[1] ? (['hotter'] as const) : c < temps[0] ? (['cooler'] as const) : []),
    ...(seconds > times[1] ? (['longer'] as const) : seconds < times[0] ? (['shorter'] as const) : []),
  ]
}

/** What went wrong with birds, by kind: how many, what it cost, what to do next time; the dearest first. */
export interface Downgraded {
  what: Downgrade['what']
  animals: number
  lost: number
  lessons: string[]
}
export function downgraded(all: readonly Downgrade[]): Downgraded[] {
  return DOWNGRADES.flatMap((what): Downgraded[] => {
    const own = all.filter((d) => d.what === what)
    if (own.length === 0) return []
    return [
      {
        what,
        animals: own.reduce((n, d) => n + d.animals, 0),
        lost: own.reduce((n, d) => n + d.lost, 0),
        lessons: [...new Set(own.flatMap((d) => d.lesson ?? []))],
      },
    ]
  }).toSorted((a, b) => b.lost - a.lost || b.animals - a.animals)
}

/** Loads by school: how many, birds, and what was read of them on the average. */
export function bySchool(
  scalds: readonly Scald[],
): { school: ScaldSchool; loads: number; birds: number; c: number; seconds: number }[] {
  return SCALD_SCHOOLS.flatMap((school) => {
    const own = scalds.filter((s) => s.school === school)
    const birds = own.reduce((n, s) => n + s.birds, 0)
    const mean = (of: (s: Scald) => number) => own.reduce((sum, s) => sum + of(s) * s.birds, 0) / birds
    return birds > 0
      ? [{ school, loads: own.length, birds, c: mean((s) => s.c), seconds: mean((s) => s.seconds) }]
      : []
  })
}
