import { readFileSync } from 'node:fs'
import { gzipSync } from 'node:zlib'
import { describe, it } from 'vitest'
import { emptyFarm, start } from './server.ts'
import { report } from './table.ts'

const MOST_BYTES = 1024 ** 3
const MOST_SECONDS = 20
/** What a bundle takes that is as large as a true one can be: it is read to its end before it is refused. */
const LARGEST = 'as large as the largest'
const LARGEST_BYTES = 1.5 * MOST_BYTES
/** Clock ticks a second, as Linux counts a process's time. */
const TICKS = 100

const lists = (n: number) => `[${Array.from({ length: n }).fill('[]').join(',')}]`
const bundle = (content: string) =>
  `{"format":"ekko-farm","version":11,"digest":"${'0'.repeat(64)}","content":${content}}`
/** What claims to be a bundle, each made when it is sent: small on the wire, endless when it is unpacked. */
const BOMBS: Record<string, () => Buffer> = {
  'nested 60 million deep': () => gzipSync(Buffer.alloc(60_000_000, '[')),
  '130 million empty lists': () => gzipSync(Buffer.alloc(390_000_000, '[],').fill('[', 0, 1), { level: 9 }),
  'as many lists as are taken': () => gzipSync(bundle(lists(1_990_000))),
  'half a gigabyte of spaces': () => gzipSync(Buffer.alloc(511 * 1024 * 1024, ' '), { level: 9 }),
  'spaces within a bundle': () =>
    gzipSync(
      Buffer.concat([Buffer.from('{"format":'), Buffer.alloc(500 * 1024 * 1024, ' '), Buffer.from('1}')]),
    ),
  'one word of half a gigabyte': () =>
    gzipSync(
      Buffer.concat([Buffer.from('{"format":"'), Buffer.alloc(500 * 1024 * 1024, 'a'), Buffer.from('"}')]),
    ),
  [LARGEST]: () =>
    gzipSync(
      bundle(
        JSON.stringify(
          Object.fromEntries(
            Array.from({ length: 8 }, (_, n) => [n, n === 0 ? '–' : 'a'.repeat(22_000_000)]),
          ),
        ),
      ),
    ),
  'more than is unpacked': () => gzipSync(Buffer.alloc(900 * 1024 * 1024), { level: 9 }),
  'a million lots of nothing': () => gzipSync(bundle(`{"lots":${lists(1_000_000)}}`)),
  'plain spaces': () => Buffer.alloc(120 * 1024 * 1024, ' '),
}

/** What a process took up to now: its largest memory, bytes, and the seconds of its processor. */
function taken(pid: number) {
  const peak = /VmHWM:\s+(\d+) kB/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))![1]!
  const [user, system] = readFileSync(`/proc/${pid}/stat`, 'utf8')
    .replace(/.*\) /, '')
    .split(' ')
    .slice(11, 13)
  return { bytes: Number(peak) * 1024, seconds: (Number(user) + Number(system)) / TICKS }
}

describe('a small file that claims to be endless', () => {
  it('is refused in words, within a gigabyte and twenty seconds of the processor, and the next request is answered', async () => {
    const wrong: string[] = []
    let largest = 0
    const most = { bytes: 0, seconds: 0 }
    for (const [name, made] of Object.entries(BOMBS)) {
      const server = start(await emptyFarm())
      const url = await server.url
      const before = taken(server.child.pid!)
      const res = await fetch(`${url}/api/rehearsals/sent`, {
        method: 'POST',
        headers: { 'content-type': 'application/octet-stream' },
        body: new Uint8Array(made()),
      }).catch(() => null)
      const after = taken(server.child.pid!)
      const cost = { bytes: after.bytes, seconds: after.seconds - before.seconds }
      if (name === LARGEST) largest = cost.bytes
      else most.bytes = Math.max(most.bytes, cost.bytes)
      most.seconds = Math.max(most.seconds, cost.seconds)
      const said = `${name}: ${res?.status ?? 'silence'}, ${Math.round(before.bytes / 1e6)} to ${Math.round(cost.bytes / 1e6)} MB, ${cost.seconds.toFixed(1)} s`
      const isRefused = res !== null && res.status >= 400 && res.status < 500
      if (
        !isRefused ||
        cost.bytes > (name === LARGEST ? LARGEST_BYTES : MOST_BYTES) ||
        cost.seconds > MOST_SECONDS
      )
        wrong.push(said)
      if (!(await fetch(`${url}/api/home`)).ok) wrong.push(`${name}: nothing is answered after it`)
      console.log(said)
      await server.stop()
    }
    report({
      trial: 'bundles that claim to be endless',
      runs: Object.keys(BOMBS).length,
      acknowledged: 0,
      wrong,
      note: `at most ${Math.round(most.bytes / 1e6)} MB and ${most.seconds.toFixed(1)} s; one ${LARGEST} true one ${Math.round(largest / 1e6)} MB`,
    })
  })
})
