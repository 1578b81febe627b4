import { resolveObjectURL } from 'node:buffer'
import { EventSource } from 'eventsource'
import type { Window } from 'happy-dom'
import { dayDrawer, type DayHearer } from '../web/state/dayDrawer.ts'
import { reckoner } from '../web/state/reckoner.ts'
import { createBirpc } from 'birpc'

/** What waits for an answer, of a server or of a thread. */
const waiting = new Set<Promise<unknown>>()
export const isBusy = () => waiting.size > 0
export const anyAnswer = () => Promise.race(waiting)
function awaited<T>(answer: Promise<T>): Promise<T> {
  waiting.add(answer)
  const over = () => waiting.delete(answer)
  answer.then(over, over)
  return answer
}

interface Message {
  data: unknown
}
/** A call (`q`) and its answer (`s`), by their number. */
interface Said {
  t: 'q' | 's'
  i: string
}
type Hear = (message: Message) => void

/** A thread of the page, called directly: what goes to it and comes back is copied, as between threads. */
class DirectThread {
  readonly #page: Hear[] = []
  readonly #answered = new Map<string, () => void>()
  #thread: Hear[] = []
  constructor(script: URL) {
    const channel = {
      post: (data: unknown) => this.#say(this.#page, data),
      on: (hear: (data: unknown) => void) => void this.#thread.push((m) => hear(m.data)),
      timeout: 2 ** 31 - 1,
    }
    if (script.pathname.includes('line.worker')) {
      const page = createBirpc<DayHearer, object>(
        dayDrawer({ progress: (done, of) => void page.progress(done, of) }),
        channel,
      )
    } else createBirpc<object, object>(reckoner, channel)
  }
  #say(to: readonly Hear[], data: unknown) {
    const { t, i } = data as Said
    if (t === 's') this.#answered.get(i)?.()
    const copy: unknown = structuredClone(data)
    setImmediate(() => {
      for (const hear of to) hear({ data: copy })
    })
  }
  postMessage(data: unknown) {
    const { t, i } = data as Said
    if (t === 'q' && i) void awaited(new Promise<void>((answered) => this.#answered.set(i, answered)))
    this.#say(this.#thread, data)
  }
  addEventListener(what: string, hear: Hear) {
    if (what === 'message') this.#page.push(hear)
  }
  terminate() {
    this.#thread = []
    for (const answered of this.#answered.values()) answered()
  }
}

/** An answer once all of it is here. */
async function whole(coming: Promise<Response>): Promise<Response> {
  const answer = await coming
  const body = await answer.arrayBuffer()
  return new Response(body.byteLength > 0 ? body : null, answer)
}

/** Papers a page asked the browser for, by their addresses; and files it handed over. */
export const papers: string[] = []
export const files: { name: string; blob: Blob }[] = []

/** What a test wants of a request: that nothing answers it, another answer, or the server’s. */
export type Wish = (method: string, path: string) => 'away' | Response | Promise<Response> | undefined
/** An answer that says what was wrong. */
export const problem = (status: number, title: string) =>
  new Response(JSON.stringify({ type: '/problems/test', title, status }), {
    status,
    headers: { 'content-type': 'application/problem+json' },
  })
let wish: Wish = () => undefined
export const wishFor = (next: Wish = () => undefined) => void (wish = next)

/** Lets the pages of this process ask a server: where requests go, and what a thread of theirs is. */
export function connect(server: string): void {
  const { ekkoWindow: window } = globalThis as unknown as { ekkoWindow: Window }
  window.happyDOM.setURL(server)
  const plain = globalThis.fetch
  Object.defineProperty(window.location, 'assign', { value: (to: string) => void papers.push(to) })
  const follow = window.HTMLAnchorElement.prototype.click
  window.HTMLAnchorElement.prototype.click = function () {
    const blob = this.download ? resolveObjectURL(this.href) : undefined
    if (!blob) return follow.call(this)
    files.push({ name: this.download, blob: blob as Blob })
  }
  Object.assign(globalThis, {
    Worker: DirectThread,
    EventSource: class extends EventSource {
      constructor(path: string) {
        super(new URL(path, server).href, { fetch: plain })
        streams.add(this)
      }
    },
    fetch: (path: string, init?: RequestInit) => {
      const other = wish(init?.method ?? 'GET', path)
      if (other === 'away') return awaited(Promise.reject(new TypeError('no network')))
      // What is held back on purpose is not waited for.
      if (other instanceof Promise) return other
      return awaited(other ? Promise.resolve(other) : whole(plain(new URL(path, server), init)))
    },
  })
}

const streams = new Set<EventSource>()
/** Ends every stream a page opened. */
export function closeStreams(): void {
  for (const stream of streams) stream.close()
  streams.clear()
}
