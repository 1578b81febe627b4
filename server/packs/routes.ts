import { Router } from 'express'
import { packEventsSchema, packsAskedSchema } from '#contracts'
import { packNumberSchema } from '#core/records'
import { notFound, parsed, taken } from '../problem.ts'
import { authorOf, refusedIn, type Served } from '../served.ts'

/** Packs of the whole farm, in pages; one by its number; and what is done with them. */
export function packRoutes({ store, bell, now }: Served): Router {
  const api = Router()
  api.get('/packs', async (req, res) => {
    res.json(await store.run('packs', parsed(packsAskedSchema, req.query)))
  })

  api.get('/packs/used', async (_, res) => {
    res.json(await store.run('packingUsed', undefined))
  })

  api.get('/packs/:number', async (req, res) => {
    const number = packNumberSchema.safeParse(Number(req.params.number))
    const found = number.success ? await store.run('packBy', number.data) : null
    if (!found) throw notFound('pack')
    res.json(found)
  })

  api.post('/packs/events', async (req, res) => {
    const { events } = parsed(packEventsSchema, req.body)
    const out = await store.run('sayOfPacks', { events, by: authorOf(req), at: now().toISOString() })
    if (out.result === 'taken') throw taken(out)
    if (out.result === 'refused') throw await refusedIn(store, out.issues)
    bell.ring({ farm: true })
    res.json(out.packs)
  })
  return api
}
