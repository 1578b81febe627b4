/** A bar of the skyline, and the handle under it that is pressed. Both in px from the left. */
export interface Place {
  from: number
  to: number
  handle: [from: number, to: number]
}

/** Narrowest handle: what can be hit with a finger's edge. */
export const HANDLE = 24

/**
 * Bars as wide as they weigh, over handles of at least 24 px: a narrow bar is drawn narrow, and can be hit all the same.
 * Where even handles do not fit the width, all are equally wide.
 */
export function placesOf(weights: readonly number[], width: number): Place[] {
  const total = weights.reduce((s, w) => s + w, 0)
  const least = Math.min(HANDLE, width / Math.max(1, weights.length))
  const own = weights.map((w) => (total > 0 ? (w / total) * width : 0))
  // What narrow handles need beyond their bars comes off the wide ones, by what each has to spare.
  const missing = own.reduce((s, w) => s + Math.max(0, least - w), 0)
  const spare = own.reduce((s, w) => s + Math.max(0, w - least), 0)
  let [bar, handle] = [0, 0]
  return own.map((w) => {
    const wide = w <= least ? least : w - (missing * (w - least)) / spare
    const place: Place = { from: bar, to: bar + w, handle: [handle, handle + wide] }
    bar += w
    handle += wide
    return place
  })
}
