/** Tells whoever observes the timings of the page that a thing was worked out; nothing of it is kept. */
export function tally(what: 'reading' | 'alternatives'): void {
  performance.mark(what)
  performance.clearMarks(what)
}
