import { existsSync, readdirSync, readFileSync } from 'node:fs'
import { resolve } from 'node:path'
import { sayIssue } from '#core/measure'
import { readBundle } from './bundle.ts'
import { openEngine } from './database/engine.ts'
import { FolderInUse, lockFolder } from './database/lock.ts'

/** `npm run restore -- bundle.json folder`: the whole farm from a bundle into an empty folder. */
async function restore(file: string | undefined, target: string | undefined): Promise<string | null> {
  if (!file || !target) return 'Usage: npm run restore -- BUNDLE.json EMPTY-FOLDER'
  const folder = resolve(target)
  if (!existsSync(file)) return `There is no file ${file}.`
  if (existsSync(folder) && readdirSync(folder).length > 0)
    return `The folder ${folder} is not empty. Name a new one; nothing was changed.`
  const bundle = readBundle(readFileSync(file, 'utf8'))
  if (!bundle.ok) return sayIssue(bundle.issues[0]!)
  const unlock = await lockFolder(folder)
  const store = await openEngine(folder)
  await store.run('importBundle', bundle.value)
  await store.close()
  await unlock()
  console.log(
    `Restored ${bundle.value.content.lots.length} lots into ${folder}. Open it with: npm start -- --data ${target}`,
  )
  return null
}

restore(process.argv[2], process.argv[3]).then(
  (complaint) => {
    if (complaint) console.error(complaint)
    process.exit(complaint ? 2 : 0)
  },
  (error: unknown) => {
    console.error(error instanceof FolderInUse ? error.message : error)
    process.exit(3)
  },
)
