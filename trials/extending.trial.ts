import { execFileSync, spawnSync } from 'node:child_process'
import { cpSync, mkdirSync, readdirSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { describe, it } from 'vitest'
import { scratchFolder } from '../scripts/prepared.mjs'
import { report } from './table.ts'

/** What is done to one file of the copy. */
type Change = [file: string, change: (text: string) => string]
interface Step {
  what: string
  changes: Change[]
  /** What the compiler says of it; null where it is whole and compiles. */
  says: RegExp | null
}
const added = (lines: string) => (text: string) => `${text}\n${lines}\n`
const without = (words: string) => (text: string) => {
  if (!text.includes(words)) throw new Error(`There is no “${words}” to leave out.`)
  return text.replace(words, '')
}
const COLD = 'core/records/kinds/cold.ts'
const FROST_READ = `export const frost: ReadsFact<{ kind: 'frost'; c: number }> = {
  unknownIn: knowsAll,
  into: () => undefined,
  say: ({ c }) => ({ what: 'Frost', value: \`\${c} °C\` }),
}`

/** What docs/extending.md says, done by hand: each kind first without a piece, then whole. */
const STEPS: Step[] = [
  { what: 'the copy as it is', changes: [], says: null },
  {
    what: 'half a fact',
    changes: [
      [
        COLD,
        added(
          "export const frost = fact(z.object({ kind: z.literal('frost'), c: figureSchema(-40, 0) }), ofLot)",
        ),
      ],
    ],
    says: /core\/plan\/kinds\/index\.ts[^]*frost/,
  },
  { what: 'a fact: 2 files', changes: [['core/plan/kinds/cold.ts', added(FROST_READ)]], says: null },
  {
    what: 'half a decision',
    changes: [
      [
        'core/records/kinds/day.ts',
        added("export const bell = decision(of('bell', { ...ofLot, value: keySchema }), lotWide)"),
      ],
    ],
    says: /core\/plan\/kinds\/index\.ts[^]*bell/,
  },
  {
    what: 'a decision: 2 files',
    changes: [
      [
        'core/plan/kinds/day.ts',
        added(
          "export const bell: ReadsDecisions['bell'] = {\n  unknownIn: knowsAll,\n  into: () => undefined,\n  say: ({ value }) => value,\n}",
        ),
      ],
    ],
    says: null,
  },
  {
    what: 'a sheet: 1 file',
    changes: [
      [
        'core/records/kinds/sheets.ts',
        added(
          "export const herd = sheet(\n  z.object({ format: z.literal('ekko-herd'), version: z.literal(1), name: lineSchema(80) }),\n  { ...ofFarm, moves: 'nothing', right: 'keep' },\n)",
        ),
      ],
    ],
    says: null,
  },
  {
    what: 'a table without a column',
    changes: [['server/store/tables/farm.ts', without(', revision: integer')]],
    says: /server\/store\/tables\/farm\.ts[^]*revision/,
  },
  {
    what: 'its column again',
    changes: [
      [
        'server/store/tables/farm.ts',
        (t) => t.replace('aliases: jsonb.orNone }', 'aliases: jsonb.orNone, revision: integer }'),
      ],
    ],
    says: null,
  },
  {
    what: 'an issue no room says',
    changes: [['core/plan/check.ts', added("export const rumour = issueOf('rumour', 'x', {})")]],
    says: /core\/plan\/check\.ts[^]*rumour/,
  },
  {
    what: 'an issue: 1 file',
    changes: [
      ['core/plan/issues.ts', (t) => t.replace('issues({', "issues({\n  rumour: () => 'So it is said.',")],
    ],
    says: null,
  },
]

describe('how a thing is added', () => {
  it('a kind, a sheet, a table and an issue compile only when they are whole', () => {
    const copy = scratchFolder('ekko-extending-')
    for (const file of execFileSync('git', ['ls-files'], { encoding: 'utf8' }).trim().split('\n'))
      cpSync(file, join(copy, file))
    // Each by itself: what the compiler keeps there is the copy's own.
    mkdirSync(join(copy, 'node_modules'))
    for (const name of readdirSync('node_modules').filter((n) => n !== '.cache'))
      symlinkSync(resolve('node_modules', name), join(copy, 'node_modules', name))
    const wrong: string[] = []
    const compiled = () =>
      ['core', 'server'].map(
        (world) =>
          spawnSync('node', [resolve('node_modules/typescript7/bin/tsc'), '-p', `tsconfig.${world}.json`], {
            cwd: copy,
            encoding: 'utf8',
          }).stdout,
      )
    for (const { what, changes, says } of STEPS) {
      for (const [file, change] of changes) {
        const at = join(copy, file)
        writeFileSync(at, change(readFileSync(at, 'utf8')))
      }
      const told = compiled().join('\n').trim()
      if (says === null ? told !== '' : !says.test(told))
        wrong.push(`${what}: ${told.slice(0, 300) || 'compiles'}`)
    }
    rmSync(copy, { recursive: true, force: true })
    report({
      ...{
        trial: 'kinds, sheets, tables, issues added in a copy',
        runs: STEPS.length,
        acknowledged: 0,
        wrong,
      },
    })
  })
})
