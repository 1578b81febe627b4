import { hostname, networkInterfaces } from 'node:os'

/** How this machine is reached by others. */
export interface Network {
  /** Addresses a device of the network opens, the most likely first; none where only this machine is answered. */
  addresses(): string[]
  /** Whether the name or number a request was sent to is one of this machine's. */
  isOurs(host: string): boolean
}

/** Answered by this machine to itself. */
const LOCAL = /^(?:localhost|127\.0\.0\.1|\[::1\])$/
export const isLocal = (host: string) => LOCAL.test(host)

/** The name or number of an address, without its port. */
export const hostOf = (header: string | undefined): string =>
  (header ?? '').replace(/:\d+$/, '').toLowerCase()

/** A server that answers only the machine it runs on. */
export const ALONE: Network = { addresses: () => [], isOurs: isLocal }

const numbers = () =>
  Object.values(networkInterfaces()).flatMap((all) =>
    (all ?? []).filter((a) => a.family === 'IPv4' && !a.internal).map((a) => a.address),
  )

/** A server on the network: under its numbers as they are now, its own name, and the names it was given. */
export function network(port: () => number, names: readonly string[]): Network {
  const named = [...names.map((n) => n.toLowerCase())]
  const own = hostname().toLowerCase()
  return {
    addresses: () => [...named, ...numbers()].map((host) => `http://${host}:${port()}`),
    isOurs: (host) =>
      isLocal(host) || [...named, own, `${own}.local`].includes(host) || numbers().includes(host),
  }
}
