import {
  appendFileSync,
  existsSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  rmSync,
  writeFileSync,
} from 'node:fs'
import { join } from 'node:path'
import { gunzipSync } from 'node:zlib'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { HISTORY_HEADER, type Bundle, type Copies, type Home, type Lot } from '#contracts'
import { DiskFailure, realDisk, type Disk } from '../database/disk.ts'
import { placesOf } from '../database/places.ts'
import { FARM, lotBody, newFolder, openTestApi, weighingBody } from '../testing.ts'
import { MemoryDisk } from '../database/standin/memoryDisk.ts'
import { bundleFrom, bundlesIn, keepBundle, namesFor, weekOf } from './bundles.ts'
import { bringToSecond, chooseSecond, lookAtSecond } from './second.ts'
import { isSealed, seal, unseal } from './seal.ts'
import { sealedAs, smallContent } from './testing.ts'

let test: Awaited<ReturnType<typeof openTestApi>>
beforeAll(async () => {
  test = await openTestApi()
  await test.api.put('/api/farm').send(FARM).expect(200)
})
afterAll(() => rmSync(test.folder, { recursive: true, force: true }))

const hang = async (tag: string): Promise<Lot> =>
  (await test.api.post('/api/lots').send(lotBody({ tag })).expect(201)).body
const tags = async () => ((await test.api.get('/api/home')).body as Home).lots.map((l) => l.tag)
const look = async (): Promise<Copies> => (await test.api.get('/api/copies').expect(200)).body
const keep = async (): Promise<Copies> => (await test.api.post('/api/copies').expect(201)).body

describe('bundles kept by day, week and month', () => {
  it('are proven by a restore before they have a name, and once a day unless something was written; one asked for stays', async () => {
    await hang('Bracken')
    const kept = await keep()
    expect(kept.bundles.map((b) => b.name)).toEqual([
      'day-2026-11-02.json.gz',
      'week-2026-W45.json.gz',
      'month-2026-11.json.gz',
      expect.stringMatching(/^asked-2026-11-02-[0-9a-f]{8}\.json\.gz$/),
    ])
    expect(kept).toMatchObject({
      upToDate: true,
      low: false,
      warning: null,
      bundles: [{ held: { farm: 'Fallowmere', lots: 1 } }, {}, {}, {}],
    })
    const written = readFileSync(join(placesOf(test.folder).bundles, 'day-2026-11-02.json.gz'))
    expect((await keep()).bundles).toEqual(kept.bundles)
    await hang('Sorrel')
    expect((await look()).upToDate).toBe(false)
    // A tick of the clock, as every hour.
    await test.keeping.tick()
    const { bundles } = await look()
    const lotsIn = (kind: string) => bundles.filter((b) => b.kind === kind).map((b) => b.held.lots)
    expect([lotsIn('day'), lotsIn('asked')]).toEqual([[2], [1]])
    expect(readFileSync(join(placesOf(test.folder).bundles, 'day-2026-11-02.json.gz'))).not.toEqual(written)
  })
  it('are the farm to the last byte', async () => {
    const file = readFileSync(join(placesOf(test.folder).bundles, 'day-2026-11-02.json.gz'))
    expect(gunzipSync(file).toString('utf8')).toBe((await test.api.get('/api/bundle')).text)
    const sent = await test.api
      .get('/api/bundles/day-2026-11-02.json.gz')
      .buffer()
      .parse((res, done) => {
        const parts: Buffer[] = []
        res.on('data', (part: Buffer) => parts.push(part))
        res.on('end', () => done(null, Buffer.concat(parts)))
      })
    expect(file.equals(sent.body as Buffer)).toBe(true)
    await test.api.get('/api/bundles/..%2fcopies.json').expect(404)
  })
  it('keep seven days, five weeks and twelve months; the clock set back does not turn their order', async () => {
    const disk = new MemoryDisk()
    const bundle = JSON.parse(sealedAs(smallContent())) as Bundle
    const keepOn = (day: string) =>
      keepBundle(disk, '/farm', bundle, namesFor(day), `${day}T12:00:00.000Z`, async () => true)
    for (let n = 0; n < 400; n += 11)
      await keepOn(new Date(Date.UTC(2026, 0, 1 + n)).toISOString().slice(0, 10))
    await keepOn('2025-06-01')
    const kept = (kind: string) =>
      bundlesIn(disk, '/farm').flatMap((b) =>
        b.kind === kind ? b.name.replace(/^\w+-|\.json\.gz$/g, '') : [],
      )
    expect(kept('day')).toEqual([
      '2026-12-08',
      '2026-12-19',
      '2026-12-30',
      '2027-01-10',
      '2027-01-21',
      '2027-02-01',
      '2025-06-01',
    ])
    expect([kept('week').length, kept('month').length]).toEqual([5, 12])
    expect(kept('month').at(-1)).toBe('2025-06')
  })
  it('that do not prove leave what was kept before', async () => {
    const disk = new MemoryDisk()
    const bundle = JSON.parse(sealedAs(smallContent())) as Bundle
    const keepOn = (proves: boolean) =>
      keepBundle(
        disk,
        '/farm',
        bundle,
        namesFor('2026-11-02'),
        '2026-11-02T12:00:00.000Z',
        async () => proves,
      )
    await keepOn(true)
    await expect(keepOn(false)).rejects.toThrow(/did not give back/)
    disk.failing = { at: disk.calls.length + 4, fault: 'short' }
    await expect(keepOn(true)).rejects.toThrow()
    expect(bundlesIn(disk, '/farm')).toHaveLength(3)
    const bytes = disk.read('/farm/backups/bundles/day-2026-11-02.json.gz')
    expect(await bundleFrom(bytes, null)).toMatchObject({ ok: true, value: { digest: bundle.digest } })
  })
  it('are named by the ISO 8601 week: 1 January 2027 lies in the last week of 2026', () => {
    expect(['2026-11-25', '2027-01-01', '2026-12-31', '2027-01-04', '2024-12-30'].map(weekOf)).toEqual([
      '2026-W48',
      '2026-W53',
      '2026-W53',
      '2027-W01',
      '2025-W01',
    ])
    expect(namesFor('2026-11-25').map((n) => n.kind)).toEqual(['day', 'week', 'month'])
  })
})

describe('bringing a copy back', () => {
  it('is rehearsed beside the present records, taken only when said, and can itself be brought back', async () => {
    const before = await tags()
    await keep()
    await hang('Set aside')
    const source = { place: 'here', name: 'day-2026-11-02.json.gz', passphrase: null }
    const { body } = await test.api.post('/api/rehearsals').send(source).expect(201)
    expect(body).toMatchObject({ held: { lots: before.length }, present: { lots: before.length + 1 } })
    expect(await tags()).toContain('Set aside')
    await test.api.post('/api/rehearsals/01890a5d-ac96-774b-bcce-b302099a8057/restore').expect(404)
    const done = (await test.api.post(`/api/rehearsals/${body.id}/restore`).expect(200)).body
    expect(await tags()).toEqual(before)
    expect(existsSync(join(test.folder, done.aside))).toBe(true)
    await hang('After it')
    const again = (
      await test.api
        .post('/api/rehearsals')
        .send({ ...source, name: done.kept })
        .expect(201)
    ).body
    await test.api.post(`/api/rehearsals/${again.id}/restore`).expect(200)
    expect(await tags()).toEqual([...before, 'Set aside'])
  })
  // Thirty times in a trial.
  it.each(Array.from({ length: process.env.EKKO_ALL ? 30 : 1 }, (_, n) => n))(
    'while it takes their place nothing is written: each row taken is in the new farm or in what is kept before (%i)',
    async (run) => {
      const { body } = await test.api
        .post('/api/rehearsals')
        .send({ place: 'here', name: 'day-2026-11-02.json.gz', passphrase: null })
        .expect(201)
      let isDone = false
      const restored = test.api.post(`/api/rehearsals/${body.id}/restore`).then((res) => {
        isDone = true
        return res
      })
      const taken: string[] = []
      const refused = new Set<string>()
      for (let n = 0; !isDone; n++) {
        const res = await test.api.post('/api/lots').send(lotBody({ tag: `Meanwhile ${run} ${n}` }))
        if (res.status === 201) taken.push(`Meanwhile ${run} ${n}`)
        else refused.add(`${res.status} ${res.body.type}`)
      }
      const done = (await restored).body
      expect([...refused]).toEqual(['503 /problems/bringing-back'])
      const bytes = readFileSync(join(placesOf(test.folder).bundles, done.kept))
      const before = await bundleFrom(bytes, null)
      if (!before.ok) throw new Error(JSON.stringify(before.issues))
      const there = new Set([...before.value.content.lots.map((l) => l.tag), ...(await tags())])
      expect(taken.filter((tag) => !there.has(tag))).toEqual([])
    },
  )
  it('begins another history: what was decided on the one before is told so, and a lot known from there comes whole', async () => {
    const lot = await hang('Two histories')
    const { headers } = await test.api.get(`/api/lots/${lot.id}`).expect(200)
    const here = String(headers[HISTORY_HEADER])
    const other = '01890a5d-ac96-774b-bcce-b302099a8057'
    const weigh = (history: string) =>
      test.api
        .post(`/api/lots/${lot.id}/weighings`)
        .set(HISTORY_HEADER, history)
        .send(weighingBody('live', 260))
    expect((await weigh(other).expect(409)).body.type).toBe('/problems/other-history')
    await weigh(here).expect(200)
    const since = (history: string) =>
      test.api.get(`/api/lots/${lot.id}?since=0`).set(HISTORY_HEADER, history).expect(200)
    expect((await since(here)).body.from).toBe(0)
    expect((await since(other)).body.tag).toBe('Two histories')
    const kept = await keep()
    const { body } = await test.api
      .post('/api/rehearsals')
      .send({ place: 'here', name: kept.bundles.at(-1)!.name, passphrase: null })
      .expect(201)
    await test.api.post(`/api/rehearsals/${body.id}/restore`).expect(200)
    const next = String((await test.api.get('/api/home').expect(200)).headers[HISTORY_HEADER])
    expect(next).not.toBe(here)
    await weigh(here).expect(409)
  })
  it('a database that was moved aside is listed, looked into, and cleared by a person alone, who stands in the logbook', async () => {
    const { asides } = await look()
    expect(asides.length).toBeGreaterThan(0)
    const { name } = asides[0]!
    const { body } = await test.api
      .post('/api/rehearsals')
      .send({ place: 'aside', name, passphrase: null })
      .expect(201)
    expect(body.held.lots).toBeGreaterThan(0)
    await test.api.delete(`/api/rehearsals/${body.id}`).expect(204)
    for (const wrong of ['db', '..%2fdb', 'db.aside-99'])
      await test.api.delete(`/api/copies/asides/${wrong}`).expect(404)
    const left = (await test.api.delete(`/api/copies/asides/${name}`).expect(200)).body as Copies
    expect(left.asides.map((a) => a.name)).not.toContain(name)
    expect(existsSync(join(test.folder, name))).toBe(false)
    const { log } = (await test.api.get('/api/devices').expect(200)).body
    expect(log[0]).toMatchObject({ what: 'cleared', about: { aside: name } })
    expect(log.map((l: { what: string }) => l.what)).toContain('brought back')
  })
  it('left as it is changes nothing', async () => {
    const before = await tags()
    const source = { place: 'here', name: 'day-2026-11-02.json.gz', passphrase: null }
    const { body } = await test.api.post('/api/rehearsals').send(source).expect(201)
    expect((await look()).rehearsal).toEqual(body)
    await test.api.delete(`/api/rehearsals/${body.id}`).expect(204)
    expect(await look()).toMatchObject({ rehearsal: null })
    await test.api.post(`/api/rehearsals/${body.id}/restore`).expect(404)
    expect(existsSync(placesOf(test.folder).next)).toBe(false)
    expect(await tags()).toEqual(before)
  })
  it('of what is no bundle, is cut off, or is gone, says so at its field', async () => {
    const sent = (bytes: Buffer | string) =>
      test.api.post('/api/rehearsals/sent').set('content-type', 'application/octet-stream').send(bytes)
    expect((await sent('hello').expect(422)).body.errors[0].detail).toMatch(/not whole JSON/)
    const file = readFileSync(join(placesOf(test.folder).bundles, 'day-2026-11-02.json.gz'))
    expect((await sent(file.subarray(0, 200)).expect(422)).body.errors[0].detail).toMatch(/does not unpack/)
    await sent('').expect(422)
    const gone = { place: 'here', name: 'day-2020-01-01.json.gz', passphrase: null }
    expect((await test.api.post('/api/rehearsals').send(gone).expect(422)).body.errors[0].code).toBe(
      'bundle-gone',
    )
    const { body } = await sent(file).expect(201)
    await test.api.delete(`/api/rehearsals/${body.id}`).expect(204)
  })
})

describe('a sealed bundle', () => {
  const header = (words: string) => ({ 'x-ekko-passphrase': Buffer.from(words).toString('base64url') })
  it('opens with its passphrase alone', async () => {
    const { body } = await test.api
      .post('/api/bundle/sealed')
      .send({ passphrase: 'six hens in Würzburg' })
      .buffer()
      .parse((res, done) => {
        const parts: Buffer[] = []
        res.on('data', (part: Buffer) => parts.push(part))
        res.on('end', () => done(null, Buffer.concat(parts)))
      })
      .expect(200)
    expect(isSealed(body as Buffer)).toBe(true)
    expect((body as Buffer).includes('Fallowmere')).toBe(false)
    const send = (words?: string, bytes = body) =>
      test.api
        .post('/api/rehearsals/sent')
        .set('content-type', 'application/octet-stream')
        .set(words ? header(words) : {})
        .send(bytes)
    expect((await send().expect(422)).body.errors[0]).toMatchObject({
      code: 'bundle-sealed',
      field: 'passphrase',
    })
    // A passphrase is worked on for seconds; here its work is small.
    const small = await seal(Buffer.from((await test.api.get('/api/bundle')).text), 'six hens in Würzburg', 8)
    const out = await send('six hens in Würzburg', Buffer.from(small)).expect(201)
    await test.api.delete(`/api/rehearsals/${out.body.id}`).expect(204)
  })
  it('with another passphrase or one byte changed does not open', async () => {
    const sealed = Buffer.from(await seal(Buffer.from('{"a":1}'), 'six hens', 8))
    expect(Buffer.from((await unseal(sealed, 'six hens'))!).toString()).toBe('{"a":1}')
    expect(await unseal(sealed, 'six hens ')).toBeNull()
    sealed[sealed.length - 3]! ^= 1
    const out = await bundleFrom(sealed, 'six hens')
    expect(out).toMatchObject({ ok: false, issues: [{ code: 'bundle-wrong-passphrase' }] })
  })
  it('of a short passphrase is refused', async () => {
    const res = await test.api.post('/api/bundle/sealed').send({ passphrase: 'short' }).expect(400)
    expect(res.body.errors[0]).toMatchObject({ field: 'passphrase', detail: /at least eight/ })
  })
})

describe('the second place', () => {
  it('gets each day’s bundle, which is read back there; a stick that is out is a word and no error', async () => {
    const stick = newFolder()
    const choose = (folder: string | null) => test.api.put('/api/copies/second').send({ folder })
    expect((await choose(stick).expect(200)).body.second).toMatchObject({
      folder: stick,
      state: 'there',
      bundles: [],
    })
    await hang('To the stick')
    expect((await keep()).second.bundles).toEqual(['ekko-day-2026-11-02.json.gz'])
    const there = { place: 'second', name: 'ekko-day-2026-11-02.json.gz', passphrase: null }
    const { body } = await test.api.post('/api/rehearsals').send(there).expect(201)
    await test.api.delete(`/api/rehearsals/${body.id}`).expect(204)
    rmSync(stick, { recursive: true })
    await hang('Without the stick')
    expect((await keep()).second).toMatchObject({ state: 'away', why: null })
    expect((await choose(null).expect(200)).body.second.state).toBe('none')
  })
  it('is refused inside the records, where nothing is, by half a path, and where nothing can be written', async () => {
    const refusal = async (folder: string) =>
      (await test.api.put('/api/copies/second').send({ folder }).expect(422)).body.errors[0].detail as string
    expect(await refusal(join(test.folder, 'backups'))).toMatch(/inside the records/)
    expect(await refusal('/nowhere/at/all')).toMatch(/no such folder now/)
    expect(await refusal('stick')).toMatch(/whole path/)
    const file = join(newFolder(), 'file')
    writeFileSync(file, '')
    expect(await refusal(file)).toMatch(/cannot write there/)
  })
  it('that loses what was written there says so, and nothing else fails', async () => {
    const [folder, stick] = [newFolder(), newFolder()]
    mkdirSync(placesOf(folder).bundles, { recursive: true })
    appendFileSync(join(placesOf(folder).bundles, 'day-x.json.gz'), 'bytes')
    chooseSecond(realDisk, folder, stick)
    const lossy: Disk = { ...realDisk, write: (path, content) => realDisk.write(path, content.slice(0, 2)) }
    expect(bringToSecond(lossy, folder, 'day-x.json.gz')).toMatchObject({ state: 'failed', why: 'EIO' })
    const full: Disk = {
      ...realDisk,
      write: (path) => {
        throw new DiskFailure('write', path, 'ENOSPC')
      },
    }
    expect(bringToSecond(full, folder, 'day-x.json.gz')).toMatchObject({ state: 'failed', why: 'ENOSPC' })
    expect(readdirSync(stick).filter((n) => n.endsWith('.gz'))).toEqual([])
    expect(lookAtSecond(realDisk, folder).state).toBe('there')
  })
})

describe('a folder copy', () => {
  it('is proven on a throw-away after each checkpoint; a weighing taken meanwhile is kept', async () => {
    const lot = await hang('Meanwhile')
    await test.store.checkpoint()
    await test.api.post(`/api/lots/${lot.id}/weighings`).send(weighingBody('live', 260)).expect(200)
    await test.keeping.settled()
    const { copies, warning } = await look()
    expect(warning).toBeNull()
    expect(copies.filter((c) => c.why === 'checkpoint').at(-1)!.proven).not.toBeNull()
    expect(existsSync(placesOf(test.folder).trial) && readdirSync(placesOf(test.folder).trial)).toEqual([])
  })
})
