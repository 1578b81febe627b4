import { execFileSync, spawn } from 'node:child_process'
import { existsSync } from 'node:fs'

// Installs, builds, loads the demo farm into data/demo on the first run, serves it and prints the address.
if (!existsSync('node_modules/vite'))
  execFileSync('npm', ['ci', '--no-audit', '--no-fund'], { stdio: 'inherit' })
execFileSync('npm', ['run', '-s', 'build', '--', '--logLevel', 'error'], { stdio: 'inherit' })
const child = spawn(
  'node',
  ['dist/server/main.js', '--data', 'data/demo', '--demo', ...process.argv.slice(2)],
  { stdio: 'inherit' },
)
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => child.kill(signal))
child.on('exit', (code) => process.exit(code ?? 0))
