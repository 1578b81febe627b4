import { toString as drawn } from 'qrcode'
import { placesOf } from '../database/places.ts'
import { logbookIn, type Logbook } from '../logbook.ts'
import { Codes, type OpenCode } from './codes.ts'
import { ALONE, type Network } from './network.ts'
import { Registry } from './registry.ts'

/** Who may ask anything of this server, and how it is reached. */
export interface Access {
  registry: Registry
  codes: Codes
  network: Network
  logbook: Logbook
}

/** Who may come in, by what lies in a data folder: only this machine, unless a network is named. */
export const accessTo = (folder: string, now: () => Date, network: Network = ALONE): Access => ({
  registry: new Registry(placesOf(folder).devices, now),
  codes: new Codes(now),
  network,
  logbook: logbookIn(placesOf(folder).logbook, now),
})

/** A link a device opens to be let in: the code stays behind the #, so that no server or log sees it in an address. */
export const linkOf = (address: string, { code }: OpenCode) => `${address}/#${code}`

/** How other devices of the network reach this one, with a code for the first of them. */
export async function howToCome({ network, codes }: Access): Promise<string> {
  const [first, ...others] = network.addresses()
  if (!first) return 'This machine is on no network now: other devices cannot reach it.'
  const open = codes.make(true)
  return [
    `Other devices on this network open ${[first, ...others].join(' or ')}`,
    `and are let in for the floor with the code ${open.code}, once, until ${open.until.toLocaleTimeString()}. Other codes are made under Farm.`,
    await drawn(linkOf(first, open), { type: 'utf8' }),
  ].join('\n')
}
