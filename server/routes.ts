import { Router } from 'express'
import {
  appendSchema,
  farmSchema,
  newLotSchema,
  newPackSchema,
  newPaperSchema,
  newPlanSchema,
  newWeighingSchema,
  type Paper,
} from '#contracts'
import { ownAdditionsSchema, SPECIES } from '#core/anatomy'
import type { PriceList } from '#core/ledger'
import { paperPdf, priceListCsv } from '#paper'
import type { Bell } from './events.ts'
import { drawUp } from './papers.ts'
import { lotKept, notFound, parsed, refused, Refusal } from './problem.ts'
import type { Kept, Store } from './store/operations.ts'

const UUID = /^[0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12}$/i

/** An id from the address: what is no id cannot name anything. */
function idOf(text: string | string[] | undefined, what: string): string {
  if (typeof text !== 'string' || !UUID.test(text)) throw notFound(what)
  return text
}

/** The API: each route reads what it was sent, runs one operation, and tells the other windows. */
export function apiRoutes(store: Store, bell: Bell, now: () => Date): Router {
  const api = Router()
  const at = () => now().toISOString()
  const changed = (out: Kept) => {
    const lot = lotKept(out)
    bell.ring({ lot: lot.id })
    return lot
  }

  api.get('/home', async (_req, res) => void res.json(await store.run('home', undefined)))
  api.get('/events', (req, res) => bell.listen(req, res))

  api.put('/farm', async (req, res) => {
    const farm = await store.run('saveFarm', parsed(farmSchema, req.body))
    bell.ring({ farm: true })
    res.json(farm)
  })

  api.post('/lots', async (req, res) => {
    const lot = parsed(newLotSchema, req.body)
    res.status(201).json(changed(await store.run('hangLot', { lot, at: at() })))
  })

  api.get('/lots/:id', async (req, res) => {
    const lot = await store.run('lot', idOf(req.params.id, 'lot'))
    if (!lot) throw notFound('lot')
    res.json(lot)
  })

  api.post('/lots/:id/weighings', async (req, res) => {
    const lot = idOf(req.params.id, 'lot')
    res.json(
      changed(await store.run('weigh', { lot, weighing: parsed(newWeighingSchema, req.body), at: at() })),
    )
  })

  api.post('/lots/:id/packs', async (req, res) => {
    const lot = idOf(req.params.id, 'lot')
    res.json(changed(await store.run('pack', { lot, pack: parsed(newPackSchema, req.body), at: at() })))
  })

  api.post('/lots/:id/decisions', async (req, res) => {
    const lot = idOf(req.params.id, 'lot')
    res.json(changed(await store.run('decide', { lot, append: parsed(appendSchema, req.body), at: at() })))
  })

  api.get('/anatomies/:hash', async (req, res) => {
    const anatomy = await store.run('anatomy', String(req.params.hash))
    if (!anatomy) throw notFound('anatomy')
    res.set('cache-control', 'public, max-age=31536000, immutable').json(anatomy)
  })

  api.put('/plans/:id', async (req, res) => {
    const plan = { id: idOf(req.params.id, 'plan'), ...parsed(newPlanSchema, req.body), at: at() }
    res.json(await store.run('savePlan', plan))
    bell.ring({ farm: true })
  })

  api.get('/own/:species', async (req, res) => {
    const species = SPECIES.find((s) => s === req.params.species)
    if (!species) throw notFound('species')
    res.json(await store.run('own', species))
  })

  api.post('/own', async (req, res) => {
    const out = await store.run('saveOwn', { own: parsed(ownAdditionsSchema, req.body), at: at() })
    if (out.result === 'refused') throw refused(out.issues)
    res.status(201).json(out.own)
  })

  api.post('/lots/:id/papers', async (req, res) => {
    const { id, kind, share } = parsed(newPaperSchema, req.body)
    const { farm } = await store.run('home', undefined)
    const lot = await store.run('lot', idOf(req.params.id, 'lot'))
    if (!lot || !farm) throw notFound('lot')
    const drawn = drawUp(kind, farm, lot, (await store.run('anatomy', lot.anatomy))!, now(), share)
    if ('issues' in drawn) throw refused(drawn.issues)
    const paper: Paper = { id, lot: lot.id, kind, data: { ...drawn.data }, issuedAt: at() }
    res.status(201).json(await store.run('keepPaper', paper))
  })

  api.get('/papers/:name', async (req, res) => {
    const [id, ending] = String(req.params.name).split('.')
    const paper = await store.run('paper', idOf(id, 'paper'))
    if (!paper) throw notFound('paper')
    const fileName = `${paper.kind}-${String(paper.data.lot).replaceAll(/[^\p{L}\p{N}-]+/gu, '-')}-${String(paper.data.date)}`
    if (ending === 'pdf')
      res
        .type('pdf')
        .attachment(`${fileName}.pdf`)
        .send(await paperPdf(paper.data as never))
    else if (ending === 'csv' && paper.kind === 'price-list') {
      res
        .attachment(`${fileName}.csv`)
        .type('text/csv')
        .send(priceListCsv(paper.data as unknown as PriceList))
    } else throw notFound('form of this paper')
  })

  api.get('/bundle', async (_req, res) => {
    const bundle = await store.run('exportBundle', undefined)
    res.attachment(`ekko-farm-${at().slice(0, 10)}.json`).json(bundle)
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
