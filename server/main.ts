import { createServer } from 'node:http'
import { dirname, join, resolve } from 'node:path'
import { fileURLToPath } from 'node:url'
import { parseArgs } from 'node:util'
import pino from 'pino'
import { loadFallowmere } from '#demo'
import { createApp } from './app.ts'
import { openInWorker } from './database/client.ts'
import { FolderInUse, lockFolder } from './database/lock.ts'

const { values: flags } = parseArgs({
  options: {
    data: { type: 'string', default: 'data/farm' },
    port: { type: 'string', default: '4310' },
    demo: { type: 'boolean', default: false },
  },
})
const folder = resolve(flags.data)
const log = pino({ level: process.env.EKKO_LOG ?? 'warn' })

async function unlockedFolder() {
  try {
    return await lockFolder(folder)
  } catch (error) {
    if (!(error instanceof FolderInUse)) throw error
    console.error(error.message)
    process.exit(3)
  }
}

const unlock = await unlockedFolder()
const built = dirname(fileURLToPath(import.meta.url))
const store = await openInWorker(join(built, 'worker.js'), folder)
const { app, bell } = createApp({ store, pages: join(built, '..', 'web'), log: (error) => log.error(error) })
const server = createServer(app)

server.on('error', (error: NodeJS.ErrnoException) => {
  console.error(
    error.code === 'EADDRINUSE'
      ? `Port ${flags.port} is taken. Start with --port and another number.`
      : error.message,
  )
  void stop(4)
})
server.listen(Number(flags.port), '127.0.0.1', () => {
  const address = server.address()
  const url = `http://127.0.0.1:${typeof address === 'object' && address ? address.port : flags.port}`
  void ready(url)
})

async function ready(url: string) {
  const { farm } = await store.run('home', undefined)
  if (flags.demo && !farm) await loadFallowmere(url)
  console.log(`Ekko is open at ${url}`)
  console.log(`Records are kept in ${folder}. Stop with Ctrl+C.`)
}

const nightly = setInterval(() => void store.checkpoint(), 24 * 60 * 60 * 1000)

let stopping = false
async function stop(code = 0) {
  if (stopping) return
  stopping = true
  clearInterval(nightly)
  bell.close()
  server.close()
  server.closeAllConnections()
  await store.close()
  await unlock()
  process.exit(code)
}
for (const signal of ['SIGINT', 'SIGTERM'] as const) process.on(signal, () => void stop())
