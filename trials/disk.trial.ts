import { execFile, spawnSync } from 'node:child_process'
import { cpSync, rmSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { promisify } from 'node:util'
import { describe, it } from 'vitest'
import { copyPrepared, scratchFolder } from '../scripts/prepared.mjs'
import type { Outcome } from './faulty/main.ts'
import { report } from './table.ts'

const kindOf = (path: string): string =>
  path.includes('pg_wal')
    ? 'log'
    : /pg_control/.test(path)
      ? 'control'
      : path.startsWith('backups')
        ? /\.json/.test(path)
          ? 'manifest'
          : 'copy'
        : path.startsWith('db/')
          ? 'pages'
          : path.startsWith('in-progress')
            ? 'marker'
            : 'folder'

/** One fault in a process of its own: a database that was cut off cannot be closed, and keeps its memory. */
async function outcomeOf(origin: string, at: number, fault: string, seed: number): Promise<Outcome> {
  const scratch = scratchFolder('ekko-fault-')
  const folder = join(scratch, 'farm')
  cpSync(origin, folder, { recursive: true })
  try {
    const args = ['dist/trials/main.js', folder, String(at), fault, String(seed)]
    const { stdout } = await promisify(execFile)('node', args, {
      env: { ...process.env, EKKO_SCRATCH: scratch },
      maxBuffer: 1e9,
    })
    return JSON.parse(stdout) as Outcome
  } finally {
    rmSync(scratch, { recursive: true, force: true })
  }
}

/** A folder as a killed process leaves it, with one lot, so that the first open has something to repair. */
async function killedFolder(): Promise<string> {
  const folder = join(scratchFolder('ekko-killed-'), 'farm')
  await copyPrepared('empty', folder)
  spawnSync('node', ['dist/trials/killed.js', folder])
  return folder
}

describe('PGlite on a disk that fails', () => {
  it('first and last call of each kind, on each kind of file, in each step of the protocol', async () => {
    const origin = await killedFolder()
    const dry = await outcomeOf(origin, -1, 'none', 1)
    const stepAt = (n: number) => dry.steps.filter((s) => s.from <= n).at(-1)!.step
    const classes = new Map<string, number[]>()
    dry.calls.forEach(({ call, path }, n) => {
      const name = `${stepAt(n)}: ${call} of ${kindOf(path)}`
      classes.set(name, [...(classes.get(name) ?? []), n])
    })
    const runs = [...classes].flatMap(([name, at]) =>
      [...new Set([at[0]!, at.at(-1)!])].flatMap((n) => ['EIO', 'cut'].map((fault) => ({ name, n, fault }))),
    )
    const wrong: string[] = dry.found.join() === '0,a,b,c' ? [] : [`without a fault: ${dry.found.join()}`]
    let acknowledged = 0
    const left = runs.entries()
    await Promise.all(
      [1, 2].map(async () => {
        for (const [i, { name, n, fault }] of left) {
          const out = await outcomeOf(origin, n, fault, i + 1)
          acknowledged += out.acknowledged.length
          if (out.odd) wrong.push(`${fault} at call ${n}, ${name}: ended in ${out.odd}`)
          const missing = ['0', ...out.acknowledged].filter((t) => !out.found.includes(t))
          if (missing.length > 0)
            wrong.push(
              `${fault} at call ${n}, ${name}: ${missing.join()} missing of ${out.found.join().slice(0, 200)}`,
            )
        }
      }),
    )
    rmSync(dirname(origin), { recursive: true, force: true })
    report({
      trial: 'PGlite, one fault per class of call',
      runs: runs.length,
      acknowledged,
      wrong,
      note: `${classes.size} classes of ${dry.calls.length} calls`,
    })
  })

  it('the stand-in, every call, six cuts after each', () => {
    const out = spawnSync('npx', ['vitest', 'run', '--project', 'api', 'server/database/standin'], {
      env: { ...process.env, EKKO_SEEDS: '6' },
      encoding: 'utf8',
    })
    const passed = /Tests\s.*?(\d+) passed/.exec(
      out.stdout.replaceAll(new RegExp(String.fromCodePoint(27) + '\\[[0-9;]*m', 'g'), ''),
    )
    report({
      trial: 'stand-in, every call × four faults, six cuts each',
      runs: 4,
      acknowledged: 0,
      wrong: out.status === 0 ? [] : ['see npx vitest run --project api server/database/standin'],
      note: `${passed?.[1] ?? 0} tests passed`,
    })
  })
})
