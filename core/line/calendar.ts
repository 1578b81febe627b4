/** What happens next, at what minute: a binary heap with what is noted beside each minute. */
export class Calendar {
  size = 0
  private readonly at: Float64Array
  private readonly what: Int32Array

  constructor(most: number) {
    this.at = new Float64Array(most + 1)
    this.what = new Int32Array(most + 1)
  }

  /** The minute of the next. */
  get next(): number {
    return this.at[0]!
  }

  put(minute: number, note: number): void {
    const { at, what } = this
    let i = this.size++
    while (i > 0) {
      const up = (i - 1) >> 1
      if (at[up]! <= minute) break
      at[i] = at[up]!
      what[i] = what[up]!
      i = up
    }
    at[i] = minute
    what[i] = note
  }

  /** Takes the next off. */
  take(): number {
    const { at, what } = this
    const first = what[0]!
    const size = --this.size
    const minute = at[size]!
    const note = what[size]!
    let i = 0
    for (let down = 1; down < size; down = 2 * i + 1) {
      if (down + 1 < size && at[down + 1]! < at[down]!) down++
      if (at[down]! >= minute) break
      at[i] = at[down]!
      what[i] = what[down]!
      i = down
    }
    at[i] = minute
    what[i] = note
    return first
  }
}
