import { v7 as uuid } from 'uuid'
import { describe, expect, it } from 'vitest'
import type { Lot, LotChange, NewPack, PackPage, PackTrace, Problem } from '#contracts'
import { readBundle } from '../bundle/form.ts'
import { apiOfFarm, factBody, lotBody, openTestStore, packBody, weighingBody } from '../testing.ts'

const test = apiOfFarm()

const codes = (body: Problem) => body.errors?.map((e) => e.code)
async function hog(): Promise<string> {
  const lot = lotBody()
  await test.api.post('/api/lots').send(lot).expect(201)
  await test.api.post(`/api/lots/${lot.id}/weighings`).send(weighingBody('hot', 190)).expect(200)
  return lot.id
}
const pack = (lot: string, body: NewPack) => test.api.post(`/api/lots/${lot}/packs`).send(body)
const kept = async (lot: string, body: NewPack) => {
  const change: LotChange = (await pack(lot, body).expect(200)).body
  return change.packs.at(-1)!
}
/** Before anything was weighed here, by the clock of the test. */
const BEFORE = '2020-01-01T00:00:00.000Z'
const voids = (lot: string, number: number) =>
  test.api
    .post(`/api/lots/${lot}/facts`)
    .send({ facts: [factBody({ kind: 'void', pack: number, why: 'dropped on the floor' })] })
const put = (number: number, place: string) => ({ id: uuid(), number, what: 'put' as const, place })
const say = (...events: object[]) => test.api.post('/api/packs/events').send({ events })
const trace = async (number: number): Promise<PackTrace> =>
  (await test.api.get(`/api/packs/${number}`).expect(200)).body

describe('packs are things', () => {
  it('each has a number over the whole farm, one weighing makes many alike, and none is made twice', async () => {
    const [a, b] = [await hog(), await hog()]
    const body = packBody('bacon', 9, { packs: 4, wrap: 'vacuum', place: 'Chest 1', pieces: 12 })
    const first = await kept(a, body)
    const again = await kept(a, body)
    expect(again).toEqual(first)
    const next = await kept(b, packBody('bacon', 2, { packs: 1 }))
    expect(next.number).toBe(first.number! + 4)
    const { pack: one } = await trace(first.number! + 3)
    expect(one).toMatchObject({
      ...{ lot: a, cut: 'bacon', state: 'here', place: 'Chest 1', wrap: 'vacuum', pieces: 12, shown: null },
      names: { american: 'Smoked bacon', commonwealth: 'Streaky bacon' },
    })
    expect((await trace(next.number!)).pack.shown).toEqual({ value: 2, unit: 'lb' })
    await test.api.get('/api/packs/99999999').expect(404)
    await test.api.get('/api/packs/none').expect(404)
  })

  it('two tablets that weigh at once get numbers of their own', async () => {
    const lot = await hog()
    const sent = await Promise.all(
      Array.from({ length: 8 }, () => kept(lot, packBody('ground-pork', 1, { packs: 1 }))),
    )
    const whole: Lot = (await test.api.get(`/api/lots/${lot}`)).body
    const numbers = whole.packs.map((p) => p.number)
    expect(new Set(numbers).size).toBe(sent.length)
  })

  it('a tub has no number; a withdrawal makes no pack', async () => {
    const lot = await hog()
    const bones = await kept(lot, packBody('neck-bones', 12, { packs: 0 }))
    expect(bones.number).toBeNull()
    const gone = await kept(lot, {
      ...packBody('neck-bones', 12, { packs: 0 }),
      corrects: bones.id,
      stands: false,
    })
    expect(gone.number).toBeNull()
  })

  it('halved: the old is opened and the new are there; it is opened once', async () => {
    const lot = await hog()
    const whole = await kept(lot, packBody('butt-roast', 6, { packs: 1 }))
    const halves = await kept(lot, packBody('butt-roast', 5.9, { packs: 2, outOf: [whole.number!] }))
    expect((await trace(whole.number!)).pack.state).toBe('opened')
    expect((await trace(halves.number! + 1)).pack.state).toBe('here')
    const twice = await pack(lot, packBody('butt-roast', 1, { packs: 1, outOf: [whole.number!] })).expect(422)
    expect(codes(twice.body)).toEqual(['packs-gone'])
    const other = await pack(await hog(), packBody('butt-roast', 1, { packs: 1, outOf: [halves.number!] }))
    expect(codes(other.body)).toEqual(['packs-gone'])
  })

  it('a correction voids what was not moved yet, and else is refused with the numbers', async () => {
    const lot = await hog()
    const wrong = await kept(lot, packBody('bacon', 19, { packs: 2, confirmed: true }))
    const right = await kept(lot, { ...packBody('bacon', 1.9, { packs: 2 }), corrects: wrong.id })
    expect((await trace(wrong.number!)).pack.state).toBe('corrected')
    await say(put(right.number! + 1, 'Chest 2')).expect(200)
    const late = await pack(lot, { ...packBody('bacon', 1.8, { packs: 2 }), corrects: right.id }).expect(422)
    expect(codes(late.body)).toEqual(['packs-moved'])
    expect(late.body.errors[0].detail).toContain(String(right.number! + 1))
  })

  it('a withdrawn opening leaves the pack whole again', async () => {
    const lot = await hog()
    const one = await kept(lot, packBody('bacon', 2, { packs: 1 }))
    const two = await kept(lot, packBody('bacon', 2, { packs: 2, outOf: [one.number!] }))
    await kept(lot, { ...packBody('bacon', 2, { packs: 2 }), corrects: two.id, stands: false })
    expect((await trace(one.number!)).pack.state).toBe('here')
    expect((await trace(two.number!)).pack.state).toBe('corrected')
  })

  it('voided with a reason it is off the list; what never was there cannot be voided', async () => {
    const lot = await hog()
    const two = await kept(lot, packBody('bacon', 2, { packs: 2 }))
    await voids(lot, two.number!).expect(200)
    expect((await trace(two.number!)).pack.state).toBe('void')
    expect(codes((await voids(lot, 99_999_998).expect(422)).body)).toEqual(['packs-gone'])
    const gone = await say(put(two.number!, 'Chest 1')).expect(422)
    expect(codes(gone.body)).toEqual(['packs-gone'])
  })

  it('where it lies is what was said last; said twice it is kept once', async () => {
    const lot = await hog()
    const { number } = await kept(lot, packBody('bacon', 2, { packs: 1, place: 'Table' }))
    const event = put(number!, 'Chest 1')
    await say(event).expect(200)
    await say(event).expect(200)
    await say({ id: uuid(), number, what: 'label', place: null }).expect(200)
    const now = await trace(number!)
    expect(now.pack.place).toBe('Chest 1')
    expect(now.events.map((e) => e.what)).toEqual(['put', 'label'])
    await say({ ...event, place: 'Chest 9' }).expect(409)
    await say({ id: uuid(), number, what: 'put', place: null }).expect(400)
  })

  it('the list comes in pages, newest first, and says what lies where', async () => {
    const lot = await hog()
    const { number } = await kept(
      lot,
      packBody('bacon', 30, { packs: 60, place: 'Chest 7', confirmed: true }),
    )
    const page = async (query: string): Promise<PackPage> =>
      (await test.api.get(`/api/packs?lot=${lot}&${query}`).expect(200)).body
    const first = await page('limit=25')
    expect(first.packs.map((p) => p.number)).toEqual(Array.from({ length: 25 }, (_, i) => number! + 59 - i))
    expect(first.more).toBe(true)
    const last = await page(`limit=50&before=${first.packs.at(-1)!.number}`)
    expect([last.packs.length, last.more]).toEqual([35, false])
    const lies = first.places.find((p) => p.place === 'Chest 7')
    expect(lies).toEqual({ place: 'Chest 7', packs: 60, grams: 13_608 })
    expect((await page('place=Nowhere')).packs).toEqual([])
    await test.api.get('/api/packs?limit=100000').expect(400)
  })

  it('what was counted on the shelf goes down with every pack of that wrapping and size, opened and voided ones too', async () => {
    const lot = await hog()
    const line = (item: object) => ({
      item,
      per100: 1900,
      counted: { count: 50, at: BEFORE },
    })
    const wrap = (upTo: number) => line({ is: 'wrap', wrap: 'shrink', upTo })
    const body = {
      ...{ format: 'ekko-packing', version: 1, name: 'Packing', usual: 'shrink', cuts: [] },
      lines: [wrap(0.5), wrap(1), wrap(20), line({ is: 'label' }), line({ is: 'twine' })],
    }
    const id = uuid()
    await test.api.put(`/api/sheets/${id}`).send({ base: 0, body, withdrawn: false }).expect(200)
    const used = async () =>
      ((await test.api.get('/api/packs/used').expect(200)).body as { used: number }[]).map((u) => u.used)
    // Twine is cut off a roll: no pack says how much.
    const [, , , labels] = await used()
    expect(await used()).toEqual([0, 0, 0, labels])
    expect(labels).toBeGreaterThan(0)
    const shrink = { wrap: 'shrink' as const }
    const four = await kept(lot, packBody('bacon', 4, { packs: 4, ...shrink }))
    await kept(lot, packBody('ground-pork', 4, { packs: 2, ...shrink }))
    await kept(lot, packBody('fresh-ham', 18, { packs: 1, ...shrink }))
    await kept(lot, packBody('ground-pork', 2, { packs: 2, wrap: 'paper' }))
    expect(await used()).toEqual([4, 2, 1, labels! + 9])
    await voids(lot, four.number!).expect(200)
    const label = () => say({ id: uuid(), number: four.number! + 1, what: 'label', place: null }).expect(200)
    // The label of a pack is one label, printed at once or by hand later; printed anew it is another.
    await label()
    expect(await used()).toEqual([4, 2, 1, labels! + 9])
    await label()
    expect(await used()).toEqual([4, 2, 1, labels! + 10])
    const wrong = await kept(lot, packBody('bacon', 1, { packs: 1, ...shrink }))
    await kept(lot, { ...packBody('bacon', 1.4, { packs: 1, ...shrink }), corrects: wrong.id })
    expect(await used()).toEqual([4, 3, 1, labels! + 11])
    const twice = { ...body, cuts: [1, 2].map(() => ({ species: 'hog', cut: 'bacon', wrap: 'zip' })) }
    await test.api.put(`/api/sheets/${id}`).send({ base: 1, body: twice, withdrawn: false }).expect(400)
    await test.api.put(`/api/sheets/${id}`).send({ base: 1, body, withdrawn: true }).expect(200)
    expect(await used()).toEqual([])
  })

  it('a bag is of the size that just holds its pack: half a kilogram goes into that of half a kilogram, a gram more does not', async () => {
    const lot = await hog()
    const lines = [0.5, 1, 2].map((upTo) => ({
      item: { is: 'wrap', wrap: 'jar', upTo },
      per100: null,
      counted: { count: 50, at: BEFORE },
    }))
    const body = { format: 'ekko-packing', version: 1, name: 'Packing', usual: null, cuts: [], lines }
    const id = uuid()
    await test.api.put(`/api/sheets/${id}`).send({ base: 0, body, withdrawn: false }).expect(200)
    for (const value of [0.5, 0.501, 1, 1.001])
      await kept(lot, packBody('ground-pork', 0, { shown: { value, unit: 'kg' }, packs: 1, wrap: 'jar' }))
    const used = (await test.api.get('/api/packs/used').expect(200)).body as { used: number }[]
    expect(used.map((u) => u.used)).toEqual([1, 2, 1])
    await test.api.put(`/api/sheets/${id}`).send({ base: 1, body, withdrawn: true }).expect(200)
  })
  it('two events under one id are refused in words, and neither is kept', async () => {
    const lot = await hog()
    const { number } = await kept(lot, packBody('bacon', 2, { packs: 1 }))
    const twice = put(number!, 'Chest 3')
    const refused = await say(twice, { ...twice, place: 'Chest 4' }).expect(400)
    expect(JSON.stringify(refused.body)).toContain('Two of these have one id.')
    expect((await trace(number!)).events).toEqual([])
  })

  it('the bundle brings back every pack with its number, place and what became of it', async () => {
    const text = JSON.stringify((await test.api.get('/api/bundle').expect(200)).body)
    const bundle = readBundle(text)
    if (!bundle.ok) throw new Error(JSON.stringify(bundle.issues))
    const other = await openTestStore()
    await other.store.run('importBundle', bundle.value)
    const asked = { limit: 200 }
    const there = await other.store.run('packs', asked)
    expect(there).toEqual(await test.store.run('packs', asked))
    expect(there.packs.length).toBeGreaterThan(60)
    await other.store.close()
  })
})
