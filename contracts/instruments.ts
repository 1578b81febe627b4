import { z } from 'zod'
import { lineFormatSchema, type ScaleReading } from '#core/instruments'
import type { Kg } from '#core/measure'
import { figureSchema, idSchema } from '#core/records'

/** Which scale stands at the bench: none, the simulated one, or one that writes lines to a socket (a serial port behind one). */
export const scaleChoiceSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('none') }),
  z.object({ kind: z.literal('stand-in') }),
  z.object({
    kind: z.literal('line'),
    host: z
      .string()
      .min(1)
      .max(120)
      .regex(/^[A-Za-z0-9.:_-]+$/, 'A name or number of the network.'),
    port: z.number().int().min(1).max(65_535),
    format: lineFormatSchema,
  }),
])
export type ScaleChoice = z.infer<typeof scaleChoiceSchema>

export const printerChoiceSchema = z.object({
  kind: z.enum(['none', 'stand-in']),
  /** Labels put in; those that were in stay where not said. */
  labels: z.number().int().min(0).max(100_000).optional(),
})
export type PrinterChoice = z.infer<typeof printerChoiceSchema>
export const probeChoiceSchema = z.object({ kind: z.enum(['none', 'stand-in']) })
export type ProbeChoice = z.infer<typeof probeChoiceSchema>

/** What is put on the simulated scale, kg; and a paper to be printed. */
export const loadSchema = z.object({ kg: figureSchema(0, 500) })
export const printSchema = z.object({ paper: idSchema })
/** Hours since the kill, and how heavy the side is: what the simulated probe goes by. */
export const probeAskedSchema = z.object({
  hours: z.coerce.number().min(0).max(400),
  kg: z.coerce.number().min(0.5).max(400),
})

/** What the scale shows, less what it is tared to; `gone` while nothing is heard of it. */
export interface Shown extends ScaleReading {
  tare: Kg
  gone: boolean
}
export interface Instruments {
  scale: ScaleChoice & { gone: boolean }
  printer: { kind: PrinterChoice['kind']; labels: number; printed: number }
  probe: ProbeChoice
}
export interface ProbeReading {
  deep: number
  surface: number
  air: number
}
