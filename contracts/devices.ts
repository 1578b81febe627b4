import { z } from 'zod'
import { lineSchema } from '#core/records'
import { CODE_DIGITS } from './wire.ts'

export const codeAskedSchema = z.object({
  /** The device may do what is done on the cutting floor, and nothing else. */
  floor: z.boolean().default(true),
})
export const deviceChangeSchema = z.object({ name: lineSchema(40), floor: z.boolean() })
export type DeviceChange = z.infer<typeof deviceChangeSchema>

/** What a new device sends: the code it was shown and the name it shall have. Its id is the server's to give. */
export const pairingSchema = z.object({
  code: z.string().regex(new RegExp(`^\\d{${CODE_DIGITS}}$`), `A code is ${CODE_DIGITS} digits.`),
  name: lineSchema(40),
})
export type Pairing = z.infer<typeof pairingSchema>

/** What the logbook of a farm's machine tells of. */
export const LOGGED = ['let in', 'withdrawn', 'brought back', 'recovered', 'cleared'] as const
export interface Logged {
  at: string
  what: (typeof LOGGED)[number]
  about: Record<string, string | boolean | null>
}

/** Who asks, as the server knows it: the machine that holds the records, or a device that was let in. */
export type You = { machine: true } | { machine: false; device: string; name: string; floor: boolean }

/** A device that was let in once; its name stays with what it wrote after it is withdrawn. */
export interface Device {
  id: string
  name: string
  floor: boolean
  since: string
  /** When it last asked for anything, to the hour. */
  seen: string | null
  withdrawn: string | null
}
/** A code that lets one device in, until it is used or its time is over; where it leads, and that as a picture. */
export interface Code {
  code: string
  floor: boolean
  until: string
  links: { url: string; picture: string }[]
}
export interface Devices {
  you: You
  /** Addresses of this machine that others reach; none where it answers only itself. */
  addresses: string[]
  devices: Device[]
  code: Code | null
  /** Newest first. */
  log: Logged[]
}
