import { cpSync, mkdirSync, readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { gunzipSync } from 'node:zlib'
import { PGlite } from '@electric-sql/pglite'
import { describe, expect, inject, it } from 'vitest'
import { readBundle } from './bundle/form.ts'
import { realDisk } from './database/disk.ts'
import { placesOf } from './database/places.ts'
import { digestOfTree } from './database/trees.ts'
import { migrate } from './store/migrate.ts'
import { NotOne, one } from './store/tx.ts'
import { openStore } from './store/store.ts'
import { lotBody, newFolder, NOBODY, openTestStore } from './testing.ts'

type Row = Record<string, unknown>
const specimen = (name: string) =>
  gunzipSync(readFileSync(new URL(`./specimens/${name}.json.gz`, import.meta.url))).toString('utf8')
const read = (name: string) => {
  const out = readBundle(specimen(name))
  if (!out.ok) throw new Error(JSON.stringify(out.issues))
  return out.value
}
/** As JSON would have it: brands and absent keys aside. */
const plain = (value: unknown) => JSON.parse(JSON.stringify(value)) as unknown

const SPECIMENS = [1, '2-first', 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12].map((n) => `bundle-${n}`)

/** The folder that each bundle was restored into. */
const restored = new Map<string, string>()

describe('bundles as they were once written (server/specimens)', () => {
  it.each(SPECIMENS)('%s comes up to today’s form, and written so it reads the same', (name) => {
    const bundle = read(name)
    const again = readBundle(JSON.stringify(bundle))
    expect(again.ok && plain(again.value)).toEqual(plain(bundle))
  })
  // The oldest, the newest and one between; all of them with EKKO_ALL (docs/tests.md).
  it.each(process.env.EKKO_ALL ? SPECIMENS : [SPECIMENS[0]!, 'bundle-3', SPECIMENS.at(-1)!])(
    '%s restores, and what is taken away again is the same farm',
    async (name) => {
      const bundle = read(name)
      const { store, folder } = await openTestStore()
      restored.set(name, folder)
      expect(await store.run('importBundle', bundle)).toEqual({ result: 'kept' })
      expect(await store.run('importBundle', bundle)).toEqual({ result: 'occupied' })
      const again = await store.run('exportBundle', undefined)
      expect(plain(again.content)).toEqual(plain(bundle.content))
      expect(again.digest).toBe(bundle.digest)
      await store.close()
    },
  )
  it('hold corrections, withdrawals and what was undone: the newest of each counts', () => {
    const { lots } = read('bundle-3').content
    const bramble = lots.find((l) => l.tag === 'Bramble')!
    const costs = bramble.facts.filter((f) => f.fact.kind === 'cost')
    expect(costs.at(-1)).toMatchObject({ fact: { label: 'Weaner, late bill' }, stands: true })
    expect(costs.filter((f) => !f.stands)).toHaveLength(1)
    const kill = lots.find((l) => l.tag === 'Clover')!.facts.filter(({ fact }) => fact.kind === 'fee')
    expect(kill.at(-1)).toMatchObject({ fact: { fee: 'kill', amount: 9900 }, corrects: kill.at(-2)!.id })
  })
})

let fourth: Promise<string> | null = null
/** An empty database of the fourth schema, made once: making one takes seconds. */
const fourthSchema = () =>
  (fourth ??= (async () => {
    const place = join(newFolder(), 'fourth')
    const db = await PGlite.create(place)
    await migrate(db, 4)
    await db.close()
    return place
  })())

/** Fills a database of the fourth schema with what a bundle of version 3 holds, row by row. */
async function asFourthSchema(place: string, content: Row): Promise<void> {
  mkdirSync(join(place, '..'), { recursive: true })
  cpSync(await fourthSchema(), place, { recursive: true })
  const db = await PGlite.create(place)
  const insert = (table: string, row: Row) => {
    const names = Object.keys(row)
    return db.query(
      `insert into ${table} (${names.join()}) overriding system value values (${names.map((_, i) => `$${i + 1}`).join()})`,
      Object.values(row),
    )
  }
  const rows = (value: unknown) => value as Row[]
  const f = content.farm as Row
  await insert('farm', {
    id: 1,
    name: f.name,
    currency: f.currency,
    mass_unit: f.massUnit,
    name_set: f.nameSet,
    zone: f.zone,
    mince_per_kg: f.mincePerKg,
    revision: f.revision,
  })
  for (const [hash, body] of Object.entries(content.anatomies as Record<string, Row>))
    await insert('anatomy', { hash, species: body.species, body: JSON.stringify(body) })
  for (const o of rows(content.own))
    await insert('own_addition', {
      species: (o.body as Row).species,
      version: o.version,
      body: JSON.stringify(o.body),
      at: o.at,
    })
  for (const p of rows(content.plans))
    await insert('cut_plan', {
      id: p.id,
      species: (p.body as Row).species,
      body: JSON.stringify(p.body),
      at: p.at,
      withdrawn: p.withdrawn,
      revision: p.revision,
    })
  for (const l of rows(content.lots)) {
    await insert('lot', {
      id: l.id,
      tag: l.tag,
      species: l.species,
      anatomy: l.anatomy,
      created_at: l.createdAt,
    })
    await insert('lot_group', { id: l.id, lot: l.id, animals: l.count })
    const kept = (r: Row) => ({
      id: r.id,
      lot_group: l.id,
      shown_value: (r.shown as Row).value,
      shown_unit: (r.shown as Row).unit,
      grams: r.grams,
      corrects: r.corrects,
      stands: r.stands,
      at: r.at,
    })
    for (const w of rows(l.weighings))
      await insert('weighing', { ...kept(w), stage: w.stage, basis: w.basis, source: w.source })
    for (const p of rows(l.packs)) await insert('pack', { ...kept(p), cut: p.cut, packs: p.packs })
    for (const c of rows(l.commands))
      await insert('command', {
        seq: c.seq,
        id: c.id,
        lot_group: l.id,
        batch: c.batch,
        undoes: c.undoes,
        redoes: c.redoes,
        decision: JSON.stringify(c.decision),
        at: c.at,
      })
  }
  for (const p of rows(content.papers))
    await insert('paper', {
      id: p.id,
      lot: p.lot,
      kind: p.kind,
      data: JSON.stringify(p.data),
      issued_at: p.issuedAt,
      share: p.share,
    })
  await db.close()
}

describe('a folder of an older Ekko', () => {
  it('is copied before its schema is changed, and holds afterwards what its bundle would have brought', async () => {
    const folder = newFolder()
    const { db, backups } = placesOf(folder)
    await asFourthSchema(db, (JSON.parse(specimen('bundle-3')) as { content: Row }).content)
    const store = await openStore(folder)
    const now = await store.run('exportBundle', undefined)
    expect(plain(now.content)).toEqual(plain(read('bundle-3').content))
    await store.close()
    const why = readdirSync(backups)
      .filter((n) => n.endsWith('.json'))
      .map((n) => (JSON.parse(readFileSync(join(backups, n), 'utf8')) as { why: string }).why)
    expect(why).toContain('schema')
  })
})

describe('the tables', () => {
  it('let nothing kept be changed, deleted or truncated', async () => {
    const db = await PGlite.create(placesOf(restored.get('bundle-3')!).db)
    for (const table of ['weighing', 'pack', 'command', 'fact', 'paper', 'anatomy', 'lot_group']) {
      await expect(db.exec(`truncate ${table} cascade`), table).rejects.toThrow(/never changed/)
      await expect(db.exec(`delete from ${table}`), table).rejects.toThrow(/never changed/)
    }
    await db.close()
  })
  it('two rows where one was asked for are an error, not the first of them', async () => {
    const tx = { query: async <R>() => ({ rows: [{ id: 1 }, { id: 2 }] as R[] }) }
    await expect(one(tx, 'select 1')).rejects.toThrow(NotOne)
    await expect(one({ query: async () => ({ rows: [] }) }, 'select 1')).resolves.toBeNull()
  })
})

describe('a first start', () => {
  it.each([
    ['of this schema', null],
    ['of an earlier one', 4],
  ])(
    'copies the empty database that lies beside the program, %s, and keeps what is written',
    async (_, to) => {
      const empty = to === null ? placesOf(inject('emptyFolder')).db : await fourthSchema()
      const before = digestOfTree(realDisk, empty)
      const folder = newFolder()
      const store = await openStore(folder, { empty })
      expect(await store.run('home', undefined)).toMatchObject({ farm: null, lots: [] })
      await store.run('hangLot', { lot: lotBody(), by: NOBODY, at: '2026-11-02T12:00:00.000Z' })
      await store.close()
      const again = await openStore(folder)
      expect((await again.run('home', undefined)).lots).toHaveLength(1)
      await again.close()
      expect(digestOfTree(realDisk, empty)).toBe(before)
    },
  )
})
