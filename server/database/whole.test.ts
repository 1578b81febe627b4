import { readdirSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { v7 as uuid } from 'uuid'
import { beforeAll, describe, expect, inject, it } from 'vitest'
import { copyOf, farmOfThree, THREE } from '../testing.ts'
import { openStore } from '../store/store.ts'
import { damagedIn, damagedPage } from './pages.ts'
import { placesOf } from './places.ts'
import { Unrecoverable } from './recovery.ts'

let stopped: string
let killed: string
beforeAll(async () => {
  ;({ stopped, killed } = await farmOfThree())
})
async function tagsIn(folder: string, recover = false) {
  const store = await openStore(folder, { recover })
  const { lots } = await store.run('home', undefined)
  await store.close()
  return lots.map((l) => l.tag).sort()
}
const refusal = async (folder: string): Promise<string> => {
  const error = await openStore(folder).then(
    () => null,
    (e: unknown) => e,
  )
  expect(error).toBeInstanceOf(Unrecoverable)
  return (error as Error).message
}
const bytesIn = (folder: string): number =>
  readdirSync(folder, { recursive: true, withFileTypes: true }).reduce(
    (sum, e) => sum + (e.isFile() ? readFileSync(join(e.parentPath, e.name)).length : 0),
    0,
  )
/** The file of a table, by its size: the largest that holds pages. */
function changeOnePage(folder: string): string {
  const base = join(placesOf(folder).db, 'base', '5')
  const [table] = readdirSync(base)
    .filter((n) => /^\d+$/.test(n))
    .map((n) => join(base, n))
    .sort((a, b) => readFileSync(b).length - readFileSync(a).length)
  const bytes = readFileSync(table!)
  bytes[8192 + 5000]! ^= 1
  writeFileSync(table!, bytes)
  return table!
}

describe('the checksum of a page', () => {
  it('is the one PostgreSQL wrote, on every page of a database it made (checksum_impl.h)', () => {
    expect(damagedPage(placesOf(inject('emptyFolder')).db)).toBeNull()
    expect(damagedPage(placesOf(stopped).db)).toBeNull()
  })
  it('is another for any byte changed, and for a page that lies in the place of another', () => {
    const copy = copyOf(stopped)
    const bytes = readFileSync(changeOnePage(copy))
    expect(damagedIn(bytes)).toBe(1)
    expect(damagedPage(placesOf(copy).db)).toMatch(/^page 1 of base\/5\/\d+ is not as it was written$/)
    bytes[8192 + 5000]! ^= 1
    expect(damagedIn(bytes)).toBeNull()
    const swapped = Buffer.concat([bytes.subarray(8192, 16_384), bytes.subarray(0, 8192)])
    expect(damagedIn(swapped)).toBe(0)
  })
})

describe('a start looks at the whole database', () => {
  it.each(['PG_VERSION', 'global/pg_control', 'global', 'base', 'pg_xact', 'pg_wal'])(
    'without %s nothing is made; the words name copies and the line to type',
    async (mark) => {
      const folder = copyOf(killed)
      rmSync(join(placesOf(folder).db, mark), { recursive: true })
      const before = readdirSync(placesOf(folder).db).sort()
      const words = await refusal(folder)
      expect(words).toContain(`“${mark}”`)
      expect(words).toMatch(/copy copy-0000\d, of 20\d\d-\d\d-\d\d \d\d:\d\d UTC, proven/)
      expect(words).toContain(`npm start -- --data ${folder} --recover`)
      expect(readdirSync(placesOf(folder).db).sort()).toEqual(before)
    },
  )
  // Each of the marks in a trial.
  it('that line brings every row back, those after the copy too; what lay there is kept beside it', async () => {
    const folder = copyOf(killed)
    rmSync(join(placesOf(folder).db, 'global'), { recursive: true })
    expect(await tagsIn(folder, true)).toEqual(THREE)
    expect(readdirSync(folder)).toContain('db.aside-1')
    expect(await tagsIn(folder)).toEqual(THREE)
  })
  it('without its log no copy is taken for it; a copy can be brought back into a new folder', async () => {
    const folder = copyOf(killed)
    rmSync(join(placesOf(folder).db, 'pg_wal'), { recursive: true })
    expect(await refusal(folder)).toContain('“pg_wal” is gone')
    await expect(openStore(folder, { recover: true })).rejects.toThrow(/No copy opens with the log/)
    expect(await refusal(folder)).toMatch(/npm run restore -- .*copy-0000\d NEW-FOLDER/)
  })
  it('all of it gone from a folder that had a farm, it makes no new one', async () => {
    const folder = copyOf(stopped)
    const { db, backups } = placesOf(folder)
    renameSync(db, join(folder, 'elsewhere'))
    rmSync(backups, { recursive: true })
    expect(await refusal(folder)).toContain('had a farm, and its “db” is gone')
    expect(readdirSync(folder)).not.toContain('db')
  })
  it('a page with one changed byte is found before anything is opened, and the same line brings it back', async () => {
    const folder = copyOf(stopped)
    changeOnePage(folder)
    expect(await refusal(folder)).toMatch(/is damaged: page 1 of base/)
    expect(await tagsIn(folder, true)).toEqual(THREE)
  })
  it('a file that nothing reads at a start is missed at a start', async () => {
    const folder = copyOf(stopped)
    const base = join(placesOf(folder).db, 'base', '5')
    // An index that is asked for only where a row is looked for by its id.
    const last = readdirSync(base)
      .filter((n) => /^\d+$/.test(n) && Number(n) > 16_384)
      .sort((a, b) => Number(a) - Number(b))
      .at(-1)!
    rmSync(join(base, last))
    const words = await refusal(folder)
    expect(words).toMatch(new RegExp(`“base/5/${last}” is gone|does not open`))
    expect(words).toContain('--recover')
  })
  it('a torn note beside a whole database is set aside, and the database is used', async () => {
    const folder = copyOf(stopped)
    rmSync(placesOf(folder).backups, { recursive: true })
    writeFileSync(placesOf(folder).marker, '{"step":"checkp')
    expect(await tagsIn(folder)).toEqual(THREE)
    expect(readdirSync(folder)).toContain('in-progress.unreadable')
  })
  it('starts that fail, one after another, take no more room than one', async () => {
    const folder = copyOf(killed)
    // What the log says cannot be read: the database ends while it repairs itself.
    const { db } = placesOf(folder)
    rmSync(join(db, 'base'), { recursive: true })
    writeFileSync(join(db, 'base'), 'no folder')
    for (let n = 0; n < 2; n++) await refusal(folder)
    const one = bytesIn(folder)
    for (let n = 0; n < 3; n++) await refusal(folder)
    expect(bytesIn(folder)).toBe(one)
  })
})

describe('the history of the records', () => {
  it('has its id within the database and beside it: it outlives starts, and one put there by hand begins another', async () => {
    const id = async (folder: string) => {
      const store = await openStore(folder)
      await store.close()
      return store.history
    }
    const folder = copyOf(stopped)
    const first = await id(folder)
    // The file beside it is lost: the database still knows.
    rmSync(placesOf(folder).history)
    expect(await id(folder)).toBe(first)
    // The database of another farm lies there, as a person copies a folder: the file beside it is of none of its starts.
    const other = uuid()
    writeFileSync(placesOf(folder).history, JSON.stringify({ id: other }))
    const now = await id(folder)
    expect([first, other]).not.toContain(now)
    expect(await id(folder)).toBe(now)
  })
})
