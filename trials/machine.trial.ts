import { execFileSync, spawnSync } from 'node:child_process'
import { mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { setTimeout as wait } from 'node:timers/promises'
import { describe, it } from 'vitest'
import { copyPrepared, scratchFolder } from '../scripts/prepared.mjs'
import { startServer } from '../scripts/browser.mjs'
import type { Bundle } from '#contracts'
import { lotBody } from '../server/testing.ts'
import { client, emptyFarm, ended, faultsAgainst, post, putFarm, start, told } from './server.ts'
import { report } from './table.ts'

describe('the machine around it', () => {
  it('a small disk that fills', async () => {
    const mount = scratchFolder('ekko-small-')
    const mounted = spawnSync('mount', ['-t', 'tmpfs', '-o', 'size=130m', 'tmpfs', mount])
    const trial = 'a disk of 130 MB that fills'
    if (mounted.status !== 0) {
      return report({
        trial,
        runs: 0,
        acknowledged: 0,
        wrong: [],
        note: `not run: ${String(mounted.stderr).trim()}`,
      })
    }
    const wrong: string[] = []
    const heard = told()
    try {
      const folder = join(mount, 'farm')
      await copyPrepared('empty', folder)
      const filler = join(mount, 'filler')
      const server = start(folder)
      const url = await server.url
      await client(url, 'before', heard, () => heard.lots.size >= 5)
      spawnSync('dd', ['if=/dev/zero', `of=${filler}`, 'bs=64k'])
      const answers = new Set<number>()
      for (let i = 0; i < 1500 && ![507, 503].some((s) => answers.has(s)); i++) {
        const lot = lotBody({ tag: `full ${i}` })
        const out = await post(url, '/lots', lot)
        answers.add(out?.status ?? 0)
        if (out?.status === 201) heard.lots.add(lot.id)
        else if (out && out.status !== 507 && out.status !== 503) wrong.push(`answered ${out.status}`)
      }
      if (![507, 503].some((s) => answers.has(s))) wrong.push('was never said to be full')
      server.child.kill('SIGTERM')
      const code = await ended(server)
      if (/\n\s+at /.test(server.said.text))
        wrong.push(`ended in a stack trace: ${server.said.text.slice(-600)}`)
      const refused = start(folder)
      await refused.url
        .then(() => undefined)
        .catch((error: Error) => {
          if (!/no room left|Free some/.test(error.message)) wrong.push(`start when full: ${error.message}`)
        })
      refused.child.kill('SIGKILL')
      await ended(refused)
      rmSync(filler)
      const again = start(folder)
      wrong.push(...(await faultsAgainst(await again.url, heard)))
      await again.stop()
      report({
        trial,
        runs: 1,
        acknowledged: heard.lots.size + heard.weighings.size,
        wrong,
        note: `stop ended with ${code}`,
      })
    } finally {
      spawnSync('umount', ['-l', mount])
    }
  })

  it('a folder that takes no writing', async () => {
    const mount = scratchFolder('ekko-readonly-')
    const trial = 'a read-only folder, read-only backups'
    if (spawnSync('mount', ['-t', 'tmpfs', '-o', 'size=400m', 'tmpfs', mount]).status !== 0)
      return report({
        trial,
        runs: 0,
        acknowledged: 0,
        wrong: [],
        note: 'not run: mount is not allowed here',
      })
    const wrong: string[] = []
    try {
      const folder = join(mount, 'farm')
      await copyPrepared('empty', folder)
      spawnSync('mount', ['-o', 'remount,ro', mount])
      const server = start(folder)
      const said = await server.url.then(
        () => 'opened',
        (error: Error) => error.message,
      )
      if (!/ended with 5: .*cannot write/s.test(said)) wrong.push(`read-only folder: ${said}`)
      spawnSync('mount', ['-o', 'remount,rw', mount])
      // Backups on a medium of their own that takes no writing: at a stop no copy can be made, and nothing is lost.
      mkdirSync(join(folder, 'backups'), { recursive: true })
      const heard = told()
      const open = start(folder)
      const url = await open.url
      spawnSync('mount', ['-t', 'tmpfs', '-o', 'size=1m,ro', 'tmpfs', join(folder, 'backups')])
      await client(url, 'kept', heard, () => heard.lots.size >= 3)
      open.child.kill('SIGTERM')
      const code = await ended(open)
      if (code !== 0) wrong.push(`read-only backups at a stop: ended with ${code}: ${open.said.text}`)
      spawnSync('umount', [join(folder, 'backups')])
      const again = start(folder)
      wrong.push(...(await faultsAgainst(await again.url, heard)))
      await again.stop()
      report({ trial, runs: 2, acknowledged: heard.lots.size + heard.weighings.size, wrong })
    } finally {
      spawnSync('umount', ['-l', mount])
    }
  })

  it('two processes on one folder', async () => {
    const wrong: string[] = []
    const folder = await emptyFarm()
    const first = start(folder)
    const url = await first.url
    const refused = async (what: string) => {
      const second = start(folder)
      const said = await second.url.then(
        () => 'opened',
        (error: Error) => error.message,
      )
      if (!/ended with 3: Another Ekko/.test(said)) wrong.push(`${what}: ${said}`)
      second.child.kill('SIGKILL')
    }
    await refused('beside a live one')
    first.child.kill('SIGSTOP')
    await refused('beside a sleeping one')
    first.child.kill('SIGCONT')
    if ((await post(url, '/lots', lotBody()))?.status !== 201) wrong.push('the one that slept does not go on')
    // Another machine took the folder over while this one slept: the lock has another token.
    const lock = join(folder, 'ekko.lock')
    writeFileSync(lock, readFileSync(lock, 'utf8').replace(/"token":"[^"]+"/, '"token":"of another machine"'))
    const after = await post(url, '/lots', lotBody({ tag: 'Not kept' }))
    if (after?.status !== 503) wrong.push(`acknowledged ${after?.status} without the lock`)
    const code = await ended(first)
    if (code !== 10) wrong.push(`ended with ${code} after losing the lock`)
    if (/\n\s+at /.test(first.said.text)) wrong.push('ended in a stack trace')
    report({ trial: 'two processes, one asleep, a lock taken over', runs: 3, acknowledged: 1, wrong })
  })

  it('a clock set back', async () => {
    const wrong: string[] = []
    const folder = await emptyFarm()
    const heard = told()
    const shifted = (days: number) => {
      const file = join(scratchFolder('ekko-clock-'), 'clock.mjs')
      writeFileSync(
        file,
        `const Real = Date
        const by = ${days} * 86_400_000
        globalThis.Date = class extends Real {
          constructor(...given) {
            super(...(given.length ? given : [Real.now() + by]))
          }
          static now() {
            return Real.now() + by
          }
        }`,
      )
      return ['--import', file]
    }
    for (const days of [400, 0, -400, 0]) {
      const server = start(folder, shifted(days))
      const url = await server.url.catch((error: Error) => void wrong.push(`${days} days: ${error.message}`))
      if (!url) break
      await client(url, `at ${days}`, heard, () => heard.lots.size % 5 === 4)
      await client(url, `at ${days}`, heard, () => heard.lots.size % 5 === 0)
      wrong.push(...(await faultsAgainst(url, heard)))
      // Killed, so that its lock stays, dated whenever; the next one starts at once all the same.
      server.child.kill('SIGKILL')
      await ended(server)
    }
    const last = start(folder)
    const { content } = (await (await fetch(`${await last.url}/api/bundle`)).json()) as Bundle
    const { lots } = content
    if (lots.map((l) => l.id).join() !== [...heard.lots].join()) wrong.push('the order follows the clock')
    await last.stop()
    report({
      trial: 'a clock set forward and back by 400 days',
      runs: 5,
      acknowledged: heard.lots.size + heard.weighings.size,
      wrong,
    })
  })

  it('a port that is taken, a folder that is a file, words instead of traces', async () => {
    const wrong: string[] = []
    const open = start(await emptyFarm())
    const port = new URL(await open.url).port
    const run = (...args: string[]) =>
      spawnSync('node', ['dist/server/main.js', ...args], { encoding: 'utf8', timeout: 60_000 })
    const file = join(scratchFolder('ekko-file-'), 'file')
    writeFileSync(file, '')
    const tries: [string[], number, RegExp][] = [
      [['--data', await emptyFarm(), '--port', port], 4, /Port \d+ is taken/],
      [['--data', join(file, 'farm'), '--port', '0'], 5, /cannot write in/],
      [['--data', 'x', '--port', 'yes'], 2, /is no port/],
      [['--date', 'x'], 2, /Unknown option/],
    ]
    for (const [args, code, words] of tries) {
      const out = run(...args)
      if (out.status !== code || !words.test(out.stderr) || /\n\s+at /.test(out.stderr))
        wrong.push(`${args.join(' ')}: ${out.status} ${out.stderr}`)
    }
    await open.stop()
    report({ trial: 'starts that cannot be', runs: tries.length, acknowledged: 0, wrong })
  })

  it('a demo load that is cut off leaves no half farm', async () => {
    const wrong: string[] = []
    for (const seconds of [4, 7, 9]) {
      const folder = join(scratchFolder('ekko-half-'), 'demo')
      const first = startServer(['--data', folder, '--demo'])
      first.url.catch(() => undefined)
      await wait(seconds * 1000)
      first.child.kill('SIGKILL')
      await ended(first)
      const again = startServer(['--data', folder, '--demo'])
      const { lots } = (await (await fetch(`${await again.url}/api/home`)).json()) as { lots: unknown[] }
      if (lots.length !== 8) wrong.push(`cut off after ${seconds} s: ${lots.length} lots`)
      await again.stop()
    }
    report({ trial: 'a demo load cut off', runs: 3, acknowledged: 0, wrong })
  })

  it('a bundle through the command, byte for byte', async () => {
    const folder = join(scratchFolder('ekko-round-'), 'demo')
    await copyPrepared('demo', folder)
    const first = start(folder)
    const url = await first.url
    const text = await (await fetch(`${url}/api/bundle`)).text()
    await putFarm(url)
    await first.stop()
    const file = `${folder}.json`
    writeFileSync(file, text)
    execFileSync('npm', ['run', '-s', 'restore', '--', file, `${folder}-2`])
    const second = start(`${folder}-2`)
    const back = await (await fetch(`${await second.url}/api/bundle`)).text()
    await second.stop()
    await wait(0)
    report({
      trial: 'the demo farm through a bundle',
      runs: 1,
      acknowledged: 0,
      wrong: back === text ? [] : ['not the same bytes'],
    })
  })
})
