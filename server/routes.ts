import { raw, Router, type Request } from 'express'
import same from 'fast-deep-equal'
import {
  appendSchema,
  askedPaperSchema,
  DEVICE_HEADER,
  factsSchema,
  farmChangeSchema,
  hashSchema,
  newLotSchema,
  newPackSchema,
  newWeighingSchema,
  ownChangeSchema,
  planChangeSchema,
  rehearsalSchema,
  sealSchema,
  secondPlaceSchema,
  splitSchema,
  type Author,
  type IssuedPaper,
} from '#contracts'
import { SPECIES } from '#core/anatomy'
import { issueOf, type Issue } from '#core/measure'
import { ATTACHMENT_TYPES, idSchema, readBy, revisionSchema, UNNAMED } from '#core/records'
import { hashOfBytes, type Shelf } from './database/shelf.ts'
import type { Bell } from './events.ts'
import type { Keeping, Rehearsed } from './keeping/service.ts'
import type { PaperMaker } from './papers/maker.ts'
import { changeKept, notFound, parsed, refused, Refusal, taken, valueKept } from './problem.ts'
import { askedOf } from './store/operations.ts'
import type { Changed, Kept } from './store/outcomes.ts'
import type { Store } from './store/store.ts'

export interface Served {
  store: Store
  shelf: Shelf
  keeping: Keeping
  papers: PaperMaker
  bell: Bell
  now: () => Date
}

/** An id from the address: what is no id cannot name anything. */
function idOf(text: string | string[] | undefined, what: string): string {
  const id = idSchema.safeParse(text)
  if (!id.success) throw notFound(what)
  return id.data
}

/** Who writes: the device the page says it is on; nobody has a name yet. */
function authorOf(req: Request): Author {
  const device = idSchema.safeParse(req.headers[DEVICE_HEADER])
  return { device: device.success ? device.data : UNNAMED, person: UNNAMED }
}

const hashOf = (text: string | string[] | undefined, what: string): string => {
  const hash = hashSchema.safeParse(text)
  if (!hash.success) throw notFound(what)
  return hash.data
}

const notProven = (fault: string) =>
  new Refusal({
    type: '/problems/not-proven',
    title: 'A copy of the records could not be kept and proven.',
    status: 500,
    detail: `${fault} The records themselves are as they were.`,
  })

/** A bundle sent to be restored, compressed or sealed. */
const MOST_SENT = '128mb'
/** A picture or a page of a slip. */
const MOST_ATTACHED = '16mb'

/** The API: each route reads what it was sent, runs one operation, and tells the other windows. */
export function apiRoutes({ store, shelf, keeping, papers, bell, now }: Served): Router {
  const api = Router()
  const at = () => now().toISOString()
  /** Issues are put into the farm's own words, which are only asked for where there are issues. */
  const tongueFor = async (out: { result: string }) =>
    out.result === 'refused' ? store.run('farm', undefined) : null
  const refusedIn = async (issues: Issue[]) => refused(issues, await store.run('farm', undefined))
  /** What a write added, once the other windows are told by whom: who has it asks for nothing. */
  const changed = async (req: Request, request: string, out: Kept) => {
    const change = changeKept(out, await tongueFor(out))
    bell.ring({ lot: change.id, rev: change.rev, device: authorOf(req).device, request })
    return change
  }
  const valueIn = async <T>(out: Changed<T>) => valueKept(out, await tongueFor(out))
  const to = (req: Request) => ({ lot: idOf(req.params.id, 'lot'), by: authorOf(req), at: at() })

  api.get('/home', async (_req, res) => void res.json(await store.run('home', undefined)))
  api.get('/events', (req, res) => {
    if (!bell.listen(req, res))
      throw new Refusal({
        type: '/problems/too-many',
        title: 'Too many windows are open on this farm. Close some.',
        status: 503,
      })
  })
  api.get('/standing', async (_req, res) => void res.json(await keeping.standing()))

  api.put('/farm', async (req, res) => {
    const farm = await valueIn(await store.run('saveFarm', parsed(farmChangeSchema, req.body)))
    bell.ring({ farm: true })
    res.json(farm)
  })

  api.post('/lots', async (req, res) => {
    const lot = parsed(newLotSchema, req.body)
    await changed(req, lot.id, await store.run('hangLot', { lot, by: authorOf(req), at: at() }))
    res.status(201).json(await store.run('lot', lot.id))
  })

  api.get('/lots/:id', async (req, res) => {
    const id = idOf(req.params.id, 'lot')
    const since = revisionSchema.safeParse(Number(req.query.since ?? Number.NaN))
    // A page that is ahead of these records (a copy was brought back) gets them whole.
    const change = since.success ? await store.run('lotSince', { id, since: since.data }) : null
    const lot = change ?? (await store.run('lot', id))
    if (!lot) throw notFound('lot')
    res.json(lot)
  })

  api.get('/lots/:id/card', async (req, res) => {
    const card = await store.run('card', idOf(req.params.id, 'lot'))
    if (!card) throw notFound('lot')
    res.json(card)
  })

  api.post('/lots/:id/weighings', async (req, res) => {
    const weighing = parsed(newWeighingSchema, req.body)
    res.json(await changed(req, weighing.id, await store.run('weigh', { ...to(req), weighing })))
  })

  api.post('/lots/:id/packs', async (req, res) => {
    const pack = parsed(newPackSchema, req.body)
    res.json(await changed(req, pack.id, await store.run('pack', { ...to(req), pack })))
  })

  api.post('/lots/:id/decisions', async (req, res) => {
    const append = parsed(appendSchema, req.body)
    res.json(await changed(req, append.batch, await store.run('decide', { ...to(req), append })))
  })

  api.post('/lots/:id/facts', async (req, res) => {
    const { facts } = parsed(factsSchema, req.body)
    res.json(await changed(req, facts[0]!.id, await store.run('note', { ...to(req), facts })))
  })

  api.post('/lots/:id/groups', async (req, res) => {
    const split = parsed(splitSchema, req.body)
    res.json(await changed(req, split.into[0]!.id, await store.run('split', { ...to(req), split })))
  })

  api.get('/anatomies/:hash', async (req, res) => {
    const pin = await store.run('pin', hashOf(req.params.hash, 'anatomy'))
    if (!pin) throw notFound('anatomy')
    const { anatomy, old } = pin
    res.set('cache-control', 'public, max-age=31536000, immutable').json({ anatomy, old })
  })

  api.put('/attachments/:hash', raw({ type: () => true, limit: MOST_ATTACHED }), (req, res) => {
    const hash = hashOf(req.params.hash, 'attachment')
    const bytes: unknown = req.body
    if (!Buffer.isBuffer(bytes) || bytes.length === 0 || hashOfBytes(bytes) !== hash)
      throw refused([issueOf('attachment-gone', 'hash', { name: hash.slice(0, 8) })])
    shelf.keep(hash, bytes)
    res.status(204).end()
  })
  api.get('/attachments/:hash', (req, res) => {
    const hash = hashOf(req.params.hash, 'attachment')
    if (!shelf.has(hash)) throw notFound('attachment')
    const type = ATTACHMENT_TYPES.find((t) => t === req.query.type) ?? 'application/octet-stream'
    res
      .set('content-security-policy', "default-src 'none'; style-src 'unsafe-inline'; sandbox")
      .type(type)
      .send(shelf.read(hash))
  })

  api.put('/plans/:id', async (req, res) => {
    const id = idOf(req.params.id, 'plan')
    const plan = parsed(planChangeSchema, req.body)
    res.json(await valueIn(await store.run('savePlan', { id, plan, at: at() })))
    bell.ring({ farm: true })
  })

  api.get('/own/:species', async (req, res) => {
    const species = SPECIES.find((s) => s === req.params.species)
    if (!species) throw notFound('species')
    res.json(await store.run('own', species))
  })

  api.post('/own', async (req, res) => {
    const own = parsed(ownChangeSchema, req.body)
    res.status(201).json(await valueIn(await store.run('saveOwn', { own, at: at() })))
    bell.ring({ farm: true })
  })

  api.post('/lots/:id/papers', async (req, res) => {
    const lotId = idOf(req.params.id, 'lot')
    const { id, kind, share } = parsed(askedPaperSchema, req.body)
    const asked = { id, lot: lotId, kind, share }
    const held = await store.run('paper', id)
    if (held) {
      if (!same(askedOf(held), asked)) throw taken({ held: askedOf(held), sent: asked })
      return void res.status(201).json(held)
    }
    const farm = await store.run('farm', undefined)
    const lot = await store.run('lot', lotId)
    if (!lot || !farm) throw notFound('lot')
    const { anatomy } = (await store.run('pin', readBy(lot)))!
    const issuedAt = at()
    const drawn = await papers.draw({ kind, share, farm, lot, anatomy, at: issuedAt })
    if (!drawn.ok) throw await refusedIn(drawn.issues)
    const paper: IssuedPaper = { ...asked, data: { ...drawn.value }, issuedAt }
    const out = await store.run('keepPaper', paper)
    if (out.result === 'taken') throw taken(out)
    res.status(201).json(out.paper)
  })

  api.get('/papers/:name', async (req, res) => {
    const [id, ending] = String(req.params.name).split('.')
    const paper = await store.run('paper', idOf(id, 'paper'))
    if (!paper) throw notFound('paper')
    const { kind, data } = paper
    const fileName = `${kind}-${String(data.lot).replaceAll(/[^\p{L}\p{N}-]+/gu, '-')}-${String(data.date)}`
    if (ending === 'pdf')
      res
        .type('pdf')
        .attachment(`${fileName}.pdf`)
        .send(Buffer.from(await papers.pdf(paper)))
    else {
      const csv = ending === 'csv' ? await papers.csv(paper) : null
      if (csv === null) throw notFound('form of this paper')
      res.attachment(`${fileName}.csv`).type('text/csv').send(csv)
    }
  })

  api.get('/bundle', async (_req, res) => {
    const bundle = await store.run('exportBundle', undefined)
    res.attachment(`ekko-farm-${at().slice(0, 10)}.json`).json(bundle)
  })
  api.post('/bundle/sealed', async (req, res) => {
    const { passphrase } = parsed(sealSchema, req.body)
    const sealed = Buffer.from(await keeping.sealed(passphrase))
    res
      .attachment(`ekko-farm-${at().slice(0, 10)}.age`)
      .type('application/octet-stream')
      .send(sealed)
  })

  api.get('/bundles/:name', async (req, res) => {
    const name = String(req.params.name)
    const bytes = await keeping.bytesOf(name)
    if (!bytes) throw notFound('bundle')
    res.attachment(name).type('application/gzip').send(Buffer.from(bytes))
  })
  api.get('/copies', async (_req, res) => void res.json(await keeping.look()))
  api.post('/copies', async (_req, res) => {
    const fault = await keeping.keepNow()
    if (fault) throw notProven(fault)
    res.status(201).json(await keeping.look())
  })
  api.put('/copies/second', async (req, res) => {
    const fault = await keeping.chooseSecond(parsed(secondPlaceSchema, req.body).folder)
    if (fault)
      throw new Refusal({
        type: '/problems/refused',
        title: 'This cannot be the second place.',
        status: 422,
        errors: [{ field: 'folder', detail: fault }],
      })
    res.json(await keeping.look())
  })

  const rehearsed = (out: Rehearsed) => {
    if (!out.ok) throw refused(out.issues)
    return out.rehearsal
  }
  api.post('/rehearsals', async (req, res) => {
    const { passphrase, ...source } = parsed(rehearsalSchema, req.body)
    res.status(201).json(rehearsed(await keeping.rehearse(source, passphrase)))
  })
  api.post('/rehearsals/sent', raw({ type: () => true, limit: MOST_SENT }), async (req, res) => {
    const bytes: unknown = req.body
    if (!Buffer.isBuffer(bytes) || bytes.length === 0)
      throw refused([issueOf('bundle-damaged', 'bundle', { where: '', reason: 'the file is empty' })])
    const passphrase = req.headers['x-ekko-passphrase']
    const spoken =
      typeof passphrase === 'string' ? Buffer.from(passphrase, 'base64url').toString('utf8') : null
    res.status(201).json(rehearsed(await keeping.rehearse({ place: 'sent', bytes }, spoken)))
  })
  api.post('/rehearsals/:id/restore', async (req, res) => {
    const done = await keeping.restore(idOf(req.params.id, 'rehearsal'))
    if (!done) throw notFound('rehearsal')
    if ('fault' in done) throw notProven(done.fault)
    bell.ring({ farm: true, anew: true })
    res.json(done)
  })
  api.delete('/rehearsals/:id', async (req, res) => {
    if (!(await keeping.drop(idOf(req.params.id, 'rehearsal')))) throw notFound('rehearsal')
    res.status(204).end()
  })

  api.use(() => {
    throw new Refusal({
      type: '/problems/not-found',
      title: 'There is nothing at this address.',
      status: 404,
    })
  })
  return api
}
