import { Router } from 'express'
import { ownChangeSchema } from '#contracts'
import { SPECIES } from '#core/anatomy'
import { notFound, parsed } from '../problem.ts'
import { hashOf, valueIn, type Served } from '../served.ts'

/** Anatomies that lots are read by, and the farm's own additions to them. */
export function anatomyRoutes({ store, bell, now }: Served): Router {
  const api = Router()
  api.get('/anatomies/:hash', async (req, res) => {
    const pin = await store.run('pin', hashOf(req.params.hash, 'anatomy'))
    if (!pin) throw notFound('anatomy')
    const { anatomy, old } = pin
    res.set('cache-control', 'public, max-age=31536000, immutable').json({ anatomy, old })
  })

  api.get('/own/:species', async (req, res) => {
    const species = SPECIES.find((s) => s === req.params.species)
    if (!species) throw notFound('species')
    res.json(await store.run('own', species))
  })

  api.post('/own', async (req, res) => {
    const own = parsed(ownChangeSchema, req.body)
    res.status(201).json(await valueIn(store, await store.run('saveOwn', { own, at: now().toISOString() })))
    bell.ring({ farm: true })
  })
  return api
}
