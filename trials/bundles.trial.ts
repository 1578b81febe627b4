import { spawnSync } from 'node:child_process'
import { readFileSync } from 'node:fs'
import { describe, it } from 'vitest'
import { report } from './table.ts'

const RESULTS = '.test-results/bundles.json'

describe('bundles of every version', () => {
  it('restore into a database, and what is taken away again is the same farm: all of them, where the tests restore three', () => {
    spawnSync(
      'npx',
      [
        ...['vitest', 'run', '--project', 'api', 'server/upgrade.test.ts', '--reporter=json'],
        `--outputFile.json=${RESULTS}`,
      ],
      { env: { ...process.env, EKKO_ALL: '1' } },
    )
    const { testResults } = JSON.parse(readFileSync(RESULTS, 'utf8')) as {
      testResults: { assertionResults: { title: string; status: string }[] }[]
    }
    const restored = testResults.flatMap((f) => f.assertionResults).filter((a) => / restores, /.test(a.title))
    report({
      trial: 'bundles of every version, restored',
      runs: restored.length,
      acknowledged: restored.filter((a) => a.status === 'passed').length,
      wrong: restored.filter((a) => a.status !== 'passed').map((a) => a.title),
    })
  })
})
