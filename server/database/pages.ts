import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'

const PAGE = 8192
/** Where a page keeps its own checksum, and where its free space ends: 0 on a page never written to (PostgreSQL, bufpage.h). */
const CHECKSUM_AT = 8
const UPPER_AT = 14

/** PostgreSQL's page checksum (src/include/storage/checksum_impl.h): 32 FNV-1a sums side by side, from these beginnings. */
const BEGIN = Int32Array.of(
  ...[0x5b1f36e9, 0xb8525960, 0x02ab50aa, 0x1de66d2a, 0x79ff467a, 0x9bb9f8a3, 0x217e7cd2, 0x83e13d2c],
  ...[0xf8d4474f, 0xe39eb970, 0x42c6ae16, 0x993216fa, 0x7b093b5d, 0x98daff3c, 0xf718902a, 0x0b1c9cdb],
  ...[0xe58f764b, 0x187636bc, 0x5d7b3bb1, 0xe73de7de, 0x92bec979, 0xcca6c0b2, 0x304a0979, 0x85aa43d4],
  ...[0x783125bb, 0x6ca8eaa2, 0xe407eac6, 0x4b5cfc3e, 0x9fbf8c76, 0x15ca20be, 0xf2ca9fd3, 0x959bd756],
)
const PRIME = 16_777_619

/** The checksum that a page at this place of its file should have; its own is taken as 0. */
export function checksumOf(page: Buffer, block: number): number {
  const sums = Int32Array.from(BEGIN)
  const mix = (j: number, value: number) => {
    const mixed = sums[j]! ^ value
    sums[j] = Math.imul(mixed, PRIME) ^ (mixed >>> 17)
  }
  for (let at = 0, j = 0; at < PAGE; at += 4, j = (j + 1) & 31) {
    const word = page.readInt32LE(at)
    mix(j, at === CHECKSUM_AT ? word & ~0xffff : word)
  }
  for (let round = 0; round < 2; round++) for (let j = 0; j < sums.length; j++) mix(j, 0)
  const all = sums.reduce((a, b) => a ^ b, 0) ^ block
  return ((all >>> 0) % 65_535) + 1
}

const isWritten = (page: Buffer) => page.readUInt16LE(UPPER_AT) !== 0
/** A table, an index, or what goes with one: its number, a fork, a segment. */
const OF_PAGES = /^\d+(?:_(?:fsm|vm|init))?(?:\.\d+)?$/
/** Blocks in a full segment of a table larger than 1 GB. */
const SEGMENT = 131_072

/** The first page of a file that is not as it was written: its number; null when all are. */
export function damagedIn(bytes: Buffer, segment = 0): number | null {
  for (let n = 0; (n + 1) * PAGE <= bytes.length; n++) {
    const page = bytes.subarray(n * PAGE, (n + 1) * PAGE)
    if (isWritten(page) && checksumOf(page, n + segment * SEGMENT) !== page.readUInt16LE(CHECKSUM_AT))
      return n
  }
  return null
}

/**
 * Looks through every page of a PostgreSQL database at rest: where one of them is not as it was written, in words; null when all
 * are. Of a database that is open, a page may be caught half written: look again before it is believed.
 */
export function damagedPage(place: string): string | null {
  const folders = ['global', ...readdirSync(join(place, 'base')).map((name) => join('base', name))]
  for (const folder of folders)
    for (const name of readdirSync(join(place, folder)).filter((n) => OF_PAGES.test(n))) {
      const damaged = damagedIn(readFileSync(join(place, folder, name)), Number(name.split('.')[1] ?? 0))
      if (damaged !== null) return `page ${damaged} of ${join(folder, name)} is not as it was written`
    }
  return null
}
