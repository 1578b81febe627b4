import { execFileSync, spawn, spawnSync } from 'node:child_process'
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs'

// Installs what is missing, lints, type-checks and builds side by side, runs every test, and ends with `N passed, N failed`.
const REPORT = '.test-results/tests.json'
let passed = 0
let failed = 0

/** Runs a step with its output held back, so that steps side by side do not talk over each other. */
function step(name, script) {
  return new Promise((resolve) => {
    const child = spawn('npm', ['run', '-s', script], { stdio: ['ignore', 'pipe', 'pipe'] })
    let said = ''
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (chunk) => (said += chunk))
    child.on('exit', (code) => {
      console.log(`\n== ${name}: ${code === 0 ? 'passed' : 'failed'}`)
      if (code !== 0) console.log(said)
      if (code === 0) passed++
      else failed++
      resolve(code === 0)
    })
  })
}

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
const [built] = await Promise.all([step('build', 'build'), step('lint', 'lint'), step('types', 'types')])
if (built) {
  rmSync(REPORT, { force: true })
  mkdirSync('.test-results', { recursive: true })
  console.log('\n== unit, API and browser tests')
  const { status } = spawnSync(
    'npx',
    ['vitest', 'run', '--reporter=default', '--reporter=json', `--outputFile.json=${REPORT}`],
    { stdio: 'inherit' },
  )
  if (existsSync(REPORT)) {
    const report = JSON.parse(readFileSync(REPORT, 'utf8'))
    passed += report.numPassedTests
    failed += report.numFailedTests
    if (status !== 0 && report.numFailedTests === 0) failed++
  } else failed++
}
console.log(`\n${passed} passed, ${failed} failed`)
process.exit(failed > 0 ? 1 : 0)
