import { randomInt } from 'node:crypto'
import { CODE_DIGITS } from '#contracts'

/** Long enough to walk to the barn with it, short enough not to be found on a slip later. */
const MINUTES = 10

export interface OpenCode {
  code: string
  floor: boolean
  until: Date
}

/** The code that lets the next device in: one at a time, once, and not for long. */
export class Codes {
  #open: OpenCode | null = null
  readonly #now: () => Date

  constructor(now: () => Date) {
    this.#now = now
  }

  /** A new code in the place of the one before. */
  make(floor: boolean): OpenCode {
    const code = String(randomInt(10 ** CODE_DIGITS)).padStart(CODE_DIGITS, '0')
    this.#open = { code, floor, until: new Date(this.#now().getTime() + MINUTES * 60_000) }
    return this.#open
  }

  /** The code that is open now. */
  now(): OpenCode | null {
    if (this.#open && this.#open.until <= this.#now()) this.#open = null
    return this.#open
  }

  /** The open code has let its device in. */
  spend(): void {
    this.#open = null
  }
}
