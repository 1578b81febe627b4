import { execFileSync, spawn } from 'node:child_process'
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs'
import { processorOf } from './processor.mjs'

// Installs what is missing and runs every part of the tests, some side by side; ends with the ten slowest files, what each part
// took of the processor beside its budget, and `N passed, N failed`.
const RESULTS = '.test-results'
/** As many parts at once as keep two cores busy: servers, disks and browsers wait for one another much of the time. */
const AT_ONCE = 3

const vitest = (part, ...more) => [
  ...['npx', 'vitest', 'run', '--project', part, ...more],
  ...['--reporter=default', '--reporter=json', `--outputFile.json=${RESULTS}/${part}.json`],
]
/** In the order they start; `seconds` is the budget of the processor on the two cores this was measured on. */
const PARTS = [
  { name: 'build', of: 'static', run: ['npm', 'run', '-s', 'build'] },
  { name: 'lint', of: 'static', run: ['npm', 'run', '-s', 'lint'] },
  // Made once: two parts that make one at a time would take it from each other.
  { name: 'farms', of: 'static', run: ['node', 'scripts/farms.mjs'], needs: 'build' },
  {
    // One process, so that pages are read once: the longest of all, and the first to start.
    name: 'components',
    run: vitest('components', '--maxWorkers=1'),
    needs: 'farms',
    // Pages as they ship.
    env: { NODE_ENV: 'production' },
  },
  { name: 'types', of: 'static', run: ['npm', 'run', '-s', 'types'] },
  { name: 'unit', run: vitest('unit', '--maxWorkers=1') },
  { name: 'browser', run: vitest('browser', '--maxWorkers=2'), needs: 'farms' },
  { name: 'api', run: vitest('api', '--maxWorkers=2'), needs: 'farms' },
]
const BUDGETS = { static: 220, unit: 160, components: 240, api: 270, browser: 410 }

if (!existsSync('node_modules/vite'))
  execFileSync('npm', ['ci', '--no-audit', '--no-fund'], { stdio: 'inherit' })
const { ensureChromium } = await import('./browser.mjs')
try {
  console.log(`Browser: ${ensureChromium()}`)
} catch (error) {
  console.error(error.message)
  console.log('0 passed, 1 failed')
  process.exit(1)
}
rmSync(RESULTS, { recursive: true, force: true })
mkdirSync(RESULTS, { recursive: true })

/** Runs a part with its output held back, so that parts side by side do not talk over each other. */
function run({ name, run: [command, ...args], env }) {
  return new Promise((resolve) => {
    const began = performance.now()
    const child = spawn(command, args, {
      stdio: ['ignore', 'pipe', 'pipe'],
      env: { ...process.env, ...env },
    })
    const processor = processorOf(child.pid)
    let said = ''
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (chunk) => (said += chunk))
    child.on('exit', (code) => {
      const seconds = (performance.now() - began) / 1000
      console.log(`\n== ${name}: ${code === 0 ? 'passed' : 'failed'} in ${seconds.toFixed(0)} s`)
      if (code !== 0) console.log(said)
      resolve({ name, ok: code === 0, seconds, processor: processor() })
    })
  })
}

const done = new Map()
const waiting = [...PARTS]
const working = new Set()
while (waiting.length + working.size > 0) {
  const next = waiting.findIndex((p) => !p.needs || done.has(p.needs))
  if (next >= 0 && working.size < AT_ONCE) {
    const [part] = waiting.splice(next, 1)
    if (part.needs && !done.get(part.needs).ok) {
      console.log(`\n== ${part.name}: not run, ${part.needs} failed`)
      done.set(part.name, { name: part.name, ok: false, seconds: 0, processor: 0 })
      continue
    }
    const work = run(part).then((result) => {
      done.set(part.name, result)
      working.delete(work)
    })
    working.add(work)
  } else await Promise.race(working)
}

let passed = 0
let failed = 0
const files = []
for (const { name, ok } of done.values()) {
  const place = `${RESULTS}/${name}.json`
  if (!existsSync(place)) {
    if (ok) passed++
    else failed++
    continue
  }
  const report = JSON.parse(readFileSync(place, 'utf8'))
  passed += report.numPassedTests
  failed += report.numFailedTests
  if (!ok && report.numFailedTests === 0) failed++
  for (const f of report.testResults)
    files.push({ name: f.name.replace(`${process.cwd()}/`, ''), seconds: (f.endTime - f.startTime) / 1000 })
}
console.log('\n== the ten slowest files')
for (const f of files.toSorted((a, b) => b.seconds - a.seconds).slice(0, 10))
  console.log(`${f.seconds.toFixed(0).padStart(5)} s  ${f.name}`)

console.log('\n== processor seconds, beside the budget of each part')
let all = 0
for (const [part, budget] of Object.entries(BUDGETS)) {
  const own = PARTS.filter((p) => (p.of ?? p.name) === part).map((p) => done.get(p.name).processor)
  if (own.includes(null)) continue
  const took = own.reduce((a, b) => a + b, 0)
  all += took
  console.log(
    `${part.padEnd(12)}${took.toFixed(0).padStart(6)} of ${budget}${took > budget ? '  over its budget' : ''}`,
  )
}
const budget = Object.values(BUDGETS).reduce((a, b) => a + b, 0)
console.log(`${'in all'.padEnd(12)}${all.toFixed(0).padStart(6)} of ${budget}`)
console.log(`\n${passed} passed, ${failed} failed`)
process.exit(failed > 0 ? 1 : 0)
