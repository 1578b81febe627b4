const MISSED = /Unable to preload CSS for (\S+)/

/**
 * A stylesheet that did not come (a connection that broke just then) is asked for once more, and what it dresses stands
 * meanwhile without it: a chart is not left out for its colours.
 */
export function askAgainForStyles(): void {
  window.addEventListener('vite:preloadError', (event) => {
    const href = MISSED.exec(event.payload.message)?.[1]
    if (href === undefined) return
    event.preventDefault()
    const link = Object.assign(document.createElement('link'), { rel: 'stylesheet', href })
    document.head.append(link)
  })
}
