import { readFileSync, writeFileSync } from 'node:fs'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { joined, type Home, type Lot, type LotCard, type LotChange, type Rail } from '#contracts'
import {
  apiOfFarm,
  appendBody,
  factBody,
  FARM,
  lotBody,
  NOBODY,
  openTestApi,
  openTestStore,
  packBody,
  takePath,
  weighingBody,
} from './testing.ts'
import { copiesIn } from './database/copies.ts'
import { realDisk } from './database/disk.ts'
import { mark } from './database/marker.ts'
import { placesOf } from './database/places.ts'
import { openStore } from './store/store.ts'

const AT = '2026-11-02T12:00:00.000Z'

const test = apiOfFarm()

const hang = async (): Promise<Lot> => (await test.api.post('/api/lots').send(lotBody()).expect(201)).body
const whole = async (lot: Lot): Promise<Lot> => (await test.api.get(`/api/lots/${lot.id}`).expect(200)).body
const since = async (lot: Lot): Promise<LotChange> =>
  (await test.api.get(`/api/lots/${lot.id}?since=${lot.rev}`).expect(200)).body

/** What a device may write, and of what the answer becomes of its page. */
const WRITES = ['weigh', 'pack', 'decide', 'note'] as const
const write = fc.record({
  what: fc.constantFrom(...WRITES),
  device: fc.nat(1),
  n: fc.integer({ min: 1, max: 9 }),
  lost: fc.boolean(),
  twice: fc.boolean(),
})
type Write = typeof write extends fc.Arbitrary<infer W> ? W : never

async function send(lot: Lot, { what, n }: Write, base: number): Promise<LotChange | null> {
  const at = (path: string, body: object) => test.api.post(`/api/lots/${lot.id}/${path}`).send(body)
  const res = await {
    weigh: () => at('weighings', weighingBody('live', 250 + n, { confirmed: true })),
    pack: () => at('packs', packBody('bacon', n / 10)),
    decide: () => at('decisions', appendBody(base, takePath('loin', n % 2 ? 'loin-roasts' : 'loin-chops'))),
    note: () => at('facts', { facts: [factBody({ kind: 'cost', label: `Feed ${n}`, amount: n as never })] }),
  }[what]()
  return res.status === 200 ? res.body : null
}

describe('an answer by what changed', () => {
  it('applied to what a page knew is the whole fetched anew: two devices, answers lost and doubled', async () => {
    await fc.assert(
      fc.asyncProperty(fc.array(write, { minLength: 1, maxLength: 12 }), async (writes) => {
        const lot = await hang()
        const pages = [lot, lot]
        for (const w of writes) {
          const change = await send(lot, w, pages[w.device]!.rev)
          if (!change) continue
          for (const device of [0, 1]) {
            // The other device hears of it by the bell; a lost answer is one it never joined.
            if (w.lost && device === w.device) continue
            const held = pages[device]!
            const now = device === w.device ? joined(held, change) : joined(held, await since(held))
            pages[device] = now ?? joined(held, await since(held))!
            if (w.twice) pages[device] = joined(pages[device], change)!
          }
        }
        const truth = await whole(lot)
        for (const page of pages) expect(joined(page, await since(page))).toEqual(truth)
      }),
      { numRuns: 12 },
    )
  })
  it('holds only the rows it added, however long the history is', async () => {
    const lot = await hang()
    const bytes: number[] = []
    for (let i = 0; i < 30; i++) {
      const res = await test.api
        .post(`/api/lots/${lot.id}/decisions`)
        .send(appendBody(i, takePath('loin', i % 2 ? 'loin-chops' : 'loin-roasts')))
        .expect(200)
      bytes.push(res.text.length)
      expect(res.body).toMatchObject({ id: lot.id, from: i, rev: i + 1, weighings: [], packs: [] })
      expect(res.body.commands).toHaveLength(1)
    }
    expect(Math.max(...bytes.slice(2)) - Math.min(...bytes.slice(2))).toBeLessThan(20)
  })
  it('sent again is answered with its own rows and all since; a page ahead of these records gets them whole', async () => {
    const lot = await hang()
    const first = appendBody(0, takePath('loin', 'loin-roasts'))
    await test.api.post(`/api/lots/${lot.id}/decisions`).send(first).expect(200)
    await test.api.post(`/api/lots/${lot.id}/weighings`).send(weighingBody('live', 260)).expect(200)
    const { body } = await test.api.post(`/api/lots/${lot.id}/decisions`).send(first).expect(200)
    expect(body).toMatchObject({ from: 0, rev: 2 })
    expect(joined(lot, body)).toEqual(await whole(lot))
    const ahead = await test.api.get(`/api/lots/${lot.id}?since=99`).expect(200)
    expect(ahead.body).toEqual(await whole(lot))
    expect((await test.api.get(`/api/lots/${lot.id}?since=-3`).expect(200)).body).toEqual(await whole(lot))
  })
})

describe('the rail', () => {
  const card = async (lot: Lot): Promise<LotCard> =>
    (await test.api.get(`/api/lots/${lot.id}/card`).expect(200)).body
  const home = async (): Promise<Home> => (await test.api.get('/api/home').expect(200)).body
  it('hangs what each lot comes to and none of its records, true after every write', async () => {
    const lot = await hang()
    expect((await card(lot)).progress).toMatchObject({ standing: 'alive', key: null, next: 'weigh' })
    await test.api.post(`/api/lots/${lot.id}/weighings`).send(weighingBody('hot', 180)).expect(200)
    const hung = await card(lot)
    expect(hung.progress).toMatchObject({ standing: 'hanging', key: { is: 'hot', weighed: true } })
    const { lots } = await home()
    expect(lots.find((l) => l.id === lot.id)).toEqual(hung)
    for (const l of lots)
      expect(Object.keys(l)).not.toEqual(expect.arrayContaining(['commands', 'weighings', 'facts', 'packs']))
    const gone = factBody({ kind: 'withdrawal', why: 'typed twice' })
    await test.api
      .post(`/api/lots/${lot.id}/facts`)
      .send({ facts: [gone] })
      .expect(200)
    expect((await card(lot)).withdrawn).toBe(true)
    await test.api.get(`/api/lots/${lot.id.replace(/..$/, '00')}/card`).expect(404)
  })
  it('says Cover by the farm’s own hour: a change of the farm is a change of every card', async () => {
    const lot = await hang()
    await test.api.post(`/api/lots/${lot.id}/weighings`).send(weighingBody('hot', 180)).expect(200)
    const facts = [factBody({ kind: 'cost', label: 'Feed', amount: 60000 as never })]
    await test.api.post(`/api/lots/${lot.id}/facts`).send({ facts }).expect(200)
    const inspected = factBody({ kind: 'observation', what: 'route', value: 'inspected' })
    await test.api
      .post(`/api/lots/${lot.id}/facts`)
      .send({ facts: [inspected] })
      .expect(200)
    const before = (await card(lot)).progress.cover!
    await test.api
      .put('/api/farm')
      .send({ ...FARM, base: 1, hour: 3000 })
      .expect(200)
    expect((await card(lot)).progress.cover).toBeLessThan(before)
  })
})

describe('a change joined to a lot', () => {
  const row = (rev: number) => ({ rev }) as never
  const change = (from: number, rev: number, ...revs: number[]): LotChange => ({
    id: 'x',
    from,
    rev,
    groups: [],
    weighings: [],
    commands: revs.map(row),
    facts: [],
    packs: [],
  })
  const lot = { rev: 3, groups: [], weighings: [], commands: [row(3)], facts: [], packs: [] } as never as Lot
  const revs = (l: Lot | null) => l?.commands.map((c) => c.rev)
  it('adds what is new, once; what came late adds nothing; a gap is not guessed', () => {
    expect(revs(joined(lot, change(3, 5, 4, 5)))).toEqual([3, 4, 5])
    expect(revs(joined(lot, change(1, 4, 2, 3, 4)))).toEqual([3, 4])
    expect(joined(lot, change(1, 3, 2, 3))).toBe(lot)
    expect(joined(lot, change(4, 5, 5))).toBeNull()
    expect(lot.commands).toHaveLength(1)
  })
})

describe('what lots come to', () => {
  const program = 'this one'
  it('is kept for the next start of the same program, and worked out anew where lot, farm or program is another', async () => {
    const { store, folder } = await openTestStore(undefined, { program })
    const body = lotBody()
    await store.run('hangLot', { lot: body, by: NOBODY, at: AT })
    await store.run('weigh', { lot: body.id, by: NOBODY, at: AT, weighing: weighingBody('live', 250) })
    const before = await store.run('home', undefined)
    await store.close()
    const path = placesOf(folder).cards
    const marked = readFileSync(path, 'utf8').replaceAll('"tag":"Thistle"', '"tag":"As it was kept"')
    writeFileSync(path, marked)
    const tagsBy = async (name: string) => {
      const again = await openStore(folder, { program: name })
      const { lots } = await again.run('home', undefined)
      return { again, tags: lots.map((l) => l.tag), lots }
    }
    const same = await tagsBy(program)
    expect(same.tags).toEqual(['As it was kept'])
    const weighing = weighingBody('live', 240, { confirmed: true })
    await same.again.run('weigh', { lot: body.id, by: NOBODY, at: AT, weighing })
    expect((await same.again.run('home', undefined)).lots[0]!.tag).toBe('Thistle')
    await same.again.close()
    writeFileSync(path, marked)
    const other = await tagsBy('another one')
    expect(other.tags).toEqual(['Thistle'])
    await other.again.close()
    writeFileSync(path, marked.slice(0, 40))
    const damaged = await tagsBy(program)
    expect(damaged.tags).toEqual(['Thistle'])
    expect(before.lots[0]!.progress.key!.kg).toBeGreaterThan(damaged.lots[0]!.progress.key!.kg)
    await damaged.again.close()
  })
})

describe('what lots came to before a cut', () => {
  it('is worked out anew where records were brought back: a revision may mean another thing then', async () => {
    const { store, folder } = await openTestStore(undefined, { program: 'this one' })
    const lot = lotBody()
    await store.run('hangLot', { lot, by: NOBODY, at: AT })
    await store.run('home', undefined)
    await store.checkpoint()
    await store.close()
    const { cards } = placesOf(folder)
    writeFileSync(
      cards,
      readFileSync(cards, 'utf8').replaceAll('"tag":"Thistle"', '"tag":"Of another history"'),
    )
    const { name, digest, stamp, at } = copiesIn(realDisk, folder).at(-1)!
    mark(realDisk, folder, { step: 'checkpoint', copy: name, digest, stamp, at })
    const again = await openStore(folder, { program: 'this one' })
    expect(again.recovered).not.toBeNull()
    expect((await again.run('home', undefined)).lots.map((l) => l.tag)).toEqual(['Thistle'])
    await again.close()
  })
})

describe('the rail of many lots', () => {
  it('comes a page at a time, newest first, none twice and none left out; found by name and by where it stands', async () => {
    const many = await openTestApi()
    const ids: string[] = []
    for (let n = 0; n < 101; n++) {
      const body = lotBody({ tag: `Lot ${n}` })
      await many.store.run('hangLot', { lot: body, by: NOBODY, at: AT })
      ids.push(body.id)
    }
    const first: Home = (await many.api.get('/api/home').expect(200)).body
    const pages = [first.lots.map((l) => l.id)]
    let { older } = first
    expect([older, first.standings.alive]).toEqual([101 - first.lots.length, 101])
    while (older > 0) {
      const { body } = await many.api.get(`/api/lots?before=${pages[0]![0]}`).expect(200)
      pages.unshift((body as Rail).lots.map((l) => l.id))
      older = (body as Rail).older
    }
    expect(pages.flat()).toEqual(ids)
    expect(Math.max(...pages.map((p) => p.length))).toBeLessThan(60)
    const found: Rail = (await many.api.get('/api/lots?wanted=lot 7').expect(200)).body
    expect(found.lots.map((l) => l.tag)).toEqual([
      'Lot 7',
      ...[0, 1, 2, 3, 4, 5, 6, 7, 8, 9].map((n) => `Lot 7${n}`),
    ])
    const alive: Rail = (await many.api.get('/api/lots?wanted=hoof&standings=alive').expect(200)).body
    expect(alive.older + alive.lots.length).toBe(101)
    await many.api.get('/api/lots?standings=nowhere').expect(400)
    await many.api.get('/api/lots?before=1').expect(400)
    await many.store.close()
  })
})
