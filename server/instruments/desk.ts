import { randomNormal } from 'd3-random'
import type { Response } from 'express'
import { z } from 'zod'
import {
  scaleChoiceSchema,
  type Instruments,
  type PrinterChoice,
  type ProbeChoice,
  type ProbeReading,
  type ScaleChoice,
  type Shown,
} from '#contracts'
import { FORMATS, probeAt, type ScaleReading } from '#core/instruments'
import { kg } from '#core/measure'
import { realDisk, type Disk } from '../database/disk.ts'
import { writeWhole } from '../database/trees.ts'
import { MOST_OF_ONE } from '../events.ts'
import { lineScale, type LineScale } from './lineScale.ts'
import { standInScale, type StandInScale } from './standInScale.ts'

const keptSchema = z.object({
  version: z.literal(1),
  scale: scaleChoiceSchema,
  printer: z.object({ kind: z.enum(['none', 'stand-in']), labels: z.number().int().min(0) }),
  probe: z.object({ kind: z.enum(['none', 'stand-in']) }),
})
type Kept = z.infer<typeof keptSchema>
const NOTHING: Kept = {
  version: 1,
  scale: { kind: 'none' },
  printer: { kind: 'none', labels: 0 },
  probe: { kind: 'none' },
}
/** A roll, as it is sold. */
const A_ROLL = 500
/** Pages that read the scale at one time: more than a farm has. */
const MOST = 24
/** Kept free for the machine that holds the records. */
const FOR_THE_MACHINE = 4
/** A reading is told this often at most. */
const EVERY_MS = 150

/** A side of this weight cools with this time constant in its middle, h; another by its girth, so by weight^(2/3) (a rule of thumb of ours). */
const SIDE = { kg: 150, tauHours: 14, lagHours: 4 } as const
const AIR_C = 1.5
const BODY_C = 39
const PROBE_SD = 0.2

/** The instruments of the bench, real or simulated: which there are is kept beside the records and stands again after a start. */
export class Desk {
  #kept: Kept = NOTHING
  #reading: ScaleReading | null = null
  #tare = 0
  #zero = 0
  #line: LineScale | null = null
  #standIn: StandInScale | null = null
  #printed: Uint8Array | null = null
  #count = 0
  #told = 0
  readonly #readers = new Map<Response, string | null>()
  readonly #path: string | null
  readonly #disk: Disk
  readonly #normal: () => number

  constructor(path: string | null = null, disk: Disk = realDisk, chance: () => number = Math.random) {
    this.#path = path
    this.#disk = disk
    this.#normal = randomNormal.source(chance)(0, 1)
    if (path === null || !disk.exists(path)) return
    const read = keptOf(disk.read(path).toString('utf8'))
    if (!read) return
    this.#kept = read
    void this.#start(read.scale)
  }

  state(): Instruments {
    const { scale, printer, probe } = this.#kept
    return {
      scale: { ...scale, gone: scale.kind !== 'none' && this.#reading === null },
      printer: { ...printer, printed: this.#count },
      probe,
    }
  }

  async takeScale(scale: ScaleChoice): Promise<void> {
    this.#keep({ ...this.#kept, scale })
    await this.#start(scale)
  }

  takePrinter({ kind, labels }: PrinterChoice): void {
    const before = this.#kept.printer
    const fresh = before.kind === 'none' && kind === 'stand-in' ? A_ROLL : before.labels
    this.#keep({ ...this.#kept, printer: { kind, labels: labels ?? fresh } })
  }

  takeProbe(probe: ProbeChoice): void {
    this.#keep({ ...this.#kept, probe })
  }

  /** What lies on it now counts as nothing; a weight that moves cannot be tared. */
  tare(): boolean {
    return this.#set((r) => (this.#tare = r.kg - this.#zero))
  }

  /** An empty scale shows nothing: its wandering is taken off, the tare is gone. */
  zero(): boolean {
    return this.#set((r) => {
      this.#zero = r.kg
      this.#tare = 0
    })
  }

  #set(how: (r: ScaleReading) => void): boolean {
    if (!this.#reading?.stable) return false
    how(this.#reading)
    this.#tell(true)
    return true
  }

  /** Puts something on the simulated scale; false where there is none. */
  load(kilograms: number): boolean {
    this.#standIn?.put(kilograms)
    return this.#standIn !== null
  }

  shown(): Shown {
    const r = this.#reading ?? { kg: kg(0), unit: 'kg', digits: 2, stable: false, overload: false }
    return {
      ...r,
      kg: kg(r.kg - this.#zero - this.#tare),
      tare: kg(this.#tare),
      gone: this.#reading === null,
    }
  }

  /** Lets a page read on; false when too many do. */
  listen(device: string | null, res: Response): boolean {
    const own = [...this.#readers].filter(([, of]) => of === device).map(([r]) => r)
    if (device !== null && own.length >= MOST_OF_ONE) this.#letGo(own[0]!)
    if (this.#readers.size >= (device === null ? MOST : MOST - FOR_THE_MACHINE)) return false
    res.writeHead(200, { 'content-type': 'text/event-stream', 'cache-control': 'no-store' })
    res.write(`retry: 1000\n\n${this.#said()}`)
    this.#readers.set(res, device)
    res.on('close', () => this.#readers.delete(res))
    return true
  }

  /** Tells a device nothing more. */
  hush(device: string): void {
    for (const [res, of] of this.#readers) if (of === device) this.#letGo(res)
  }
  #letGo(res: Response): void {
    this.#readers.delete(res)
    res.end()
  }

  /** Prints so many labels, or says that there are not enough: nothing is printed in part. */
  print(pdf: Uint8Array, labels: number): 'printed' | 'none' | 'out' {
    const { printer } = this.#kept
    if (printer.kind === 'none') return 'none'
    if (printer.labels < labels) return 'out'
    this.#printed = pdf
    this.#count += labels
    this.#keep({ ...this.#kept, printer: { ...printer, labels: printer.labels - labels } })
    return 'printed'
  }

  /** What came out of the simulated printer last. */
  lastPrint(): Uint8Array | null {
    return this.#printed
  }

  /** What the simulated probe reads in a side of this weight, so many hours after the kill; null where there is none. */
  probe(hours: number, kilograms: number): ProbeReading | null {
    if (this.#kept.probe.kind === 'none') return null
    const size = (kilograms / SIDE.kg) ** (2 / 3)
    const of = { startC: BODY_C, airC: AIR_C, tauHours: SIDE.tauHours * size, lagHours: SIDE.lagHours * size }
    const read = (c: number) => Number((c + PROBE_SD * this.#normal()).toFixed(1))
    return {
      deep: read(probeAt(of, hours, 'deep')),
      surface: read(probeAt(of, hours, 'surface')),
      air: read(AIR_C),
    }
  }

  close(): void {
    this.#line?.close()
    this.#standIn?.close()
    for (const res of this.#readers.keys()) res.end()
    this.#readers.clear()
  }

  async #start(scale: ScaleChoice): Promise<void> {
    this.#line?.close()
    this.#standIn?.close()
    this.#line = this.#standIn = this.#reading = null
    this.#tare = this.#zero = 0
    if (scale.kind === 'stand-in') {
      const standIn = await standInScale()
      if (this.#kept.scale !== scale) return standIn.close()
      this.#standIn = standIn
      this.#listenTo({ host: '127.0.0.1', port: standIn.port, format: FORMATS['stand-in'] })
    } else if (scale.kind === 'line') this.#listenTo(scale)
    this.#tell(true)
  }

  #listenTo(at: Parameters<typeof lineScale>[0]): void {
    this.#line = lineScale(at, (reading) => {
      const before = this.#reading
      this.#reading = reading
      this.#tell(before === null || reading === null || before.stable !== reading.stable)
    })
  }

  #said(): string {
    return `data: ${JSON.stringify(this.shown())}\n\n`
  }

  /** A page that takes nothing is let go: it opens anew. */
  #tell(now: boolean): void {
    const at = performance.now()
    if (!now && at - this.#told < EVERY_MS) return
    this.#told = at
    for (const res of this.#readers.keys())
      if (res.writableLength > 16 * 1024) {
        this.#readers.delete(res)
        res.destroy()
      } else res.write(this.#said())
  }

  #keep(kept: Kept): void {
    if (this.#path !== null) writeWhole(this.#disk, this.#path, JSON.stringify(kept, null, 1))
    this.#kept = kept
  }
}

function keptOf(text: string): Kept | null {
  try {
    return keptSchema.safeParse(JSON.parse(text)).data ?? null
  } catch {
    return null
  }
}
