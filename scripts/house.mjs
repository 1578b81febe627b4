import { execFileSync } from 'node:child_process'
import { readFileSync, writeFileSync } from 'node:fs'
import ts from 'typescript'

// Draws the house from its imports into docs/house.md, and counts how large its files and functions are.
const ROOMS = ['core', 'contracts', 'paper', 'demo', 'server', 'web']
const files = execFileSync('git', ['ls-files', '-co', '--exclude-standard', ...ROOMS], { encoding: 'utf8' })
  .split('\n')
  .filter((f) => /\.(ts|vue)$/.test(f) && !/\.test\.ts$|\/data\/|\.d\.ts$/.test(f))

/** Lines of every function of a file; of a page only its script. */
function functionsIn(file) {
  const text = readFileSync(file, 'utf8')
  const script = file.endsWith('.vue') ? (/<script[^>]*>([\s\S]*?)<\/script>/.exec(text)?.[1] ?? '') : text
  const source = ts.createSourceFile(file, script, ts.ScriptTarget.Latest, true)
  const found = []
  const walk = (node) => {
    if (ts.isFunctionLike(node) && 'body' in node && node.body) {
      const line = (at) => source.getLineAndCharacterOfPosition(at).line
      found.push(line(node.end) - line(node.getStart()) + 1)
    }
    ts.forEachChild(node, walk)
  }
  walk(source)
  return found.filter((n) => n > 1)
}
const quantile = (sorted, q) => sorted[Math.min(sorted.length - 1, Math.floor(q * sorted.length))] ?? 0
const row = (name, sizes) => {
  const s = sizes.toSorted((a, b) => a - b)
  return `| ${name} | ${s.length} | ${quantile(s, 0.5)} | ${quantile(s, 0.9)} | ${s.at(-1) ?? 0} |`
}
export const sizes = () => [
  '| | how many | median | 90 % below | longest |',
  '| --- | --: | --: | --: | --: |',
  ...ROOMS.flatMap((room) => {
    const own = files.filter((f) => f.startsWith(`${room}/`))
    const lines = own.map((f) => readFileSync(f, 'utf8').split('\n').length - 1)
    return [
      row(`files of ${room}, lines`, lines),
      row(`functions of ${room}, lines`, own.flatMap(functionsIn)),
    ]
  }),
]

/** Rooms and who uses whom, told from below: an arrow leads from a room to one it uses. */
function drawing() {
  const cruise = (type) =>
    execFileSync(
      'npx',
      ['depcruise', '--config', '.dependency-cruiser.mjs', '--output-type', type, ...ROOMS],
      { encoding: 'utf8', maxBuffer: 1e9, stdio: ['ignore', 'pipe', 'ignore'] },
    )
  const { modules } = JSON.parse(cruise('json'))
  const roomOf = (path) => /^core\/[^/]+|^(?:contracts|paper|demo|server|web)/.exec(path)?.[0] ?? null
  const edges = new Set()
  for (const m of modules)
    for (const d of m.dependencies) {
      const [from, to] = [roomOf(m.source), roomOf(d.resolved)]
      if (from && to && from !== to && !/\.test\.ts$|testing\.ts$/.test(m.source)) edges.add(`${from} ${to}`)
    }
  const pairs = [...edges].map((e) => e.split(' '))
  const reaches = (from, to, seen = new Set()) =>
    pairs.some(([a, b]) => a === from && !seen.has(b) && (b === to || reaches(b, to, seen.add(b))))
  /** An arrow that others already imply is left out, so that the floors can be seen. */
  const direct = pairs.filter(
    ([a, b]) => !pairs.some(([x, y]) => x === a && y !== b && (y === b || reaches(y, b))),
  )
  const id = (room) => room.replace('/', '_')
  return [
    '```mermaid',
    'flowchart BT',
    ...[...new Set(pairs.flat())].sort().map((r) => `  ${id(r)}["${r}"]`),
    ...direct.sort().map(([a, b]) => `  ${id(a)} --> ${id(b)}`),
    '```',
  ]
}

if (process.argv[2] === 'sizes') console.log(sizes().join('\n'))
else {
  const place = 'docs/house.md'
  const between = (text, mark, lines) =>
    text.replace(new RegExp(`(<!-- ${mark} -->)[\\s\\S]*?(<!-- end -->)`), `$1\n\n${lines.join('\n')}\n\n$2`)
  let text = readFileSync(place, 'utf8')
  text = between(text, 'drawing', drawing())
  text = between(text, 'sizes', sizes())
  writeFileSync(place, text)
}
