import { spawnSync } from 'node:child_process'
import { readFileSync } from 'node:fs'
import { describe, it } from 'vitest'
import { report } from './table.ts'

interface Assertion {
  title: string
  status: string
}
/** The tests of a file, with all of what `npm test` does in part; those whose title has these words. */
function whole(project: 'api' | 'unit', file: string, words: RegExp): Assertion[] {
  const results = `.test-results/whole-${project}.json`
  spawnSync(
    'npx',
    ['vitest', 'run', '--project', project, file, '--reporter=json', `--outputFile.json=${results}`],
    { env: { ...process.env, EKKO_ALL: '1' } },
  )
  const { testResults } = JSON.parse(readFileSync(results, 'utf8')) as {
    testResults: { assertionResults: Assertion[] }[]
  }
  return testResults.flatMap((f) => f.assertionResults).filter((a) => words.test(a.title))
}
function told(trial: string, tests: Assertion[], each = 1) {
  const wrong = tests.filter((a) => a.status !== 'passed')
  report({
    trial,
    runs: tests.length * each,
    acknowledged: (tests.length - wrong.length) * each,
    wrong: wrong.map((a) => a.title),
  })
}

describe('what the tests do in part', () => {
  it('bundles of every version restore into a database, and what is taken away again is the same farm: all of them', () => {
    told('bundles of every version, restored', whole('api', 'server/upgrade.test.ts', / restores, /))
  })
  it('the order of work is kept by 2,000 random plans in a random order of wishes', () => {
    told('the order of work of random plans', whole('unit', 'core/hand/order.test.ts', /random plans/), 2000)
  })
  it('thirty restores under writes: each row that was taken is in the new farm or in what is kept before it', () => {
    told('restores under writes', whole('api', 'server/keeping/keeping.test.ts', /nothing is written/))
  })
})
