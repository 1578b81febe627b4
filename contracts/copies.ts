import { z } from 'zod'
import { lineSchema } from '#core/records'

/** What records come to, to be held against others. */
export interface Held {
  farm: string | null
  lots: number
  weighings: number
  decisions: number
  facts: number
  packs: number
  papers: number
  /** Instant of the newest record. */
  newest: string | null
}
/** Copies of the records that lie on this machine and at the second place. */
export interface CopiesKept {
  folder: string
  freeBytes: number
  dbBytes: number
  low: boolean
  copies: { name: string; at: string; proven: string | null; why: 'checkpoint' | 'schema' | 'opening' }[]
  bundles: {
    name: string
    kind: 'day' | 'week' | 'month' | 'asked' | 'restore'
    at: string
    digest: string
    bytes: number
    held: Held
  }[]
  /** Databases that another took the place of, by name: they lie beside it until a person clears them. */
  asides: { name: string; bytes: number }[]
  second: {
    folder: string | null
    state: 'none' | 'away' | 'there' | 'failed'
    bundles: string[]
    why: string | null
  }
  /** What was brought back at the last start after a cut: everything acknowledged until then. */
  recovered: { to: string; aside: string | null } | null
}
/** A bundle brought back beside the present records; nothing is changed until it is taken. */
export interface Rehearsal {
  id: string
  name: string | null
  held: Held
  present: Held
}
/** How the records stand: what a page says before anything else. */
export interface Standing {
  recovered: CopiesKept['recovered']
  /** What is wrong without harm to the records: no room for a copy, a disk nearly full. */
  warning: string | null
}
export interface Copies extends CopiesKept {
  busy: boolean
  warning: string | null
  upToDate: boolean
  rehearsal: Rehearsal | null
}
export const secondPlaceSchema = z.object({ folder: lineSchema(1000).nullable() })
const passphrase = z.string().min(8, 'A passphrase has at least eight signs.').max(200)
export const sealSchema = z.object({ passphrase })
export const rehearsalSchema = z.object({
  place: z.enum(['here', 'second', 'aside']),
  name: z.string().min(1).max(100),
  passphrase: z.string().max(200).nullable(),
})
