import { execFileSync, spawnSync } from 'node:child_process'
import { readFileSync, writeFileSync } from 'node:fs'

// Changes the program a little at a time and looks which tests notice (docs/mutation.md). Run by hand, from the project's root:
//   npm i --no-save @stryker-mutator/core@9.6.1 @stryker-mutator/vitest-runner@9.6.1
//   node trials/mutation/run.mjs SEED SHARE [WORLD or ROOM …]      e.g. 8 0.02 new, 8 0.1 core/hand, 8 0.05 server
const [seed = '8', share = '0.12', ...asked] = process.argv.slice(2)
/** Rooms by the tests that know them: of the core and what crosses the wire by themselves, of the server through its API, of the pages as pages. */
const WORLDS = {
  core: ['ledger', 'plan', 'reading', 'carcass', 'measure', 'records', 'rules', 'anatomy'].map(core),
  new: [
    ...['hand', 'clock', 'line', 'batch', 'practice', 'papers', 'exchange', 'instruments'].map(core),
    'contracts',
  ],
  server: ['server/packs', 'server/store'],
  pages: ['web/state', 'web/stations', 'web/places', 'web/frame', 'web/pieces'],
}
function core(room) {
  return `core/${room}`
}
const rooms = (asked.length > 0 ? asked : ['core', 'new']).flatMap((a) => WORLDS[a] ?? [a])
const tests = rooms.some((r) => r.startsWith('web'))
  ? 'pages'
  : rooms.some((r) => r.startsWith('server'))
    ? 'api'
    : 'core'

/** mulberry32: the same lines for the same seed. */
function generator(start) {
  let state = start >>> 0
  return () => {
    state = (state + 0x6d2b79f5) | 0
    let t = Math.imul(state ^ (state >>> 15), 1 | state)
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t
    return ((t ^ (t >>> 14)) >>> 0) / 2 ** 32
  }
}
const files = execFileSync('git', ['ls-files', ...rooms.map((r) => `${r}/*.ts`)], { encoding: 'utf8' })
  .trim()
  .split('\n')
  .filter(
    (f) => !/\.test\.ts$|testing\.ts$|index\.ts$|house\.ts$|\.worker\.ts$|migrate\.ts$|\/data\//.test(f),
  )
const next = generator(Number(seed))
const mutate = files.flatMap((file) =>
  readFileSync(file, 'utf8')
    .split('\n')
    .flatMap((_, i) => (next() < Number(share) ? [`${file}:${i + 1}-${i + 1}`] : [])),
)
writeFileSync(
  'stryker.config.json',
  JSON.stringify({
    testRunner: 'vitest',
    plugins: ['@stryker-mutator/vitest-runner'],
    vitest: { configFile: 'trials/mutation/vitest.config.ts', related: false },
    coverageAnalysis: 'perTest',
    concurrency: 2,
    dryRunTimeoutMinutes: 30,
    // What runs as a file is read (words, tables) is asked of every test at once: hours, and mostly words.
    ignoreStatic: true,
    reporters: ['json', 'progress-append-only'],
    jsonReporter: { fileName: '.test-results/mutation.json' },
    mutate,
    disableTypeChecks: '{core,contracts,server,web}/**/*.ts',
    ignorePatterns: ['/data', '/docs'],
    tempDirName: '.test-results/stryker',
  }),
)
const { status } = spawnSync('npx', ['stryker', 'run'], {
  stdio: 'inherit',
  env: { ...process.env, EKKO_MUTATED: tests, EKKO_ROOMS: rooms.join() },
})
if (status !== 0) process.exit(status ?? 1)

const { files: found } = JSON.parse(readFileSync('.test-results/mutation.json', 'utf8'))
const mutants = Object.entries(found).flatMap(([file, { mutants: all }]) => all.map((m) => ({ file, ...m })))
const counted = mutants.filter((m) => ['Killed', 'Timeout', 'Survived', 'NoCoverage'].includes(m.status))
const living = counted.filter((m) => m.status === 'Survived' || m.status === 'NoCoverage')
const [n, killed] = [counted.length, counted.length - living.length]
/** Wilson score interval for a proportion, z = 1.96. */
const [p, z] = [killed / n, 1.96]
const middle = (p + z ** 2 / (2 * n)) / (1 + z ** 2 / n)
const half = (z / (1 + z ** 2 / n)) * Math.sqrt((p * (1 - p)) / n + z ** 2 / (4 * n ** 2))
console.log(
  `${rooms.join(' ')}, seed ${seed}, share ${share}: ${mutate.length} lines, ${n} mutants, ${killed} killed = ${(100 * p).toFixed(1)} %`,
)
console.log(
  `95 % interval (Wilson): ${(100 * (middle - half)).toFixed(1)}–${(100 * (middle + half)).toFixed(1)} %`,
)
for (const m of living)
  console.log(
    `| ${m.file}:${m.location.start.line} | ${m.mutatorName} | \`${m.replacement.replaceAll(/\s+/g, ' ').slice(0, 70)}\` | ${m.status} |`,
  )
