import { bundleSchema, BUNDLE_VERSION, type Bundle } from '#contracts'
import { validateAnatomy, type Anatomy } from '#core/anatomy'
import { refuse, type Outcome } from '#core/measure'
import { digestOf } from './store/operations.ts'

const damaged = (reason: string) => refuse('bundle-damaged', 'bundle', { reason })

/** What is wrong with an anatomy from outside, which may not even have an anatomy's form; null when sound. */
function faultOf(body: unknown): string | null {
  try {
    const fault = validateAnatomy(body as Anatomy)[0]
    return fault ? `${fault.where} ${fault.what}` : null
  } catch {
    return 'it has not the form of an anatomy'
  }
}

/** Reads a farm bundle, or says what is wrong with it: cut off, altered, of another version, or pointing at nothing. */
export function readBundle(text: string): Outcome<Bundle> {
  let raw: { format?: unknown; version?: unknown }
  try {
    raw = JSON.parse(text) as typeof raw
  } catch {
    return damaged('it is not whole JSON, perhaps cut off')
  }
  if (raw?.format !== 'ekko-farm') return damaged('it is not a farm bundle')
  if (raw.version !== BUNDLE_VERSION)
    return refuse('bundle-version', 'bundle', { version: String(raw.version), reads: BUNDLE_VERSION })
  const out = bundleSchema.safeParse(raw)
  if (!out.success) {
    const first = out.error.issues[0]!
    return damaged(`${first.path.join('.')}: ${first.message}`)
  }
  const { content, digest } = out.data
  if (digestOf(content) !== digest) return damaged('its content does not match its digest')
  for (const [hash, body] of Object.entries(content.anatomies)) {
    if (digestOf(body) !== hash) return damaged(`anatomy ${hash.slice(0, 8)} was altered`)
    const fault = faultOf(body)
    if (fault) return damaged(`anatomy ${hash.slice(0, 8)}: ${fault}`)
  }
  for (const lot of content.lots) {
    if (!content.anatomies[lot.anatomy]) return damaged(`lot ${lot.tag} names an anatomy that is not in it`)
  }
  return { ok: true, value: out.data }
}
