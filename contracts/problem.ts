import type { Clash } from './lots.ts'

/** RFC 9457 problem details, with the fields they belong to. */
export interface Problem {
  type: string
  title: string
  status: number
  detail?: string
  errors?: { field: string; detail: string; code?: string; confirmable?: boolean }[]
  /** Of two things under one id or revision: what is kept, and what was sent. */
  held?: unknown
  sent?: unknown
  conflicts?: Clash[]
}
