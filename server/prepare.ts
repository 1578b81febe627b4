import { readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs'
import { PGlite } from '@electric-sql/pglite'
import { migrate, schemaDigest } from './store/migrate.ts'

// Makes the empty database that lies beside the program, unless it is there of this schema: part of the build.
const [place, engine] = process.argv.slice(2) as [string, string]
const stamp = `${engine} ${schemaDigest()}`
const noted = `${place}.stamp`

function isThere(): boolean {
  try {
    return readFileSync(noted, 'utf8') === stamp
  } catch {
    return false
  }
}

if (!isThere()) {
  const aside = `${place}.making`
  for (const path of [noted, place, aside]) rmSync(path, { recursive: true, force: true })
  const db = await PGlite.create(aside)
  await migrate(db)
  await db.exec('checkpoint')
  await db.close()
  renameSync(aside, place)
  writeFileSync(noted, stamp)
}
