import type { Server } from 'node:http'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { ROUTES, type Bundle } from '#contracts'
import { readBundle } from './bundle/form.ts'
import { answerTo, IDS, requestsFor } from './fuzz.ts'
import { FARM, openTestApi, openTestStore } from './testing.ts'

let test: Awaited<ReturnType<typeof openTestApi>>
let server: Server
let url: string
const bugs: unknown[] = []
beforeAll(async () => {
  test = await openTestApi({ log: (e) => bugs.push(e) })
  server = test.app.listen(0, '127.0.0.1')
  await new Promise((done) => server.once('listening', done))
  const address = server.address()
  url = `http://127.0.0.1:${typeof address === 'object' ? address!.port : 0}`
  await test.api.put('/api/farm').send(FARM).expect(200)
  for (const [i, species] of ['hog', 'lamb', 'steer', 'broiler'].entries())
    await test.api
      .post('/api/lots')
      .send({ id: IDS[i], tag: `Lot ${i}`, species, count: 1 })
      .expect(201)
})
afterAll(() => {
  test.bell.close()
  server.closeAllConnections()
  server.close()
})

describe('the address list of the contracts', () => {
  it('is the server’s own, so that the fuzzer tries every route', () => {
    interface Layer {
      route?: { path: string; methods: Record<string, boolean> }
      handle?: { stack?: Layer[] }
    }
    const stack = (test.app as unknown as { router: { stack: Layer[] } }).router.stack
    const routesOf = (layers: Layer[]): NonNullable<Layer['route']>[] =>
      layers.flatMap((l) => (l.route ? [l.route] : routesOf(l.handle?.stack ?? [])))
    // Below /api: the pages themselves have an address of any form.
    const inner = routesOf(stack).filter((r) => !r.path.includes('{'))
    const served = inner.flatMap((r) => Object.keys(r.methods).map((m) => `${m} ${r.path}`))
    expect(served.sort()).toEqual(ROUTES.map((r) => `${r.method} ${r.path}`).sort())
  })
})

/** Some here; ten times as many and more seeds in the trials. */
const ALL = requestsFor(20261125, 1000)
const BLOCK = 250

describe('1,000 requests, right and wrong, on every route', () => {
  const seen = new Map<number, number>()
  it.each(Array.from({ length: ALL.length / BLOCK }, (_, i) => i * BLOCK))(
    'from the %ith on meet no bug and no silence',
    async (from) => {
      const wrong: string[] = []
      for (const request of ALL.slice(from, from + BLOCK)) {
        const status = (await answerTo(url, request))?.status ?? 0
        seen.set(status, (seen.get(status) ?? 0) + 1)
        if (status === 0 || status >= 500)
          wrong.push(`${status} ${request.method} ${request.path} ${request.body?.slice(0, 300)}`)
      }
      expect(wrong).toEqual([])
      expect(bugs).toEqual([])
    },
  )
  it('are taken and refused in every way, and leave only rows that could be kept: their bundle restores the same', async () => {
    expect([200, 201, 400, 403, 404, 409, 415, 422].filter((s) => (seen.get(s) ?? 0) < 5)).toEqual([])
    const text = (await test.api.get('/api/bundle').expect(200)).text
    const read = readBundle(text)
    expect(read.ok ? [] : read.issues).toEqual([])
    const other = await openTestStore()
    await other.store.run('importBundle', JSON.parse(text) as Bundle)
    expect(JSON.stringify(await other.store.run('exportBundle', undefined))).toBe(text)
  })
})
