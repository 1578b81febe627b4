import { execFileSync, spawnSync } from 'node:child_process'
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs'

// Installs what is missing, lints, type-checks, builds, runs every test, and ends with `N passed, N failed`.
const REPORT = '.test-results/tests.json'
let passed = 0
let failed = 0
const step = (name, command, args) => {
  console.log(`\n== ${name}`)
  const ok = spawnSync(command, args, { stdio: 'inherit' }).status === 0
  if (ok) passed++
  else failed++
  return ok
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
step('lint', 'npm', ['run', '-s', 'lint'])
step('types', 'npm', ['run', '-s', 'types'])
if (step('build', 'npm', ['run', '-s', 'build'])) {
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
