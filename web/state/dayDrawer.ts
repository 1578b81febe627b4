import { changesOf, drawDays, readDays, type DayForecast, type DayLine, type Days } from '#core/line'

/** What a page may ask of the thread that draws days, and what it hears meanwhile. */
export interface DayDrawer {
  /** Draws the day so many times, and its changes a fifth as often; null where it was stopped, or another was asked for. */
  draw(asked: DayLine, draws: number): Promise<Drawn | null>
  stop(): void
}
export interface DayHearer {
  progress(done: number, of: number): void
}
export interface Drawn {
  told: DayForecast
  /** When the nth bird was in the ice, day after day: what a count is told anew by. */
  iced: Float64Array
  birds: number
}

/** The draws that are wanted now: those of another wish end at their next step. */
let wanted = 0
/** A turn of this thread, in which it hears what it is asked meanwhile. */
const turn = () => new Promise((done) => setTimeout(done))

async function all(
  day: DayLine,
  draws: number,
  asked: number[],
  own: number,
  done: (n: number) => void,
): Promise<Days | null> {
  const days = drawDays(day, draws, asked)
  for (;;) {
    const next = days.next()
    if (next.done) return next.value
    done(next.value)
    await turn()
    if (own !== wanted) return null
  }
}

/** Draws days, and tells the page that asked how far it is. */
export const dayDrawer = (page: DayHearer): DayDrawer => ({
  stop: () => void wanted++,
  draw: async (day, draws) => {
    const own = ++wanted
    const changes = changesOf(day)
    const few = Math.ceil(draws / 5)
    const of = draws + few * changes.length
    let before = 0
    const hear = (n: number) => page.progress(before + n, of)
    const last = day.line.stations.length - 1
    const mark = day.chill > 0 ? day.chill - 1 : last
    const days = await all(day, draws, [...new Set([mark, last])], own, hear)
    if (!days) return null
    before = draws
    const changed = []
    for (const { id, word, line } of changes) {
      const other = await all({ ...day, line }, few, [], own, hear)
      if (!other) return null
      before += few
      changed.push({ id, word, iced: other.iced })
    }
    return {
      told: readDays(day, days, changed),
      iced: days.at.get(mark)!,
      birds: day.line.birds.reduce((a, b) => a + b, 0),
    }
  },
})
