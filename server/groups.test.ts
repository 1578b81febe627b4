import { v7 as uuid } from 'uuid'
import { describe, expect, it } from 'vitest'
import type { Decision, FactBody } from '#core/records'
import type { Lot, LotChange, Problem } from '#contracts'
import { leavesOf } from '#core/records'
import { readBundle } from './bundle/form.ts'
import { digestOf } from './store/outcomes.ts'
import { apiOfFarm, appendBody, factBody, lotBody, openTestStore, packBody, weighingBody } from './testing.ts'

const test = apiOfFarm()

const codes = (body: Problem) => body.errors?.map((e) => e.code)
const whole = async (id: string): Promise<Lot> => (await test.api.get(`/api/lots/${id}`).expect(200)).body
async function flock(count = 40) {
  const lot: Lot = (
    await test.api
      .post('/api/lots')
      .send(lotBody({ species: 'broiler', count }))
      .expect(201)
  ).body
  await test.api
    .post(`/api/lots/${lot.id}/weighings`)
    .send(weighingBody('hot', count * 4.2))
    .expect(200)
  return lot.id
}
const split = (id: string, group: string, into: [animals: number, name: string][], half = false) => {
  const groups = into.map(([animals, name]) => ({ id: uuid(), animals, name }))
  return {
    ids: groups.map((g) => g.id),
    sent: test.api.post(`/api/lots/${id}/groups`).send({ group, half, into: groups }),
  }
}
async function halved(id: string) {
  const { ids, sent } = split(id, id, [
    [12, 'Parted'],
    [28, 'Whole'],
  ])
  await sent.expect(200)
  return ids as [string, string]
}
const bird = (value: string): Decision => ({ field: 'path', target: 'bird', side: 'animal', value })
const decide = async (id: string, group: string | undefined, decision: Decision, more = {}) =>
  test.api
    .post(`/api/lots/${id}/decisions`)
    .send({ ...appendBody((await whole(id)).rev, decision), ...(group && { group }), ...more })
const tick = (what: 'step' | 'cut', of: string): FactBody => ({ kind: 'tick', what, of, side: 'animal' })

describe('groups of a lot, on the server', () => {
  it('have a plan each; how it is cut is asked of one of them, a price of the lot', async () => {
    const id = await flock()
    const [parted, rest] = await halved(id)
    expect((await decide(id, parted, bird('bird-parts'))).status).toBe(200)
    const unsaid = await decide(id, undefined, bird('bird-parts'))
    expect(codes(unsaid.body)).toEqual(['group-needed'])
    const price: Decision = { field: 'index', target: 'whole-bird', side: 'animal', value: 2 }
    expect((await decide(id, rest, price)).status).toBe(200)
    const lot = await whole(id)
    expect(lot.commands.map((c) => [c.group, c.decision.field])).toEqual([
      [parted, 'path'],
      [id, 'index'],
    ])
  })

  it('take the same field apart without a conflict, and each takes back its own', async () => {
    const id = await flock()
    const [parted, rest] = await halved(id)
    const base = (await whole(id)).rev
    const first = appendBody(base, bird('bird-parts'))
    await test.api
      .post(`/api/lots/${id}/decisions`)
      .send({ ...first, group: parted })
      .expect(200)
    const second = { ...appendBody(base, bird('bird-halves')), group: rest }
    await test.api.post(`/api/lots/${id}/decisions`).send(second).expect(200)
    const back = await decide(id, undefined, { ...bird('bird-parts'), value: null } as Decision, {
      undoes: first.batch,
    })
    expect(back.status).toBe(200)
    expect((await whole(id)).commands.at(-1)).toMatchObject({ group: parted, undoes: first.batch })
    // Sent again, what was kept is kept once.
    const again = await test.api.post(`/api/lots/${id}/decisions`).send(second).expect(200)
    expect((again.body as LotChange).commands[0]!.group).toBe(rest)
  })

  it('have weights, packs and ticks of their own; a weight that leaves the others nothing is refused', async () => {
    const id = await flock()
    const [parted, rest] = await halved(id)
    const weigh = (group: string, lb: number) =>
      test.api.post(`/api/lots/${id}/weighings`).send({ ...weighingBody('hot', lb), group })
    expect(codes((await weigh(rest, 160).expect(422)).body)).toEqual(['group-above-lot'])
    await weigh(parted, 52).expect(200)
    await test.api
      .post(`/api/lots/${id}/packs`)
      .send({ ...packBody('whole-bird', 45, { packs: 10 }), group: rest })
      .expect(200)
    const heavy = await test.api
      .post(`/api/lots/${id}/packs`)
      .send({ ...packBody('leg-whole', 150, { packs: 10 }), group: parted })
      .expect(422)
    expect(codes(heavy.body)).toEqual(['packed-above-carcass'])
    const note = (group: string | undefined, ...facts: FactBody[]) =>
      test.api
        .post(`/api/lots/${id}/facts`)
        .send({ ...(group && { group }), facts: facts.map((f) => factBody(f)) })
    await note(parted, tick('step', 'bird')).expect(200)
    await note(rest, tick('step', 'bird')).expect(200)
    expect(codes((await note(undefined, tick('step', 'bird')).expect(422)).body)).toEqual(['group-needed'])
    await note(undefined, tick('cut', 'neck')).expect(200)
    const lot = await whole(id)
    expect(lot.facts.map((f) => f.group)).toEqual([parted, rest, id])
    expect(lot.weighings.map((w) => w.group)).toEqual([id, parted])
    expect(lot.packs.map((p) => p.group)).toEqual([rest])
    // A cost is the lot's, whichever group was looked at.
    await note(parted, { kind: 'cost', label: 'Feed', amount: 5000 }).expect(200)
    expect((await whole(id)).facts.at(-1)!.group).toBe(id)
  })

  it('are split again and put together again; what was one of them is no group any more', async () => {
    const id = await flock()
    const [parted, rest] = await halved(id)
    const more = split(id, rest, [
      [8, 'Halves'],
      [20, 'Roasters'],
    ])
    await more.sent.expect(200)
    const gone = await decide(id, rest, bird('bird-halves'))
    expect(codes(gone.body)).toEqual(['group-gone'])
    const [halves, roasters] = more.ids
    const join = { id: uuid(), name: 'Parted', as: parted, with: [halves] }
    await test.api.post(`/api/lots/${id}/groups/joined`).send(join).expect(200)
    await test.api.post(`/api/lots/${id}/groups/joined`).send(join).expect(200)
    await test.api
      .post(`/api/lots/${id}/groups/joined`)
      .send({ ...join, with: [roasters] })
      .expect(409)
    const lot = await whole(id)
    expect(leavesOf(lot.groups).map((g) => [g.name, g.animals])).toEqual([
      ['Roasters', 20],
      ['Parted', 20],
    ])
    const lost = await test.api
      .post(`/api/lots/${id}/groups/joined`)
      .send({ ...join, id: uuid() })
      .expect(422)
    expect(codes(lost.body)).toEqual(['unknown-id'])
    const twice = { id: uuid(), name: 'All', as: roasters!, with: [roasters!] }
    await test.api.post(`/api/lots/${id}/groups/joined`).send(twice).expect(422)
    const strange = await test.api
      .post(`/api/lots/${id}/weighings`)
      .send({ ...weighingBody('hot', 50), group: uuid() })
    expect(codes(strange.body)).toEqual(['unknown-id'])
  })

  it('may be the two sides of a bird, which come together as the bird', async () => {
    const id = await flock(1)
    const { ids, sent } = split(
      id,
      id,
      [
        [1, 'left side'],
        [1, 'right side'],
      ],
      true,
    )
    await sent.expect(200)
    const [left, right] = ids as [string, string]
    expect(codes((await decide(id, left, bird('bird-whole'))).body)).toEqual(['only-a-half'])
    expect((await decide(id, left, bird('bird-parts'))).status).toBe(200)
    await split(
      id,
      left,
      [
        [1, 'a'],
        [1, 'b'],
      ],
      true,
    ).sent.expect(422)
    await test.api
      .post(`/api/lots/${id}/groups/joined`)
      .send({ id: uuid(), name: 'Bird', as: left, with: [right] })
      .expect(200)
    expect((await whole(id)).groups.at(-1)).toMatchObject({ half: false, animals: 1, joins: [right] })
    const odd = await flock(4)
    const two = split(odd, odd, [
      [2, 'Pair'],
      [2, 'Others'],
    ])
    await two.sent.expect(200)
    const sides = split(
      odd,
      two.ids[0]!,
      [
        [2, 'l'],
        [2, 'r'],
      ],
      true,
    )
    await sides.sent.expect(200)
    const unlike = { id: uuid(), name: 'x', as: two.ids[1]!, with: [sides.ids[0]!] }
    expect(
      codes((await test.api.post(`/api/lots/${odd}/groups/joined`).send(unlike).expect(422)).body),
    ).toEqual(['groups-unlike'])
  })

  it('print a card each; of all of them together there is no card, but a price list', async () => {
    const id = await flock()
    const [parted] = await halved(id)
    await decide(id, parted, bird('bird-parts'))
    const route: FactBody = { kind: 'observation', what: 'route', value: 'poultry-exempt' }
    await test.api
      .post(`/api/lots/${id}/facts`)
      .send({ facts: [factBody(route)] })
      .expect(200)
    const ask = (kind: string, group?: string) =>
      test.api
        .post(`/api/lots/${id}/papers`)
        .send({ id: uuid(), kind, share: 1, words: {}, ...(group && { group }) })
    expect(codes((await ask('block-card').expect(422)).body)).toEqual(['group-needed'])
    const card = await ask('block-card', parted).expect(201)
    expect(card.body.data.lot).toMatch(/, Parted$/)
    expect(card.body.data.what).toMatch(/^12 /)
    await ask('price-list').expect(201)
    await ask('block-card', uuid()).expect(404)
  })

  it('are taken away and brought back whole; a bundle whose groups do not add up is refused', async () => {
    const text = (await test.api.get('/api/bundle').expect(200)).text
    const read = readBundle(text)
    if (!read.ok) throw new Error(JSON.stringify(read.issues))
    const { store } = await openTestStore()
    expect(await store.run('importBundle', read.value)).toEqual({ result: 'kept' })
    expect((await store.run('exportBundle', undefined)).digest).toBe(read.value.digest)
    await store.close()
    const bent = (change: (groups: Lot['groups']) => void) => {
      const bundle = JSON.parse(text)
      change(bundle.content.lots.find((l: Lot) => l.groups.some((g) => g.joins.length > 0)).groups)
      return readBundle(JSON.stringify({ ...bundle, digest: digestOf(bundle.content) })).ok
    }
    expect(bent(() => undefined)).toBe(true)
    expect(bent((groups) => (groups.at(-1)!.animals += 1))).toBe(false)
    expect(bent((groups) => (groups.at(-1)!.joins = [uuid()]))).toBe(false)
    expect(bent((groups) => (groups[1]!.parent = groups.at(-1)!.id))).toBe(false)
  })
})
