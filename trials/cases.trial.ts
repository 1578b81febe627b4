import { spawnSync } from 'node:child_process'
import { readdirSync, readFileSync } from 'node:fs'
import { it } from 'vitest'
import { report } from './table.ts'

const RUNS = 12

/** `npm test` draws the same random cases every time; here every property of the core meets new ones. */
it('properties hold for cases nobody has drawn before', () => {
  const files = ['core', 'web']
    .flatMap((dir) => readdirSync(dir, { recursive: true, encoding: 'utf8' }).map((f) => `${dir}/${f}`))
    .filter((file) => file.endsWith('.test.ts') && readFileSync(file, 'utf8').includes('fc.assert'))
  const wrong: string[] = []
  for (let i = 0; i < RUNS; i++) {
    const seed = String(Math.floor(Math.random() * 2 ** 31))
    const ran = spawnSync('npx', ['vitest', 'run', '--project', 'unit', '--reporter=dot', ...files], {
      env: { ...process.env, SEED: seed },
      encoding: 'utf8',
    })
    if (ran.status !== 0) wrong.push(`SEED=${seed}: ${ran.stdout.match(/FAIL .*/g)?.join(', ')}`)
  }
  report({ trial: 'new random cases', runs: RUNS * files.length, acknowledged: 0, wrong })
})
