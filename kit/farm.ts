import { createServer, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import { cpSync } from 'node:fs'
import { join } from 'node:path'
import { PGlite } from '@electric-sql/pglite'
import type { Express } from 'express'
import { createApp } from '../server/app.ts'
import { realDisk, type Disk } from '../server/database/disk.ts'
import { placesOf } from '../server/database/places.ts'
import { shelfIn } from '../server/database/shelf.ts'
import { accessTo } from '../server/devices/access.ts'
import type { Bell } from '../server/events.ts'
import { Desk } from '../server/instruments/desk.ts'
import { keeperOf } from '../server/keeping/keeper.ts'
import { Keeping } from '../server/keeping/service.ts'
import { Lots } from '../server/lots/cache.ts'
import { Cards } from '../server/lots/cards.ts'
import { paperMaker, type PaperMaker } from '../server/papers/maker.ts'
import { operations, reads, writes, type OperationName } from '../server/store/operations.ts'
import type { Store } from '../server/store/store.ts'
import type { Tx } from '../server/store/tx.ts'
import { scratchFolder } from '../scripts/prepared.mjs'

/**
 * The real API on the demo farm, in one transaction that is never kept: every test finds the farm as it was. What a
 * test only reads of it was read once for all of them.
 */
export interface Farm {
  url: string
  /** Forgets all that was written. */
  reset(): Promise<void>
  /** Nothing is on record: a farm that was never opened. */
  empty(): Promise<void>
}

/** Papers are handed over as what they say: how they look is tested where they are drawn. */
const papers: PaperMaker = { ...paperMaker, pdf: async ({ data }) => Buffer.from(JSON.stringify(data)) }

/** A disk of one file, in memory: cards of lots as they were worked out once. */
function cardsPlace() {
  let held = ''
  const disk = {
    read: () => Buffer.from(held),
    write: (_: string, text: string) => void (held = text),
    rename: () => undefined,
  } as unknown as Disk
  return { disk, path: 'cards', program: 'kit' }
}

type Run = (tx: Tx, argument: unknown, beside: object) => Promise<unknown>

export async function openFarm(prepared: string): Promise<Farm> {
  const folder = join(scratchFolder('ekko-kit-'), 'farm')
  cpSync(prepared, folder, { recursive: true })
  const db = await PGlite.create(placesOf(folder).db, { relaxedDurability: true })
  await db.exec('begin; savepoint farm')
  const place = cardsPlace()
  const shelf = shelfIn(realDisk, folder)
  const read = new Map<string, Promise<unknown>>()
  let isWritten = false
  let beside = { shelf, lots: new Lots(), cards: new Cards(place) }
  let turn: Promise<unknown> = Promise.resolve()
  const now = () => new Date()

  /** One operation after another, each whole or not at all. */
  const inTurn = (name: OperationName, argument: unknown) => {
    const work = async () => {
      if (name in writes) isWritten = true
      await db.exec('savepoint operation')
      try {
        const out = await (operations[name] as unknown as Run)(db, argument, beside)
        await db.exec('release operation')
        const kept = out as { result?: string; change?: Parameters<Lots['committed']>[0] } | null
        if (kept?.result === 'kept' && kept.change) beside.lots.committed(kept.change)
        return out
      } catch (error) {
        await db.exec('rollback to operation')
        throw error
      }
    }
    const own = turn.then(work, work)
    turn = own.catch(() => undefined)
    return own
  }
  const run = (name: OperationName, argument: unknown) => {
    if (isWritten || !(name in reads)) return inTurn(name, argument)
    const key = `${name} ${JSON.stringify(argument)}`
    const known = read.get(key) ?? inTurn(name, argument)
    read.set(key, known)
    return known
  }
  const never = () => Promise.reject(new Error('A farm of the kit keeps no copies.'))
  const store: Store = {
    recovered: null,
    history: '01890a5d-ac96-774b-bcce-b302099a8000',
    run: run as Store['run'],
    checkpoint: never,
    replace: never,
    proven: never,
    close: never,
  }
  const keeping = new Keeping(store, keeperOf(folder), now)
  let served: { app: Express; bell: Bell }
  let desk = new Desk()
  const serve = () =>
    (served = createApp({
      store,
      shelf,
      keeping,
      papers,
      desk,
      access: accessTo(folder, now),
      now,
      log: (e) => bugs.push(e),
    }))
  const bugs: unknown[] = []
  serve()
  const server: Server = createServer((req, res) => served.app(req, res))
  // A page that waits long for its thread finds its connection as it left it.
  server.keepAliveTimeout = 0
  await new Promise<void>((open) => server.listen(0, '127.0.0.1', open))
  await run('home', undefined)
  beside.cards.keep()
  return {
    url: `http://127.0.0.1:${(server.address() as AddressInfo).port}`,
    async reset() {
      await turn
      served.bell.close()
      // A simulated scale that nobody looks at any more would go on moving.
      desk.close()
      desk = new Desk()
      if (isWritten) await db.exec('rollback to farm')
      isWritten = false
      beside = { shelf, lots: new Lots(), cards: new Cards(place) }
      serve()
      const found = bugs.splice(0)
      if (found.length > 0) throw found[0]
    },
    async empty() {
      const { rows } = await db.query<{ name: string }>(
        `select tablename as name from pg_tables where schemaname = 'public' and tablename <> 'migration'`,
      )
      isWritten = true
      // What was kept is never changed, not even here: only rules that are off let it go.
      const tables = rows.map((r) => `"${r.name}"`).join()
      await db.exec(
        `set session_replication_role = replica; truncate ${tables} cascade; set session_replication_role = origin`,
      )
      beside = { shelf, lots: new Lots(), cards: new Cards() }
    },
  }
}
