import { spawnSync } from 'node:child_process'
import { existsSync, readFileSync, rmSync } from 'node:fs'

// Kills, failing disks, strangers and clocks: `npm run trials [-- part of a name]`, apart from the tests; one table at the end.
const TABLE = '.test-results/trials.jsonl'
rmSync(TABLE, { force: true })
const run = (command, args) => spawnSync(command, args, { stdio: 'inherit' }).status
const isBuilt =
  run('npm', ['run', '-s', 'build', '--', '--logLevel', 'error']) === 0 &&
  run('npx', ['vite', 'build', 'trials', '--logLevel', 'error']) === 0
if (!isBuilt) process.exit(1)
const status = run('npx', ['vitest', 'run', '--config', 'trials/vitest.config.ts', ...process.argv.slice(2)])
const rows = existsSync(TABLE)
  ? readFileSync(TABLE, 'utf8')
      .trim()
      .split('\n')
      .map((line) => JSON.parse(line))
  : []
console.log(
  `\n${'trial'.padEnd(52)}${'runs'.padStart(8)}${'acknowledged'.padStart(14)}${'wrong'.padStart(7)}  note`,
)
for (const { trial, runs, acknowledged, wrong, note = '' } of rows)
  console.log(
    `${trial.padEnd(52)}${String(runs).padStart(8)}${String(acknowledged).padStart(14)}${String(wrong.length).padStart(7)}  ${note}`,
  )
for (const { trial, wrong } of rows) for (const line of wrong.slice(0, 10)) console.log(`${trial}: ${line}`)
process.exit(status ?? 1)
