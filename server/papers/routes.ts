import { Router } from 'express'
import same from 'fast-deep-equal'
import { askedPaperSchema, type IssuedPaper } from '#contracts'
import { readBy, type LabelSheet } from '#core/records'
import { notFound, parsed, Refusal, taken } from '../problem.ts'
import { idOf, refusedIn, type Served } from '../served.ts'
import type { Store } from '../store/store.ts'
import { askedOf } from './operations.ts'

/** How the farm's labels look; null where it has not said. */
async function labelDesign(store: Store): Promise<LabelSheet | null> {
  const bodies = (await store.run('sheets', undefined)).map((s) => s.body)
  return bodies.find((b) => b.format === 'ekko-labels') ?? null
}

const notDrawn = () =>
  new Refusal({
    type: '/problems/not-drawn',
    title: 'The bar codes of these labels cannot be drawn, so none was issued.',
    status: 422,
    detail:
      'Print the pack’s number instead of a code with the lot in it (Pack, Labels), or name the lot in plain letters.',
  })

/** Papers as they were issued, and their forms. */
export function paperRoutes({ store, papers, now }: Served): Router {
  const api = Router()
  api.post('/lots/:id/papers', async (req, res) => {
    const lotId = idOf(req.params.id, 'lot')
    const { id, kind, share, words, group = null } = parsed(askedPaperSchema, req.body)
    const asked = { id, lot: lotId, kind, share }
    const sent = { ...asked, words }
    const held = await store.run('paper', id)
    if (held) {
      if (!same(askedOf(held), sent)) throw taken({ held: askedOf(held), sent })
      return void res.status(201).json(held)
    }
    const farm = await store.run('farm', undefined)
    const lot = await store.run('lot', lotId)
    if (!lot || !farm) throw notFound('lot')
    if (group !== null && !lot.groups.some((g) => g.id === group)) throw notFound('group')
    const { anatomy } = (await store.run('pin', readBy(lot)))!
    const issuedAt = now().toISOString()
    const design = kind === 'labels' ? await labelDesign(store) : null
    const drawn = await papers.draw({ kind, share, words, farm, lot, group, anatomy, design, at: issuedAt })
    if (!drawn.ok) throw await refusedIn(store, drawn.issues)
    const paper: IssuedPaper = { ...asked, data: { ...drawn.value }, issuedAt }
    // Bars can be what cannot be drawn: nothing is issued that was not.
    if (design)
      await papers.pdf(paper).catch(() => {
        throw notDrawn()
      })
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
  return api
}
