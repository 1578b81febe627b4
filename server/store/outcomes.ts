import { createHash } from 'node:crypto'
import { stringify } from 'safe-stable-stringify'
import type { Clash, LotChange } from '#contracts'
import { issueOf, type Issue } from '#core/measure'

/** Two things with one id: what is held, and what was sent. Neither is lost, and nothing was changed. */
export interface Taken {
  result: 'taken'
  held: unknown
  sent: unknown
}
export interface Refused {
  result: 'refused'
  issues: Issue[]
}
/** What came of a write: kept (with what it added to its lot), or why not. */
export type Kept =
  | { result: 'kept'; change: LotChange }
  | Refused
  | { result: 'conflict'; conflicts: Clash[] }
  | { result: 'missing' }
  | Taken
/** What came of changing a thing in place: kept, or what another made of it since. */
export type Changed<T> =
  | { result: 'kept'; value: T }
  | { result: 'changed'; held: T | null; sent: unknown }
  | Refused

/** A value as JSON with sorted keys, its outermost objects piece by piece: a bundle is never twice in memory. */
function* pieces(value: unknown, levels: number): Generator<string> {
  if (levels === 0 || typeof value !== 'object' || value === null || Array.isArray(value))
    return yield stringify(value)!
  const entries = Object.entries(value).filter(([, v]) => v !== undefined)
  yield '{'
  for (const [i, [key, v]] of entries.sort(([a], [b]) => (a < b ? -1 : 1)).entries()) {
    yield `${i === 0 ? '' : ','}${JSON.stringify(key)}:`
    yield* pieces(v, levels - 1)
  }
  yield '}'
}

/** SHA-256 of a value as JSON with sorted keys: the same for the same content, however it was stored. */
export function digestOf(content: unknown): string {
  const hash = createHash('sha256')
  for (const piece of pieces(content, 2)) hash.update(piece)
  return hash.digest('hex')
}

export const missing = { result: 'missing' } as const
export const refusedFor = (...issues: Issue[]): Refused => ({ result: 'refused', issues })
export const stranger = (kind: string, id: string): Refused =>
  refusedFor(issueOf('unknown-id', 'corrects', { kind, id }))
