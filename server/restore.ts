import { existsSync, readdirSync, readFileSync, renameSync, rmSync, statSync } from 'node:fs'
import { dirname, join, resolve } from 'node:path'
import { createInterface } from 'node:readline/promises'
import { sayIssue } from '#contracts/said'
import { realDisk } from './database/disk.ts'
import { shippedBeside } from './database/shipped.ts'
import { makeForOwnerOnly, ownersOnly } from './database/owner.ts'
import { placesOf } from './database/places.ts'
import { copyTree, flushTree, makeFolderWhole, removeTree } from './database/trees.ts'
import { EXIT, exitFor } from './exits.ts'
import { bundleFrom } from './keeping/bundles.ts'
import { isSealed } from './keeping/seal.ts'
import { openStore } from './store/store.ts'

/** `EKKO_PASSPHRASE`, or asked for where there is someone to ask. */
async function passphraseFor(bytes: Uint8Array): Promise<string | null> {
  const given = process.env.EKKO_PASSPHRASE
  if (!isSealed(bytes) || given || !process.stdin.isTTY) return given ?? null
  const ask = createInterface({ input: process.stdin, output: process.stdout })
  const typed = await ask.question('This bundle is sealed. Its passphrase: ')
  ask.close()
  return typed
}

/** A copy of the database, as it lies in a data folder, as the database of a new one. */
function restoreCopy(copy: string, folder: string, target: string): string | null {
  if (!existsSync(join(copy, 'PG_VERSION'))) return `${copy} is no copy of records and no bundle.`
  const aside = `${folder}.restoring`
  makeForOwnerOnly()
  removeTree(realDisk, aside)
  makeFolderWhole(realDisk, aside)
  copyTree(realDisk, copy, placesOf(aside).db)
  ownersOnly(aside)
  flushTree(realDisk, aside)
  if (existsSync(folder)) rmSync(folder, { recursive: true })
  renameSync(aside, folder)
  realDisk.flush(dirname(folder))
  console.log(`The copy lies in ${folder}. Open it with: npm start -- --data ${target}`)
  return null
}

/** `npm run restore -- bundle folder`: the whole farm from a bundle (plain, compressed or sealed) into a new folder. */
async function restore(file: string | undefined, target: string | undefined): Promise<string | null> {
  if (!file || !target) return 'Usage: npm run restore -- BUNDLE NEW-FOLDER'
  const folder = resolve(target)
  if (!existsSync(file)) return `There is no file ${file}.`
  if (existsSync(folder) && readdirSync(folder).length > 0)
    return `The folder ${folder} is not empty. Name a new one; nothing was changed.`
  if (statSync(file).isDirectory()) return restoreCopy(file, folder, target)
  const bytes = readFileSync(file)
  const bundle = await bundleFrom(bytes, await passphraseFor(bytes))
  if (!bundle.ok) return bundle.issues.map((i) => sayIssue(i)).join('\n')
  makeForOwnerOnly()
  // Aside until whole: a restore that is cut off or fails leaves no half farm and no empty folder.
  const aside = `${folder}.restoring`
  rmSync(aside, { recursive: true, force: true })
  try {
    const store = await openStore(aside, { empty: shippedBeside(import.meta.url) })
    await store.run('importBundle', bundle.value)
    await store.close()
    ownersOnly(aside)
    if (existsSync(folder)) rmSync(folder, { recursive: true })
    makeFolderWhole(realDisk, dirname(folder))
    renameSync(aside, folder)
    realDisk.flush(dirname(folder))
  } catch (error) {
    rmSync(aside, { recursive: true, force: true })
    throw error
  }
  const { lots } = bundle.value.content
  console.log(`Restored ${lots.length} lots into ${folder}. Open it with: npm start -- --data ${target}`)
  return null
}

restore(process.argv[2], process.argv[3]).then(
  (complaint) => {
    if (complaint) console.error(complaint)
    process.exit(complaint ? EXIT.usage : 0)
  },
  (error: unknown) => {
    const { code, words } = exitFor(error, resolve(process.argv[3] ?? '.'))
    console.error(words)
    process.exit(code)
  },
)
