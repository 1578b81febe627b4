import { spawnSync } from 'node:child_process'
import { readdirSync, readFileSync, renameSync, rmSync, statSync, truncateSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { describe, it } from 'vitest'
import { copiesIn } from '../server/database/copies.ts'
import { realDisk } from '../server/database/disk.ts'
import { placesOf } from '../server/database/places.ts'
import { seeded } from '../server/database/standin/random.ts'
import { keeperOf } from '../server/keeping/keeper.ts'
import { openStore } from '../server/store/store.ts'
import { copyOf, farmOfThree, newFolder, THREE } from '../server/testing.ts'
import { AT } from './faulty/life.ts'
import { report } from './table.ts'

/** What happens to a folder, by a number that picks the file and the byte. */
const DAMAGES: Record<string, (folder: string, pick: (n: number) => number) => void> = {
  'a mark gone': (folder, pick) => {
    const marks = ['PG_VERSION', 'global/pg_control', 'global', 'base', 'pg_xact', 'pg_wal']
    rmSync(join(placesOf(folder).db, marks[pick(marks.length)]!), { recursive: true })
  },
  'a byte of a file changed': (folder, pick) => {
    const file = anyFile(folder, pick)
    const bytes = readFileSync(file)
    if (bytes.length > 0) bytes[pick(bytes.length)]! ^= 1 << pick(8)
    writeFileSync(file, bytes)
  },
  'a file gone': (folder, pick) => rmSync(anyFile(folder, pick)),
  'a file cut off': (folder, pick) => {
    const file = anyFile(folder, pick)
    truncateSync(file, pick(statSync(file).size + 1))
  },
  'the note torn': (folder) => writeFileSync(placesOf(folder).marker, '{"step":"che'),
  'the database gone': (folder) => renameSync(placesOf(folder).db, join(folder, 'elsewhere')),
  'the newest copy damaged, and a mark gone': (folder) => {
    const name = copiesIn(realDisk, folder).at(-1)!.name
    writeFileSync(join(placesOf(folder).backups, name, 'PG_VERSION'), 'x')
    rmSync(join(placesOf(folder).db, 'PG_VERSION'))
  },
}
function anyFile(folder: string, pick: (n: number) => number): string {
  const all = readdirSync(placesOf(folder).db, { recursive: true, withFileTypes: true })
    .flatMap((e) => (e.isFile() ? [join(e.parentPath, e.name)] : []))
    .sort()
  return all[pick(all.length)]!
}
async function tagsIn(folder: string, recover = false): Promise<string[] | string> {
  try {
    const store = await openStore(folder, { recover })
    const { lots } = await store.run('home', undefined)
    await store.close()
    return lots.map((l) => l.tag).sort()
  } catch (error) {
    return error instanceof Error ? error.message : String(error)
  }
}
const isWhole = (tags: string[] | string) => Array.isArray(tags) && tags.join() === THREE.join()

/** What came of a damaged folder: whole at once, by the line it names, or by a bundle or copy in a new folder; or what is wrong. */
async function cameOf(folder: string): Promise<'whole' | 'recovered' | 'restored' | { wrong: string }> {
  const first = await tagsIn(folder)
  if (isWhole(first)) return 'whole'
  if (Array.isArray(first)) return { wrong: `it opened with ${first.join()}` }
  if (first.includes('--recover')) {
    const again = await tagsIn(folder, true)
    if (isWhole(again)) return 'recovered'
    if (Array.isArray(again)) return { wrong: `--recover brought back ${again.join()}` }
  }
  const [, from] = /npm run restore -- (\S+) NEW-FOLDER/.exec(first) ?? []
  if (!from) return { wrong: `no way out: ${first.slice(0, 200)}` }
  const to = join(newFolder(), 'restored')
  const out = spawnSync('node', ['dist/server/restore.js', from, to], { encoding: 'utf8' })
  const tags = out.status === 0 ? await tagsIn(to) : out.stderr
  return Array.isArray(tags) && tags.includes('Bracken') ? 'restored' : { wrong: `restore: ${String(tags)}` }
}

describe('damaged folders', () => {
  it('each is whole, or refused with a way out that works when it is typed', async () => {
    const { stopped, killed } = await farmOfThree(async (store, folder) =>
      keeperOf(folder).keep(await store.run('exportBundle', undefined), '2026-11-01', AT, false),
    )
    const runs = Number(process.env.EKKO_RUNS ?? 40)
    const wrong: string[] = []
    const came = { whole: 0, recovered: 0, restored: 0 }
    for (let i = 0; i < runs; i++) {
      const random = seeded(i + 1)
      const pick = (n: number) => Math.floor(random() * n)
      const names = Object.keys(DAMAGES)
      const name = names[i % names.length]!
      const damaged = copyOf(i % 2 === 0 ? stopped : killed)
      DAMAGES[name]!(damaged, pick)
      const out = await cameOf(damaged)
      if (typeof out === 'string') came[out]++
      else wrong.push(`${i}, ${name}: ${out.wrong}`)
      rmSync(damaged, { recursive: true, force: true })
    }
    report({
      trial: 'damaged folders',
      runs,
      acknowledged: runs * THREE.length,
      wrong,
      note: `${came.whole} whole, ${came.recovered} by --recover, ${came.restored} restored elsewhere`,
    })
  })
})
