import { Calendar, runLine, spread, type Line } from '../core/line/index.ts'

// A day of 500 birds through thirteen stations, 1,000 times, beside a bare event loop over as many events.
const DAYS = 1000
const usual = spread('log-normal', 0.3)
const MINUTES = [0.3, 0.4, 1.5, 1, 0.5, 0.5, 2.5, 0.5, 90, 10, 3, 0.3, 0.8]
const crew = [0, 1, 2, 3]
const line: Line = {
  birds: [500],
  stations: MINUTES.map((minutes, i) => ({
    id: String(i),
    minutes: [minutes],
    spread: usual,
    load: [i === 3 || i === 4 ? 2 : 1],
    places: i === 8 ? 500 : i === 9 ? 30 : i === 2 ? 8 : 3,
    room: i > 0 && i < 8 ? 8 : Infinity,
    hands: [2, 8, 9].includes(i) ? null : crew,
  })),
  hands: crew.map((i) => ({ takes: 1 + 0.3 * i, from: 0, until: Infinity })),
}

const timed = (of: () => number): { ms: number; events: number } => {
  const start = performance.now()
  const events = of()
  return { ms: performance.now() - start, events }
}
const days = () => {
  let events = 0
  for (let day = 1; day <= DAYS; day++) events += runLine(line, day).events
  return events
}

/** Nothing but the events: each taken off the calendar, its minute written down, the time of the next drawn and put on. `open` lie on it at once. */
function bare(events: number, open: number): number {
  const calendar = new Calendar(open)
  const written = new Float64Array(MINUTES.length * 500)
  let random = 1
  for (let i = 0; i < open; i++) calendar.put(i, i)
  for (let i = 0; i < events; i++) {
    const now = calendar.next
    const next = calendar.take()
    written[i % written.length] = now
    random ^= random << 13
    random ^= random >>> 17
    random ^= random << 5
    calendar.put(now + usual[random >>> 22]!, next)
  }
  return events
}

days()
const simulated = timed(days)
// About so many loads are in work at once: most of them in the ice.
const floor = timed(() => bare(simulated.events, 50))
const million = (n: number) => (n / 1e6).toFixed(1)
console.log(
  `Day of 500 birds, ${DAYS} times: ${(simulated.ms / floor.ms).toFixed(2)} × a bare event loop over as many events, at most 3 asked (${million(simulated.events)} million events: ${simulated.ms.toFixed(0)} ms, ${floor.ms.toFixed(0)} ms)`,
)
