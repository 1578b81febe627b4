import { existsSync } from 'node:fs'
import { join } from 'node:path'
import express, { type Express, type RequestHandler } from 'express'
import helmet from 'helmet'
import { Bell } from './events.ts'
import { problemHandler, Refusal } from './problem.ts'
import { apiRoutes } from './routes.ts'
import type { Store } from './store/operations.ts'

export interface AppOptions {
  store: Store
  now?: () => Date
  /** The built pages; without them only the API answers. */
  pages?: string
  log?: (error: unknown) => void
}

const LOCAL = /^(?:localhost|127\.0\.0\.1|\[::1\])(?::\d+)?$/

/** Only this machine's own pages may talk to the server: checked by Host, and by Origin on what changes anything. */
const onlyOwnPages: RequestHandler = (req, _res, next) => {
  const host = req.headers.host ?? ''
  const origin = req.headers.origin
  if (!LOCAL.test(host) || (origin !== undefined && new URL(origin).host !== host)) {
    throw new Refusal({
      type: '/problems/foreign',
      title: 'This server answers only its own pages on this machine.',
      status: 403,
    })
  }
  next()
}

export function createApp({ store, now = () => new Date(), pages, log = () => undefined }: AppOptions): {
  app: Express
  bell: Bell
} {
  const app = express()
  const bell = new Bell()
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
          frameAncestors: ["'none'"],
        },
      },
      strictTransportSecurity: false,
    }),
  )
  app.use(onlyOwnPages)
  app.use('/api', (_req, res, next) => {
    res.set('cache-control', 'no-store')
    next()
  })
  app.use(express.json({ limit: '1mb' }))
  app.use('/api', apiRoutes(store, bell, now))
  if (pages && existsSync(pages)) {
    app.use(
      express.static(pages, {
        maxAge: '1h',
        setHeaders: (res, path) => path.endsWith('.html') && res.setHeader('cache-control', 'no-cache'),
      }),
    )
    app.get('/{*path}', (_req, res) => void res.sendFile(join(pages, 'index.html')))
  }
  app.use(problemHandler(log))
  return { app, bell }
}
