import { execFileSync, spawnSync } from 'node:child_process'
import { existsSync } from 'node:fs'
import { join } from 'node:path'

// What a change touches: unit and API tests that read a changed file, page tests of the rooms touched, and the browser tests of
// those rooms. What was changed since the last commit; after a commit, or with a name (`npm run near -- main`), since that one.
const git = (...args) => execFileSync('git', args, { encoding: 'utf8' }).split('\n').filter(Boolean)
const since = process.argv[2]
const now = [...git('diff', '--name-only', since ?? 'HEAD'), ...git('ls-files', '-o', '--exclude-standard')]
const changed = (now.length > 0 ? now : git('diff', '--name-only', 'HEAD~1')).filter((f) => existsSync(f))
const isCode = (f) => /\.(?:ts|vue|sql|json)$/.test(f)
const touched = changed.filter(isCode)
const within = (...places) => touched.some((f) => places.some((p) => f.startsWith(p)))

/** Where a browser test stands or falls. */
const BROWSER = {
  'e2e/copies.test.ts': ['server/keeping', 'server/database', 'web/places/farm', 'paper', 'core/papers'],
  'e2e/devices.test.ts': ['server/devices', 'server/events', 'web/frame', 'web/state'],
  'e2e/drag.test.ts': ['web/stations/block', 'web/stations/price'],
  'e2e/first-hog.test.ts': ['web/places', 'web/stations/hang', 'web/stations/price'],
  'e2e/floor.test.ts': [
    'web/stations/pack',
    'web/stations/birds',
    'web/stations/block',
    'server/instruments',
  ],
  'e2e/wire.test.ts': ['web/state', 'web/frame', 'server/lots', 'server/packs', 'contracts'],
  'e2e/looks.test.ts': ['web/theme', 'web/pieces'],
}
/** The room of a page: its station or place. What all pages stand on touches them all. */
const roomOf = (file) => /^web\/(?:stations|places)\/[^/]+\//.exec(file)?.[0] ?? 'web'

let failed = 0
function run(name, command, args, env = {}) {
  console.log(`\n== ${name}`)
  const { status } = spawnSync(command, args, { stdio: 'inherit', env: { ...process.env, ...env } })
  if (status !== 0) failed++
}
if (touched.length === 0) {
  console.log('Nothing was changed that a test reads.')
  process.exit(0)
}
console.log(touched.join('\n'))
run('types', 'npm', ['run', '-s', 'types'])
const plain = touched.filter((f) => !f.startsWith('e2e/') && !f.endsWith('.vue') && f.endsWith('.ts'))
if (plain.length > 0)
  run('unit tests that read it', 'npx', ['vitest', 'related', '--run', '--project', 'unit', ...plain])
const rooms = new Set(touched.filter((f) => /^(?:web|kit)\//.test(f)).map(roomOf))
const needsBuild = within('web', 'server', 'core', 'contracts', 'paper', 'kit', 'e2e')
if (needsBuild) run('build', 'npm', ['run', '-s', 'build'])
if (rooms.size > 0)
  run(
    'pages of the rooms touched',
    'npx',
    ['vitest', 'run', '--project', 'components', '--passWithNoTests', ...[...rooms].map((r) => join(r, ''))],
    { NODE_ENV: 'production' },
  )
const server = plain.filter((f) => f.startsWith('server/') || f.startsWith('contracts/'))
if (server.length > 0)
  run('API tests that read it', 'npx', ['vitest', 'related', '--run', '--project', 'api', ...server])
const browser = Object.entries(BROWSER).flatMap(([test, places]) =>
  touched.includes(test) || within(...places) ? [test] : [],
)
if (browser.length > 0)
  run('browser tests of the rooms touched', 'npx', ['vitest', 'run', '--project', 'browser', ...browser])
console.log(failed > 0 ? `\n${failed} of these failed` : '\nAll of these passed')
process.exit(failed > 0 ? 1 : 0)
