import { v7 as uuid } from 'uuid'
import { describe, expect, it } from 'vitest'
import type { Lot, LotCard, Problem } from '#contracts'
import { stateOf } from '#core/reading'
import type { FactBody } from '#core/records'
import { readBundle } from './bundle/form.ts'
import { apiOfFarm, appendBody, factBody, lotBody, weighingBody } from './testing.ts'

const test = apiOfFarm()

const whole = async (id: string): Promise<Lot> => (await test.api.get(`/api/lots/${id}`).expect(200)).body
const placed = async (count: number, species: 'broiler' | 'rabbit' = 'broiler'): Promise<string> =>
  (await test.api.post('/api/lots').send(lotBody({ species, count })).expect(201)).body.id
const note = (id: string, fact: FactBody, group?: string) =>
  test.api.post(`/api/lots/${id}/facts`).send({ facts: [factBody(fact)], ...(group && { group }) })
const lost = (animals: number): FactBody => ({ kind: 'loss', day: '2026-09-01', animals, cause: 'predator' })
const condemned = (animals: number): FactBody => ({
  ...{ kind: 'downgrade', what: 'condemned', animals, shown: null, lost: 900, lesson: null },
})
const alive = async (id: string) => stateOf(await whole(id)).count
const codes = (body: Problem) => body.errors?.map((e) => e.code)
const card = async (id: string): Promise<LotCard> =>
  (await test.api.get(`/api/lots/${id}/card`).expect(200)).body

describe('what is lost of a batch', () => {
  it('is no longer there: the lot, its tag on the rail, and each weight of one go by those that are left', async () => {
    const id = await placed(60)
    await test.api.post(`/api/lots/${id}/weighings`).send(weighingBody('live', 370)).expect(200)
    await note(id, lost(3)).expect(200)
    await note(id, condemned(1)).expect(200)
    expect(await alive(id)).toBe(56)
    expect((await card(id)).count).toBe(56)
    expect((await whole(id)).count).toBe(60)
  })
  it('is corrected and withdrawn, and is there again', async () => {
    const id = await placed(20)
    const first = factBody(lost(4))
    await test.api
      .post(`/api/lots/${id}/facts`)
      .send({ facts: [first] })
      .expect(200)
    const mended = { ...factBody(lost(2)), corrects: first.id }
    await test.api
      .post(`/api/lots/${id}/facts`)
      .send({ facts: [mended] })
      .expect(200)
    expect(await alive(id)).toBe(18)
    const away = { ...factBody(lost(2)), corrects: mended.id, stands: false }
    await test.api
      .post(`/api/lots/${id}/facts`)
      .send({ facts: [away] })
      .expect(200)
    expect(await alive(id)).toBe(20)
  })
  it('more than are alive, or all of them, is refused at its field', async () => {
    const id = await placed(5)
    await note(id, lost(3)).expect(200)
    const more = await note(id, lost(3)).expect(422)
    expect(codes(more.body)).toEqual(['more-than-alive'])
    expect(more.body.errors[0].field).toContain('animals')
    expect(codes((await note(id, lost(2)).expect(422)).body)).toEqual(['none-left'])
  })
  it('a sample of one is refused, with the reason', async () => {
    const id = await placed(5)
    const one = { kind: 'sample', day: '2026-09-01', of: 'live', shown: [{ value: 4, unit: 'lb' }] } as const
    const { body } = await note(id, { ...one, shown: [...one.shown] }).expect(400)
    expect(JSON.stringify(body.errors)).toContain('at least two')
  })
  it('before a split is in no group, after it in the one it was lost of; the bundle holds it so', async () => {
    const id = await placed(40)
    await note(id, lost(4)).expect(200)
    const into = (...animals: number[]) => animals.map((n, i) => ({ id: uuid(), animals: n, name: `G${i}` }))
    const all = await test.api
      .post(`/api/lots/${id}/groups`)
      .send({ group: id, half: false, into: into(20, 20) })
      .expect(422)
    expect(codes(all.body)).toEqual(['groups-unequal'])
    const groups = into(20, 16)
    await test.api.post(`/api/lots/${id}/groups`).send({ group: id, half: false, into: groups }).expect(200)
    expect(codes((await note(id, lost(1)).expect(422)).body)).toEqual(['group-needed'])
    await note(id, lost(2), groups[0]!.id).expect(200)
    const state = stateOf(await whole(id))
    expect([state.count, ...state.apart!.map((g) => g.count)]).toEqual([34, 18, 16])
    // Put together again, and what is lost of that one is lost of the lot.
    const joined = uuid()
    await test.api
      .post(`/api/lots/${id}/groups/joined`)
      .send({ id: joined, name: 'All', as: groups[0]!.id, with: [groups[1]!.id] })
      .expect(200)
    await note(id, lost(1), joined).expect(200)
    expect(await alive(id)).toBe(33)
    const { body } = await test.api.get('/api/bundle').expect(200)
    const read = readBundle(JSON.stringify(body))
    expect(read.ok || read.issues).toBe(true)
  })
})

describe('the day of birds', () => {
  it('is decided, undone like any decision, and refused where it is none', async () => {
    const id = await placed(30, 'rabbit')
    const day = {
      ...{ day: '2026-10-01', begins: '07:30', birds: null, stations: [], freezer: null, pickups: [] },
      chill: { how: 'still' as const, water: null, waterC: 12, ice: null },
      also: null,
    }
    const said = { field: 'birdDay', target: 'lot', side: 'animal', value: day } as const
    await test.api.post(`/api/lots/${id}/decisions`).send(appendBody(0, said)).expect(200)
    const twice = { ...day, stations: [{ id: 'draw' as const }, { id: 'draw' as const }] }
    await test.api
      .post(`/api/lots/${id}/decisions`)
      .send(appendBody(1, { ...said, value: twice }))
      .expect(400)
    const late = { ...day, begins: '24:10' }
    await test.api
      .post(`/api/lots/${id}/decisions`)
      .send(appendBody(1, { ...said, value: late }))
      .expect(400)
    // Of those that are alive: 31 of 30 are refused, and 29 once two were lost.
    const of = (birds: number) => appendBody(1, { ...said, value: { ...day, birds } })
    const more = await test.api.post(`/api/lots/${id}/decisions`).send(of(31)).expect(422)
    expect(codes(more.body)).toEqual(['more-than-alive'])
    expect(more.body.errors[0].field).toContain('birds')
    await note(id, lost(2)).expect(200)
    await test.api.post(`/api/lots/${id}/decisions`).send(of(29)).expect(422)
    await test.api.post(`/api/lots/${id}/decisions`).send(of(28)).expect(200)
  })
})
