import type { IncomingMessage } from 'node:http'
import { parseCookie } from 'cookie'
import type { RequestHandler } from 'express'
import type { You } from '#contracts'
import { rightOf } from '#core/records'
import { Refusal } from '../problem.ts'
import { hostOf, isLocal, type Network } from './network.ts'
import type { Registry } from './registry.ts'

/** The cookie a device's token lies in; no script reads it. */
export const TOKEN = 'ekko-token'

/** The token a request brings; null where it brings none. */
export const tokenOf = (req: IncomingMessage): string | null =>
  parseCookie(req.headers.cookie ?? '')[TOKEN] ?? null

const callers = new WeakMap<IncomingMessage, You>()
/** Who asks, once the gate has let it in. */
export const callerOf = (req: IncomingMessage): You => callers.get(req)!
/** The device that asks; null where it is the machine that holds the records. */
export const deviceOf = (req: IncomingMessage): string | null => {
  const you = callerOf(req)
  return you.machine ? null : you.device
}

const LOOPBACK = /^(?:127\.|::1$|::ffff:127\.)/

const foreign = () =>
  new Refusal({
    type: '/problems/foreign',
    title: 'This server answers only its own pages, under its own addresses.',
    status: 403,
  })
const notLetIn = () =>
  new Refusal({
    type: '/problems/not-let-in',
    title: 'This device has not been let in.',
    status: 401,
    detail: 'Make a code under Farm on the machine that holds the records, or on a device that is in.',
  })
const withdrawn = (name: string) =>
  new Refusal({
    type: '/problems/withdrawn',
    title: `“${name}” was withdrawn and is no longer let in.`,
    status: 401,
    detail:
      'What was decided here and not yet kept stays on this device, and is sent once it is let in again.',
  })

/** Only this server's own pages, under an address of its own: by Host, and by Origin on what changes anything. */
export const onlyOwnPages =
  (net: Network): RequestHandler =>
  (req, _res, next) => {
    const { host, origin } = req.headers
    const isForeign = origin !== undefined && (!URL.canParse(origin) || new URL(origin).host !== host)
    if (!net.isOurs(hostOf(host)) || isForeign) throw foreign()
    next()
  }

/** Who asks: this machine under its local name, or a device by its token. Others may only show the code they have. */
export const onlyLetIn =
  (registry: Registry): RequestHandler =>
  (req, _res, next) => {
    if (LOOPBACK.test(req.socket.remoteAddress ?? '') && isLocal(hostOf(req.headers.host)))
      callers.set(req, { machine: true })
    else if (!(req.method === 'POST' && req.path === '/devices/pair')) {
      const token = tokenOf(req)
      const device = token ? registry.of(token) : null
      if (!device) throw notLetIn()
      if (device.withdrawn) throw withdrawn(device.name)
      registry.seen(device.id)
      callers.set(req, { machine: false, device: device.id, name: device.name, floor: device.floor })
    }
    next()
  }

/** What is done on the cutting floor: reading, weighing, packing, ticking off, and the card. */
const FLOOR: { method: string; path: RegExp; body?: (body: unknown) => boolean }[] = [
  { method: 'GET', path: /^\/(?:home|events|standing)$/ },
  { method: 'GET', path: /^\/(?:lots|anatomies|attachments|papers|packs)\// },
  { method: 'GET', path: /^\/(?:lots|packs|bench|instruments)$/ },
  { method: 'GET', path: /^\/instruments\// },
  { method: 'POST', path: /^\/instruments\/(?:scale|printer)\// },
  { method: 'POST', path: /^\/packs\/events$/ },
  { method: 'POST', path: /^\/lots\/[^/]+\/(?:weighings|packs)$/ },
  { method: 'PUT', path: /^\/attachments\// },
  { method: 'POST', path: /^\/lots\/[^/]+\/facts$/, body: isFloorFacts },
  { method: 'POST', path: /^\/writes$/, body: isFloorWrites },
  {
    method: 'POST',
    path: /^\/lots\/[^/]+\/papers$/,
    body: (b) => ['block-card', 'labels', 'run-sheet'].includes(String((b as { kind?: unknown })?.kind)),
  },
]
/** Facts of the kinds that whoever weighs and follows the card may write. */
function isFloorFacts(body: unknown): boolean {
  const facts = (body as { facts?: unknown })?.facts
  return (
    Array.isArray(facts) &&
    facts.every((f) => rightOf('fact', (f as { fact?: { kind?: unknown } } | null)?.fact?.kind) === 'weigh')
  )
}

/** Several writes, each of which it may make by itself. */
function isFloorWrites(body: unknown): boolean {
  const writes = (body as { writes?: unknown } | null)?.writes
  return (
    Array.isArray(writes) &&
    writes.every((w: { is?: unknown; facts?: unknown } | null) =>
      w?.is === 'facts' ? isFloorFacts(w.facts) : w?.is === 'weighing' || w?.is === 'pack',
    )
  )
}

/** A device of the floor plans, prices and administers nothing. */
export const onlyWhatItMay: RequestHandler = (req, _res, next) => {
  const you = callers.get(req)
  if (you && !you.machine && you.floor) {
    const may = FLOOR.find((f) => f.method === req.method && f.path.test(req.path))
    if (!may || (may.body && !may.body(req.body)))
      throw new Refusal({
        type: '/problems/floor-only',
        title: `“${you.name}” is for the floor only: it weighs, packs and follows the card.`,
        status: 403,
        detail:
          'Plans, prices and the farm are changed on the machine that holds the records. Under Farm there this device can be let do more.',
      })
  }
  next()
}
