import { spawn } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { FARM, lotBody, NOBODY, packBody, weighingBody } from '../server/bodies.ts'
import { realDisk } from '../server/database/disk.ts'
import { openEngine } from '../server/database/engine.ts'
import { pglite } from '../server/database/pglite.ts'
import { placesOf } from '../server/database/places.ts'
import { operations } from '../server/store/operations.ts'
import { openStore } from '../server/store/store.ts'
import type { Tx } from '../server/store/tx.ts'

// What a weigh-in and a page of packs cost on a farm of 100,000 packs, beside what they cannot do without.
const AT = '2026-11-02T12:00:00.000Z'
const [LOTS, EACH] = [100, 1000]
const folder = mkdtempSync(join(tmpdir(), 'ekko-packs-'))
const farm = join(folder, 'farm')
const store = await openStore(farm)
await store.run('saveFarm', FARM)
const hang = async () => {
  const lot = lotBody()
  await store.run('hangLot', { lot, by: NOBODY, at: AT })
  await store.run('weigh', { lot: lot.id, by: NOBODY, at: AT, weighing: weighingBody('hot', 180) })
  return lot.id
}
for (let i = 0; i < LOTS; i++) {
  const pack = packBody('ground-pork', 100, { packs: EACH, place: `Chest ${i % 9}`, confirmed: true })
  const out = await store.run('pack', { lot: await hang(), by: NOBODY, at: AT, pack })
  if (out.result !== 'kept') throw new Error(`not kept: ${JSON.stringify(out)}`)
}
const lots = [await hang(), await hang(), await hang()]
await store.close()

const middle = (xs: number[]) => xs.toSorted((a, b) => a - b)[Math.floor(xs.length / 2)]!
const timed = async (of: () => Promise<unknown>) => {
  const start = performance.now()
  await of()
  return performance.now() - start
}

/** The server as it is started, asked over the wire. */
const PORT = 4790
const child = spawn('node', ['dist/server/main.js', '--data', farm, '--port', String(PORT)], {
  stdio: 'ignore',
})
const url = `http://127.0.0.1:${PORT}/api`
for (;;) {
  if (
    await fetch(`${url}/packs/1`).then(
      (r) => r.ok,
      () => false,
    )
  )
    break
  await new Promise((r) => setTimeout(r, 200))
}
const get = (path: string) => fetch(`${url}${path}`).then((r) => r.arrayBuffer())
let next = 0
const weighIn = async () => {
  const res = await fetch(`${url}/lots/${lots[next++ % lots.length]}/packs`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(packBody('bacon', 0.5, { packs: 1, confirmed: true })),
  })
  if (res.status !== 200) throw new Error(await res.text())
  await res.arrayBuffer()
}
/** One row, flushed as every write is, with no route and no thread before it. */
const beside = join(folder, 'beside')
const engine = await openEngine<Tx>({
  ...{ folder: beside, disk: realDisk, cluster: pglite(), now: () => new Date() },
})
await engine.run((tx) => tx.query('create table one (at timestamptz)'), true)
const insert = () => engine.run((tx) => tx.query('insert into one values (now())'), true)
const [all, empty, worker, flushed]: number[][] = [[], [], [], []]
for (let i = 0; i < 20; i++) await Promise.all([weighIn(), get('/packs/0'), get('/packs/99999999'), insert()])
for (let i = 0; i < 101; i++) {
  all!.push(await timed(weighIn))
  empty!.push(await timed(() => get('/packs/0')))
  worker!.push(await timed(() => get('/packs/99999999')))
  flushed!.push(await timed(insert))
}
child.kill('SIGTERM')
await new Promise((r) => child.once('exit', r))
await engine.close()
const [route, trip, one] = [middle(empty!), middle(worker!) - middle(empty!), middle(flushed!)]
const floor = route + trip + one
console.log('\npacks, 100,000 of them | ms | × | of | asked')
console.log(
  `a weigh-in | ${middle(all!).toFixed(1)} | ${(middle(all!) / floor).toFixed(2)} | empty route ${route.toFixed(1)} + worker and a read ${trip.toFixed(1)} + a flushed insert ${one.toFixed(1)} | ≤ 1.5`,
)

/** Pages as one transaction: how long all of it takes over its statements alone. */
const session = await pglite().open(placesOf(farm).db)
async function page(asked: object) {
  let sql = 0
  const ms = await timed(() =>
    session.transaction(async (tx) => {
      const query: Tx['query'] = async (text, params) => {
        const began = performance.now()
        const out = await tx.query(text, params)
        sql += performance.now() - began
        return out as never
      }
      JSON.stringify(await operations.packs({ query }, { limit: 100, ...asked }))
    }),
  )
  return { ms, ratio: ms / sql }
}
for (const [name, asked] of [
  ['the first page, with the sums by place', { state: 'here' }],
  ['a further page', { state: 'here', before: 50_000 }],
  ['a page of one lot', { state: 'here', lot: lots[0], before: 200_000 }],
] as const) {
  const runs = []
  for (let i = 0; i < 21; i++) runs.push(await page(asked))
  const [ms, ratio] = [middle(runs.map((r) => r.ms)), middle(runs.map((r) => r.ratio))]
  console.log(`${name} | ${ms.toFixed(1)} | ${ratio.toFixed(2)} | its statements | ≤ 2`)
}
await session.close()
rmSync(folder, { recursive: true, force: true })
