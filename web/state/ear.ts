import type { Rung } from '#contracts'
import { barred } from './api.ts'

const AGAIN_MS = 2000

export interface Ear {
  hear(what: Rung): void
  /** It listens, for the first time or again: something may have been said meanwhile. */
  opened(): void
  /** It does not hear just now; `closed` where the browser will not try again by itself. */
  lost(closed: boolean): void
}

/**
 * Listens to what the server tells, for as long as the page is open. The browser tries again where a server is away,
 * but gives up on one that refuses (it still opens its records, the device was withdrawn): then it is asked anew.
 */
export function listenWith({ hear, opened, lost }: Ear): void {
  const again = () => (barred.value ? void setTimeout(again, AGAIN_MS) : open())
  function open() {
    const source = new EventSource('/api/events')
    source.onmessage = (event) => hear(JSON.parse(String(event.data)) as Rung)
    source.onopen = opened
    source.onerror = () => {
      const closed = source.readyState === EventSource.CLOSED
      lost(closed)
      if (closed) setTimeout(again, AGAIN_MS)
    }
  }
  open()
  // A machine that slept or lost its network may hold a stream that is dead and does not know it.
  window.addEventListener('online', opened)
  document.addEventListener('visibilitychange', () => document.hidden || opened())
}
