import { Router } from 'express'
import { sheetChangeSchema } from '#contracts'
import { parsed } from '../problem.ts'
import { idOf, valueIn, type Served } from '../served.ts'

/** Fee sheets of the farm's processors, price lists of its places, and what the farm itself pays for. */
export function sheetRoutes({ store, now }: Served): Router {
  const api = Router()
  api.get('/sheets', async (_, res) => {
    res.json(await store.run('sheets', undefined))
  })
  api.get('/sheets/shared', async (_, res) => {
    res.json(await store.run('sharedCosts', undefined))
  })
  api.put('/sheets/:id', async (req, res) => {
    const id = idOf(req.params.id, 'sheet')
    const sheet = parsed(sheetChangeSchema, req.body)
    res.json(await valueIn(store, await store.run('saveSheet', { id, sheet, at: now().toISOString() })))
  })
  return api
}
