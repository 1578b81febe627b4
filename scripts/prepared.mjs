import { spawn } from 'node:child_process'
import { createHash } from 'node:crypto'
import {
  cpSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  statfsSync,
  statSync,
} from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { SHORT_LIVED } from './browser.mjs'

// Folders that the tests copy instead of making: an empty database and the demo farm, each made once per build.
const CACHE = 'node_modules/.cache/ekko'

const MEMORY = '/dev/shm'
const ENOUGH_BYTES = 4e9
const hasRoom = (folder) => {
  const { bavail, bsize } = statfsSync(folder)
  return bavail * bsize > ENOUGH_BYTES
}

const roomiest = () => (existsSync(MEMORY) && hasRoom(MEMORY) ? MEMORY : tmpdir())
/** A new folder for a test: in memory where there is room, since a test makes and removes thousands of files. */
export function scratchFolder(prefix = 'ekko-test-') {
  return mkdtempSync(join(process.env.EKKO_SCRATCH ?? roomiest(), prefix))
}

const RUN = /^ekko-run-(\d+)-/
/** Of runs that had no folder of their own: none is as old as this and still wanted. */
const LONE = /^ekko-(?:test|e2e)-/
const STALE_MS = 2 * 60 * 60 * 1000
const isAlive = (pid) => {
  try {
    process.kill(pid, 0)
    return true
  } catch (error) {
    return error.code === 'EPERM'
  }
}
const isOld = (path) => Date.now() - (statSync(path, { throwIfNoEntry: false })?.mtimeMs ?? 0) > STALE_MS
/**
 * One folder for all that a run makes, told to its workers; the answer removes it. What a run that was cut off left
 * behind is removed first: a few of those fill the memory, and every later run is slow for no reason it can see.
 */
export function scratchOfRun() {
  for (const place of new Set([MEMORY, tmpdir()].filter((p) => existsSync(p))))
    for (const name of readdirSync(place)) {
      const pid = RUN.exec(name)?.[1]
      const isStale = pid ? !isAlive(Number(pid)) : LONE.test(name) && isOld(join(place, name))
      if (isStale) rmSync(join(place, name), { recursive: true, force: true })
    }
  if (process.env.EKKO_SCRATCH) return () => {}
  const made = mkdtempSync(join(roomiest(), `ekko-run-${process.pid}-`))
  process.env.EKKO_SCRATCH = made
  return () => {
    delete process.env.EKKO_SCRATCH
    rmSync(made, { recursive: true, force: true })
  }
}

const digestOf = (paths) => {
  const sum = createHash('sha256')
  for (const path of paths) sum.update(path).update(readFileSync(path))
  return sum.digest('hex').slice(0, 16)
}
const built = () => {
  const files = readdirSync('dist/server', { recursive: true, withFileTypes: true })
  return files
    .filter((e) => e.isFile())
    .map((e) => join(e.parentPath, e.name))
    .sort()
}

/** Starts the built server on a folder and stops it as soon as it is open. */
function openOnce(args) {
  return new Promise((resolve, reject) => {
    const child = spawn('node', [...SHORT_LIVED, 'dist/server/main.js', '--port', '0', ...args])
    let said = ''
    const hear = (chunk) => {
      said += chunk
      if (said.includes('open at')) child.kill('SIGTERM')
    }
    child.stdout.on('data', hear)
    child.stderr.on('data', hear)
    child.on('exit', (code) => (code === 0 ? resolve() : reject(new Error(`ended with ${code}: ${said}`))))
  })
}

/** The data folder of the demo farm (or of an empty one) as a clean stop leaves it, without its copies. */
export async function preparedFolder(kind) {
  mkdirSync(CACHE, { recursive: true })
  const place = join(CACHE, `${kind}-${digestOf(built())}`)
  if (existsSync(place)) return place
  for (const old of readdirSync(CACHE))
    if (old.startsWith(`${kind}-`)) rmSync(join(CACHE, old), { recursive: true })
  const made = join(CACHE, `making-${kind}`)
  rmSync(made, { recursive: true, force: true })
  await openOnce(['--data', made, ...(kind === 'demo' ? ['--demo'] : [])])
  rmSync(join(made, 'backups'), { recursive: true, force: true })
  renameSync(made, place)
  return place
}

/** A fresh copy of a prepared folder at `to`, which must not be there yet. */
export async function copyPrepared(kind, to) {
  cpSync(await preparedFolder(kind), to, { recursive: true })
}
