import { existsSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'

/** The empty database that the build made beside a built script (scripts/empty.mjs), where it did: copying it is a start. */
export function shippedBeside(script: string): string | null {
  const place = join(dirname(fileURLToPath(script)), '..', 'empty')
  return existsSync(place) ? place : null
}
