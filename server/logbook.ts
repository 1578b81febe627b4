import { appendFileSync, closeSync, existsSync, fsyncSync, openSync, readFileSync } from 'node:fs'
import { z } from 'zod'
import { LOGGED, type Logged } from '#contracts'

const loggedSchema = z.object({
  at: z.string(),
  what: z.enum(LOGGED),
  about: z.record(z.string(), z.union([z.string(), z.boolean(), z.null()])),
})

/** What was done to who may come in and to the records as a whole: let in, withdrawn, brought back. Only ever added to. */
export interface Logbook {
  write(what: Logged['what'], about: Logged['about']): void
  /** Newest first. */
  read(): Logged[]
}

/** The logbook of a data folder: a line of JSON each, flushed. One that was cut off or changed by hand is passed over. */
export function logbookIn(path: string | null, now: () => Date): Logbook {
  const lines: Logged[] = path && existsSync(path) ? linesOf(readFileSync(path, 'utf8')) : []
  return {
    write(what, about) {
      const line = { at: now().toISOString(), what, about }
      lines.push(line)
      if (!path) return
      const handle = openSync(path, 'a')
      try {
        appendFileSync(handle, `${JSON.stringify(line)}\n`)
        fsyncSync(handle)
      } finally {
        closeSync(handle)
      }
    },
    read: () => lines.toReversed(),
  }
}
const linesOf = (text: string): Logged[] =>
  text.split('\n').flatMap((line) => {
    try {
      const read = loggedSchema.safeParse(JSON.parse(line))
      return read.success ? [read.data] : []
    } catch {
      return []
    }
  })
