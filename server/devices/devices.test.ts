import { appendFileSync, readFileSync, writeFileSync } from 'node:fs'
import type { Response } from 'express'
import { v7 as uuid } from 'uuid'
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest'
import type { Code, Devices, Home, Lot, Problem } from '#contracts'
import { DEVICE_HEADER, ROUTES } from '#contracts'
import type { Decision } from '#core/records'
import { accessTo } from './access.ts'
import type { Access } from './access.ts'
import { onlyLetIn } from './gate.ts'
import { network } from './network.ts'
import { placesOf } from '../database/places.ts'
import { Bell } from '../events.ts'
import { Desk } from '../instruments/desk.ts'
import { Registry } from './registry.ts'
import {
  appendBody,
  FARM,
  factBody,
  lotBody,
  newFolder,
  openTestApi,
  packBody,
  takePath,
} from '../testing.ts'

const BARN = 'barn.test:4310'
let time = Date.parse('2026-11-02T12:00:00Z')
const now = () => new Date(time)
let test: Awaited<ReturnType<typeof openTestApi>>
let access: Access
let folder: string
const opened: (typeof test)[] = []
async function openNew() {
  folder = newFolder()
  access = accessTo(
    folder,
    now,
    network(() => 4310, ['barn.test']),
  )
  test = await openTestApi({ access, now })
  opened.push(test)
  await test.api.put('/api/farm').send(FARM).expect(200)
}
beforeAll(openNew)
afterAll(async () => {
  for (const t of opened) await t.store.close()
})

const makeCode = async (floor = false): Promise<Code> =>
  (await test.api.post('/api/devices/code').send({ floor }).expect(201)).body
let tablets = 0
const pair = (code: string, more: object = {}, cookie = '') =>
  test.api
    .post('/api/devices/pair')
    .set('host', BARN)
    .set('cookie', cookie)
    .send({ code, name: `Tablet ${++tablets}`, ...more })
/** Lets a device in, in again with the cookie it had; the cookie its browser would keep. */
async function letIn(floor = false, had = '') {
  const res = await pair((await makeCode(floor)).code, {}, had).expect(201)
  const cookie = String(res.headers['set-cookie']).split(';')[0]!
  return { device: String(res.body.device), name: String(res.body.name), cookie }
}
const devices = async (): Promise<Devices> => (await test.api.get('/api/devices').expect(200)).body
const asked = (cookie: string, path: string) => test.api.get(path).set('host', BARN).set('cookie', cookie)

describe('who is answered', () => {
  it('is this machine under its local name, and under the names and numbers of the network only who was let in', async () => {
    await test.api.get('/api/home').expect(200)
    const stranger = await test.api.get('/api/home').set('host', BARN).expect(401)
    expect((stranger.body as Problem).type).toBe('/problems/not-let-in')
    await test.api.get('/api/home').set('host', 'elsewhere.test').expect(403)
    await asked('ekko-token=' + 'x'.repeat(43), '/api/home').expect(401)
  })

  it('is nobody who only says it is this machine: where a request comes from counts, not what it calls us', () => {
    const from = (remoteAddress: string) => () =>
      onlyLetIn(access.registry)(
        {
          method: 'GET',
          path: '/home',
          headers: { host: 'localhost:4310' },
          socket: { remoteAddress },
        } as never,
        {} as never,
        () => undefined,
      )
    expect(from('192.0.2.7')).toThrow('This device has not been let in.')
    expect(from('::ffff:192.0.2.7')).toThrow()
    for (const own of ['127.0.0.1', '::1', '::ffff:127.0.0.1']) expect(from(own)).not.toThrow()
  })

  it('is nobody whose page came from elsewhere, token or not', async () => {
    const { cookie } = await letIn()
    const from = (origin: string) =>
      test.api.post('/api/lots').set('host', BARN).set('origin', origin).set('cookie', cookie).send(lotBody())
    await from('http://evil.test').expect(403)
    await from(`http://${BARN}`).expect(201)
  })

  it('refuses every address of the API to who was not let in', async () => {
    for (const path of ['/bundle', '/copies', '/devices', '/events', '/standing', '/own/hog'])
      await test.api.get(`/api${path}`).set('host', BARN).expect(401)
    await test.api.post('/api/devices/code').set('host', BARN).send({ floor: false }).expect(401)
  })
})

describe('a code', () => {
  // Wrong ones are counted by the server: each has one of its own.
  beforeEach(openNew)

  it('lets one device in, once, with a token that no script reads and no other site sends', async () => {
    const { code, links } = await makeCode()
    expect(links.map((l) => l.url)).toContain(`http://barn.test:4310/#${code}`)
    const res = await pair(code, { name: 'Barn tablet' }).expect(201)
    expect(String(res.headers['set-cookie'])).toMatch(/HttpOnly/)
    expect(String(res.headers['set-cookie'])).toMatch(/SameSite=Strict/)
    await pair(code).expect(422)
    expect((await devices()).devices.map((d) => d.name)).toEqual(['Barn tablet'])
  })

  it('is over after ten minutes, and when another is made', async () => {
    const first = await makeCode()
    const second = await makeCode()
    if (first.code !== second.code) await pair(first.code).expect(422)
    time += 10 * 60_000
    expect((await devices()).code).toBeNull()
    await pair(second.code).expect(422)
  })

  it('cannot be guessed: after five wrong ones even the right one waits', async () => {
    const { code } = await makeCode()
    const wrong = code === '000000' ? '000001' : '000000'
    for (let i = 0; i < 5; i++) await pair(wrong).expect(422)
    const res = await pair(code).expect(429)
    // The machine that holds the records is never shut out: what it shows as a code is good there.
    await test.api.post('/api/devices/pair').send({ code, name: 'Its own' }).expect(201)
    await test.api.delete(`/api/devices/${(await devices()).devices[0]!.id}`).expect(204)
    expect((res.body as Problem).title).toMatch(/Too many wrong codes/)
    expect(Number(res.headers['retry-after'])).toBeGreaterThan(0)
    expect((await devices()).devices.filter((d) => !d.withdrawn)).toEqual([])
  })
})

describe('a code and another device', () => {
  beforeAll(openNew)

  it('gives nobody the id or the name of one that is in; its rows and its token stay its own', async () => {
    const held = await letIn()
    // What a page says it is called is not asked.
    const res = await pair((await makeCode()).code, { device: held.device }).expect(201)
    expect(res.body.device).not.toBe(held.device)
    await asked(held.cookie, '/api/home').expect(200)
    const { code } = await makeCode()
    const taken = await pair(code, { name: held.name.toUpperCase() }).expect(422)
    expect((taken.body as Problem).errors![0]).toMatchObject({ field: 'name' })
    // The code was not spent by that; the name is free once its device is withdrawn.
    await test.api.delete(`/api/devices/${held.device}`).expect(204)
    const next = await pair(code, { name: held.name }).expect(201)
    expect(next.body.device).not.toBe(held.device)
  })

  it('is for the floor unless more is said', async () => {
    const code: Code = (await test.api.post('/api/devices/code').send({}).expect(201)).body
    expect(code.floor).toBe(true)
  })

  it('who was let in and withdrawn, and by which name, stands in the logbook, also after a restart', async () => {
    const { device, name } = await letIn()
    await test.api.delete(`/api/devices/${device}`).expect(204)
    const { log } = await devices()
    expect(log.slice(0, 2)).toMatchObject([
      { what: 'withdrawn', about: { device, name } },
      { what: 'let in', about: { device, name, floor: false } },
    ])
    appendFileSync(placesOf(folder).logbook, '{"at":"20')
    expect(accessTo(folder, now).logbook.read()).toEqual(log)
  })

  it('has four streams at most, the oldest ends for a fifth; all end with its withdrawal, and the machine keeps its own', async () => {
    const bell = new Bell(() => 'h')
    const desk = new Desk()
    const stream = () => {
      const res = {
        ended: false,
        writableLength: 0,
        writeHead() {},
        write() {},
        on() {},
      } as never as Response
      Object.assign(res, { end: () => Object.assign(res, { ended: true }) })
      return res as Response & { ended: boolean }
    }
    for (const at of [bell, desk]) {
      const open = (device: string | null) => {
        const res = stream()
        return { res, isIn: at.listen(device, res) }
      }
      const five = Array.from({ length: 5 }, () => open('a').res)
      expect(five.map((r) => r.ended)).toEqual([true, false, false, false, false])
      while (open(`other ${Math.random()}`).isIn);
      const own = open(null)
      expect(own.isIn).toBe(true)
      at.hush('a')
      expect(five.every((r) => r.ended)).toBe(true)
      expect(own.res.ended).toBe(false)
    }
    bell.close()
    desk.close()
  })
})

describe('a token', () => {
  beforeAll(openNew)

  it('is worth nothing once its device is withdrawn, and the device hears why', async () => {
    const { device, name, cookie } = await letIn()
    await asked(cookie, '/api/home').expect(200)
    await test.api.delete(`/api/devices/${device}`).expect(204)
    const res = await asked(cookie, '/api/home').expect(401)
    expect(res.body).toMatchObject({
      type: '/problems/withdrawn',
      title: expect.stringContaining(name),
    })
    const shown = (await devices()).devices.find((d) => d.id === device)!
    expect(shown.withdrawn).toBe(now().toISOString())
  })

  it('of before is worth nothing after the device was let in again', async () => {
    const first = await letIn()
    await test.api.delete(`/api/devices/${first.device}`).expect(204)
    const again = await letIn(false, first.cookie)
    expect(again.device).toBe(first.device)
    await asked(first.cookie, '/api/home').expect(401)
    await asked(again.cookie, '/api/home').expect(200)
    expect((await devices()).devices.filter((d) => d.id === first.device)).toHaveLength(1)
  })

  it('lies nowhere as it is, and outlives a restart', async () => {
    const { device, cookie } = await letIn()
    expect(readFileSync(placesOf(folder).devices, 'utf8')).not.toContain(cookie.split('=')[1]!)
    const after = new Registry(placesOf(folder).devices, now)
    expect(after.of(cookie.split('=')[1]!)?.id).toBe(device)
  })

  it('is not believed from a list that cannot be read: that lies aside, and the start says so', () => {
    writeFileSync(placesOf(folder).devices, '{"version":1,"devices":[{"id"')
    const after = new Registry(placesOf(folder).devices, now)
    expect(after.list()).toEqual([])
    expect(after.damaged).toMatch(/let in again/)
    expect(new Registry(placesOf(folder).devices, now).damaged).toBeNull()
  })
})

describe('what a device writes', () => {
  it('bears its own id, whatever its page says', async () => {
    const { device, name, cookie } = await letIn()
    const body = lotBody()
    const res = await test.api
      .post('/api/lots')
      .set('host', BARN)
      .set('cookie', cookie)
      .set(DEVICE_HEADER, uuid())
      .send(body)
      .expect(201)
    expect((res.body as Lot).device).toBe(device)
    const home: Home = (await asked(cookie, '/api/home')).body
    expect(home.devices[device]).toBe(name)
    expect(home.you).toEqual({ machine: false, device, name, floor: false })
  })

  it('on the floor is weights, packs, ticks and the card; nothing else', async () => {
    const lot: Lot = (await test.api.post('/api/lots').send(lotBody()).expect(201)).body
    const { device, cookie } = await letIn(true)
    const post = (path: string, body: object) =>
      test.api.post(`/api${path}`).set('host', BARN).set('cookie', cookie).send(body)
    await asked(cookie, `/api/lots/${lot.id}`).expect(200)
    await post(`/lots/${lot.id}/packs`, packBody('bacon', 2)).expect(200)
    await post(`/lots/${lot.id}/facts`, {
      facts: [factBody({ kind: 'tick', what: 'step', of: 'leg', side: 'left' })],
    }).expect((r) => expect(r.status).not.toBe(403))
    // Who stands at the bench signs, reports, times, voids and puts away; found refused.
    for (const fact of [
      { kind: 'check', check: 'glands', of: 'glands', side: 'animal', by: 'AF' },
      { kind: 'void', pack: 99_999_999, why: 'counted twice' },
    ] as const)
      await post(`/lots/${lot.id}/facts`, { facts: [factBody(fact)] }).expect((r) =>
        expect(r.status).not.toBe(403),
      )
    await asked(cookie, '/api/packs').expect(200)
    // Older lots a page at a time, and any by its name.
    expect((await asked(cookie, `/api/lots?find=${lot.tag}`).expect(200)).body.lots).not.toEqual([])
    await asked(cookie, '/api/instruments').expect(200)
    await post('/instruments/scale/tare', {}).expect(409)
    const barred = [
      test.api.put('/api/instruments/scale').set('host', BARN).set('cookie', cookie).send({ kind: 'none' }),
      post(`/lots/${lot.id}/decisions`, appendBody(lot.rev, takePath('loin', 'loin-chops'))),
      post(`/lots/${lot.id}/facts`, {
        facts: [factBody({ kind: 'cost', label: 'Feed', amount: 100 as never })],
      }),
      post(`/lots/${lot.id}/papers`, { id: uuid(), kind: 'price-list', share: null }),
      post('/lots', lotBody()),
      post('/devices/code', { floor: false }),
      asked(cookie, '/api/bundle'),
      asked(cookie, '/api/devices'),
    ]
    for (const res of await Promise.all(barred))
      expect([res.status, (res.body as Problem).type]).toEqual([403, '/problems/floor-only'])
    await test.api.put(`/api/devices/${device}`).send({ name: 'Barn tablet', floor: false }).expect(204)
    await post(`/lots/${lot.id}/decisions`, appendBody(lot.rev + 1, takePath('loin', 'loin-chops'))).expect(
      200,
    )
  })

  it('of every address of the API a floor device is answered only what is done on the floor', async () => {
    const { cookie } = await letIn(true)
    const answered: string[] = []
    for (const { method, path } of ROUTES.filter(
      (r) => r.path !== '/events' && !r.path.endsWith('/readings'),
    )) {
      const at = path.replace(/:(?:id|name)\b/, uuid()).replace(/:\w+/, 'x')
      const res = await test.api[method](`/api${at}`).set('host', BARN).set('cookie', cookie)
      if (res.status !== 403) answered.push(`${method} ${path}`)
    }
    expect(answered.sort()).toEqual(
      [
        ...['/home', '/standing', '/lots', '/lots/:id', '/lots/:id/card', '/packs', '/packs/used', '/bench'],
        ...['/packs/:number', '/instruments', '/instruments/printer/last', '/instruments/probe/reading'],
        ...['/anatomies/:hash', '/attachments/:hash', '/papers/:name'],
      ]
        .map((path) => `get ${path}`)
        .concat(
          ...['tare', 'zero', 'load'].map((what) => `post /instruments/scale/${what}`),
          ...['/instruments/printer/print', '/packs/events', '/devices/pair'].map((path) => `post ${path}`),
          ...['weighings', 'packs'].map((what) => `post /lots/:id/${what}`),
          'put /attachments/:hash',
        )
        .sort(),
    )
  })

  it('is taken back by itself alone, and not where another has decided since: both come back, and by whom', async () => {
    const lot: Lot = (await test.api.post('/api/lots').send(lotBody()).expect(201)).body
    const [a, b] = [await letIn(), await letIn()]
    const decide = (cookie: string, body: object) =>
      test.api.post(`/api/lots/${lot.id}/decisions`).set('host', BARN).set('cookie', cookie).send(body)
    const mine = appendBody(0, takePath('loin', 'loin-chops'))
    await decide(a.cookie, mine).expect(200)
    const back = {
      ...appendBody(1, { ...takePath('loin', ''), value: null } as Decision),
      undoes: mine.batch,
    }
    const stranger = await decide(b.cookie, back).expect(422)
    expect((stranger.body as Problem).errors![0]!.code).toBe('undo-not-yours')
    await decide(b.cookie, appendBody(1, takePath('loin', 'loin-roasts'))).expect(200)
    const res = await decide(a.cookie, { ...back, base: 2 }).expect(409)
    expect((res.body as Problem).conflicts).toEqual([
      {
        mine: { ...takePath('loin', ''), value: null },
        theirs: takePath('loin', 'loin-roasts'),
        id: null,
        by: b.device,
      },
    ])
    expect((await asked(a.cookie, `/api/lots/${lot.id}`)).body).toMatchObject({ rev: 2 })
  })

  it('is told that a name is missing or too long, at its field', async () => {
    const { code } = await makeCode()
    const res = await pair(code, { name: ' ' }).expect(400)
    expect((res.body as Problem).errors![0]!.field).toBe('name')
    await pair(code).expect(201)
  })
})
