import { Router } from 'express'
import {
  loadSchema,
  printerChoiceSchema,
  printSchema,
  probeAskedSchema,
  probeChoiceSchema,
  scaleChoiceSchema,
} from '#contracts'
import { deviceOf } from '../devices/gate.ts'
import { notFound, parsed, Refusal } from '../problem.ts'
import type { Served } from '../served.ts'

const refusedBy = (name: string, title: string, detail: string) =>
  new Refusal({ type: `/problems/${name}`, title, status: 409, detail })
const notStill = () =>
  refusedBy('scale-moves', 'The scale does not stand still.', 'Wait until it does, then press again.')

/** Scale, printer and probe: which there are, what they say, what they are told. */
export function instrumentRoutes({ desk, store, papers }: Served): Router {
  const api = Router()
  api.get('/instruments', (_, res) => void res.json(desk.state()))

  api.put('/instruments/scale', async (req, res) => {
    await desk.takeScale(parsed(scaleChoiceSchema, req.body))
    res.json(desk.state())
  })
  api.get('/instruments/scale/readings', (req, res) => {
    if (!desk.listen(deviceOf(req), res))
      throw refusedBy('too-many', 'Too many pages read the scale.', 'Close one of them.')
  })
  api.post('/instruments/scale/tare', (_, res) => {
    if (!desk.tare()) throw notStill()
    res.json(desk.shown())
  })
  api.post('/instruments/scale/zero', (_, res) => {
    if (!desk.zero()) throw notStill()
    res.json(desk.shown())
  })
  api.post('/instruments/scale/load', (req, res) => {
    if (!desk.load(parsed(loadSchema, req.body).kg)) throw notFound('simulated scale')
    res.json(desk.shown())
  })

  api.put('/instruments/printer', (req, res) => {
    desk.takePrinter(parsed(printerChoiceSchema, req.body))
    res.json(desk.state())
  })
  api.post('/instruments/printer/print', async (req, res) => {
    const paper = await store.run('paper', parsed(printSchema, req.body).paper)
    if (!paper) throw notFound('paper')
    const { labels } = paper.data
    const out = desk.print(await papers.pdf(paper), Array.isArray(labels) ? labels.length : 1)
    if (out === 'none') throw notFound('printer')
    if (out === 'out')
      throw refusedBy(
        'out-of-labels',
        'The printer has not enough labels.',
        'Nothing was printed. Put a roll in, say so here, and print again.',
      )
    res.json(desk.state())
  })
  api.get('/instruments/printer/last', (_, res) => {
    const pdf = desk.lastPrint()
    if (!pdf) throw notFound('print')
    res.type('pdf').send(Buffer.from(pdf))
  })

  api.put('/instruments/probe', (req, res) => {
    desk.takeProbe(parsed(probeChoiceSchema, req.body))
    res.json(desk.state())
  })
  api.get('/instruments/probe/reading', (req, res) => {
    const { hours, kg } = parsed(probeAskedSchema, req.query)
    const read = desk.probe(hours, kg)
    if (!read) throw notFound('probe')
    res.json(read)
  })
  return api
}
