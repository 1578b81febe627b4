import { Router } from 'express'
import { anatomyRoutes } from './anatomies/routes.ts'
import { attachmentRoutes } from './attachments.ts'
import { deviceRoutes } from './devices/routes.ts'
import { farmRoutes } from './farm/routes.ts'
import { instrumentRoutes } from './instruments/routes.ts'
import { keepingRoutes } from './keeping/routes.ts'
import { lotRoutes } from './lots/routes.ts'
import { packRoutes } from './packs/routes.ts'
import { paperRoutes } from './papers/routes.ts'
import { planRoutes } from './plans/routes.ts'
import { sheetRoutes } from './sheets/routes.ts'
import { Refusal } from './problem.ts'
import type { Served } from './served.ts'

/** Every resource of the API; each route reads what it was sent, runs one operation, and tells the other windows. */
const RESOURCES = [
  farmRoutes,
  deviceRoutes,
  lotRoutes,
  anatomyRoutes,
  attachmentRoutes,
  planRoutes,
  sheetRoutes,
  packRoutes,
  instrumentRoutes,
  paperRoutes,
  keepingRoutes,
]

export function apiRoutes(served: Served): Router {
  const api = Router()
  for (const routes of RESOURCES) api.use(routes(served))
  api.use(() => {
    throw new Refusal({
      type: '/problems/not-found',
      title: 'There is nothing at this address.',
      status: 404,
    })
  })
  return api
}
