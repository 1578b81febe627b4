import { existsSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { setTimeout as wait } from 'node:timers/promises'
import { describe, it } from 'vitest'
import { SHORT_LIVED } from '../scripts/browser.mjs'
import { emptyFarm, hang, start, tagsOf } from './server.ts'
import { report } from './table.ts'

const BELOW = join(import.meta.dirname, 'faulty/below.mjs')
const FAULTS = ['EIO', 'ENOSPC', 'short'] as const
/** A database that fails is said to have failed within this, however slow the machine. */
const SAID_MS = 20_000
/** A stop makes a copy first: half of what a service manager waits for it (systemd: 90 s, from memory). */
const END_MS = 45_000

interface Fault {
  at: number
  fault: (typeof FAULTS)[number]
  always: boolean
}
interface Life {
  acknowledged: string[]
  found: string[]
  done: string[]
  wrong: string[]
}

/** A server of its own with one fault below its database: written to, stopped, and started again without the fault. */
async function lived(fault: Fault): Promise<Life> {
  const folder = await emptyFarm()
  const plan = join(dirname(folder), 'below.json')
  writeFileSync(plan, JSON.stringify(fault))
  const life: Life = { acknowledged: [], found: [], done: [], wrong: [] }
  const node = ['--import', BELOW, ...SHORT_LIVED]
  process.env.EKKO_BELOW = plan
  const first = start(folder, node)
  const ended = new Promise<number | null>((resolve) => first.child.on('exit', resolve))
  const url = await first.url.catch(() => null)
  if (url) {
    for (let n = 0; n < 6; n++) {
      const out = await Promise.race([hang(url, `${n}`), wait(SAID_MS).then(() => 'late' as const)])
      if (out === 'late') life.wrong.push('a write was neither kept nor refused')
      if (out === 201) life.acknowledged.push(`${n}`)
    }
    first.child.kill('SIGTERM')
  }
  const code = await Promise.race([ended, wait(END_MS).then(() => 'late' as const)])
  if (code === 'late') {
    life.wrong.push('it did not end when asked')
    first.child.kill('SIGKILL')
    await ended
  }
  if (code === 70 || code === 1) life.wrong.push(`it ended with ${code}: ${first.said.text.slice(-300)}`)
  if (existsSync(`${plan}.done`)) life.done = readFileSync(`${plan}.done`, 'utf8').trim().split('\n')
  const second = start(folder, SHORT_LIVED)
  const again = await second.url.catch((error: unknown) => {
    life.wrong.push(`it does not start again: ${String(error).slice(0, 400)}`)
    return null
  })
  if (again) {
    life.found = await tagsOf(again)
    const lost = life.acknowledged.filter((t) => !life.found.includes(t))
    if (lost.length > 0) life.wrong.push(`${lost.join()} lost of ${life.acknowledged.join()}`)
    if (new Set(life.found).size < life.found.length) life.wrong.push(`doubled: ${life.found.join()}`)
  }
  await second.stop()
  rmSync(dirname(folder), { recursive: true, force: true })
  return life
}

describe('faults below the database', () => {
  it('at calls spread over a whole life, each of three ways, once and from then on', async () => {
    const dry = await lived({ at: -1, fault: 'EIO', always: false })
    const runs = Number(process.env.EKKO_RUNS ?? 300)
    const wrong = dry.wrong.map((w) => `without a fault: ${w}`)
    let acknowledged = 0
    const jobs = Array.from({ length: runs }, (_, i): Fault => ({
      at: Math.floor((i * dry.done.length) / runs),
      fault: FAULTS[i % 3]!,
      always: i % 2 === 0,
    })).entries()
    await Promise.all(
      [1, 2].map(async () => {
        for (const [, job] of jobs) {
          const life = await lived(job)
          acknowledged += life.acknowledged.length
          wrong.push(
            ...life.wrong.map((w) => `${job.fault}${job.always ? ' for good' : ''} at ${life.done[0]}: ${w}`),
          )
        }
      }),
    )
    report({
      trial: 'writes of the database that fail, from below',
      runs,
      acknowledged,
      wrong,
      note: `spread over ${dry.done.length} calls`,
    })
  })
})
