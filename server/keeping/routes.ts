import { raw, Router } from 'express'
import { rehearsalSchema, sealSchema, secondPlaceSchema } from '#contracts'
import { issueOf } from '#core/measure'
import { notFound, parsed, refused, Refusal } from '../problem.ts'
import { idOf, type Served } from '../served.ts'
import type { Rehearsed } from './service.ts'

const notProven = (fault: string) =>
  new Refusal({
    type: '/problems/not-proven',
    title: 'A copy of the records could not be kept and proven.',
    status: 500,
    detail: `${fault} The records themselves are as they were.`,
  })

/** A bundle sent to be restored, compressed or sealed. */
const MOST_SENT = '128mb'

/** The farm in one file, copies of the records, and bringing one back. */
export function keepingRoutes({ store, keeping, bell, access, now }: Served): Router {
  const api = Router()
  api.get('/bundle', async (_req, res) => {
    const bundle = await store.run('exportBundle', undefined)
    res.attachment(`ekko-farm-${now().toISOString().slice(0, 10)}.json`).json(bundle)
  })
  api.post('/bundle/sealed', async (req, res) => {
    const { passphrase } = parsed(sealSchema, req.body)
    const sealed = Buffer.from(await keeping.sealed(passphrase))
    res
      .attachment(`ekko-farm-${now().toISOString().slice(0, 10)}.age`)
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
    const fault = await keeping.keepNow(true)
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

  api.delete('/copies/asides/:name', async (req, res) => {
    const name = String(req.params.name)
    if (!(await keeping.clearAside(name))) throw notFound('database')
    access.logbook.write('cleared', { aside: name })
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
    access.logbook.write('brought back', done)
    bell.ring({ farm: true })
    res.json(done)
  })
  api.delete('/rehearsals/:id', async (req, res) => {
    if (!(await keeping.drop(idOf(req.params.id, 'rehearsal')))) throw notFound('rehearsal')
    res.status(204).end()
  })
  return api
}
