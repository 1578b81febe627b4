import { Router, type Request } from 'express'
import {
  HISTORY_HEADER,
  appendSchema,
  factsSchema,
  joinSchema,
  newLotSchema,
  newPackSchema,
  newWeighingSchema,
  railAskedSchema,
  splitSchema,
  writesSchema,
} from '#contracts'
import { revisionSchema } from '#core/records'
import { notFound, parsed } from '../problem.ts'
import { authorOf, changeIn, changesIn, idOf, type Served } from '../served.ts'

/** Lots: each write answers with the rows it added and the revision its lot is at now. */
export function lotRoutes(served: Served): Router {
  const { store, now } = served
  const api = Router()
  const at = () => now().toISOString()
  const to = (req: Request) => ({ lot: idOf(req.params.id, 'lot'), by: authorOf(req), at: at() })

  api.get('/lots', async (req, res) => {
    const { standings, ...query } = req.query
    const asked = parsed(railAskedSchema, {
      ...query,
      standings: typeof standings === 'string' && standings ? standings.split(',') : [],
    })
    res.json(await store.run('rail', asked))
  })

  api.post('/lots', async (req, res) => {
    const lot = parsed(newLotSchema, req.body)
    await changeIn(served, req, lot.id, await store.run('hangLot', { lot, by: authorOf(req), at: at() }))
    res.status(201).json(await store.run('lot', lot.id))
  })

  api.get('/bench', async (_, res) => {
    res.json(await store.run('bench', undefined))
  })

  api.get('/lots/:id', async (req, res) => {
    const id = idOf(req.params.id, 'lot')
    const since = revisionSchema.safeParse(Number(req.query.since ?? Number.NaN))
    // A page that is ahead of these records, or knows those of another history, gets them whole.
    const isHere = (req.headers[HISTORY_HEADER] ?? served.store.history) === served.store.history
    const change = since.success && isHere ? await store.run('lotSince', { id, since: since.data }) : null
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
    res.json(await changeIn(served, req, weighing.id, await store.run('weigh', { ...to(req), weighing })))
  })

  api.post('/lots/:id/packs', async (req, res) => {
    const pack = parsed(newPackSchema, req.body)
    res.json(await changeIn(served, req, pack.id, await store.run('pack', { ...to(req), pack })))
  })

  api.post('/lots/:id/decisions', async (req, res) => {
    const append = parsed(appendSchema, req.body)
    res.json(await changeIn(served, req, append.batch, await store.run('decide', { ...to(req), append })))
  })

  api.post('/lots/:id/facts', async (req, res) => {
    const { facts, group } = parsed(factsSchema, req.body)
    res.json(await changeIn(served, req, facts[0]!.id, await store.run('note', { ...to(req), facts, group })))
  })

  api.post('/lots/:id/groups', async (req, res) => {
    const split = parsed(splitSchema, req.body)
    res.json(await changeIn(served, req, split.into[0]!.id, await store.run('split', { ...to(req), split })))
  })

  api.post('/lots/:id/groups/joined', async (req, res) => {
    const join = parsed(joinSchema, req.body)
    res.json(await changeIn(served, req, join.id, await store.run('join', { ...to(req), join })))
  })

  api.post('/writes', async (req, res) => {
    const sent = parsed(writesSchema, req.body)
    const out = await store.run('write', { ...sent, by: authorOf(req), at: at() })
    res.json({ changes: await changesIn(served, req, sent.request, out) })
  })
  return api
}
