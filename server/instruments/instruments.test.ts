import { createHash } from 'node:crypto'
import { existsSync, mkdirSync, symlinkSync, writeFileSync } from 'node:fs'
import { createServer, type AddressInfo } from 'node:net'
import { join } from 'node:path'
import { v7 as uuid } from 'uuid'
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest'
import type { Code, Instruments, LotChange, Problem, ProbeReading } from '#contracts'
import type { LineFormat } from '#core/instruments'
import { placesOf } from '../database/places.ts'
import { FARM, factBody, lotBody, newFolder, openTestApi, packBody, weighingBody } from '../testing.ts'
import { Desk } from './desk.ts'

let test: Awaited<ReturnType<typeof openTestApi>>
const folder = newFolder()
const desk = new Desk(join(folder, 'instruments.json'))
const bugs: unknown[] = []
beforeAll(async () => {
  test = await openTestApi({ log: (e) => bugs.push(e), desk })
  await test.api.put('/api/farm').send(FARM).expect(200)
})
afterAll(async () => {
  desk.close()
  await test.store.close()
  expect(bugs).toEqual([])
})
const take = (scale: object) => test.api.put('/api/instruments/scale').send(scale)
const load = (kg: number) => test.api.post('/api/instruments/scale/load').send({ kg }).expect(200)
const still = () =>
  vi.waitFor(() => expect(desk.shown().stable).toBe(true), { timeout: 20_000, interval: 20 })
const settled = async (kg: number) =>
  vi.waitFor(
    () => {
      expect(desk.shown().stable).toBe(true)
      expect(desk.shown().kg).toBeCloseTo(kg, 1)
    },
    { timeout: 20_000, interval: 20 },
  )

describe('a scale', () => {
  it('the simulated one is read over a socket as a real one is: it settles, is tared, zeroed, and has an end', async () => {
    await take({ kind: 'stand-in' }).expect(200)
    await still()
    await load(0.4)
    await settled(0.4)
    await test.api.post('/api/instruments/scale/tare').expect(200)
    await load(2.4)
    await settled(2)
    await load(90)
    await vi.waitFor(() => expect(desk.shown().overload).toBe(true), { timeout: 20_000 })
    await test.api.post('/api/instruments/scale/tare').expect(409)
    await load(0)
    await vi.waitFor(() => expect(desk.shown()).toMatchObject({ stable: true, overload: false }), {
      timeout: 20_000,
    })
    await test.api.post('/api/instruments/scale/zero').expect(200)
    expect(desk.shown().tare).toBe(0)
  })

  it('another only needs its line format; away, it is said to be gone, and is read again when it is back', async () => {
    const format: LineFormat = {
      line: 'W:{value}{unit}/{state}',
      still: 'ok',
      moving: 'mv',
      over: 'ovr',
      unit: 'lb',
    }
    const open = (port: number) =>
      new Promise<ReturnType<typeof createServer>>((done) => {
        const server = createServer((socket) => {
          socket.on('error', () => undefined)
          socket.write('garbage\r\nW:  2.50 lb')
          setTimeout(() => socket.write('/ok\r\n'), 10)
        })
        server.listen(port, '127.0.0.1', () => done(server))
      })
    const first = await open(0)
    const { port } = first.address() as AddressInfo
    await take({ kind: 'line', host: '127.0.0.1', port, format }).expect(200)
    await settled(2.5 * 0.45359237)
    expect(desk.shown()).toMatchObject({ unit: 'lb', digits: 2, gone: false })
    first.close()
    desk.close()
    const again = new Desk(join(folder, 'instruments.json'))
    expect(again.state().scale).toMatchObject({ kind: 'line', port })
    again.close()
    const nobody = await take({ kind: 'line', host: '127.0.0.1', port: 1, format }).expect(200)
    expect((nobody.body as Instruments).scale.gone).toBe(true)
    await take({ kind: 'none' }).expect(200)
  })

  it('a format without a value, or a port that is none, is refused at its field', async () => {
    const format = { line: '{state} {unit}', still: '=', moving: '~', over: '!', unit: 'kg' }
    const bad = await take({ kind: 'line', host: 'scale', port: 70_000, format }).expect(400)
    const fields = (bad.body.errors as { field: string }[]).map((e) => e.field)
    expect(fields).toEqual(expect.arrayContaining(['port', 'format.line']))
    await test.api.post('/api/instruments/scale/load').send({ kg: 1 }).expect(404)
  })
})

describe('a label printer', () => {
  it('prints a paper of labels, counts its roll down, and prints nothing in part when it runs out', async () => {
    const lot = lotBody()
    await test.api.post('/api/lots').send(lot).expect(201)
    await test.api.post(`/api/lots/${lot.id}/weighings`).send(weighingBody('hot', 190)).expect(200)
    await test.api
      .post(`/api/lots/${lot.id}/facts`)
      .send({ facts: [factBody({ kind: 'observation', what: 'route', value: 'inspected' })] })
      .expect(200)
    const made: LotChange = (
      await test.api
        .post(`/api/lots/${lot.id}/packs`)
        .send(packBody('bacon', 9, { packs: 3 }))
        .expect(200)
    ).body
    const first = made.packs[0]!.number!
    const asked = { id: uuid(), kind: 'labels', words: { packs: [first, first + 1, first + 2] } }
    const paper = await test.api.post(`/api/lots/${lot.id}/papers`).send(asked).expect(201)
    expect(paper.body.data.labels).toHaveLength(3)
    const print = () => test.api.post('/api/instruments/printer/print').send({ paper: asked.id })
    await print().expect(404)
    await test.api.put('/api/instruments/printer').send({ kind: 'stand-in', labels: 5 }).expect(200)
    expect((await print().expect(200)).body.printer).toMatchObject({ labels: 2, printed: 3 })
    const out = await print().expect(409)
    expect(out.body.type).toBe('/problems/out-of-labels')
    const pdf = await test.api.get('/api/instruments/printer/last').expect(200)
    expect(
      Buffer.from(pdf.body as Uint8Array)
        .subarray(0, 4)
        .toString(),
    ).toBe('%PDF')
    expect(existsSync(join(folder, 'instruments.json'))).toBe(true)
    const gone = { id: uuid(), kind: 'labels', words: { packs: [99_999_999] } }
    const refused = await test.api.post(`/api/lots/${lot.id}/papers`).send(gone).expect(422)
    expect(refused.body.errors[0].code).toBe('packs-gone')
  })
})

describe('a probe', () => {
  it('the simulated one cools as a carcass does: the middle of a heavy side later, the surface first', async () => {
    await test.api.get('/api/instruments/probe/reading?hours=10&kg=80').expect(404)
    await test.api.put('/api/instruments/probe').send({ kind: 'stand-in' }).expect(200)
    const at = async (hours: number, kg: number): Promise<ProbeReading> =>
      (await test.api.get(`/api/instruments/probe/reading?hours=${hours}&kg=${kg}`).expect(200)).body
    expect((await at(12, 150)).deep).toBeGreaterThan((await at(12, 40)).deep + 3)
    expect((await at(12, 150)).surface).toBeLessThan((await at(12, 150)).deep)
    expect((await at(48, 40)).deep).toBeLessThan(7)
    await test.api.get('/api/instruments/probe/reading?hours=soon&kg=80').expect(400)
  })
})

describe('which instruments there are', () => {
  it('is kept beside the records and stands again after a start; what cannot be read is none', async () => {
    const path = join(newFolder(), 'instruments.json')
    const first = new Desk(path)
    await first.takeScale({ kind: 'stand-in' })
    first.takePrinter({ kind: 'stand-in', labels: 12 })
    first.takeProbe({ kind: 'stand-in' })
    first.close()
    const again = new Desk(path)
    expect(again.state()).toMatchObject({
      scale: { kind: 'stand-in' },
      printer: { kind: 'stand-in', labels: 12 },
      probe: { kind: 'stand-in' },
    })
    again.close()
    writeFileSync(path, '{"version":1,"scale"')
    const none = new Desk(path)
    expect(none.state().scale.kind).toBe('none')
    none.close()
  })
})

describe('a disk that is full', () => {
  it('is said in words wherever something is written beside the database: a scale, a code, a picture', async () => {
    const full = await openTestApi()
    const bytes = Buffer.from('a slip')
    const hash = createHash('sha256').update(bytes).digest('hex')
    const { devices, attachments } = placesOf(full.folder)
    mkdirSync(attachments)
    // Linux’s own disk that takes nothing.
    for (const path of [devices, join(attachments, hash)]) symlinkSync('/dev/full', `${path}.aside`)
    symlinkSync('/dev/full', `${join(folder, 'instruments.json')}.aside`)
    const { code } = (await full.api.post('/api/devices/code').send({ floor: false }).expect(201))
      .body as Code
    const said = [
      await full.api.post('/api/devices/pair').send({ code, name: 'Barn' }),
      await full.api.put(`/api/attachments/${hash}`).type('application/octet-stream').send(bytes),
      await test.api.put('/api/instruments/printer').send({ kind: 'stand-in', labels: 5 }),
    ]
    await full.store.close()
    expect(said.map((res) => [res.status, (res.body as Problem).title])).toEqual(
      Array.from({ length: 3 }, () => [507, 'The disk is full.']),
    )
  })
})
