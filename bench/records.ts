import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { appendBody, FARM, lotBody, NOBODY, packBody, takePath, weighingBody } from '../server/bodies.ts'
import { realDisk } from '../server/database/disk.ts'
import { pglite } from '../server/database/pglite.ts'
import { placesOf } from '../server/database/places.ts'
import { shelfOf } from '../server/database/shelf.ts'
import { Lots } from '../server/lots/cache.ts'
import { Cards } from '../server/lots/cards.ts'
import { operations } from '../server/store/operations.ts'
import { openStore } from '../server/store/store.ts'
import type { Tx } from '../server/store/tx.ts'

// What writes and reads of the records cost beside one another, as the history of a lot and the number of lots grow.
const AT = '2026-11-02T12:00:00.000Z'
const folder = mkdtempSync(join(tmpdir(), 'ekko-bench-'))
const store = await openStore(join(folder, 'farm'))
await store.run('saveFarm', FARM)
const to = (lot: string) => ({ lot, by: NOBODY, at: AT })

async function hang(weighed = true): Promise<string> {
  const lot = lotBody()
  await store.run('hangLot', { lot, by: NOBODY, at: AT })
  if (weighed) await store.run('weigh', { ...to(lot.id), weighing: weighingBody('hot', 180) })
  return lot.id
}
const revs = new Map<string, number>()
async function decide(lot: string) {
  const base = revs.get(lot) ?? 1
  const append = appendBody(base, takePath('loin', base % 2 ? 'loin-roasts' : 'loin-chops'))
  const out = await store.run('decide', { ...to(lot), append })
  if (out.result !== 'kept') throw new Error(`not kept: ${JSON.stringify(out)}`)
  revs.set(lot, out.change.rev)
  return out.change
}
const weigh = (lot: string) =>
  store.run('weigh', { ...to(lot), weighing: weighingBody('hot', 180 + Math.random(), { confirmed: true }) })
const pack = (lot: string) => store.run('pack', { ...to(lot), pack: packBody('bacon', 0.01) })

/** Two things turn by turn: the median of the first, and over that of the second. */
async function against(run: () => Promise<unknown>, floor: () => Promise<unknown>, repeats = 41) {
  const once = async (f: () => Promise<unknown>) => {
    const start = performance.now()
    await f()
    return performance.now() - start
  }
  const pairs: [number, number][] = []
  for (let i = 0; i < repeats; i++) pairs.push([await once(run), await once(floor)])
  const middle = (xs: number[]) => xs.sort((a, b) => a - b)[Math.floor(repeats / 2)]!
  return { ms: middle(pairs.map(([a]) => a)), ratio: middle(pairs.map(([a, b]) => a / b)) }
}

const [old, fresh] = [await hang(), await hang()]
for (let i = 0; i < 2000; i++) await decide(old)
const rows: [string, { ms: number; ratio: number }, string, string][] = [
  [
    'a pack',
    await against(
      () => pack(fresh),
      () => weigh(fresh),
    ),
    'a weighing',
    '≤ 1.3',
  ],
  [
    'a decision in a lot of 2,000',
    await against(
      () => decide(old),
      () => decide(fresh),
    ),
    'one in a new lot',
    '≤ 1.3',
  ],
]
console.log('\nrecords | ms | × | of | asked')
for (const [name, { ms, ratio }, of, asked] of rows)
  console.log(`${name} | ${ms.toFixed(2)} | ${ratio.toFixed(2)} | ${of} | ${asked}`)
const bytes = async (lot: string) => JSON.stringify(await decide(lot)).length
console.log(
  `bytes of an answer in a lot of 2,000 | ${await bytes(old)} | – | in a new one ${await bytes(fresh)} | –`,
)
for (let i = 0; i < 300; i++) await hang()
await store.close()

/** The home of a farm of 300 lots as one transaction: how long all of it takes over its statements alone. */
const session = await pglite().open(placesOf(join(folder, 'farm')).db)
const place = { disk: realDisk, path: join(folder, 'cards.json'), program: 'bench' }
async function home(cards: Cards) {
  const beside = { shelf: shelfOf(), lots: new Lots(), cards }
  let statements = 0
  let sql = 0
  const start = performance.now()
  await session.transaction((tx) => {
    const query: Tx['query'] = async (text, params) => {
      const began = performance.now()
      const out = await tx.query(text, params)
      statements++
      sql += performance.now() - began
      return out as never
    }
    return operations.home({ query }, undefined, beside)
  })
  const ms = performance.now() - start
  return { ms, ratio: ms / sql, statements }
}
const middle = async (of: () => Promise<Awaited<ReturnType<typeof home>>>) => {
  const all = []
  for (let i = 0; i < 21; i++) all.push(await of())
  return all.sort((x, y) => x.ratio - y.ratio)[10]!
}
const cards = new Cards(place)
const never = await home(cards)
cards.keep()
const started = await middle(() => home(new Cards(place)))
const then = await middle(() => home(cards))
for (const [name, h] of [
  ['by a program that never worked it out', never],
  ['first after a start', started],
  ['then', then],
] as const)
  console.log(
    `home with 300 lots, ${name} | ${h.ms.toFixed(1)} | ${h.ratio.toFixed(2)} | its ${h.statements} statements | ≤ 2`,
  )
await session.close()
rmSync(folder, { recursive: true, force: true })
