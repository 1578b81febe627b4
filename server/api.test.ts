import { pagesOf } from '../paper/testing.ts'
import { v7 as uuid } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { Bundle, Home, Lot, NewFact } from '#contracts'
import { mm as millimetres, priceOf } from '#core/measure'
import { readBundle } from './bundle/form.ts'
import type { Store } from './store/store.ts'
import {
  appendBody,
  FARM,
  factBody,
  lotBody,
  openTestApi,
  packBody,
  takePath,
  weighingBody,
} from './testing.ts'

let store: Store
let api: Awaited<ReturnType<typeof openTestApi>>['api']
const bugs: unknown[] = []
beforeAll(async () => {
  ;({ store, api } = await openTestApi({ log: (e) => bugs.push(e) }))
  await api.put('/api/farm').send(FARM).expect(200)
})
afterAll(async () => {
  await store.close()
  expect(bugs).toEqual([])
})

const hang = async (more = {}): Promise<Lot> =>
  (await api.post('/api/lots').send(lotBody(more)).expect(201)).body
const seqNow = async (lot: Lot) => seqOf((await api.get(`/api/lots/${lot.id}`)).body)
const seqOf = (lot: Lot) => lot.rev
const decide = (lot: Lot, body: unknown) => api.post(`/api/lots/${lot.id}/decisions`).send(body as object)
const note = (lot: Lot, ...facts: NewFact[]) => api.post(`/api/lots/${lot.id}/facts`).send({ facts })
const ROUTE = (value: 'inspected' | 'custom') =>
  ({ kind: 'observation', what: 'route', value: value }) as const

describe('weighings', () => {
  it('are kept with what the scale showed, and grams are worked out here', async () => {
    const lot = await hang()
    const res = await api.post(`/api/lots/${lot.id}/weighings`).send(weighingBody('live', 260)).expect(200)
    expect(res.body.weighings[0]).toMatchObject({
      shown: { value: 260, unit: 'lb' },
      grams: 117934,
      stands: true,
    })
    const before = { ...weighingBody('live', 262), day: '2026-11-03' }
    const again = await api.post(`/api/lots/${lot.id}/weighings`).send(before).expect(200)
    expect(again.body.weighings.at(-1).day).toBe('2026-11-03')
  })
  it('hot above live is refused at its field; an unusual dressing is kept only when confirmed', async () => {
    const lot = await hang()
    const weigh = (body: object) => api.post(`/api/lots/${lot.id}/weighings`).send(body)
    await weigh(weighingBody('live', 260)).expect(200)
    const above = await weigh(weighingBody('hot', 270)).expect(422)
    expect(above.type).toBe('application/problem+json')
    expect(above.body.errors[0]).toMatchObject({
      field: 'hot',
      code: 'later-above-earlier',
      confirmable: false,
    })
    const unusual = weighingBody('hot', 160)
    expect((await weigh(unusual).expect(422)).body.errors[0]).toMatchObject({
      code: 'dressing-unusual',
      confirmable: true,
    })
    await weigh({ ...unusual, confirmed: true }).expect(200)
  })
  it('a correction names what it corrects, once; sent twice a weighing is kept once; nothing is overwritten', async () => {
    const lot = await hang()
    const weigh = (body: object) => api.post(`/api/lots/${lot.id}/weighings`).send(body)
    const wrong = weighingBody('live', 206)
    await weigh(wrong).expect(200)
    await weigh(wrong).expect(200)
    await weigh(weighingBody('live', 260, { corrects: wrong.id })).expect(200)
    expect((await api.get(`/api/lots/${lot.id}`)).body.weighings).toHaveLength(2)
    await weigh(weighingBody('live', 250, { corrects: wrong.id })).expect(422)
    await weigh(weighingBody('live', 250, { corrects: uuid() })).expect(422)
  })
})

describe('decisions', () => {
  it('of two windows merge on different fields and conflict on the same one, with both shown', async () => {
    const lot = await hang()
    const base = seqOf(lot)
    await decide(lot, appendBody(base, takePath('loin', 'loin-roasts'))).expect(200)
    await decide(lot, appendBody(base, takePath('leg', 'leg-grind'))).expect(200)
    const clash = await decide(lot, appendBody(base, takePath('loin', 'loin-grind'))).expect(409)
    expect(clash.body.conflicts[0]).toMatchObject({
      mine: { value: 'loin-grind' },
      theirs: { value: 'loin-roasts' },
    })
    const now: Lot = (await api.get(`/api/lots/${lot.id}`)).body
    expect(now.commands).toHaveLength(2)
    await decide(lot, appendBody(seqOf(now), takePath('loin', 'loin-grind'))).expect(200)
  })
  it('that the plan shuts out, or that name nothing, are refused at their field', async () => {
    const lot = await hang()
    const shut = await decide(lot, appendBody(0, takePath('spare-ribs', 'ribs-on-belly'))).expect(422)
    expect(shut.body.errors[0]).toMatchObject({ field: 'decisions.0.value', code: 'shut-out' })
    const both = [takePath('belly', 'belly-slab'), takePath('spare-ribs', 'ribs-on-belly')]
    await decide(lot, appendBody(0, ...both)).expect(200)
    expect(
      (await decide(lot, appendBody(0, takePath('wing', 'x'))).expect(422)).body.errors[0].detail,
    ).toContain('no part “wing”')
  })
})

describe('packs', () => {
  it('an unknown cut, and more meat than the carcass held, are refused', async () => {
    const lot = await hang()
    const pack = (body: object) => api.post(`/api/lots/${lot.id}/packs`).send(body)
    await api.post(`/api/lots/${lot.id}/weighings`).send(weighingBody('hanging', 178)).expect(200)
    await pack(packBody('wing', 3)).expect(422)
    expect((await pack(packBody('bacon', 400)).expect(422)).body.errors[0].code).toBe('packed-above-carcass')
    expect((await pack(packBody('bacon', 4)).expect(200)).body.packs).toHaveLength(1)
  })
})

describe('bad bodies and strangers', () => {
  it.each([
    ['not JSON', (r: typeof api) => r.post('/api/lots').type('json').send('{"id":'), 400, 'not-json'],
    [
      'too large',
      (r: typeof api) => r.post('/api/lots').send({ tag: 'x'.repeat(1_200_000) }),
      413,
      'too-large',
    ],
    ['malformed', (r: typeof api) => r.post('/api/lots').send({ ...lotBody(), count: -2 }), 400, 'malformed'],
    ['an unknown lot', (r: typeof api) => r.get(`/api/lots/${uuid()}`), 404, 'not-found'],
    ['no id at all', (r: typeof api) => r.get('/api/lots/%27%3B--'), 404, 'not-found'],
    ['an unknown address', (r: typeof api) => r.get('/api/cows'), 404, 'not-found'],
    ['a foreign host', (r: typeof api) => r.get('/api/home').set('host', 'ekko.example'), 403, 'foreign'],
    [
      'a foreign page',
      (r: typeof api) => r.post('/api/lots').set('origin', 'http://other.example').send(lotBody()),
      403,
      'foreign',
    ],
  ])('%s gets problem details', async (_, send, status, type) => {
    const res = await send(api)
    expect(res.status).toBe(status)
    expect(res.body).toMatchObject({ type: `/problems/${type}`, status })
  })
  it('names the field of a malformed body', async () => {
    const res = await api.post('/api/lots').send({ ...lotBody(), count: -2 })
    expect(res.body.errors[0].field).toBe('count')
  })
})

const textOf = async (pdf: Buffer) => (await pagesOf(pdf)).join(' ')

describe('papers', () => {
  const paper = (lot: Lot, kind: string) => api.post(`/api/lots/${lot.id}/papers`).send({ id: uuid(), kind })
  const download = async (id: string, ending: string) =>
    (
      await api
        .get(`/api/papers/${id}.${ending}`)
        .buffer(true)
        .parse((res, done) => {
          const chunks: Buffer[] = []
          res.on('data', (c: Buffer) => chunks.push(c)).on('end', () => done(null, Buffer.concat(chunks)))
        })
        .expect(200)
    ).body as Buffer

  it('the price list in PDF and CSV says the same prices, with currency and unit, no glyph missing', async () => {
    const lot = await hang()
    await api.post(`/api/lots/${lot.id}/weighings`).send(weighingBody('live', 260)).expect(200)
    await note(lot, factBody(ROUTE('inspected'))).expect(200)
    const price = { field: 'price', target: 'bacon', side: 'animal', value: priceOf(1249, 'lb') } as const
    await decide(lot, appendBody(0, price)).expect(200)
    const { body } = await paper(lot, 'price-list').expect(201)
    const csv = (await download(body.id, 'csv')).toString()
    expect(csv.split('\r\n')[0]).toBe('cut,name,price (USD per lb),pack')
    expect(csv).toMatch(/bacon,Smoked bacon,12\.49,/)
    const text = await textOf(await download(body.id, 'pdf'))
    expect(text).toContain('$12.49/lb')
    expect(text).toContain('Inspected and passed')
    expect([...text].filter((c) => c === '\u0000' || c === '\ufffd')).toEqual([])
  })
  it('custom-exempt meat never gets a price list, and is told why', async () => {
    const lot = await hang()
    await api.post(`/api/lots/${lot.id}/weighings`).send(weighingBody('live', 260)).expect(200)
    expect((await paper(lot, 'price-list').expect(422)).body.errors[0].detail).toContain(
      'how the animal is slaughtered',
    )
    await note(lot, factBody(ROUTE('custom'))).expect(200)
    expect((await paper(lot, 'price-list').expect(422)).body.errors[0].detail).toMatch(
      /share of the live animal before slaughter/,
    )
  })
  it('the block card and the letter print what the plan shows, with every glyph, for any species', async () => {
    const lot = await hang({ species: 'steer' })
    await api.post(`/api/lots/${lot.id}/weighings`).send(weighingBody('hot', 700)).expect(200)
    const card = await textOf(await download((await paper(lot, 'block-card').expect(201)).body.id, 'pdf'))
    expect(card).toContain('Make ready')
    expect(card).toContain('1 steer')
    expect(card).toMatch(/All that is taken home: \d+\.\d lb/)
    const total = /All that is taken home: (\d+\.\d) lb/.exec(card)![1]!
    const send = (share: number) =>
      api.post(`/api/lots/${lot.id}/papers`).send({ id: uuid(), kind: 'letter', share })
    const whole = await textOf(await download((await send(1).expect(201)).body.id, 'pdf'))
    expect(whole).toContain(`about ${total} lb, likely`)
    expect(whole).toContain('Why it is less than what hung')
    expect(await textOf(await download((await send(4).expect(201)).body.id, 'pdf'))).toContain(
      'quarter of a steer',
    )
    await send(3).expect(400)
  })
  it('the cut sheet prints each side and stays as issued when the plan moves on', async () => {
    const lot = await hang()
    await api.post(`/api/lots/${lot.id}/weighings`).send(weighingBody('live', 260)).expect(200)
    await decide(lot, appendBody(0, takePath('loin', 'loin-roasts', 'right'))).expect(200)
    const { body } = await paper(lot, 'cut-sheet').expect(201)
    await decide(lot, appendBody(await seqNow(lot), takePath('loin', 'loin-grind', 'right'))).expect(200)
    const text = await textOf(await download(body.id, 'pdf'))
    expect(text).toContain('Left side')
    expect(text.replaceAll(/\s+/g, ' ')).toMatch(/Bone-in chops, .*Boneless roasts and/)
    expect(text).toMatch(/about 17\d lb/)
  })
})

const OWN_CUT = {
  id: 'own-skewers',
  names: { american: 'Skewers', commonwealth: 'Skewers' },
  destination: 'T',
  kind: 'product',
  index: 1.4,
  portion: null,
}
const ownLamb = (lean = 1, cut = OWN_CUT.id) => ({
  species: 'lamb',
  cuts: [{ ...OWN_CUT }],
  parts: [],
  paths: [
    {
      id: 'own-neck-skewers',
      part: 'neck',
      names: { american: 'Skewers', commonwealth: 'Skewers' },
      destination: 'T',
      minutes: 6,
      tool: 'knife',
      steps: 'Boned, cubed, threaded.',
      outputs: [
        { cut, lean, fat: 0.3, bone: 0, skin: 0 },
        { part: 'fat', lean: 0, fat: 0.7, bone: 0, skin: 0 },
        { part: 'bones', lean: 0, fat: 0, bone: 1, skin: 1 },
      ],
    },
  ],
})

describe('species', () => {
  it('a saddle is refused from a split lamb and for one side, and kept from a whole one', async () => {
    const lot = await hang({ species: 'lamb' })
    const saddle = (...sides: ('left' | 'right')[]) => sides.map((s) => takePath('loin', 'loin-saddle', s))
    const split = await decide(lot, appendBody(0, ...saddle('left', 'right'))).expect(422)
    expect(split.body.errors[0]).toMatchObject({ code: 'door-closed', field: 'decisions.0.value' })
    const whole = { kind: 'observation', what: 'dressing', of: 'split', value: false } as const
    await note(lot, factBody(whole)).expect(200)
    const half = await decide(lot, appendBody(await seqNow(lot), ...saddle('left'))).expect(422)
    expect(half.body.errors[0]).toMatchObject({ code: 'both-sides' })
    await decide(lot, appendBody(await seqNow(lot), ...saddle('left', 'right'))).expect(200)
  })
  it('a long line off the meat and impossible ribs are refused at their field', async () => {
    const lot = await hang({ species: 'lamb' })
    const mm = { field: 'mm', target: 'breast-line', side: 'left', value: millimetres(300) } as const
    const far = await decide(lot, appendBody(0, mm)).expect(422)
    expect(far.body.errors[0].detail).toContain('300 mm is off the meat')
    const ribs = { kind: 'observation', what: 'ribs', value: 20 } as const
    expect((await note(lot, factBody(ribs)).expect(422)).body.errors[0]).toMatchObject({
      code: 'ribs-impossible',
      field: 'facts.0.value',
    })
  })
  it('birds weighed with the water of their chill tank are kept', async () => {
    const lot = await hang({ species: 'broiler', count: 40 })
    const weigh = (body: object) => api.post(`/api/lots/${lot.id}/weighings`).send(body)
    await weigh(weighingBody('hot', 170)).expect(200)
    await weigh(weighingBody('hanging', 176)).expect(200)
    await weigh(weighingBody('hanging', 199)).expect(422)
  })
})

describe('a farm’s own ways to cut', () => {
  it('are checked, versioned, pinned by new lots only, and travel in the bundle', async () => {
    const before = await hang({ species: 'lamb' })
    const first = (await api.post('/api/own').send({ base: 0, body: ownLamb() }).expect(201)).body
    expect(first.version).toBe(1)
    expect((await api.post('/api/own').send({ base: 0, body: ownLamb() }).expect(201)).body.version).toBe(1)
    const after = await hang({ species: 'lamb' })
    expect(after.anatomy).not.toBe(before.anatomy)
    expect((await api.get(`/api/lots/${before.id}`)).body.anatomy).toBe(before.anatomy)
    await decide(after, appendBody(0, takePath('neck', 'own-neck-skewers'))).expect(200)
    await decide(before, appendBody(0, takePath('neck', 'own-neck-skewers'))).expect(422)
    expect((await api.get('/api/own/lamb')).body.map((o: { version: number }) => o.version)).toEqual([1])
    const bundle = (await api.get('/api/bundle')).body as Bundle
    expect(bundle.content.own.map((o) => o.body.paths[0]!.id)).toEqual(['own-neck-skewers'])
  })
  it('are read by a lot that is moved up to them; undone, it is read as before; what was weighed holds it', async () => {
    const lot = await hang({ species: 'lamb' })
    const own = ownLamb(1, 'own-cubes')
    own.cuts[0]!.id = 'own-cubes'
    own.paths[0]!.id = 'own-neck-cubes'
    await api.post('/api/own').send({ base: 1, body: own }).expect(201)
    const { today } = (await api.get('/api/home')).body as Home
    expect(today.lamb).not.toBe(lot.anatomy)
    const { body: newer } = await api.get(`/api/anatomies/${today.lamb}`).expect(200)
    expect(newer.anatomy.paths.map((p: { id: string }) => p.id)).toContain('own-neck-cubes')
    const to = (value: string | null) => ({ field: 'anatomy', target: 'lot', side: 'animal', value }) as const
    for (const stranger of ['0'.repeat(64), today.hog]) {
      const no = await decide(lot, appendBody(0, to(stranger))).expect(422)
      expect(no.body.errors[0]).toMatchObject({ code: 'anatomy-unknown', field: 'decisions.0.value' })
    }
    const move = appendBody(0, to(today.lamb))
    await decide(lot, move).expect(200)
    await decide(lot, appendBody(await seqNow(lot), takePath('neck', 'own-neck-cubes'))).expect(200)
    const text = (await api.get('/api/bundle')).text
    const read = readBundle(text)
    expect(read.ok ? [] : read.issues).toEqual([])
    const bundle = JSON.parse(text) as Bundle
    expect(Object.keys(bundle.content.anatomies)).toEqual(expect.arrayContaining([lot.anatomy, today.lamb]))
    await api.post(`/api/lots/${lot.id}/weighings`).send(weighingBody('live', 110)).expect(200)
    const sheet = { id: uuid(), kind: 'cut-sheet' }
    const printed = await api.post(`/api/lots/${lot.id}/papers`).send(sheet).expect(201)
    expect(printed.text).toContain('Skewers')
    await api.post(`/api/lots/${lot.id}/packs`).send(packBody('own-cubes', 0.5)).expect(200)
    const held = await decide(lot, { ...appendBody(await seqNow(lot), to(null)), undoes: move.batch })
    expect(held.body.errors[0]).toMatchObject({ code: 'weighed-gone' })
  })
  it('are refused with the tissue that does not close, an unknown cut, or an id that could be ours', async () => {
    const open = await api
      .post('/api/own')
      .send({ base: 1, body: ownLamb(0.8) })
      .expect(422)
    expect(open.body.errors[0]).toMatchObject({ field: 'paths.0', code: 'own-unsound' })
    expect(open.body.errors[0].detail).toContain('lean does not close: 20 % is missing')
    const unknown = await api
      .post('/api/own')
      .send({ base: 1, body: ownLamb(1, 'wing') })
      .expect(422)
    expect(unknown.body.errors[0].detail).toContain('makes unknown cut wing')
    const ours = ownLamb()
    ours.paths[0]!.id = 'neck-slices'
    const id = await api.post('/api/own').send({ base: 1, body: ours })
    expect(id.body.errors[0].field).toBe('body.paths.0.id')
    await api.get('/api/own/yak').expect(404)
  })
})

describe('named plans', () => {
  const plan = {
    format: 'ekko-plan',
    version: 1,
    species: 'lamb',
    name: 'Hill lambs',
    says: '',
    trim: 'close',
    lines: [],
    mm: [],
    paths: [{ part: 'leg', side: 'left', path: 'leg-butterflied' }],
    portions: [],
  }
  const put = (id: string, body: object) => api.put(`/api/plans/${id}`).send(body)
  const names = async () => ((await api.get('/api/home')).body as Home).plans.map((p) => p.body.name)
  it('are kept, changed and put away, and travel in the bundle even then', async () => {
    const id = uuid()
    await put(id, { base: 0, body: plan, withdrawn: false }).expect(200)
    expect(await names()).toContain('Hill lambs')
    await put(id, { base: 1, body: { ...plan, name: 'Vale lambs' }, withdrawn: false }).expect(200)
    expect(await names()).toEqual(['Vale lambs'])
    await put(id, { base: 2, body: { ...plan, name: 'Vale lambs' }, withdrawn: true }).expect(200)
    expect(await names()).toEqual([])
    const { content } = (await api.get('/api/bundle')).body as Bundle
    expect(content.plans.map((p) => [p.body.name, p.withdrawn])).toEqual([['Vale lambs', true]])
  })
  it('of another form, version or species are refused at their field', async () => {
    for (const [field, spoilt] of [
      ['body.version', { ...plan, version: 9 }],
      ['body.species', { ...plan, species: 'yak' }],
      ['body.name', { ...plan, name: ' ' }],
      ['body.trim', { ...plan, trim: 'none' }],
    ] as const) {
      const res = await put(uuid(), { base: 0, body: spoilt, withdrawn: false }).expect(400)
      expect(res.body.errors[0].field).toBe(field)
    }
    await put('not-an-id', { base: 0, body: plan, withdrawn: false }).expect(404)
  })
})

describe('the bundle', () => {
  it.each([
    ['cut off', (t: string) => t.slice(0, t.length / 2), 'bundle-damaged'],
    ['altered', (t: string) => t.replace('Fallowmere', 'Fellowmere'), 'bundle-damaged'],
    ['of a later version', (t: string) => t.replace(/"version":\d+/, '"version":99'), 'bundle-version'],
    ['something else', () => '[1,2]', 'bundle-damaged'],
  ])('%s is refused before anything is changed', async (_, spoil, code) => {
    const text = JSON.stringify((await store.run('exportBundle', undefined)) satisfies Bundle)
    expect(readBundle(spoil(text))).toMatchObject({ ok: false, issues: [{ code }] })
  })
})
