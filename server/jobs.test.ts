import { describe, expect, it } from 'vitest'
import type { Lot, NewWeighing, Problem } from '#contracts'
import { SPECIES } from '#core/anatomy'
import { priceOf } from '#core/measure'
import type { FactBody, Hangs } from '#core/records'
import { apiOfFarm, appendBody, factBody, lotBody, packBody, takePath, weighingBody } from './testing.ts'

const test = apiOfFarm()

const hang = async (more = {}): Promise<Lot> =>
  (await test.api.post('/api/lots').send(lotBody(more)).expect(201)).body
const note = (lot: Lot, ...facts: FactBody[]) =>
  test.api.post(`/api/lots/${lot.id}/facts`).send({ facts: facts.map((f) => factBody(f)) })
const weigh = (lot: Lot, stage: NewWeighing['stage'], value: number, more: Partial<NewWeighing> = {}) =>
  test.api.post(`/api/lots/${lot.id}/weighings`).send({ ...weighingBody(stage, value), ...more })
const as = (value: Hangs): FactBody => ({ kind: 'observation', what: 'hangs', value })
const seen = (what: 'killed' | 'born', value: string): FactBody => ({ kind: 'observation', what, value })
const ended = (value: 'died' | 'hunted'): FactBody => ({ kind: 'observation', what: 'end', value })
const codes = (body: Problem) => body.errors?.map((e) => e.code)

describe('every species', () => {
  it.each(SPECIES)('a %s is hung, and read by figures of its own', async (species) => {
    const lot = await hang({ species })
    const { body } = await test.api.get(`/api/anatomies/${lot.anatomy}`).expect(200)
    expect(body.anatomy.species).toBe(species)
  })
})

describe('less than an animal, on the server', () => {
  it('a loin in a box has a weight as it came, and no live weight; another part of it cannot be planned', async () => {
    const lot = await hang()
    await note(lot, as({ as: 'part', part: 'loin' })).expect(200)
    const live = await weigh(lot, 'live', 260).expect(422)
    expect(codes(live.body)).toEqual(['no-live-weight'])
    await weigh(lot, 'hanging', 21, { basis: 'boxed' }).expect(200)
    const decide = (part: string, path: string) =>
      test.api.post(`/api/lots/${lot.id}/decisions`).send(appendBody(2, takePath(part, path)))
    expect(codes((await decide('leg', 'leg-whole').expect(422)).body)).toEqual(['not-in-job'])
    await decide('loin', 'loin-roasts').expect(200)
  })
  it('what an animal does not hang as is refused: a hog’s quarter, a bird’s side, a part that is none', async () => {
    for (const [species, value] of [
      ['hog', { as: 'quarter', side: 'left', quarter: 'fore' }],
      ['broiler', { as: 'side', side: 'left' }],
      ['hog', { as: 'part', part: 'nose' }],
    ] as const) {
      const { body } = await note(await hang({ species }), as(value)).expect(422)
      expect(codes(body)).toEqual(['not-hung'])
    }
  })
})

describe('what is not food, on the server', () => {
  it('no pack and no plan of an animal that died; said wrong, it is corrected', async () => {
    const lot = await hang()
    await note(lot, ended('died')).expect(200)
    const pack = await test.api.post(`/api/lots/${lot.id}/packs`).send(packBody('bacon', 9)).expect(422)
    expect(codes(pack.body)).toEqual(['not-food'])
    expect(pack.body.errors[0].detail).toMatch(/21 USC 644.*died by itself.*Hang/s)
    await test.api
      .post(`/api/lots/${lot.id}/decisions`)
      .send(appendBody(1, takePath('loin', 'loin-roasts')))
      .expect(422)
  })
  it('a price of hunted meat is refused with the rule, the fact and where to change it', async () => {
    const lot = await hang()
    await note(lot, ended('hunted')).expect(200)
    const { body } = await test.api
      .post(`/api/lots/${lot.id}/decisions`)
      .send(
        appendBody(1, {
          field: 'price',
          target: 'bacon',
          side: 'animal',
          value: priceOf(900, 'lb'),
        }),
      )
      .expect(422)
    expect(codes(body)).toEqual(['not-sold'])
    expect(body.errors[0].detail).toMatch(/9 CFR 352.*hunted.*Hang/s)
  })
  it('days that contradict each other are refused, a withdrawal that ends before it began too', async () => {
    const lot = await hang({ species: 'steer' })
    await note(lot, seen('born', '2024-01-10')).expect(200)
    expect(codes((await note(lot, seen('killed', '2023-12-01')).expect(422)).body)).toEqual([
      'killed-before-born',
    ])
    await note(lot, seen('killed', '2026-11-01')).expect(200)
    const young: FactBody = { kind: 'observation', what: 'dressing', of: 'under30', value: true }
    expect(codes((await note(lot, young).expect(422)).body)).toEqual(['age-contradicts'])
    const medicine: FactBody = {
      kind: 'medicine',
      name: 'Wormer',
      given: '2026-10-02',
      until: '2026-10-01',
      animal: null,
    }
    expect(codes((await note(lot, medicine).expect(422)).body)).toEqual(['withdrawal-before'])
  })
})

describe('animals told apart', () => {
  const one = (mark: string, live: number | null, hot: number | null = null): FactBody => ({
    kind: 'animal',
    mark,
    live: live === null ? null : { value: live, unit: 'kg' },
    hot: hot === null ? null : { value: hot, unit: 'kg' },
  })
  it('are kept by their tags, never more than hang, and none weighs what no lamb does', async () => {
    const lot = await hang({ species: 'lamb', count: 2 })
    await note(lot, one('014', 41), one('017', 44.5)).expect(200)
    expect(codes((await note(lot, one('022', 40)).expect(422)).body)).toEqual(['more-than-count'])
    expect(codes((await note(lot, one('023', 700)).expect(422)).body)).toEqual(['mass-absurd'])
    expect(codes((await note(lot, one('024', 40, 41)).expect(422)).body)).toEqual(['hot-above-live'])
    const { body } = await test.api.get(`/api/lots/${lot.id}`).expect(200)
    expect(body.facts.map((f: { fact: FactBody }) => f.fact)).toEqual([one('014', 41), one('017', 44.5)])
  })
})
