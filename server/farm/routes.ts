import compression from 'compression'
import { Router } from 'express'
import { farmChangeSchema, type Home } from '#contracts'
import { callerOf, deviceOf } from '../devices/gate.ts'
import { parsed, Refusal } from '../problem.ts'
import { valueIn, type Served } from '../served.ts'

/** The farm as its pages open with it, its settings, and what is told to open pages. */
export function farmRoutes({ store, keeping, bell, access }: Served): Router {
  const api = Router()
  // All cards of the rail are the first thing a device asks for, and much alike.
  api.get('/home', compression(), async (req, res) => {
    const kept = await store.run('home', undefined)
    res.json({ ...kept, you: callerOf(req), devices: access.registry.names() } satisfies Home)
  })
  api.get('/events', (req, res) => {
    if (!bell.listen(deviceOf(req), res))
      throw new Refusal({
        type: '/problems/too-many',
        title: 'Too many windows are open on this farm. Close some.',
        status: 503,
      })
  })
  api.get('/standing', async (_req, res) => void res.json(await keeping.standing()))

  api.put('/farm', async (req, res) => {
    const farm = await valueIn(store, await store.run('saveFarm', parsed(farmChangeSchema, req.body)))
    bell.ring({ farm: true })
    res.json(farm)
  })
  return api
}
