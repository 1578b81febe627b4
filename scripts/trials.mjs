import { spawnSync } from 'node:child_process'
import { existsSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { cpus } from 'node:os'

// Kills, failing disks, strangers and clocks: `npm run trials [-- part of a name]`, apart from the tests. What they came to is
// written into docs/trials.md, each trial with the day it was last run.
const TABLE = '.test-results/trials.jsonl'
const DOC = 'docs/trials.md'
const HEAD = `# Trials: what they came to when they were last run

Written by \`npm run trials\` itself (\`npm run trials -- kill\` runs one). *Wrong*: rows lost, doubled or untrue, starts that go on
where they should not, answers that are a fault of ours. What each tries is in docs/records.md.

| trial | runs | acknowledged | wrong | note | last run |
|---|---:|---:|---:|---|---|
`
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
const day = new Date().toISOString().slice(0, 10)
const known = new Map(
  (existsSync(DOC) ? readFileSync(DOC, 'utf8') : '').split('\n').flatMap((line) => {
    const name = /^\| (?!trial )([^|]+) \|/.exec(line)?.[1].trim()
    return name ? [[name, line]] : []
  }),
)
for (const { trial, runs, acknowledged, wrong, note = '' } of rows)
  known.set(
    trial,
    `| ${trial} | ${runs.toLocaleString('en')} | ${acknowledged.toLocaleString('en')} | ${wrong.length} | ${note} | ${day}, ${cpus().length} cores |`,
  )
const table = [...known].sort(([a], [b]) => (a < b ? -1 : 1)).map(([, line]) => line)
writeFileSync(DOC, `${HEAD}${table.join('\n')}\n`)
console.log(`\n${table.join('\n')}`)
for (const { trial, wrong } of rows) for (const line of wrong.slice(0, 10)) console.log(`${trial}: ${line}`)
process.exit(status ?? 1)
