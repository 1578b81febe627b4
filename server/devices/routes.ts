import { Router, type Request } from 'express'
import { rateLimit } from 'express-rate-limit'
import { toString as drawn } from 'qrcode'
import { codeAskedSchema, deviceChangeSchema, pairingSchema, type Code, type You } from '#contracts'
import { notFound, parsed, Refusal } from '../problem.ts'
import { idOf, type Served } from '../served.ts'
import { linkOf } from './access.ts'
import type { OpenCode } from './codes.ts'
import { callerOf, TOKEN, tokenOf } from './gate.ts'

/** Wrong codes a minute from one address, and from all of them: a million codes at that pace outlast every one of them. */
const WRONG_A_MINUTE = 5
const WRONG_OF_ALL = 60
/** As long as a browser keeps a cookie. */
const COOKIE_MS = 400 * 24 * 3_600_000

const tooMany = () =>
  new Refusal({
    type: '/problems/slow-down',
    title: 'Too many wrong codes.',
    status: 429,
    detail: 'Wait a minute, and look at the code again; under Farm a new one can be made.',
  })
const nameTaken = (name: string) =>
  new Refusal({
    type: '/problems/refused',
    title: 'This name is another device’s.',
    status: 422,
    errors: [
      {
        field: 'name',
        detail: `A device that is in is called “${name}”. Type another name, or withdraw that one under Farm.`,
      },
    ],
  })
/** Holds up whoever tries codes; never the machine that holds the records. */
const slowed = (limit: number, of: (req: Request) => string) =>
  rateLimit({
    windowMs: 60_000,
    limit,
    skipSuccessfulRequests: true,
    skip: (req) => callerOf(req)?.machine === true,
    keyGenerator: of,
    standardHeaders: true,
    legacyHeaders: false,
    handler: (_req, _res, next) => next(tooMany()),
  })
const wrongCode = () =>
  new Refusal({
    type: '/problems/refused',
    title: 'This code lets nobody in.',
    status: 422,
    errors: [
      {
        field: 'code',
        detail:
          'This code is not the one shown, or it was used or is over. Look again, or make a new one under Farm.',
      },
    ],
  })

/** Devices: letting one in by a code, naming it, withdrawing it. */
export function deviceRoutes({ access, bell, desk }: Served): Router {
  const { registry, codes, network, logbook } = access
  const api = Router()
  const closeStreams = (device: string) => {
    bell.hush(device)
    desk.hush(device)
  }
  const codeOf = async (open: OpenCode | null): Promise<Code | null> =>
    open && {
      code: open.code,
      floor: open.floor,
      until: open.until.toISOString(),
      links: await Promise.all(
        network.addresses().map(async (address) => {
          const url = linkOf(address, open)
          return { url, picture: await drawn(url, { type: 'svg', margin: 2 }) }
        }),
      ),
    }

  api.get('/devices', async (req, res) => {
    res.json({
      you: callerOf(req),
      addresses: network.addresses(),
      devices: registry.list(),
      code: await codeOf(codes.now()),
      log: logbook.read().slice(0, 50),
    })
  })
  api.post('/devices/code', async (req, res) => {
    res.status(201).json(await codeOf(codes.make(parsed(codeAskedSchema, req.body).floor)))
  })
  api.post(
    '/devices/pair',
    slowed(WRONG_A_MINUTE, (req) => req.socket.remoteAddress ?? ''),
    slowed(WRONG_OF_ALL, () => 'all'),
    (req, res) => {
      const { code, name } = parsed(pairingSchema, req.body)
      const open = codes.now()
      if (open?.code !== code) throw wrongCode()
      const letIn = registry.letIn({ had: tokenOf(req), name, floor: open.floor })
      if (letIn === 'name-taken') throw nameTaken(name)
      codes.spend()
      const { device, token } = letIn
      // Streams it had under the token before are nobody's now.
      closeStreams(device)
      logbook.write('let in', { device, name, floor: open.floor })
      bell.ring({ farm: true })
      res.cookie(TOKEN, token, { httpOnly: true, sameSite: 'strict', path: '/', maxAge: COOKIE_MS })
      res.status(201).json({ machine: false, device, name, floor: open.floor } satisfies You)
    },
  )
  api.put('/devices/:id', (req, res) => {
    const change = parsed(deviceChangeSchema, req.body)
    if (!registry.change(idOf(req.params.id, 'device'), change)) throw notFound('device')
    bell.ring({ farm: true })
    res.status(204).end()
  })
  api.delete('/devices/:id', (req, res) => {
    const id = idOf(req.params.id, 'device')
    if (!registry.withdraw(id)) throw notFound('device')
    closeStreams(id)
    logbook.write('withdrawn', { device: id, name: registry.names()[id] ?? null })
    bell.ring({ farm: true })
    res.status(204).end()
  })
  return api
}
