import { randomBytes } from 'node:crypto'
import { v7 as uuid } from 'uuid'
import { z } from 'zod'
import { hashSchema, type Device, type DeviceChange } from '#contracts'
import { idSchema, lineSchema } from '#core/records'
import { realDisk, type Disk } from '../database/disk.ts'
import { hashOfBytes } from '../database/shelf.ts'
import { writeWhole } from '../database/trees.ts'

const instant = z.iso.datetime()
const keptSchema = z.object({
  version: z.literal(1),
  devices: z.array(
    z.object({
      id: idSchema,
      name: lineSchema(40),
      floor: z.boolean(),
      since: instant,
      seen: instant.nullable(),
      withdrawn: instant.nullable(),
      /** SHA-256 of its token: whoever reads this file cannot come in with it. */
      token: hashSchema,
    }),
  ),
})
type Kept = z.infer<typeof keptSchema>['devices'][number]

export interface LetIn {
  device: string
  token: string
}

const HOUR_MS = 3_600_000
const digest = (token: string) => hashOfBytes(Buffer.from(token))
const shown = ({ token: _, ...device }: Kept): Device => device

/**
 * Devices that were let in, and by which token. They lie beside the records and not in them: who may come in belongs to
 * this machine, and a copy brought back must not let a withdrawn device in again.
 */
export class Registry {
  #devices: Kept[] = []
  readonly #path: string
  readonly #disk: Disk
  readonly #now: () => Date
  /** Said at the start, where what was kept could not be read. */
  readonly damaged: string | null = null

  constructor(path: string, now: () => Date, disk: Disk = realDisk) {
    this.#path = path
    this.#now = now
    this.#disk = disk
    if (!disk.exists(path)) return
    const read = keptOf(disk.read(path).toString('utf8'))
    if (read) this.#devices = read.devices
    else {
      const aside = `${path}.unreadable-${now().getTime()}`
      disk.rename(path, aside)
      this.damaged = `The list of devices could not be read; it lies as ${aside}. Every device must be let in again.`
    }
  }

  list(): Device[] {
    return this.#devices.map(shown)
  }

  /** Names of all that were ever let in, by the id they write under. */
  names(): Record<string, string> {
    return Object.fromEntries(this.#devices.map((d) => [d.id, d.name]))
  }

  /** Whose token this is, withdrawn or not; null for one that nobody has. */
  of(token: string): Device | null {
    const hash = digest(token)
    const found = this.#devices.find((d) => d.token === hash)
    return found ? shown(found) : null
  }

  /**
   * Lets a device in under an id of ours; in again, where it shows the token it had: that one is worth nothing from then on. No
   * code gives the id or the name of another.
   */
  letIn({ had, name, floor }: { had: string | null; name: string; floor: boolean }): LetIn | 'name-taken' {
    const held = had ? this.#devices.find((d) => d.token === digest(had)) : undefined
    const isCalled = (d: Kept) => d.name.toLowerCase() === name.toLowerCase()
    if (this.#devices.some((d) => d !== held && !d.withdrawn && isCalled(d))) return 'name-taken'
    const token = randomBytes(32).toString('base64url')
    const at = this.#now().toISOString()
    const next = {
      ...{ id: held?.id ?? uuid(), name, floor, withdrawn: null, seen: at, token: digest(token) },
      since: held?.since ?? at,
    }
    this.#keep([...this.#devices.filter((d) => d !== held), next])
    return { device: next.id, token }
  }

  change(id: string, change: DeviceChange): boolean {
    return this.#set(id, change)
  }

  withdraw(id: string): boolean {
    return this.#set(id, { withdrawn: this.#now().toISOString() })
  }

  /** Noted to the hour, so that asking costs no writing. */
  seen(id: string): void {
    const held = this.#devices.find((d) => d.id === id)
    const now = this.#now()
    if (held?.seen && now.getTime() - Date.parse(held.seen) < HOUR_MS) return
    this.#set(id, { seen: now.toISOString() })
  }

  #set(id: string, change: Partial<Kept>): boolean {
    const held = this.#devices.find((d) => d.id === id)
    if (!held) return false
    this.#keep(this.#devices.map((d) => (d === held ? { ...d, ...change } : d)))
    return true
  }

  /** So only once it is written, whole and flushed. */
  #keep(devices: Kept[]): void {
    writeWhole(this.#disk, this.#path, JSON.stringify({ version: 1, devices }, null, 1))
    this.#devices = devices
  }
}

function keptOf(text: string): z.infer<typeof keptSchema> | null {
  try {
    const read = keptSchema.safeParse(JSON.parse(text))
    return read.success ? read.data : null
  } catch {
    return null
  }
}
