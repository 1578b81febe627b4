import { v7 as uuid } from 'uuid'
import { describe, expect, it } from 'vitest'
import { DEVICE_HEADER, type Lot, type Write, type Written } from '#contracts'
import { nextUndo } from '#core/plan'
import { UNNAMED, type FactBody } from '#core/records'
import { apiOfFarm, appendBody, factBody, lotBody, packBody, takePath, weighingBody } from './testing.ts'

const test = apiOfFarm()
const send = (writes: Write[], request = uuid()) => test.api.post('/api/writes').send({ request, writes })
const whole = async (id: string): Promise<Lot> => (await test.api.get(`/api/lots/${id}`).expect(200)).body
const hang = async (more = {}): Promise<Lot> =>
  (await test.api.post('/api/lots').send(lotBody(more)).expect(201)).body
const cost = (amount: number): FactBody => ({ kind: 'cost', label: 'Straw', amount })
const facts = (lot: string, ...all: FactBody[]): Write => ({
  ...{ is: 'facts' as const, lot },
  facts: { facts: all.map((f) => factBody(f)) },
})
const weighed = (lot: string, value: number): Write => ({
  ...{ is: 'weighing' as const, lot },
  weighing: weighingBody('live', value),
})
const packed = (lot: string, value: number, packs = 1): Write => ({
  ...{ is: 'pack' as const, lot },
  pack: packBody('bone-in-chop', value, { packs }),
})
const digest = async () => ((await test.api.get('/api/bundle').expect(200)).body as { digest: string }).digest

describe('several writes as one', () => {
  it('hang a lot with its weight and costs; sent again it is the same answer, and nothing is there twice', async () => {
    const id = uuid()
    const request = uuid()
    const writes: Write[] = [
      { is: 'hung', lot: id, hung: lotBody({ id }) },
      weighed(id, 250),
      facts(id, cost(900), { kind: 'observation', what: 'mark', value: 'UK 12' }),
    ]
    const first = (await send(writes, request).expect(200)).body as Written
    expect(first.changes.map((c) => [c.id, c.from, c.rev])).toEqual([[id, 0, 3]])
    await test.api.post(`/api/lots/${id}/facts`).send({ facts: [factBody(cost(100))] })
    expect((await send(writes, request).expect(200)).body).toEqual(first)
    expect((await whole(id)).facts).toHaveLength(3)
    const other = await send([weighed(id, 240)], request).expect(409)
    expect(other.body.type).toBe('/problems/taken')
  })
  it('a refusal at any place leaves nothing of any of them, and no gap in the numbers', async () => {
    const [one, two] = [await hang(), await hang({ tag: 'Sorrel' })]
    await test.api.post(`/api/lots/${one.id}/weighings`).send(weighingBody('hot', 180)).expect(200)
    const right = (): Write[] => [packed(one.id, 4, 3), facts(two.id, cost(700)), packed(one.id, 5)]
    const wrong = packed(one.id, 90_000)
    const before = await digest()
    for (let at = 0; at <= 3; at++) {
      const answer = await send(right().toSpliced(at, 0, wrong)).expect(422)
      expect(answer.body.errors.map((e: { field: string }) => e.field)).toEqual([`writes.${at}.shown`])
      expect(await digest()).toBe(before)
    }
    await send([...right(), { is: 'weighing', lot: uuid(), weighing: weighingBody('live', 9) }]).expect(404)
    expect(await digest()).toBe(before)
    const { changes } = (await send(right()).expect(200)).body as Written
    expect(changes.map((c) => c.id)).toEqual([one.id, two.id])
    expect(changes[0]!.packs.map((p) => p.number)).toEqual([1, 4])
  })
  it('each is judged on what the ones before it leave: groups that were just made are decided for, a pack just weighed is opened', async () => {
    const lot = await hang({ species: 'broiler', count: 60 })
    const [small, large, batch] = [uuid(), uuid(), uuid()]
    const decide = (group: string): Write => ({
      ...{ is: 'append' as const, lot: lot.id },
      append: {
        ...appendBody(0, { field: 'trim', target: 'lot', side: 'animal', value: 'close' }),
        ...{ batch, group, base: 1 },
      },
    })
    const into = [
      { id: small, animals: 20, name: 'Small' },
      { id: large, animals: 40, name: 'Large' },
    ]
    const device = uuid()
    await send([
      { is: 'split', lot: lot.id, split: { group: lot.id, half: false, into } },
      decide(small),
      decide(large),
    ])
      .set(DEVICE_HEADER, device)
      .expect(200)
    const now = await whole(lot.id)
    expect(now.commands.map((c) => [c.group, c.batch])).toEqual([
      [small, batch],
      [large, batch],
    ])
    // What one press decided for two groups is taken back for both.
    const back = uuid()
    const undo = (group: string): Write => {
      const { decisions } = nextUndo(
        now.commands.filter((c) => c.group === group),
        { device, person: UNNAMED },
      )!
      const append = { ...appendBody(now.rev, ...decisions), batch: back, group, undoes: batch }
      return { is: 'append', lot: lot.id, append }
    }
    await send([undo(small), undo(large)])
      .set(DEVICE_HEADER, device)
      .expect(200)
    const after = await whole(lot.id)
    expect(after.commands.slice(2).map((c) => [c.group, c.undoes, c.decision.value])).toEqual([
      [small, batch, null],
      [large, batch, null],
    ])
  })
  it('two that want the same lots in another order both keep theirs', async () => {
    const [one, two] = [await hang(), await hang({ tag: 'Tansy' })]
    const both = (order: Lot[]) => send(order.map((l) => facts(l.id, cost(500))))
    const out = await Promise.all([both([one, two]), both([two, one]), both([one, two])])
    expect(out.map((r) => r.status)).toEqual([200, 200, 200])
    expect((await whole(one.id)).facts).toHaveLength(3)
  })
  it('a conflict in one of them says both, and keeps nothing', async () => {
    const lot = await hang()
    await test.api
      .post(`/api/lots/${lot.id}/decisions`)
      .send(appendBody(0, takePath('loin', 'loin-roasts')))
      .expect(200)
    const late: Write = {
      is: 'append',
      lot: lot.id,
      append: appendBody(0, takePath('loin', 'loin-boneless-chops')),
    }
    const answer = await send([facts(lot.id, cost(300)), late])
    expect([answer.status, answer.body.type]).toEqual([409, '/problems/conflict'])
    expect((await whole(lot.id)).facts).toEqual([])
  })
})
