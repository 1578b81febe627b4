import { isOutdated } from './api.ts'

const MISSED = /Unable to preload CSS for (\S+)/
const GONE = /imported module: (\S+)/

/**
 * A stylesheet that did not come (a connection that broke just then) is asked for once more, and what it dresses stands
 * meanwhile without it: a chart is not left out for its colours. A script that is not on the server any more is of an older
 * build: the page says so, and that it wants to be loaded anew.
 */
export function askAgainForStyles(): void {
  window.addEventListener('vite:preloadError', (event) => {
    const script = GONE.exec(event.payload.message)?.[1]
    if (script !== undefined)
      void fetch(script, { method: 'HEAD' }).then(
        ({ status }) => (isOutdated.value ||= status === 404),
        () => undefined,
      )
    const href = MISSED.exec(event.payload.message)?.[1]
    if (href === undefined) return
    event.preventDefault()
    const link = Object.assign(document.createElement('link'), { rel: 'stylesheet', href })
    document.head.append(link)
  })
}
