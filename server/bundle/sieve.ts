const MB = 1024 * 1024
/** No bundle of ours is nested deeper, made of more, longer in a word (a picture), or larger without its spaces. */
const MOST = { deep: 64, pieces: 2_000_000, fields: 10_000_000, word: 24 * MB, bytes: 160 * MB }
/** What is unpacked of a file before it is given up, spaces included. */
const MOST_UNPACKED = 1024 * MB

const QUOTE = 34
const BACKSLASH = 92
const COMMA = 44
const isOpening = (sign: number) => sign === 91 || sign === 123
const isClosing = (sign: number) => sign === 93 || sign === 125
const isSpace = (sign: number) => sign === 32 || sign === 10 || sign === 13 || sign === 9

/**
 * JSON of a bundle, a chunk of bytes at a time: spaces between words are left out, and what would take a machine's memory before a
 * word of it is understood is refused, in words. Small files can claim to be endless.
 */
export class Sieve {
  #held: string[] = []
  #signs = new TextDecoder()
  #bytes = 0
  #unpacked = 0
  #deep = 0
  #pieces = 0
  #fields = 0
  /** Length of the word it is in; -1 outside. */
  #word = -1
  #isEscaped = false

  /** Takes the next chunk; why nothing more is taken, or null. */
  take(chunk: Uint8Array): string | null {
    const kept = Buffer.allocUnsafe(chunk.length)
    let n = 0
    for (const sign of chunk) {
      if (this.#word >= 0) this.#inWord(sign)
      else if (isSpace(sign)) continue
      else this.#between(sign)
      kept[n++] = sign
    }
    this.#held.push(this.#signs.decode(kept.subarray(0, n), { stream: true }))
    this.#bytes += n
    this.#unpacked += chunk.length
    return this.#fault()
  }
  #inWord(sign: number) {
    this.#word++
    if (this.#isEscaped) this.#isEscaped = false
    else if (sign === BACKSLASH) this.#isEscaped = true
    else if (sign === QUOTE) this.#word = -1
  }
  #between(sign: number) {
    if (sign === QUOTE) this.#word = 0
    else if (sign === COMMA) this.#fields++
    else if (isClosing(sign)) this.#deep--
    else if (isOpening(sign)) {
      this.#deep++
      this.#pieces++
    }
  }
  #fault(): string | null {
    if (this.#deep > MOST.deep) return 'it is nested deeper than any bundle is'
    if (this.#pieces > MOST.pieces || this.#fields > MOST.fields)
      return 'it is made of more pieces than any bundle is'
    if (this.#word > MOST.word) return 'a word in it is longer than any in a bundle is'
    if (this.#bytes > MOST.bytes || this.#unpacked > MOST_UNPACKED) return 'it is larger than any bundle is'
    return null
  }
  /** What was taken, as text; it is held no longer. */
  text(): string {
    const all = this.#held.join('') + this.#signs.decode()
    this.#held = []
    return all
  }
}
