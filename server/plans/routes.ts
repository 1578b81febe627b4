import { Router } from 'express'
import { planChangeSchema } from '#contracts'
import { parsed } from '../problem.ts'
import { idOf, valueIn, type Served } from '../served.ts'

/** Named plans for every animal of a species. */
export function planRoutes({ store, bell, now }: Served): Router {
  const api = Router()
  api.put('/plans/:id', async (req, res) => {
    const id = idOf(req.params.id, 'plan')
    const plan = parsed(planChangeSchema, req.body)
    res.json(await valueIn(store, await store.run('savePlan', { id, plan, at: now().toISOString() })))
    bell.ring({ farm: true })
  })
  return api
}
