import { v7 as uuid } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { BenchRow } from '#contracts'
import type { Decision, FactBody } from '#core/records'
import { readBundle } from './bundle/form.ts'
import { appendBody, FARM, factBody, lotBody, openTestApi, openTestStore } from './testing.ts'

let test: Awaited<ReturnType<typeof openTestApi>>
let lot: string
beforeAll(async () => {
  test = await openTestApi()
  await test.api.put('/api/farm').send(FARM).expect(200)
  lot = (await test.api.post('/api/lots').send(lotBody()).expect(201)).body.id
  await test.api
    .post(`/api/lots/${lot}/weighings`)
    .send({
      ...{ id: uuid(), stage: 'hot', basis: null, source: 'scale', shown: { value: 84, unit: 'kg' } },
      ...{ corrects: null, stands: true, confirmed: true },
    })
    .expect(200)
})
afterAll(() => test.store.close())

const note = (...facts: FactBody[]) =>
  test.api.post(`/api/lots/${lot}/facts`).send({ facts: facts.map((f) => factBody(f)) })
const check = { kind: 'check', check: 'glands', of: 'leg', side: 'left', by: 'JB' } as const
const fault = (kg: number, more: object = {}) =>
  ({
    ...{ kind: 'fault', of: 'belly', side: 'left', what: 'Sliced thin', cut: 'bacon', to: 'trim', lost: 250 },
    ...{ shown: { value: kg, unit: 'kg' }, cause: 'dull blade', lesson: 'Steel it first', ...more },
  }) as FactBody
const work = (did: 'started' | 'done', when: string) =>
  ({ kind: 'work', of: 'leg', did, when, by: 'Jo', usual: 20 }) as const
let seq = 0
const decide = (decision: object) =>
  test.api.post(`/api/lots/${lot}/decisions`).send(appendBody(seq, decision as Decision))

describe('what is written at the bench', () => {
  it('is kept: check points, what went wrong, the clock; and goes over all lots where they are asked for', async () => {
    await note(check, work('started', '2026-11-20T08:00:00Z'), work('done', '2026-11-20T08:30:00Z')).expect(
      200,
    )
    const { body } = await test.api.get('/api/bench').expect(200)
    expect((body as BenchRow[]).map((r) => r.fact.kind)).toEqual(['work', 'work'])
    expect(body[0]).toMatchObject({ lot, species: 'hog', fact: { by: 'Jo', usual: 20 } })
  })
  it('names steps, cuts and check points that there are', async () => {
    await note({ ...check, of: 'wing' }).expect(422)
    await note({ ...check, check: 'luck' } as never).expect(400)
    await note({ ...check, by: '' }).expect(400)
    await note({ ...work('done', 'yesterday') }).expect(400)
    await note(fault(0.2, { to: 'feathers' })).expect(422)
    await note(fault(0.2, { shown: null })).expect(422)
    await note(fault(0.2, { photo: 'a'.repeat(64) })).expect(422)
  })
  it('a fault with more kilograms than its step gave is refused, with both figures', async () => {
    const { body } = await note(fault(90)).expect(422)
    const said = JSON.stringify(body)
    expect(said).toContain('fault-too-much')
    const anyway = await note(fault(0.3, { of: 'leg', cut: 'bacon' })).expect(422)
    expect(JSON.stringify(anyway.body)).toContain('fault-nowhere')
  })
  it('the order, who is there and ways of working are decisions; what cannot be is refused', async () => {
    const whole = { target: 'lot', side: 'animal' }
    for (const wrong of [
      { field: 'crew', ...whole, value: [{ name: 'Jo', skill: 'skilled', from: '25:00', until: '26:00' }] },
      { field: 'order', ...whole, value: ['leg', 'leg'] },
      { field: 'order', ...whole, value: ['wing'] },
      { field: 'school', target: 'saw', side: 'animal', value: 'chain-saw' },
      { field: 'station', target: 'leg', side: 'animal', value: 'moon' },
    ])
      expect((await decide(wrong)).status, JSON.stringify(wrong)).toBeGreaterThanOrEqual(400)
    const kept = await decide({ field: 'order', ...whole, value: ['belly', 'leg'] }).expect(200)
    seq = kept.body.rev ?? kept.body.to ?? 99
    await decide({ field: 'school', target: 'saw', side: 'animal', value: 'band-saw' }).expect(200)
  })
  it('goes into the bundle and comes back out of it, with schools, equipment and practice', async () => {
    const sheet = (body: object) =>
      test.api.put(`/api/sheets/${uuid()}`).send({ base: 0, body, withdrawn: false })
    await sheet({
      ...{ format: 'ekko-school', version: 1, name: 'Ours', species: 'hog', order: ['belly', 'leg'] },
      ...{ stations: [{ of: 'leg', at: 'rail' }], schools: [{ of: 'saw', way: 'band-saw' }] },
    }).expect(200)
    await sheet({
      ...{ format: 'ekko-equipment', version: 1, name: 'Band saw', station: 'saw', makes: true },
      ...{ kgPerMinute: null, sharpened: '2026-11-01', fault: null, borrowed: null },
    }).expect(200)
    await sheet({ format: 'ekko-practice', version: 1, name: 'Jo', tries: [] }).expect(200)
    await sheet({
      format: 'ekko-school',
      version: 1,
      name: 'x',
      species: 'hog',
      order: [],
      stations: [],
      schools: [{ of: 'saw', way: 'no' }],
    }).expect(400)
    const read = readBundle((await test.api.get('/api/bundle').expect(200)).text)
    if (!read.ok) throw new Error(JSON.stringify(read.issues))
    const { store } = await openTestStore()
    await store.run('importBundle', read.value)
    expect((await store.run('exportBundle', undefined)).digest).toBe(read.value.digest)
    expect((await store.run('bench', undefined)).length).toBe(2)
    await store.close()
  })
})
