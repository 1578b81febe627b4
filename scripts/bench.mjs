import { execFileSync } from 'node:child_process'
import { existsSync, readdirSync, readFileSync } from 'node:fs'
import { gzipSync } from 'node:zlib'

// Builds and runs the benches, then weighs what a browser loads first. Ratios are the result; times are for reading.
execFileSync('npx', ['vite', 'build', 'bench', '--logLevel', 'error'], { stdio: 'inherit' })
for (const bench of ['evaluate', 'records', 'packs', 'line'])
  execFileSync('node', [`dist/bench/${bench}.js`], { stdio: 'inherit' })
execFileSync('node', ['bench/page.mjs'], { stdio: 'inherit' })
const html = 'dist/web/index.html'
if (existsSync(html)) {
  const first = [...readFileSync(html, 'utf8').matchAll(/(?:src|href)="\/(assets\/[^"]+\.js)"/g)].map(
    (m) => m[1],
  )
  const size = first.reduce((sum, file) => sum + gzipSync(readFileSync(`dist/web/${file}`)).length, 0)
  console.log(
    `JavaScript loaded first (${first.length} of ${readdirSync('dist/web/assets').filter((f) => f.endsWith('.js')).length} files): ${(size / 1024).toFixed(0)} kB gzip, at most 250 asked`,
  )
}
