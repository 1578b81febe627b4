import { v7 as uuid } from 'uuid'
import { describe, expect, it } from 'vitest'
import type { FactBody } from '#core/records'
import { readBundle } from './bundle/form.ts'
import { apiOfFarm, factBody, lotBody, openTestStore } from './testing.ts'

const test = apiOfFarm()

const body = (name: string, from = '2026-01-01') => ({
  ...{ format: 'ekko-fees', version: 1, name, from },
  fees: [
    { fee: 'kill', amount: 8500, per: 'head', basis: null },
    { fee: 'smoke', label: 'Smoking', amount: 150, per: 'lb', basis: null, on: { to: 'C' } },
  ],
})
const put = (id: string, base: number, sheet: object, withdrawn = false) =>
  test.api.put(`/api/sheets/${id}`).send({ base, body: sheet, withdrawn })

describe('fee sheets', () => {
  it('are kept under their processor, changed knowing what stands, and put away without being lost', async () => {
    const id = uuid()
    await put(id, 0, body('Upper plant')).expect(200)
    await put(id, 0, body('Upper plant')).expect(200)
    const late = await put(id, 0, body('Upper plant', '2026-06-01')).expect(409)
    expect(late.body.held.body.from).toBe('2026-01-01')
    await put(id, 1, body('Upper plant', '2026-06-01')).expect(200)
    expect((await test.api.get('/api/sheets').expect(200)).body).toMatchObject([{ id, revision: 2 }])
    await put(id, 2, body('Upper plant', '2026-06-01'), true).expect(200)
    expect((await test.api.get('/api/sheets')).body).toEqual([])
    await put(uuid(), 0, {
      ...body('x'),
      fees: [{ fee: 'kill', amount: -5, per: 'head', basis: null }],
    }).expect(400)
    await put(uuid(), 0, { ...body('x'), from: 'soon' }).expect(400)
  })
  it('go into the bundle and come back out of it', async () => {
    await put(uuid(), 0, body('Lower plant')).expect(200)
    const read = readBundle((await test.api.get('/api/bundle').expect(200)).text)
    if (!read.ok) throw new Error(JSON.stringify(read.issues))
    expect(read.value.content.sheets.map((s) => [s.body.name, s.withdrawn])).toEqual([
      ['Upper plant', true],
      ['Lower plant', false],
    ])
    const { store } = await openTestStore()
    await store.run('importBundle', read.value)
    expect((await store.run('exportBundle', undefined)).digest).toBe(read.value.digest)
    await store.close()
  })
  it('name ways; a fee of a way that an animal has not is refused on its lot', async () => {
    const lot = (await test.api.post('/api/lots').send(lotBody()).expect(201)).body
    const fee = (ways: string[]): FactBody => ({
      ...{ kind: 'fee', fee: 'french', label: 'Frenching', amount: 600, per: 'head', basis: null },
      on: { ways },
    })
    const note = (f: FactBody) => test.api.post(`/api/lots/${lot.id}/facts`).send({ facts: [factBody(f)] })
    await note(fee(['loin-chops'])).expect(200)
    const strange = await note(fee(['wing-of-a-hog'])).expect(422)
    expect(strange.body.errors[0]).toMatchObject({ code: 'unknown-id' })
  })
})

describe('what the farm itself pays', () => {
  const overhead = {
    ...{ format: 'ekko-overhead', version: 1, name: 'Tractor', of: 'equipment', amount: 120_000, by: 'head' },
    ...{ from: '2026-01-01', until: '2026-12-31' },
  }
  it('is kept for its time; what lots bear of it is what stands on them: not what was corrected or taken off', async () => {
    const id = uuid()
    await put(id, 0, { ...overhead, until: 'later' }).expect(400)
    await put(id, 0, overhead).expect(200)
    const lots = [lotBody(), lotBody()]
    for (const l of lots) await test.api.post('/api/lots').send(l).expect(201)
    const share = (amount: number, more = {}) =>
      factBody(
        {
          kind: 'cost',
          label: 'Tractor',
          amount,
          of: 'equipment',
          shared: { total: 120_000, by: 'head', of: id },
        },
        more,
      )
    const note = (lot: number, fact: object) =>
      test.api
        .post(`/api/lots/${lots[lot]!.id}/facts`)
        .send({ facts: [fact] })
        .expect(200)
    const [first, second] = [share(30_000), share(20_000)]
    await note(0, first)
    await note(1, second)
    const borne = async () => (await test.api.get('/api/sheets/shared').expect(200)).body
    expect(await borne()).toEqual([{ of: id, amount: 50_000, lots: 2 }])
    const corrected = share(25_000, { corrects: first.id })
    await note(0, corrected)
    expect(await borne()).toEqual([{ of: id, amount: 45_000, lots: 2 }])
    await note(1, { ...share(20_000, { corrects: second.id }), stands: false })
    expect(await borne()).toEqual([{ of: id, amount: 25_000, lots: 1 }])
  })
})
