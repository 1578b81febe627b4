import { createHash } from 'node:crypto'
import { existsSync, mkdirSync, rmSync, utimesSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { v7 as uuid } from 'uuid'
import { describe, expect, it } from 'vitest'
import { DEVICE_HEADER, type Lot, type NewFact } from '#contracts'
import { priceOf } from '#core/measure'
import { readFacts } from '#core/plan'
import { UNNAMED, type Decision, type FactBody } from '#core/records'
import { readBundle } from './bundle/form.ts'
import { picturesIn } from './bundle/operations.ts'
import { placesOf } from './database/places.ts'
import {
  apiOfFarm,
  appendBody,
  factBody,
  lotBody,
  openTestStore,
  packBody,
  takePath,
  weighingBody,
} from './testing.ts'

const test = apiOfFarm()

const hang = async (more = {}): Promise<Lot> =>
  (await test.api.post('/api/lots').send(lotBody(more)).expect(201)).body
const whole = async (lot: Lot): Promise<Lot> => (await test.api.get(`/api/lots/${lot.id}`).expect(200)).body
const note = (lot: Lot, ...facts: NewFact[]) => test.api.post(`/api/lots/${lot.id}/facts`).send({ facts })
const decide = (lot: Lot, body: object, device?: string) => {
  const req = test.api.post(`/api/lots/${lot.id}/decisions`)
  return (device ? req.set(DEVICE_HEADER, device) : req).send(body)
}
const route = (value: 'inspected' | 'custom'): FactBody => ({ kind: 'observation', what: 'route', value })
const WEANER: FactBody = { kind: 'cost', label: 'Weaner', amount: 9000 }

describe('facts', () => {
  it('are kept with device, person and the revision of the lot, and corrected by the next about the same thing', async () => {
    const lot = await hang()
    const device = uuid()
    const first = factBody(route('custom'))
    const one: Lot = (
      await test.api
        .post(`/api/lots/${lot.id}/facts`)
        .set(DEVICE_HEADER, device)
        .send({ facts: [first, factBody(WEANER)] })
        .expect(200)
    ).body
    expect(one.facts.map((f) => [f.rev, f.device])).toEqual([
      [1, device],
      [2, device],
    ])
    await note(lot, factBody(route('inspected'), { corrects: first.id })).expect(200)
    const two = await whole(lot)
    expect(readFacts(two.facts).route).toBe('inspected')
    expect(two.facts).toHaveLength(3)
    expect(two.rev).toBe(3)
  })
  it('sent twice are kept once; the same id with another content is refused, and both are shown', async () => {
    const lot = await hang()
    const fact = factBody(WEANER)
    await note(lot, fact).expect(200)
    await note(lot, fact).expect(200)
    expect((await whole(lot)).facts).toHaveLength(1)
    const other = await note(lot, { ...fact, fact: { ...WEANER, amount: 1 } }).expect(409)
    expect(other.body).toMatchObject({ type: '/problems/taken', sent: [{ fact: { amount: 1 } }] })
  })
  it('of two windows about the same thing come back side by side; agreeing, they merge', async () => {
    const lot = await hang()
    const mine = factBody(route('custom'))
    await note(lot, mine).expect(200)
    const clash = await note(lot, factBody(route('inspected'))).expect(409)
    expect(clash.body.conflicts).toEqual([
      { mine: route('inspected'), theirs: route('custom'), id: mine.id, by: UNNAMED },
    ])
    await note(lot, factBody(route('custom'))).expect(200)
    expect((await whole(lot)).facts).toHaveLength(1)
    await note(lot, factBody(route('inspected'), { corrects: mine.id })).expect(200)
    const late = await note(lot, factBody(route('custom'), { corrects: mine.id })).expect(409)
    expect(late.body.conflicts[0].theirs).toEqual(route('inspected'))
  })
  it('are all kept or none: a batch with one that is wrong adds nothing', async () => {
    const lot = await hang()
    const ribs: FactBody = { kind: 'observation', what: 'ribs', value: 30 }
    const out = await note(lot, factBody(WEANER), factBody(ribs)).expect(422)
    expect(out.body.errors[0]).toMatchObject({ field: 'facts.1.value', code: 'ribs-impossible' })
    const { body } = await test.api.get(`/api/lots/${lot.id}`)
    expect([body.facts, body.rev]).toEqual([[], 0])
  })
  it('correct only what they are about, and withdraw it for good', async () => {
    const lot = await hang()
    const cost = factBody(WEANER)
    await note(lot, cost).expect(200)
    const wrong = await note(lot, factBody(route('custom'), { corrects: cost.id })).expect(422)
    expect(wrong.body.errors[0]).toMatchObject({ field: 'facts.0.corrects', code: 'unknown-id' })
    await note(lot, factBody(WEANER, { corrects: cost.id, stands: false })).expect(200)
    const gone = await whole(lot)
    expect(readFacts(gone.facts).costs).toEqual([])
    expect(gone.facts).toHaveLength(2)
  })
  it('order is by revision over all kinds of record, whatever the clock of the server says', async () => {
    const lot = await hang()
    await test.api.post(`/api/lots/${lot.id}/weighings`).send(weighingBody('hanging', 178)).expect(200)
    await note(lot, factBody(WEANER)).expect(200)
    await test.api.post(`/api/lots/${lot.id}/packs`).send(packBody('bacon', 4)).expect(200)
    await decide(lot, appendBody(3, takePath('leg', 'leg-grind'))).expect(200)
    const now = await whole(lot)
    expect([now.weighings, now.facts, now.packs, now.commands].map((rows) => rows[0]!.rev)).toEqual([
      1, 2, 3, 4,
    ])
    expect(now.rev).toBe(4)
  })
})

describe('decisions of several devices', () => {
  const [kitchen, barn] = [uuid(), uuid()]
  it('an undo takes back what its own device decided, never another’s last batch', async () => {
    const lot = await hang()
    const mine = appendBody(0, takePath('loin', 'loin-roasts'))
    await decide(lot, mine, kitchen).expect(200)
    const theirs = appendBody(1, takePath('leg', 'leg-grind'))
    await decide(lot, theirs, barn).expect(200)
    const back = (target: string): Decision => ({ field: 'path', target, side: 'left', value: null })
    const undo = (batch: string, target: string, device: string, base: number) =>
      decide(lot, { ...appendBody(base, back(target)), undoes: batch }, device)
    const refused = await undo(theirs.batch, 'leg', kitchen, 2).expect(422)
    expect(refused.body.errors[0]).toMatchObject({ code: 'undo-not-yours', field: 'undoes' })
    await undo(mine.batch, 'loin', kitchen, 2).expect(200)
    await undo(theirs.batch, 'leg', barn, 3).expect(200)
  })
  it('the same price from two windows is no conflict, however the database orders its keys', async () => {
    const lot = await hang()
    const price: Decision = { field: 'price', target: 'bacon', side: 'animal', value: priceOf(895, 'lb') }
    await decide(lot, appendBody(0, price), kitchen).expect(200)
    const turned = { ...price, value: { per: 'lb', milli: 895_000 } } as Decision
    await decide(lot, appendBody(0, turned), barn).expect(200)
  })
})

describe('a lot hung by mistake', () => {
  it('is taken off, with every record of it, and hung again by withdrawing the withdrawal', async () => {
    const lot = await hang()
    await note(lot, factBody(WEANER)).expect(200)
    const gone = factBody({ kind: 'withdrawal', why: 'typed twice' })
    await note(lot, gone).expect(200)
    const off = await whole(lot)
    expect(readFacts(off.facts)).toMatchObject({ withdrawn: true, costs: [{ label: 'Weaner' }] })
    const again = { ...factBody(gone.fact), corrects: gone.id, stands: false }
    await note(lot, again).expect(200)
    expect(readFacts((await whole(lot)).facts).withdrawn).toBe(false)
  })
})

const PICTURE = Buffer.from('a picture of a bruise')
const HASH = createHash('sha256').update(PICTURE).digest('hex')
const ATTACHED = {
  kind: 'attachment',
  name: 'bruise.jpg',
  type: 'image/jpeg',
  bytes: PICTURE.length,
} as const

describe('an attachment', () => {
  const slip = Buffer.from('%PDF-1.4 hung 182 lb')
  const hash = createHash('sha256').update(slip).digest('hex')
  const fact: FactBody = {
    kind: 'attachment',
    name: 'slip.pdf',
    type: 'application/pdf',
    bytes: slip.length,
    hash,
  }
  const put = (as: string, bytes: Buffer) =>
    test.api.put(`/api/attachments/${as}`).type('application/octet-stream').send(bytes)
  it('is bytes under their hash first, then a fact that names them', async () => {
    const lot = await hang()
    const early = await note(lot, factBody({ ...fact, hash: 'a'.repeat(64) })).expect(422)
    expect(early.body.errors[0].code).toBe('attachment-gone')
    await put('b'.repeat(64), slip).expect(422)
    await put(hash, slip).expect(204)
    await put(hash, slip).expect(204)
    await note(lot, factBody(fact)).expect(200)
    const back = await test.api.get(`/api/attachments/${hash}?type=application/pdf`).expect(200)
    expect(back.headers['content-type']).toContain('application/pdf')
    expect(back.headers['content-security-policy']).toContain('sandbox')
    expect(existsSync(join(placesOf(test.folder).attachments, hash))).toBe(true)
    await test.api.get(`/api/attachments/${'c'.repeat(64)}`).expect(404)
  })
  it('goes into the bundle and comes back out of it; an altered one is refused', async () => {
    const text = (await test.api.get('/api/bundle').expect(200)).text
    const read = readBundle(text)
    if (!read.ok) throw new Error(JSON.stringify(read.issues))
    expect(Object.keys(read.value.content.attachments)).toEqual([hash])
    const other = await openTestStore()
    await other.store.run('importBundle', read.value)
    expect(existsSync(join(placesOf(other.folder).attachments, hash))).toBe(true)
    expect((await other.store.run('exportBundle', undefined)).digest).toBe(read.value.digest)
    await other.store.close()
  })
})

describe('pictures in a bundle', () => {
  it('are the newest that find room; the others are named', () => {
    const shelf = { isSound: (hash: string) => hash !== 'gone', read: () => Buffer.alloc(100) }
    const all = ['old', 'gone', 'a', 'new']
    expect(picturesIn(all, shelf)).toMatchObject({ lost: ['gone'] })
    const { attachments, lost } = picturesIn([...all, 'new'], shelf, 250)
    expect([Object.keys(attachments).sort(), lost.sort()]).toEqual([
      ['a', 'new'],
      ['gone', 'old'],
    ])
  })
})

describe('an attachment that is lost', () => {
  const { attachments, attachmentCopies } = placesOf('')
  const at = (shelf: string) => join(test.folder, shelf, HASH)
  const warning = async () => {
    await test.keeping.lookAtPictures()
    return (await test.api.get('/api/standing').expect(200)).body.warning as string | null
  }
  it('is read from beside the copies; lost there too, everything else is copied and it is named, until it is sent again', async () => {
    const lot = await hang()
    await test.api.put(`/api/attachments/${HASH}`).type('application/octet-stream').send(PICTURE).expect(204)
    await note(lot, factBody({ ...ATTACHED, hash: HASH })).expect(200)
    writeFileSync(at(attachments), 'changed')
    await test.api.get(`/api/attachments/${HASH}`).expect(200)
    // Looked at, it is whole in both places again.
    expect(await warning()).toBeNull()
    rmSync(at(attachmentCopies))
    await test.api.get(`/api/attachments/${HASH}`).expect(200)
    writeFileSync(at(attachments), 'changed')
    await test.api.get(`/api/attachments/${HASH}`).expect(404)
    expect(await warning()).toMatch(new RegExp(`A picture is not there any more.*${HASH.slice(0, 8)}`))
    const { body } = await test.api.get('/api/bundle').expect(200)
    expect(body.content.lost).toEqual([HASH])
    expect(readBundle(JSON.stringify(body)).ok).toBe(true)
    await test.api.put(`/api/attachments/${HASH}`).type('application/octet-stream').send(PICTURE).expect(204)
    await test.api.get(`/api/attachments/${HASH}`).expect(200)
    expect(await warning()).toBeNull()
  })
  it('by nobody: one that no lot names is cleared after a month, and none before', async () => {
    const stray = Buffer.from('a picture that was sent and never noted')
    const name = createHash('sha256').update(stray).digest('hex')
    await test.api.put(`/api/attachments/${name}`).type('application/octet-stream').send(stray).expect(204)
    await test.keeping.lookAtPictures()
    await test.api.get(`/api/attachments/${name}`).expect(200)
    const long = new Date('2026-10-01T00:00:00Z')
    for (const shelf of [attachments, attachmentCopies])
      utimesSync(join(test.folder, shelf, name), long, long)
    // A database that was moved aside may name it.
    const aside = join(test.folder, 'db.aside-1')
    mkdirSync(aside)
    await test.keeping.lookAtPictures()
    await test.api.get(`/api/attachments/${name}`).expect(200)
    rmSync(aside, { recursive: true })
    await test.keeping.lookAtPictures()
    await test.api.get(`/api/attachments/${name}`).expect(404)
    await test.api.get(`/api/attachments/${HASH}`).expect(200)
  })
})
