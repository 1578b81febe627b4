import { mkdirSync, writeFileSync } from 'node:fs'
import { createServer } from 'node:http'
import { join } from 'node:path'
import { brotliCompressSync } from 'node:zlib'
import { v7 as uuid } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { Append, Bundle, Lot } from '#contracts'
import { readBundle } from './bundle/form.ts'
import { Bell } from './events.ts'
import {
  appendBody,
  FARM,
  factBody,
  lotBody,
  newFolder,
  openTestApi,
  packBody,
  takePath,
  weighingBody,
} from './testing.ts'

let test: Awaited<ReturnType<typeof openTestApi>>
const bugs: unknown[] = []
beforeAll(async () => {
  test = await openTestApi({ log: (e) => bugs.push(e) })
  await test.api.put('/api/farm').send(FARM).expect(200)
})
afterAll(() => expect(bugs).toEqual([]))

const hang = async (more = {}): Promise<Lot> =>
  (await test.api.post('/api/lots').send(lotBody(more)).expect(201)).body
const send = (lot: Lot, what: string, body: object) => test.api.post(`/api/lots/${lot.id}/${what}`).send(body)

describe('the same id', () => {
  it('with the same content is kept once, whatever the order of its keys; with other content both come back', async () => {
    const [lot, other] = [await hang(), await hang()]
    const weighing = weighingBody('live', 260)
    await send(lot, 'weighings', weighing).expect(200)
    const turned = Object.fromEntries(Object.entries(weighing).reverse())
    expect((await send(lot, 'weighings', turned).expect(200)).body.weighings).toHaveLength(1)
    const changed = await send(lot, 'weighings', { ...weighing, shown: { value: 250, unit: 'lb' } }).expect(
      409,
    )
    expect(changed.body).toMatchObject({
      type: '/problems/taken',
      held: { shown: { value: 260 } },
      sent: { shown: { value: 250 } },
    })
    await send(other, 'weighings', weighing).expect(409)
    const pack = packBody('bacon', 9)
    await send(lot, 'packs', pack).expect(200)
    await send(lot, 'packs', pack).expect(200)
    await send(lot, 'packs', { ...pack, packs: 2 }).expect(409)
    await send(other, 'packs', pack).expect(409)
  })
  it('is one thing across all kinds: a fact, a pack, a decision, a lot cannot have that of a weighing', async () => {
    const lot = await hang()
    const weighing = weighingBody('live', 260)
    await send(lot, 'weighings', weighing).expect(200)
    const { id } = weighing
    const batch = appendBody(1, takePath('loin', 'loin-roasts'))
    const tries = [
      send(lot, 'packs', packBody('bacon', 9, { id })),
      send(lot, 'facts', { facts: [{ ...factBody({ kind: 'observation', what: 'ribs', value: 14 }), id }] }),
      send(lot, 'decisions', { ...batch, commands: batch.commands.map((c) => ({ ...c, id })) }),
      test.api.post('/api/lots').send(lotBody({ id })),
      send(lot, 'weighings', { ...weighingBody('hot', 180), id: lot.id }),
    ]
    for (const res of await Promise.all(tries))
      expect([res.status, res.body.type]).toEqual([409, '/problems/taken'])
    expect((await test.api.get(`/api/lots/${lot.id}`)).body).toMatchObject({ rev: 1, packs: [], facts: [] })
  })
  it('of a batch, or of one decision in it, is refused for another', async () => {
    const [lot, other] = [await hang(), await hang()]
    const batch = appendBody(0, takePath('loin', 'loin-roasts'))
    await send(lot, 'decisions', batch).expect(200)
    await send(lot, 'decisions', { ...batch, base: 0, own: [batch.batch] }).expect(200)
    await send(other, 'decisions', batch).expect(409)
    const commands = [{ ...batch.commands[0]!, decision: takePath('loin', 'loin-grind') }]
    await send(lot, 'decisions', { ...batch, commands }).expect(409)
    await send(other, 'decisions', { ...batch, batch: uuid() }).expect(409)
    expect((await test.api.get(`/api/lots/${other.id}`)).body.commands).toEqual([])
  })
  it('of a paper asked for another lot, kind or share never gives the first one’s paper', async () => {
    const [lot, other] = [await hang(), await hang()]
    for (const l of [lot, other]) await send(l, 'weighings', weighingBody('live', 260)).expect(200)
    const asked = { id: uuid(), kind: 'letter', share: 2 }
    const first = (await send(lot, 'papers', asked).expect(201)).body
    expect((await send(lot, 'papers', asked).expect(201)).body).toEqual(first)
    await send(other, 'papers', asked).expect(409)
    await send(lot, 'papers', { ...asked, share: 4 }).expect(409)
    await send(lot, 'papers', { ...asked, kind: 'cut-sheet' }).expect(409)
  })
  it('in capitals is the same id; twice in one batch it is refused at its field', async () => {
    const body = lotBody()
    await test.api.post('/api/lots').send(body).expect(201)
    await test.api
      .post('/api/lots')
      .send({ ...body, id: body.id.toUpperCase() })
      .expect(201)
    await test.api
      .post('/api/lots')
      .send({ ...body, tag: 'Other' })
      .expect(409)
    await test.api.get(`/api/lots/${body.id.toUpperCase()}`).expect(200)
    const one = appendBody(0, takePath('loin', 'loin-roasts'))
    const twice: Append = { ...one, commands: [one.commands[0]!, one.commands[0]!] }
    const res = await test.api.post(`/api/lots/${body.id}/decisions`).send(twice).expect(400)
    expect(res.body.errors[0]).toMatchObject({ field: 'commands', detail: /have one id/ })
  })
})

describe('what is changed in place', () => {
  it('is refused when another window changed it since, with both shown, and kept with what stands now', async () => {
    const held = (await test.api.get('/api/home')).body.farm
    const mine = { ...FARM, base: held.revision, name: 'Upper Fallowmere' }
    const saved = (await test.api.put('/api/farm').send(mine).expect(200)).body
    expect((await test.api.put('/api/farm').send(mine).expect(200)).body).toEqual(saved)
    const clash = await test.api
      .put('/api/farm')
      .send({ ...mine, name: 'Lower Fallowmere' })
      .expect(409)
    expect(clash.body).toMatchObject({
      type: '/problems/changed',
      held: { name: 'Upper Fallowmere', revision: held.revision + 1 },
      sent: { name: 'Lower Fallowmere' },
    })
    await test.api
      .put('/api/farm')
      .send({ ...mine, base: saved.revision, name: 'Lower Fallowmere' })
      .expect(200)
  })
  it('plans and own additions likewise', async () => {
    const body = {
      format: 'ekko-plan',
      version: 1,
      species: 'lamb',
      name: 'Hill',
      says: '',
      trim: 'close',
      lines: [],
      mm: [],
      paths: [],
      portions: [],
    }
    const id = uuid()
    const put = (base: number, name: string) =>
      test.api.put(`/api/plans/${id}`).send({ base, body: { ...body, name }, withdrawn: false })
    expect((await put(0, 'Hill').expect(200)).body.revision).toBe(1)
    expect((await put(0, 'Hill').expect(200)).body.revision).toBe(1)
    expect((await put(0, 'Vale').expect(409)).body.held.body.name).toBe('Hill')
    await put(1, 'Vale').expect(200)
    const own = { species: 'steer', cuts: [], parts: [], paths: [] }
    await test.api.post('/api/own').send({ base: 0, body: own }).expect(201)
    const cut = {
      id: 'own-x',
      names: { american: 'X', commonwealth: 'X' },
      destination: 'G',
      kind: 'product',
      index: 1,
      portion: null,
    }
    const clash = await test.api.post('/api/own').send({ base: 0, body: { ...own, cuts: [cut] } })
    expect([clash.status, clash.body.held?.version]).toEqual([409, 1])
  })
  it('a plan of parts that no animal has is refused at its place', async () => {
    const body = {
      format: 'ekko-plan',
      version: 1,
      species: 'lamb',
      name: 'X',
      says: '',
      trim: 'close',
      lines: [{ line: 'no-line', side: 'left', setting: 'x' }],
      mm: [],
      paths: [{ part: 'wing', side: 'left', path: 'wing-whole' }],
      portions: [],
    }
    const res = await test.api
      .put(`/api/plans/${uuid()}`)
      .send({ base: 0, body, withdrawn: false })
      .expect(422)
    expect(res.body.errors.map((e: { field: string }) => e.field)).toEqual(['body.paths.0', 'body.lines.0'])
  })
})

describe('what the sender got wrong is never our bug', () => {
  it.each<[string, () => PromiseLike<{ status: number }>, number]>([
    ['NUL in a text', () => test.api.post('/api/lots').send(lotBody({ tag: 'a\u0000b' })), 400],
    [
      'half of a pair',
      () =>
        test.api
          .post('/api/lots')
          .send('{"id":"01890a5d-ac96-774b-bcce-b302099a8057","tag":"\\ud800","species":"hog","count":1}')
          .type('json'),
      400,
    ],
    [
      'a name of invisible signs',
      () => test.api.post('/api/lots').send(lotBody({ tag: '\u200b\u2060\u3164' })),
      400,
    ],
    [
      'a currency that does not exist',
      () => test.api.put('/api/farm').send({ ...FARM, currency: 'ABC' }),
      400,
    ],
    [
      'a zone that does not exist',
      () => test.api.put('/api/farm').send({ ...FARM, zone: 'Mars/Olympus' }),
      400,
    ],
    [
      'mince at 5e-324',
      () => test.api.put('/api/farm').send({ ...FARM, mince: { milli: 5e-324, per: 'lb' } }),
      400,
    ],
    ['an origin of null', () => test.api.put('/api/farm').set('origin', 'null').send(FARM), 403],
    ['%ff in an address', () => test.api.get('/api/lots/%ff'), 400],
    ['NUL in an address', () => test.api.get('/api/anatomies/%00'), 404],
    [
      'an unknown charset',
      () => test.api.put('/api/farm').set('content-type', 'application/json; charset=klingon').send('{}'),
      415,
    ],
    [
      'an unknown encoding',
      () => test.api.put('/api/farm').type('json').set('content-encoding', 'zip').send('{}'),
      415,
    ],
    ['a body that is no object', () => test.api.put('/api/farm').send('7').type('json'), 400],
  ])('%s', async (_, act, status) => {
    expect((await act()).status).toBe(status)
  })
  it('a weight below a gram is refused at its field', async () => {
    const res = await send(await hang(), 'packs', packBody('bacon', 0.001)).expect(400)
    expect(res.body.errors[0]).toMatchObject({ field: 'shown.value', detail: /less than a gram/ })
  })
  it('more than the species can weigh is refused though nothing was weighed yet', async () => {
    const res = await send(await hang(), 'packs', packBody('bacon', 99_999)).expect(422)
    expect(res.body.errors[0]).toMatchObject({ code: 'packed-above-species', detail: /none gives more than/ })
  })
  it('5,000 packs in 0.01 lb are a wrong weight or a wrong number', async () => {
    const res = await send(await hang(), 'packs', packBody('bacon', 0.01, { packs: 5000 })).expect(422)
    expect(res.body.errors[0]).toMatchObject({ field: 'packs', code: 'packs-too-light' })
  })
  it('a base beyond what is kept would skip the conflict check', async () => {
    const res = await send(
      await hang(),
      'decisions',
      appendBody(1e9, takePath('loin', 'loin-roasts')),
    ).expect(422)
    expect(res.body.errors[0]).toMatchObject({ code: 'base-ahead', field: 'base' })
  })
  it('an undo of nothing, of something else, or of what is undone already', async () => {
    const lot = await hang()
    const take = appendBody(0, takePath('loin', 'loin-roasts'))
    const kept: Lot = (await send(lot, 'decisions', take).expect(200)).body
    const base = kept.rev
    const back = { ...takePath('loin', 'loin-chops'), value: null }
    const undo = (more: Partial<Append>, decision: object = back) =>
      send(lot, 'decisions', { ...appendBody(base, decision as never), ...more })
    expect((await undo({ undoes: uuid() }).expect(422)).body.errors[0].code).toBe('nothing-to-undo')
    expect((await undo({ redoes: take.batch }).expect(422)).body.errors[0].code).toBe('nothing-to-undo')
    expect((await undo({ undoes: take.batch, redoes: take.batch }).expect(400)).body.errors[0].field).toBe(
      'redoes',
    )
    const elsewhere = await undo({ undoes: take.batch }, takePath('leg', 'leg-grind')).expect(422)
    expect(elsewhere.body.errors[0].code).toBe('undo-elsewhere')
    await undo({ undoes: take.batch }).expect(200)
    await undo({ undoes: take.batch }).expect(422)
  })
})

describe('streams and pages', () => {
  it('a policy for forms, and a heartbeat on streams, of which there are at most 64', async () => {
    const res = await test.api.get('/api/home')
    expect(res.headers['content-security-policy']).toContain("form-action 'self'")
    const server = test.app.listen(0, '127.0.0.1')
    await new Promise((done) => server.once('listening', done))
    const address = server.address()
    const url = `http://127.0.0.1:${typeof address === 'object' ? address!.port : 0}/api/events`
    const stop = new AbortController()
    const open = await Promise.all(Array.from({ length: 64 }, () => fetch(url, { signal: stop.signal })))
    expect(open.every((r) => r.ok)).toBe(true)
    expect((await fetch(url)).status).toBe(503)
    stop.abort()
    test.bell.close()
    server.closeAllConnections()
    await new Promise((done) => server.close(done))
  })
})

describe('pages and streams', () => {
  it('a missing script is not a page: 404; an address of the application is one', async () => {
    const pages = newFolder()
    writeFileSync(join(pages, 'index.html'), '<title>Ekko</title>')
    const { api } = await openTestApi({ pages })
    expect((await api.get('/lots/any/block').expect(200)).text).toContain('Ekko')
    const missing = await api.get('/assets/none-1234.js').expect(404)
    expect(missing.type).toBe('application/problem+json')
  })
  it('what the build names by its content is kept for good and sent compressed; the page itself is asked for anew', async () => {
    const pages = newFolder()
    mkdirSync(join(pages, 'assets'))
    const script = `export const words = '${'word '.repeat(200)}'`
    writeFileSync(join(pages, 'index.html'), '<title>Ekko</title>')
    writeFileSync(join(pages, 'assets', 'index-aB3_xY-9.js'), script)
    writeFileSync(join(pages, 'assets', 'index-aB3_xY-9.js.br'), brotliCompressSync(script))
    const { api } = await openTestApi({ pages })
    const got = await api.get('/assets/index-aB3_xY-9.js').set('accept-encoding', 'br, gzip').expect(200)
    expect(got.headers).toMatchObject({
      'content-encoding': 'br',
      'cache-control': 'public, max-age=31536000, immutable',
    })
    expect(Number(got.headers['content-length'])).toBeLessThan(script.length / 5)
    const plain = await api.get('/assets/index-aB3_xY-9.js').set('accept-encoding', 'identity').expect(200)
    expect(plain.headers['content-encoding']).toBeUndefined()
    expect((await api.get('/').expect(200)).headers['cache-control']).toBe('no-cache')
    const build = async () =>
      (await (await openTestApi({ pages })).api.get('/api/standing')).headers['x-ekko-build']
    const one = await build()
    expect(one).toMatch(/^[0-9a-f]{16}$/)
    expect(await build()).toBe(one)
    writeFileSync(join(pages, 'index.html'), '<title>Ekko, newer</title>')
    expect(await build()).not.toBe(one)
  })
  it('a stream has a heartbeat, so that one whose reader is gone is noticed', async () => {
    const bell = new Bell(() => 'h', 10)
    const server = createServer((req, res) => void bell.listen(req as never, res as never)).listen(
      0,
      '127.0.0.1',
    )
    await new Promise((done) => server.once('listening', done))
    const address = server.address()
    const res = await fetch(`http://127.0.0.1:${typeof address === 'object' ? address!.port : 0}`)
    const reader = res.body!.getReader()
    let heard = ''
    while (!heard.includes(': \n\n')) heard += Buffer.from((await reader.read()).value!).toString()
    expect(heard).toContain('retry: 1000')
    bell.close()
    server.closeAllConnections()
    server.close()
  })
})

describe('after all of that', () => {
  it('the records are read whole, every row as a bundle may hold it', async () => {
    const text = (await test.api.get('/api/bundle').expect(200)).text
    const out = readBundle(text)
    expect(out.ok ? [] : out.issues).toEqual([])
    expect((JSON.parse(text) as Bundle).content.lots.length).toBeGreaterThan(10)
  })
})
