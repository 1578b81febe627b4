import { describe, expect, it } from 'vitest'
import { faultOfCopy, type Manifest } from '../copies.ts'
import { DiskFailure } from '../disk.ts'
import { openEngine, Stopped, type Engine } from '../engine.ts'
import { placesOf } from '../places.ts'
import { Unrecoverable } from '../recovery.ts'
import { copyTree, flushTree, NotAsWritten } from '../trees.ts'
import { MemoryDisk, PowerCut, type Fault } from './memoryDisk.ts'
import { seeded } from './random.ts'
import { standIn, type Rows } from './standIn.ts'

const FOLDER = '/farm'
const places = placesOf(FOLDER)

interface Story {
  acknowledged: string[]
  tried: string[]
  trouble: unknown[]
  copies: Manifest[]
}
const story = (): Story => ({ acknowledged: [], tried: [], trouble: [], copies: [] })

const opened = (disk: MemoryDisk, told: Story, schema = 1) =>
  openEngine<Rows>({
    disk,
    cluster: standIn(disk, schema),
    folder: FOLDER,
    now: () => new Date('2026-11-01T08:00:00Z'),
    copied: (copy) => void told.copies.push(copy),
  })

async function write(engine: Engine<Rows>, told: Story, ...rows: string[]) {
  for (const row of rows) {
    told.tried.push(row)
    await engine.run(async (tx) => void tx.rows.push(row), true)
    told.acknowledged.push(row)
  }
}
async function prove(engine: Engine<Rows>, disk: MemoryDisk, told: Story) {
  for (const copy of told.copies.splice(0))
    if ((await faultOfCopy(disk, standIn(disk), FOLDER, copy)) === null) await engine.proven(copy.name)
}

/** Two lives of a farm: first start, checkpoint, clean stop, a restore, a process that dies, a change of schema. */
const LIFE: ((disk: MemoryDisk, told: Story) => Promise<void>)[] = [
  async (disk, told) => {
    const engine = await opened(disk, told)
    await write(engine, told, 'a', 'b')
    await engine.checkpoint()
    await prove(engine, disk, told)
    await write(engine, told, 'c')
    await engine.close()
  },
  async (disk, told) => {
    const engine = await opened(disk, told)
    await write(engine, told, 'd')
    await prepareNext(disk)
    await engine.replace()
    await write(engine, told, 'e')
  },
  async (disk, told) => {
    const engine = await opened(disk, told, 2)
    await write(engine, told, 'f')
    await engine.checkpoint()
    await prove(engine, disk, told)
    await engine.close()
  },
  async (disk, told) => {
    const engine = await opened(disk, told, 2)
    await engine.close()
  },
]

/** What a rehearsed restore leaves beside the database: here the same rows, so that nothing may be missing after it. */
async function prepareNext(disk: MemoryDisk) {
  const rows = await rowsIn(disk)
  const made = await standIn(disk).open(places.next)
  await made.migrate()
  await made.transaction(async (tx) => void tx.rows.push(...rows))
  await made.checkpoint()
  await made.close()
  flushTree(disk, places.next)
}
async function rowsIn(disk: MemoryDisk): Promise<string[]> {
  const look = disk.afterDeath()
  copyTree(look, places.db, '/look')
  const session = await standIn(look, 2).open('/look')
  return session.transaction(async (tx) => tx.rows)
}

/** Lives the story on a disk until trouble ends it; after trouble it goes on writing, as a page would. */
async function live(disk: MemoryDisk, lives = LIFE): Promise<Story> {
  const told = story()
  for (const life of lives) {
    try {
      await life(disk, told)
    } catch (error) {
      told.trouble.push(error)
      break
    }
  }
  return told
}

/** Opens what is left, and says its rows; it must take a new one and hold it over another start. */
async function survives(disk: MemoryDisk): Promise<string[]> {
  const told = story()
  const engine = await opened(disk, told, 2)
  const rows = await engine.run(async (tx) => [...tx.rows], false)
  await write(engine, told, 'after')
  await engine.close()
  const again = await opened(disk, told, 2)
  expect(await again.run(async (tx) => tx.rows, false)).toEqual([...rows, 'after'])
  return rows
}

const FAULTS: Fault[] = ['EIO', 'ENOSPC', 'short', 'cut']

const SEEDS = Number(process.env.EKKO_SEEDS ?? 0)
/** Each fault at every fourth call, each from another one on, so that every call fails in one way; all of them in a trial. */
const STEP = SEEDS > 0 ? 1 : FAULTS.length

/** What was left after a fault at a call: a cut by some seeds, or (not after a cut) a process that died. */
const imagesOf = (disk: MemoryDisk, fault: Fault, at: number): MemoryDisk[] => {
  const cut = (n: number) => disk.afterCut(seeded(at * 97 + n))
  if (SEEDS > 0)
    return [
      ...(fault === 'cut' ? [] : [disk.afterDeath()]),
      ...Array.from({ length: SEEDS }, (_, n) => cut(n)),
    ]
  return [fault !== 'cut' && at % 3 === 0 ? disk.afterDeath() : cut(0)]
}

/** What is wrong with what this fault at this call led to; empty when every promise was kept. */
async function wrongAfter(fault: Fault, at: number): Promise<string[]> {
  const disk = new MemoryDisk()
  disk.failing = { at, fault }
  const told = await live(disk)
  const failed = disk.calls[at]!
  const wrong: string[] = []
  const say = (what: string) =>
    void wrong.push(`${fault} at call ${at} (${failed.call} ${failed.path}): ${what}`)
  for (const error of told.trouble)
    if (![Stopped, DiskFailure, PowerCut, Unrecoverable, NotAsWritten].some((kind) => error instanceof kind))
      say(`ended in ${String(error)}`)
  if (fault === 'EIO' && failed.call === 'flush' && told.trouble.length === 0)
    say('went on after a failed flush')
  for (const image of imagesOf(disk, fault, at)) {
    try {
      const rows = await survives(image)
      const beyond = rows.slice(told.acknowledged.length)
      if (rows.slice(0, told.acknowledged.length).join() !== told.acknowledged.join())
        say(`${told.acknowledged.join('')} became ${rows.join('')}`)
      if (beyond.length > 1 || beyond.some((row) => !told.tried.includes(row)))
        say(`invented ${beyond.join('')}`)
    } catch (error) {
      say(String(error).slice(0, 160))
    }
  }
  return wrong
}

describe('a disk that fails, at each of its calls in turn', () => {
  it.each(FAULTS)(
    '%s: loses no acknowledged row, whatever a cut or a death after it leaves',
    async (fault) => {
      const dry = new MemoryDisk()
      expect((await live(dry)).trouble).toEqual([])
      const wrong: string[] = []
      for (let at = STEP > 1 ? FAULTS.indexOf(fault) : 0; at < dry.calls.length; at += STEP)
        wrong.push(...(await wrongAfter(fault, at)))
      expect(wrong).toEqual([])
      expect(dry.calls.length).toBeGreaterThan(300)
    },
  )

  it('after a failed flush says so and acknowledges nothing more, though the row could be read', async () => {
    const disk = new MemoryDisk()
    const told = story()
    const engine = await opened(disk, told)
    await write(engine, told, 'a')
    disk.failing = { at: disk.calls.length, fault: 'EIO' }
    await expect(write(engine, told, 'b')).rejects.toThrow(/The disk failed at “flush”/)
    disk.failing = null
    await expect(write(engine, told, 'c')).rejects.toThrow(Stopped)
    await expect(engine.run(async (tx) => tx.rows, false)).rejects.toThrow(Stopped)
    expect(told.acknowledged).toEqual(['a'])
  })

  it('half way through a checkpoint stops it: the copy that the next start brings back has every row', async () => {
    const dry = new MemoryDisk()
    const plain = await opened(dry, story())
    await write(plain, story(), 'a')
    const before = dry.calls.length
    await plain.checkpoint()
    for (let at = before; at < dry.calls.length; at++) {
      if (dry.calls[at]!.call !== 'flush') continue
      const disk = new MemoryDisk()
      const told = story()
      const engine = await opened(disk, told)
      await write(engine, told, 'a')
      disk.failing = { at, fault: 'EIO' }
      await expect(engine.checkpoint()).rejects.toThrow(Stopped)
      disk.failing = null
      await expect(write(engine, told, 'lost')).rejects.toThrow(Stopped)
      expect((await survives(disk.afterDeath()))[0]).toBe('a')
    }
  })

  it('with no room for a copy goes on without one, and says so', async () => {
    const disk = new MemoryDisk()
    const told = story()
    const warnings: (string | null)[] = []
    const engine = await openEngine<Rows>({
      disk,
      cluster: standIn(disk),
      folder: FOLDER,
      now: () => new Date(0),
      warned: (words) => void warnings.push(words),
    })
    await write(engine, told, 'a')
    const at = disk.calls.length
    disk.failing = { at: at + 1, fault: 'ENOSPC' }
    await engine.checkpoint()
    expect(disk.calls[at + 1]!.call).not.toBe('flush')
    expect(warnings).toEqual(['There is no room left on the disk for a copy of the records. Free some.'])
    await write(engine, told, 'b')
    await engine.checkpoint()
    expect(warnings.at(-1)).toBeNull()
    expect(await survives(disk.afterCut(seeded(3)))).toEqual(['a', 'b'])
  })
})

describe('what a cut left is looked at before anything is replaced', () => {
  /** A farm of two rows, cut off inside its second checkpoint; its first copy has one row. */
  async function cutInside() {
    const disk = new MemoryDisk()
    const told = story()
    const engine = await opened(disk, told)
    await write(engine, told, 'a')
    await engine.checkpoint()
    await prove(engine, disk, told)
    await write(engine, told, 'b')
    let marked: MemoryDisk | null = null
    const flush = disk.flush.bind(disk)
    disk.flush = (path) => {
      flush(path)
      if (!marked && path === FOLDER && disk.exists(places.marker)) marked = disk.afterDeath()
    }
    await engine.checkpoint()
    return marked! as MemoryDisk
  }

  it('an empty or cut-off note leads to the newest copy, never to an empty farm', async () => {
    for (const content of ['', '{"step":"checkp', 'null', 'copy-00099']) {
      const disk = await cutInside()
      disk.overwrite(places.marker, Buffer.from(content))
      expect(await survives(disk)).toEqual(['a', 'b'])
    }
  })
  it('a copy that is missing, damaged or cut off is never put in place: the start is refused in plain words', async () => {
    for (const spoil of [
      (disk: MemoryDisk) => disk.move(`${places.backups}/copy-00002`, `${places.backups}/elsewhere`),
      (disk: MemoryDisk) => disk.overwrite(`${places.backups}/copy-00002/table`, Buffer.from('x')),
      (disk: MemoryDisk) => disk.remove(`${places.backups}/copy-00002/table`),
    ]) {
      const disk = await cutInside()
      spoil(disk)
      await expect(survives(disk)).rejects.toThrow(Unrecoverable)
      await expect(survives(disk)).rejects.toThrow(/Nothing was changed/)
      expect(disk.exists(places.db)).toBe(true)
      expect(disk.exists(places.marker)).toBe(true)
    }
  })
  it('with a damaged note, an older copy that holds less than the database is not taken for it: the database is used', async () => {
    const disk = await cutInside()
    disk.overwrite(places.marker, Buffer.from('?'))
    disk.move(`${places.backups}/copy-00002`, `${places.backups}/elsewhere`)
    expect(await survives(disk)).toEqual(['a', 'b'])
    expect(disk.exists(places.marker)).toBe(false)
  })
  it('a folder whose database is gone is not a new farm while copies are there', async () => {
    const disk = await cutInside()
    disk.remove(places.marker)
    disk.move(places.db, `${FOLDER}/somewhere`)
    await expect(survives(disk)).rejects.toThrow(/had a farm, and its “db” is gone/)
  })
  it('of an earlier Ekko, whose note is the day of its copy, is brought back too, or refused', async () => {
    const earlier = async () => {
      const disk = await cutInside()
      disk.remove(places.marker)
      disk.move(`${places.backups}/copy-00002`, `${places.backups}/2026-11-01`)
      disk.overwrite(places.earlierMarker, Buffer.from('2026-11-01'))
      return disk
    }
    const disk = await earlier()
    expect(await survives(disk)).toEqual(['a', 'b'])
    expect(disk.exists(places.earlierMarker)).toBe(false)
    for (const note of ['', '2026-12-24', '..']) {
      const spoilt = await earlier()
      spoilt.overwrite(places.earlierMarker, Buffer.from(note))
      await expect(survives(spoilt)).rejects.toThrow(/An earlier Ekko was cut off/)
    }
  })
  it('the database that is replaced lies beside the one brought back', async () => {
    const disk = await cutInside()
    await survives(disk)
    expect(disk.list(FOLDER).map((e) => e.name)).toContain('db.aside-1')
  })
})

describe('copies', () => {
  it('are three once proven; the oldest goes only when the newest is proven', async () => {
    const disk = new MemoryDisk()
    const told = story()
    const engine = await opened(disk, told)
    const names = () =>
      disk
        .list(places.backups)
        .filter((e) => e.kind === 'folder')
        .map((e) => e.name)
    for (const row of ['a', 'b', 'c', 'd']) {
      await write(engine, told, row)
      await engine.checkpoint()
    }
    expect(names()).toHaveLength(4)
    await prove(engine, disk, told)
    expect(names()).toEqual(['copy-00002', 'copy-00003', 'copy-00004'])
  })
  it('are not made again at a stop when nothing was written since the last proven one', async () => {
    const disk = new MemoryDisk()
    const told = story()
    const engine = await opened(disk, told)
    await write(engine, told, 'a')
    await engine.checkpoint()
    await prove(engine, disk, told)
    await engine.close()
    expect(disk.list(places.backups).filter((e) => e.kind === 'folder')).toHaveLength(1)
    const again = await opened(disk, told)
    await write(again, told, 'b')
    await again.close()
    expect(disk.list(places.backups).filter((e) => e.kind === 'folder')).toHaveLength(2)
  })
})

describe('a lock that is lost', () => {
  it('ends acknowledgements at once, and a row in work is not acknowledged', async () => {
    const disk = new MemoryDisk()
    let ours = true
    const engine = await openEngine<Rows>({
      disk,
      cluster: standIn(disk),
      folder: FOLDER,
      now: () => new Date(0),
      holds: () => ours,
    })
    const told = story()
    await write(engine, told, 'a')
    await expect(
      engine.run(async (tx) => {
        tx.rows.push('b')
        ours = false
      }, true),
    ).rejects.toMatchObject({ reason: 'lock' })
    ours = true
    await expect(write(engine, told, 'c')).rejects.toMatchObject({ reason: 'lock' })
  })
})
