/** A carcass in the cold: what it was at the kill, the air around it, and how slow its middle is. */
export interface Chilled {
  startC: number
  airC: number
  /** Hours in which the middle comes within a third of the air, once it has begun; and before it begins. */
  tauHours: number
  lagHours: number
}

/**
 * °C in the middle of a carcass so many hours after the kill: Newton's law of cooling behind a lag (a textbook model; a body is
 * cooled from outside, so its middle waits). The surface has no lag and a sixth of the time.
 */
export function probeAt(
  { startC, airC, tauHours, lagHours }: Chilled,
  hours: number,
  where: 'deep' | 'surface',
): number {
  const [tau, lag] = where === 'deep' ? [tauHours, lagHours] : [tauHours / 6, 0]
  return airC + (startC - airC) * Math.exp(-Math.max(0, hours - lag) / tau)
}
