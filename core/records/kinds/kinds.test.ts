import { readFileSync } from 'node:fs'
import { afterEach, describe, expect, it } from 'vitest'
import type { z } from 'zod'
import {
  DECISIONS,
  EVENTS,
  factBodySchema,
  FACTS,
  formOf,
  formUp,
  goneBy,
  isGroupFact,
  isGroupField,
  movesMass,
  picturesOf,
  rightOf,
  SHEETS,
  subjectOf,
  type FactBody,
  type Family,
} from '#core/records'

type Kinds = Record<string, { schema: z.ZodType; form: number; family: Family }>
const FAMILIES: Record<Family, { kinds: Kinds; tag: string; name: (id: string) => string }> = {
  fact: { kinds: FACTS, tag: 'kind', name: (id) => id },
  decision: { kinds: DECISIONS, tag: 'field', name: (id) => id },
  event: { kinds: EVENTS, tag: 'what', name: (id) => id },
  sheet: { kinds: SHEETS, tag: 'format', name: (id) => `ekko-${id}` },
}
/** Rows of each kind as they were written in each form (server/specimens/README.md): added to, never changed. */
const ROWS = JSON.parse(
  readFileSync(new URL('../../../server/specimens/rows.json', import.meta.url), 'utf8'),
) as Record<Family, Record<string, Record<string, Record<string, unknown>[]>>>
const families = Object.entries(FAMILIES) as [Family, (typeof FAMILIES)[Family]][]
const each = families.flatMap(([family, { kinds }]) =>
  Object.keys(kinds).map((id): [Family, string] => [family, id]),
)

describe('a kind of record', () => {
  it.each(each)(
    '%s %s: every form it was ever written in still comes up to one that is kept',
    (family, id) => {
      const { kinds, tag, name } = FAMILIES[family]
      const { schema, form } = kinds[id]!
      const rows = ROWS[family][id] ?? {}
      // Of the form of today the schema says all there is; the ones before it are only known by what was written.
      for (let old = 1; old < form; old++)
        expect(rows[old]?.length, `a specimen of form ${old}`).toBeGreaterThan(0)
      for (const [written, bodies] of Object.entries(rows))
        for (const body of bodies) {
          const now = schema.parse(formUp(family, id, body, Number(written))) as Record<string, unknown>
          expect(now[tag]).toBe(name(id))
          if (Number(written) === form) expect(now).toEqual(body)
        }
    },
  )
  it('is known by one name in its family, and by no other’s', () => {
    for (const [family, { kinds }] of families) {
      for (const kind of Object.values(kinds)) expect(kind.family).toBe(family)
      expect([formOf(family, 'toString'), formOf(family, 'rumour')]).toEqual([null, null])
    }
    expect(factBodySchema.safeParse({ kind: 'rumour', day: '2026-09-01' }).success).toBe(false)
  })
})

describe('a kind whose form is raised', () => {
  const { form, up } = FACTS.loss
  afterEach(() => void Object.assign(FACTS.loss, { form, up }))
  it('reads what was written in each form before, a step at a time', () => {
    const steps = {
      1: ({ birds, ...rest }: Record<string, unknown>) => ({ ...rest, animals: birds }),
      2: (body: Record<string, unknown>) => ({ cause: 'found-dead', ...body }),
    }
    Object.assign(FACTS.loss, { form: 3, up: steps })
    const first = { kind: 'loss', day: '2026-09-01', birds: 3 }
    const third = { kind: 'loss', day: '2026-09-01', animals: 3, cause: 'found-dead' }
    expect(formUp('fact', 'loss', first, 1)).toEqual(third)
    expect(formUp('fact', 'loss', { ...third, cause: 'sick' }, 2)).toEqual({ ...third, cause: 'sick' })
    expect(formUp('fact', 'loss', third, 3)).toEqual(third)
  })
})

describe('what follows from a kind (common practice)', () => {
  const gone = (more: object) =>
    ({ kind: 'loss', day: '2026-09-01', animals: 4, cause: 'sick', ...more }) as FactBody
  const worse = (what: string) =>
    ({ kind: 'downgrade', what, animals: 2, shown: null, lost: 0, lesson: null }) as FactBody
  it('birds that died are gone, condemned ones too; torn skin leaves a bird, and one never counted was none of them', () => {
    expect([gone({}), gone({ uncounted: true }), worse('condemned'), worse('torn-skin')].map(goneBy)).toEqual(
      [4, 0, 2, 0],
    )
  })
  it('a price moves money and no mass; a thicker chop and a weighed part move mass', () => {
    const at = { target: 'bone-in-chop', side: 'animal' as const }
    expect(movesMass({ field: 'price', ...at, value: null })).toBe(false)
    expect(movesMass({ field: 'portion', ...at, value: null })).toBe(true)
    const shown = { value: 9, unit: 'kg' as const }
    const part = { kind: 'observation', what: 'part', of: 'loin', side: 'left', shown } as const
    expect([movesMass(part), isGroupFact(part), subjectOf(part)]).toEqual([true, true, 'part loin left'])
  })
  it('how animals are cut is decided group by group; prices and hands are the lot’s', () => {
    expect((['path', 'trim', 'order'] as const).every(isGroupField)).toBe(true)
    expect((['price', 'hands', 'cuttingDay'] as const).some(isGroupField)).toBe(false)
  })
  it('whoever stands at the bench ticks, weighs and signs, and neither prices nor takes a lot off the rail', () => {
    expect(['tick', 'check', 'loss', 'void'].map((id) => rightOf('fact', id))).toEqual(Array(4).fill('weigh'))
    expect(['cost', 'withdrawal', 'toString', 7].map((id) => rightOf('fact', id))).toEqual([
      'price',
      'keep',
      null,
      null,
    ])
  })
  it('a picture is named by what it is of', () => {
    const hash = 'a'.repeat(64)
    const slip = { kind: 'attachment', name: 'Slip', type: 'image/png', bytes: 9, hash } as const
    expect(picturesOf(slip)).toEqual([{ field: 'hash', hash, name: 'Slip' }])
    expect(picturesOf(gone({}))).toEqual([])
  })
})
