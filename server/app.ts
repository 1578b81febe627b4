import { createHash } from 'node:crypto'
import { existsSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import express, { type Express } from 'express'
import compressed from 'express-static-gzip'
import helmet from 'helmet'
import { BUILD_HEADER, HISTORY_HEADER } from '#contracts'
import type { Stopped } from './database/engine.ts'
import type { Access } from './devices/access.ts'
import { onlyLetIn, onlyOwnPages, onlyWhatItMay } from './devices/gate.ts'
import { Bell } from './events.ts'
import type { Shelf } from './database/shelf.ts'
import { Desk } from './instruments/desk.ts'
import type { Keeping } from './keeping/service.ts'
import { paperMaker, type PaperMaker } from './papers/maker.ts'
import { bringingBack, notFound, otherHistory, problemHandler } from './problem.ts'
import { apiRoutes } from './routes.ts'
import { writes, type ArgumentOf, type OperationName, type ResultOf } from './store/operations.ts'
import type { Store } from './store/store.ts'

export interface AppOptions {
  store: Store
  shelf: Shelf
  keeping: Keeping
  /** Where papers are made: a thread of its own, or here. */
  papers?: PaperMaker
  access: Access
  /** The instruments of the bench; without a folder they are forgotten at the end. */
  desk?: Desk
  now?: () => Date
  /** The built pages; without them only the API answers. */
  pages?: string
  log?: (error: unknown) => void
  /** Told when the records turn out to be no longer taken. */
  stopped?: (why: Stopped) => void
}

/** What the build names by its content never changes under that name. */
const NAMED_BY_CONTENT = /\/assets\/[^/]+-[\w-]{8}\.\w+(?:\.(?:br|gz))?$/
const FOR_GOOD = 'public, max-age=31536000, immutable'

/** The page names all of its scripts by their content, so it is another where any of them is. */
const buildOf = (page: string): string | null =>
  existsSync(page) ? createHash('sha256').update(readFileSync(page)).digest('hex').slice(0, 16) : null

export function createApp({
  store,
  shelf,
  keeping,
  papers = paperMaker,
  access,
  desk = new Desk(),
  now = () => new Date(),
  pages,
  log = () => undefined,
  stopped = () => undefined,
}: AppOptions): {
  app: Express
  bell: Bell
} {
  const app = express()
  const bell = new Bell(() => store.history)
  /** No write between the last look at the records and the copy that takes their place. */
  const held: Store = {
    ...store,
    get history() {
      return store.history
    },
    run: <K extends OperationName>(name: K, argument: ArgumentOf<K>): Promise<ResultOf<K>> => {
      if (!(name in writes)) return store.run(name, argument)
      if (keeping.bringsBack) return Promise.reject(bringingBack())
      keeping.wrote()
      return store.run(name, argument)
    },
  }
  app.disable('x-powered-by')
  app.use(
    helmet({
      contentSecurityPolicy: {
        useDefaults: false,
        directives: {
          defaultSrc: ["'self'"],
          scriptSrc: ["'self'", "'wasm-unsafe-eval'"],
          workerSrc: ["'self'"],
          styleSrc: ["'self'", "'unsafe-inline'"],
          imgSrc: ["'self'", 'data:'],
          objectSrc: ["'none'"],
          baseUri: ["'self'"],
          formAction: ["'self'"],
          frameAncestors: ["'none'"],
        },
      },
      strictTransportSecurity: false,
      // Means nothing over plain HTTP but a complaint on every page a second device opens.
      crossOriginOpenerPolicy: false,
      originAgentCluster: false,
    }),
  )
  app.use(onlyOwnPages(access.network))
  const build = pages ? buildOf(join(pages, 'index.html')) : null
  app.use('/api', (_req, res, next) => {
    res.set('cache-control', 'no-store')
    if (build) res.set(BUILD_HEADER, build)
    res.set(HISTORY_HEADER, store.history)
    next()
  })
  app.use('/api', onlyLetIn(access.registry))
  // Whoever decided on other records is told before anything is made of it.
  app.use('/api', (req, _res, next) => {
    const of = req.headers[HISTORY_HEADER]
    if (req.method !== 'GET' && of !== undefined && of !== store.history) throw otherHistory()
    next()
  })
  // A bundle sent to be restored is read as bytes by its own route, whatever it calls itself.
  const json = express.json({ limit: '1mb' })
  const asBytes = (path: string) => path === '/api/rehearsals/sent' || path.startsWith('/api/attachments/')
  app.use((req, res, next) => (asBytes(req.path) ? next() : json(req, res, next)))
  app.use('/api', onlyWhatItMay, apiRoutes({ store: held, shelf, keeping, papers, bell, access, desk, now }))
  if (pages && existsSync(pages)) {
    app.use(
      compressed(pages, {
        enableBrotli: true,
        orderPreference: ['br', 'gzip'],
        serveStatic: {
          setHeaders: (res, path) =>
            void res.setHeader('cache-control', NAMED_BY_CONTENT.test(path) ? FOR_GOOD : 'no-cache'),
        },
      }),
    )
    app.get('/{*path}', (req, res) => {
      // A page's address has no ending; a missing script or picture is not a page.
      if (/\.\w+$/.test(req.path)) throw notFound('file')
      res.sendFile(join(pages, 'index.html'))
    })
  }
  app.use(problemHandler(log, stopped))
  return { app, bell }
}
