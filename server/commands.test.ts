import { spawnSync } from 'node:child_process'
import { existsSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { gunzipSync } from 'node:zlib'
import { describe, expect, it } from 'vitest'
import { SHORT_LIVED, startServer } from '../scripts/browser.mjs'
import type { Bundle, Home, Problem } from '#contracts'
import { readBundle } from './bundle/form.ts'
import { copyPrepared } from '../scripts/prepared.mjs'
import { lotBody, newFolder } from './testing.ts'

/** What is done from a shell, by the program as it was built. */
const restore = (file: string, folder: string) =>
  spawnSync('node', [...SHORT_LIVED, 'dist/server/restore.js', file, folder], { encoding: 'utf8' })
const forOthers = (folder: string) =>
  readdirSync(folder, { recursive: true, encoding: 'utf8' }).filter(
    (path) => (statSync(join(folder, path)).mode & 0o077) !== 0,
  )
const bundleOf = async (url: string) => (await fetch(`${url}/api/bundle`)).text()

describe('by command', () => {
  it('a bundle restores the whole farm into an empty folder; a damaged one changes nothing; a second process is refused', async () => {
    const folder = newFolder()
    const bundle = gunzipSync(
      readFileSync(new URL('./specimens/bundle-12.json.gz', import.meta.url)),
    ).toString('utf8')
    const file = join(folder, 'farm.json')
    writeFileSync(file, bundle)
    const restored = join(folder, 'restored')
    expect(restore(file, restored).status).toBe(0)
    const first = startServer(['--data', restored], SHORT_LIVED)
    const read = readBundle(bundle)
    if (!read.ok) throw new Error(JSON.stringify(read.issues))
    expect((JSON.parse(await bundleOf(await first.url)) as Bundle).digest).toBe(read.value.digest)
    const second = startServer(['--data', restored], SHORT_LIVED)
    const ended = new Promise((resolve) => second.child.on('exit', resolve))
    await expect(second.url).rejects.toThrow(/Another Ekko has the folder/)
    expect(await ended).toBe(3)
    // Nobody else of this machine reads or writes any of it: database, lock, copies, bundles, devices.
    expect(forOthers(restored)).toEqual([])
    await first.stop()
    expect(forOthers(restored)).toEqual([])

    const bad = join(folder, 'bad.json')
    writeFileSync(bad, readFileSync(file, 'utf8').replace('Fallowmere', 'Fallowmare'))
    const out = restore(bad, join(folder, 'other'))
    expect(out.status).not.toBe(0)
    expect(out.stderr).toContain('This bundle is damaged')
    expect(existsSync(join(folder, 'other'))).toBe(false)
    expect(restore(file, restored).stderr).toContain('is not empty')
  })

  it('a write of the log that fails below the database is said within seconds; it ends when asked, and a new start has every row', async () => {
    const folder = newFolder()
    const plan = join(folder, 'below.json')
    writeFileSync(plan, JSON.stringify({ at: 2, fault: 'EIO', always: false, of: 'pg_wal' }))
    const farm = join(folder, 'farm')
    await copyPrepared('empty', farm)
    process.env.EKKO_BELOW = plan
    const below = join(import.meta.dirname, '../trials/faulty/below.mjs')
    const server = startServer(['--data', farm], ['--import', below, ...SHORT_LIVED])
    const ended = new Promise((resolve) => server.child.on('exit', resolve))
    const url = await server.url
    const hang = async (tag: string) => {
      const body = JSON.stringify(lotBody({ tag }))
      const headers = { 'content-type': 'application/json' }
      const res = await fetch(`${url}/api/lots`, { method: 'POST', headers, body })
      return [res.status, ((await res.json()) as Problem).type]
    }
    const kept: string[] = []
    for (const tag of ['a', 'b', 'c', 'd']) {
      const [status, type] = await hang(tag)
      if (status === 201) kept.push(tag)
      else expect([status, type]).toEqual([503, '/problems/stopped'])
    }
    expect(kept.length === 1 || kept.length === 2).toBe(true)
    expect(server.said.text).toContain('A write of the database failed (EIO)')
    server.child.kill('SIGTERM')
    expect(await ended).toBe(9)
    const again = startServer(['--data', farm], SHORT_LIVED)
    const { lots } = (await (await fetch(`${await again.url}/api/home`)).json()) as Home
    expect(lots.map((l) => l.tag)).toEqual(expect.arrayContaining(kept))
    await again.stop()
  })
})
