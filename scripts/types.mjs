import { spawnSync } from 'node:child_process'
import { existsSync } from 'node:fs'

// One type check per world: core knows no DOM and no Node, the server no DOM, the pages no Node; their tests know all. The core is
// checked once: server and pages read what it declares. Where no pages stand in it, the native compiler checks a world in a
// tenth of the time.
const NATIVE = 'node_modules/typescript7/bin/tsc'
const runs = [
  ['node', NATIVE, '-p', 'tsconfig.core.json'],
  ['node', NATIVE, '-p', 'tsconfig.server.json'],
  ['node', NATIVE, '-p', 'tsconfig.pages.json'],
  ['npx', 'vue-tsc', '-p', 'tsconfig.web.json'],
]
if (!existsSync(NATIVE)) throw new Error('The native compiler is not installed: run npm ci.')
for (const [command, ...run] of runs) {
  const info = `node_modules/.cache/types/${run.at(-1)}`
  const { status } = spawnSync(command, [...run, '--incremental', '--tsBuildInfoFile', info], {
    stdio: 'inherit',
  })
  if (status !== 0) process.exit(status ?? 1)
}
