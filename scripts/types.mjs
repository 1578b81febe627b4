import { spawnSync } from 'node:child_process'

// One type check per world: core knows no DOM and no Node, the server no DOM, the pages no Node. The core is checked once: the
// others read what it declares.
const runs = [
  ['tsc', '-p', 'tsconfig.core.json'],
  ['tsc', '-p', 'tsconfig.server.json'],
  ['vue-tsc', '-p', 'tsconfig.web.json'],
]
for (const run of runs) {
  const info = `node_modules/.cache/types/${run[2]}`
  const { status } = spawnSync('npx', [...run, '--incremental', '--tsBuildInfoFile', info], {
    stdio: 'inherit',
  })
  if (status !== 0) process.exit(status ?? 1)
}
