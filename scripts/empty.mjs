import { execFileSync } from 'node:child_process'
import { readFileSync } from 'node:fs'

// The empty database of this build, made by the built program: another version of the engine makes it anew.
const { packages } = JSON.parse(readFileSync('package-lock.json', 'utf8'))
const { version } = packages['node_modules/@electric-sql/pglite']
execFileSync('node', ['dist/server/prepare.js', 'dist/empty', version], { stdio: 'inherit' })
