import type { Response } from 'express'
import type { Rung, Said } from '#contracts'

/** More windows than a farm has; a page that opens streams without end must not starve the others. */
const MOST = 64
/** Of one device; the oldest ends where another opens. */
export const MOST_OF_ONE = 4
/** Kept free for the machine that holds the records. */
const FOR_THE_MACHINE = 8
/** Often enough that a proxy keeps the stream, and that one whose reader is gone is noticed. */
const HEARTBEAT_MS = 20_000

/** Tells every open window that a lot or the farm has changed, by server-sent events. */
export class Bell {
  readonly #listeners = new Map<Response, string | null>()
  readonly #history: () => string
  readonly #heart: ReturnType<typeof setInterval>

  constructor(history: () => string, heartbeatMs = HEARTBEAT_MS) {
    this.#history = history
    this.#heart = setInterval(() => this.#say(': \n\n'), heartbeatMs)
    this.#heart.unref()
  }

  /** Lets a window of a device listen (null: of this machine); false when too many do already. */
  listen(device: string | null, res: Response): boolean {
    const own = [...this.#listeners].filter(([, of]) => of === device).map(([r]) => r)
    if (device !== null && own.length >= MOST_OF_ONE) this.#letGo(own[0]!, () => own[0]!.end())
    if (this.#listeners.size >= (device === null ? MOST : MOST - FOR_THE_MACHINE)) return false
    res.writeHead(200, {
      'content-type': 'text/event-stream',
      'cache-control': 'no-store',
      connection: 'keep-alive',
    })
    res.write('retry: 1000\n\n')
    this.#listeners.set(res, device)
    res.on('close', () => this.#listeners.delete(res))
    return true
  }

  ring(what: Said): void {
    this.#say(`data: ${JSON.stringify({ ...what, history: this.#history() } satisfies Rung)}\n\n`)
  }

  /** Tells a device nothing more. */
  hush(device: string): void {
    for (const [res, of] of this.#listeners) if (of === device) this.#letGo(res, () => res.end())
  }

  /** Off the list before its stream ends: what is said next must not be written to it. */
  #letGo(res: Response, end: () => void): void {
    this.#listeners.delete(res)
    end()
  }

  /** A reader that takes nothing for long is let go: it opens anew and asks what it missed. */
  #say(text: string): void {
    for (const res of this.#listeners.keys()) {
      if (res.writableLength > 64 * 1024) this.#letGo(res, () => res.destroy())
      else res.write(text)
    }
  }

  close(): void {
    clearInterval(this.#heart)
    for (const res of this.#listeners.keys()) this.#letGo(res, () => res.end())
  }
}
