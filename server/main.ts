import { existsSync, mkdirSync, readdirSync, renameSync, rmdirSync, rmSync } from 'node:fs'
import { createServer, type RequestListener } from 'node:http'
import { dirname, join, resolve } from 'node:path'
import { fileURLToPath } from 'node:url'
import { parseArgs } from 'node:util'
import pino from 'pino'
import { loadFallowmere } from '#demo'
import { createApp } from './app.ts'
import { openInThread } from './database/client.ts'
import { realDisk } from './database/disk.ts'
import { shelfIn } from './database/shelf.ts'
import { shippedBeside } from './database/shipped.ts'
import { Stopped } from './database/engine.ts'
import { accessTo, howToCome } from './devices/access.ts'
import { ALONE, network } from './devices/network.ts'
import { lockFolder, type Lock } from './database/lock.ts'
import { makeForOwnerOnly, ownersOnly } from './database/owner.ts'
import { EXIT, exitFor, namelessly } from './exits.ts'
import { Desk } from './instruments/desk.ts'
import { keeperOf, type Keeper } from './keeping/keeper.ts'
import { Keeping } from './keeping/service.ts'
import { keeperInThreads } from './keeping/threads.ts'
import type { PaperMaker } from './papers/maker.ts'
import { stoppedProblem } from './problem.ts'
import { openStore } from './store/store.ts'
import { inThread } from './threads.ts'

const log = pino({ level: process.env.EKKO_LOG ?? 'warn' })
const built = dirname(fileURLToPath(import.meta.url))
const empty = shippedBeside(import.meta.url)

function flagsOf() {
  try {
    const { values } = parseArgs({
      options: {
        data: { type: 'string', default: 'data/farm' },
        port: { type: 'string', default: '4310' },
        demo: { type: 'boolean', default: false },
        lan: { type: 'boolean', default: false },
        recover: { type: 'boolean', default: false },
        name: { type: 'string', multiple: true, default: [] as string[] },
      },
    })
    if (!/^\d{1,5}$/.test(values.port) || Number(values.port) > 65_535)
      throw new Error(`--port ${values.port} is no port: name a number up to 65535.`)
    return { ...values, folder: resolve(values.data) }
  } catch (error) {
    return leave(EXIT.usage, (error as Error).message)
  }
}

function leave(code: number, words: string): never {
  console.error(words)
  process.exit(code)
}

const { folder, port, demo, lan, name, recover } = flagsOf()

/** Until the records are open, and after they are closed, every request hears so. */
const notYet: RequestListener = (_req, res) => {
  res.writeHead(503, { 'content-type': 'application/problem+json', 'retry-after': '2' })
  res.end(JSON.stringify({ type: '/problems/opening', title: 'The records are being opened.', status: 503 }))
}
let answer = notYet
const server = createServer((req, res) => answer(req, res))

/** The port first: it costs nothing to be refused here, and the records are not touched. */
function listening(): Promise<number> {
  return new Promise((done) => {
    server.on('error', (error: NodeJS.ErrnoException) =>
      leave(
        EXIT.port,
        error.code === 'EADDRINUSE'
          ? `Port ${port} is taken. Start with --port and another number.`
          : `Port ${port} cannot be opened (${error.code}).`,
      ),
    )
    server.listen(Number(port), lan ? '0.0.0.0' : '127.0.0.1', () => {
      const address = server.address()
      done(typeof address === 'object' && address ? address.port : Number(port))
    })
  })
}

/** The demo farm is loaded into a folder aside that takes its name only when whole: a load cut off leaves nothing. */
async function prepareDemo(): Promise<void> {
  if (existsSync(folder) && readdirSync(folder).length > 0) return
  const aside = `${folder}.loading`
  mkdirSync(aside, { recursive: true })
  const lock = await lockFolder(aside)
  for (const left of readdirSync(aside))
    if (join(aside, left) !== lock.path) rmSync(join(aside, left), { recursive: true })
  const store = await openStore(aside, { empty })
  const { app } = createApp({
    store,
    shelf: shelfIn(realDisk, aside),
    keeping: new Keeping(store, keeperOf(aside), () => new Date()),
    access: accessTo(aside, () => new Date()),
  })
  const loading = createServer(app)
  await new Promise<void>((done) => loading.listen(0, '127.0.0.1', done))
  const address = loading.address()
  await loadFallowmere(`http://127.0.0.1:${typeof address === 'object' && address ? address.port : 0}`)
  loading.close()
  loading.closeAllConnections()
  await store.close()
  lock.release()
  if (existsSync(folder)) rmdirSync(folder)
  renameSync(aside, folder)
  realDisk.flush(dirname(folder))
}

/** Said once, when the records are no longer taken: the pages hear it with every answer. */
let saidStopped = false
function sayStopped(why: Stopped) {
  if (saidStopped || why.reason === 'closed') return
  saidStopped = true
  const { title, detail } = stoppedProblem(why)
  console.error(`${title} ${detail}`)
  if (why.reason === 'lock') setTimeout(() => process.exit(EXIT.lockLost), 1000).unref()
}

async function start() {
  makeForOwnerOnly()
  const bound = await listening()
  if (demo) await prepareDemo()
  mkdirSync(folder, { recursive: true })
  ownersOnly(folder)
  const lock = await lockFolder(folder, {
    lost: () =>
      sayStopped(new Stopped('lock', 'Another Ekko has taken the folder; this one keeps nothing more.')),
  })
  // Told only after the records are open, which is when the keeping is there to hear.
  let keeping: Keeping | null = null
  const store = await openInThread(
    join(built, 'worker.js'),
    { folder, lock: { path: lock.path, token: lock.token }, empty, recover },
    { copied: (copy) => keeping?.copied(copy), warned: (words) => keeping?.warned(words), lost: sayStopped },
  )
  // An empty database that was copied has the rights it had beside the program.
  ownersOnly(folder)
  const keeper = keeperInThreads(() => inThread<Keeper>(join(built, 'keeper.js'), { folder, empty }))
  const papers = inThread<PaperMaker>(join(built, 'papers.js'), null)
  keeping = new Keeping(store, keeper, () => new Date())
  keeping.start()
  const access = accessTo(folder, () => new Date(), lan ? network(() => bound, name) : ALONE)
  if (store.recovered) access.logbook.write('recovered', { ...store.recovered })
  const desk = new Desk(join(folder, 'instruments.json'))
  const { app, bell } = createApp({
    store,
    shelf: shelfIn(realDisk, folder),
    keeping,
    papers,
    access,
    desk,
    pages: join(built, '..', 'web'),
    log: (error) => log.error(namelessly(error), 'a request failed'),
    stopped: sayStopped,
  })
  answer = app
  let stopping = false
  const stop = async () => {
    if (stopping) return
    stopping = true
    keeping?.stop()
    bell.close()
    desk.close()
    answer = notYet
    server.close()
    server.closeAllConnections()
    const code = await closed(store, lock)
    await Promise.all([keeper.end(), papers.end()])
    process.exit(code)
  }
  for (const signal of ['SIGINT', 'SIGTERM'] as const) process.on(signal, () => void stop())

  console.log(`Ekko is open at http://127.0.0.1:${bound}`)
  if (store.recovered)
    console.log(
      `It had been cut off. The records were brought back as they stood at ${store.recovered.to}: all that was acknowledged.`,
    )
  if (access.registry.damaged) console.log(access.registry.damaged)
  if (lan) console.log(await howToCome(access))
  console.log(`Records are kept in ${folder}. Stop with Ctrl+C.`)
}

async function closed(store: { close(): Promise<void> }, lock: Lock): Promise<number> {
  try {
    await store.close()
    return 0
  } catch (error) {
    const { code, words } = exitFor(error, folder)
    if (!saidStopped) console.error(words)
    return code
  } finally {
    lock.release()
  }
}

start().catch((error: unknown) => {
  const { code, words } = exitFor(error, folder)
  leave(code, words)
})
