/** A label of two lines in the drawing: where its middle is, and how much it is worth showing. */
interface Placed {
  label: readonly [number, number]
  words: readonly [string, string]
  kg: number
  chosen: boolean
}

/** Width of a sign beside the size of the letters, about, of the face the drawing is set in. */
const SIGN = 0.52
const LINES = 2.1
/** A label may move so many of its own heights to find room. */
const NUDGES = [0, 0.6, -0.6, 1.1, -1.1]

interface Box {
  left: number
  right: number
  top: number
  bottom: number
}
const meets = (a: Box, b: Box) => a.left < b.right && b.left < a.right && a.top < b.bottom && b.top < a.bottom

/**
 * Labels that do not lie over each other: the one in hand first, then by weight; each where it belongs, or a little above or
 * below; what finds no room is left out and read from the part itself.
 */
export function apart<L extends Placed>(labels: readonly L[], size: number): L[] {
  const taken: Box[] = []
  const first = [...labels].sort((a, b) => Number(b.chosen) - Number(a.chosen) || b.kg - a.kg)
  return first.flatMap((l) => {
    const half = (Math.max(...l.words.map((w) => w.length)) * SIGN * size) / 2
    for (const by of NUDGES) {
      const y = l.label[1] + by * LINES * size
      const box = {
        left: l.label[0] - half,
        right: l.label[0] + half,
        top: y - size,
        bottom: y + (LINES - 1) * size,
      }
      if (taken.some((t) => meets(t, box))) continue
      taken.push(box)
      return [{ ...l, label: [l.label[0], y] as const }]
    }
    return []
  })
}
