import { execFileSync, spawn } from 'node:child_process'
import { existsSync } from 'node:fs'

const PLACES = [
  process.env.EKKO_CHROMIUM,
  '/usr/bin/chromium',
  '/usr/bin/chromium-browser',
  '/usr/bin/google-chrome',
].filter(Boolean)

/** The browser to drive: the one named by EKKO_CHROMIUM, or the system's. */
export const findChromium = () => PLACES.find((path) => existsSync(path))

/** Finds Chromium, installs Debian's where that is possible, or says what to do. */
export function ensureChromium() {
  const found = findChromium()
  if (found) return found
  console.log('No Chromium here: installing Debian’s package.')
  try {
    execFileSync('apt-get', ['update', '-qq'], { stdio: 'inherit' })
    execFileSync('apt-get', ['install', '-y', '-qq', 'chromium'], { stdio: ['ignore', 'ignore', 'inherit'] })
  } catch {
    throw new Error(
      'Chromium could not be installed here. Install it by hand, or point at one: EKKO_CHROMIUM=/path/to/chromium npm test',
    )
  }
  const now = findChromium()
  if (!now)
    throw new Error(
      'Chromium was installed but not found. Point at it: EKKO_CHROMIUM=/path/to/chromium npm test',
    )
  return now
}

export const CHROMIUM_FLAGS = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
]

/**
 * Flags of the runtime for a process that opens a database and ends soon: its code is not compiled twice or before it is
 * called (measured: 4.1 instead of 6.5 s of processor time from start to the first page).
 */
export const LAZY = ['--liftoff-only', '--wasm-lazy-compilation']
/** A server of a test makes fast code only of what is called very often: three files of tests took 159 instead of 205 s. */
export const SHORT_LIVED = [...LAZY, '--interrupt-budget=2000000']

/** Starts the built server and resolves with its address once it is open; `node` are flags of the runtime itself. */
export function startServer(args, node = []) {
  const child = spawn('node', [...node, 'dist/server/main.js', '--port', '0', ...args], {
    stdio: ['ignore', 'pipe', 'pipe'],
  })
  const said = { text: '' }
  const url = new Promise((resolve, reject) => {
    const hear = (chunk) => {
      said.text += chunk
      const open = /open at (http:\S+)/.exec(said.text)
      if (open) resolve(open[1])
    }
    child.stdout.on('data', hear)
    child.stderr.on('data', hear)
    child.on('exit', (code) => reject(new Error(`The server ended with ${code}: ${said.text}`)))
  })
  const stop = () =>
    new Promise((resolve) => {
      if (child.exitCode !== null || child.signalCode !== null) return resolve(child.exitCode)
      child.on('exit', resolve)
      child.kill('SIGTERM')
    })
  return { url, stop, said, child }
}
