import { readFileSync } from 'node:fs'
import fc from 'fast-check'
import { describe, it } from 'vitest'
import { z } from 'zod'
import type { Bundle } from '#contracts'
import { DECISIONS, EVENTS, FACTS, SHEETS, type Family } from '#core/records'
import { ANATOMIES } from '#core/species'
import { readBundle } from '../server/bundle/form.ts'
import { valuesOf } from '../server/fuzz.ts'
import { sealedAs, smallContent, type SmallContent } from '../server/keeping/testing.ts'
import { digestOf } from '../server/store/outcomes.ts'
import { openTestStore } from '../server/testing.ts'
import { report } from './table.ts'

const RUNS = 60
/** Bodies tried of a kind in a run; most schemas are hit at once, some by one in hundreds. */
const TRIES = 120
const EACH = 3

type Loose = Record<string, unknown>
type Kind = { schema: z.ZodType; form: number; up: Record<number, (b: Loose) => Loose> }
const FAMILIES = { fact: FACTS, decision: DECISIONS, event: EVENTS, sheet: SHEETS } as unknown as Record<
  Family,
  Record<string, Kind>
>
const id = (n: number) => `01890a5d-ac96-774b-bccf-${String(n).padStart(12, '0')}`
const AT = '2026-11-02T09:00:00.000Z'

/** Rows of each kind as they were once written: some kinds no random body hits. */
const ROWS = JSON.parse(
  readFileSync(new URL('../server/specimens/rows.json', import.meta.url), 'utf8'),
) as Record<Family, Record<string, Record<string, Loose[]>>>

/** Random bodies of a kind, as it would keep them. */
function randomOf({ schema }: Kind, seed: number): Loose[] {
  const json = z.toJSONSchema(schema, { io: 'input', unrepresentable: 'any' }) as Loose
  return fc.sample(valuesOf(json), { seed, numRuns: TRIES }).flatMap((body) => {
    const out = schema.safeParse(body)
    return out.success ? [JSON.parse(JSON.stringify(out.data)) as Loose] : []
  })
}

/** A line of the hog that everything is said of, moved within its bounds: no random figure hits them. */
const LINES: Loose[] = ANATOMIES.hog.lines.flatMap((l) =>
  l.kind === 'along' ? [{ field: 'mm', target: l.id, side: 'left', value: l.mm.low }] : [],
)

/** Every kind’s bodies as rows of one farm: a hog that everything is said of. */
function contentOf(seed: number): SmallContent {
  const content = smallContent()
  const lot = content.lots[0]!
  const { group, device, person } = lot.facts[0]!
  let n = 0
  for (const [family, kinds] of Object.entries(FAMILIES))
    for (const [name, kind] of Object.entries(kinds)) {
      const once = [...(ROWS[family as Family][name]?.[kind.form] ?? []), ...(name === 'mm' ? LINES : [])]
      const bodies = [...randomOf(kind, seed).slice(0, EACH), ...once]
      // Another anatomy is not one of this farm.
      for (const body of name === 'anatomy' ? [] : bodies) {
        const row = { id: id(++n), group, device, person, at: AT, rev: 0 }
        const batch = { batch: id(n + 5000), undoes: null, redoes: null }
        if (family === 'fact') lot.facts.push({ ...row, corrects: null, stands: true, fact: body } as never)
        if (family === 'decision') lot.commands.push({ ...row, ...batch, decision: body } as never)
        const sheet = { id: row.id, at: AT, withdrawn: false, revision: 1, body }
        if (family === 'sheet') content.sheets.push(sheet as never)
      }
    }
  return content
}

/** Numbers the rows of the lot anew, in the order they stand. */
function renumbered(content: SmallContent): SmallContent {
  const lot = content.lots[0]!
  const rows = [lot.weighings, lot.commands, lot.facts, lot.packs].flat()
  rows.forEach((row, i) => (row.rev = i + 1))
  lot.rev = rows.length
  return content
}

/** The farm without the rows that could never have been kept together; what is left must be. */
function whole(content: SmallContent): Bundle | string {
  for (let round = 0; round < 60; round++) {
    const out = readBundle(sealedAs(renumbered(content)))
    if (out.ok) return out.value
    const places = out.issues.map((i) => /^(?:lots\.0\.(facts|commands)|(sheets))\.(\d+)/.exec(i.field))
    const named = places.flatMap((m) => (m ? [[m[1] ?? m[2]!, Number(m[3])] as const] : []))
    if (named.length === 0) return JSON.stringify(out.issues[0])
    for (const list of ['facts', 'commands', 'sheets'] as const) {
      const gone = new Set(named.flatMap(([of, i]) => (of === list ? [i] : [])))
      const kept = (list === 'sheets' ? content.sheets : content.lots[0]![list]).filter(
        (_, i) => !gone.has(i),
      )
      if (list === 'sheets') content.sheets = kept as never
      else content.lots[0]![list] = kept as never
    }
  }
  return 'rows are refused without end'
}

/** The way up from the form before. */
const omitBefore = (body: Loose): Loose =>
  Object.fromEntries(Object.entries(body).filter(([name]) => name !== 'before'))

/** The same bundle as an older Ekko would have written it: one kind in the form before, one field of it under another name. */
function older(bundle: Bundle, family: Family, name: string, form: number): string {
  const copy = JSON.parse(JSON.stringify(bundle)) as Bundle
  const [lot] = copy.content.lots
  const bodies = {
    fact: lot!.facts.flatMap((r) => (r.fact.kind === name ? [r.fact] : [])),
    decision: lot!.commands.flatMap((r) => (r.decision.field === name ? [r.decision] : [])),
    sheet: copy.content.sheets.flatMap((r) => (r.body.format === `ekko-${name}` ? [r.body] : [])),
    event: [],
  }[family]
  for (const body of bodies) Object.assign(body, { before: true })
  const kinds = { ...copy.kinds, [family]: { ...copy.kinds[family], [name]: form } }
  return JSON.stringify({ ...copy, kinds, digest: digestOf(copy.content) })
}

describe('kinds of record', () => {
  it('random bundles of every kind and form: up, in and out again they are the same farm', async () => {
    const wrong: string[] = []
    const reached = new Set<string>()
    let rows = 0
    for (let seed = 1; seed <= RUNS; seed++) {
      const bundle = whole(contentOf(seed))
      if (typeof bundle === 'string') {
        wrong.push(`seed ${seed}: ${bundle}`)
        continue
      }
      for (const [family, forms] of Object.entries(bundle.kinds))
        for (const name of Object.keys(forms as Loose)) reached.add(`${family} ${name}`)
      rows += bundle.content.lots[0]!.facts.length + bundle.content.lots[0]!.commands.length
      const { store } = await openTestStore()
      const kept = (await store.run('importBundle', bundle)) as { result: string }
      const again = await store.run('exportBundle', undefined)
      await store.close()
      if (kept.result !== 'kept') wrong.push(`seed ${seed}: ${kept.result}`)
      else if (again.digest !== bundle.digest) wrong.push(`seed ${seed}: out again it is another farm`)
      // A form raised: what was written in the one before comes up to the same.
      const named = [...reached][seed % reached.size]!.split(' ') as [Family, string]
      const kind = FAMILIES[named[0]][named[1]]!
      const { form, up } = kind
      const old = older(bundle, ...named, form)
      Object.assign(kind, { form: form + 1, up: { ...up, [form]: omitBefore } })
      const read = readBundle(old)
      const raised = read.ok && read.value.kinds[named[0]][named[1]]
      Object.assign(kind, { form, up })
      if (!read.ok) wrong.push(`seed ${seed}, ${named.join(' ')} raised: ${JSON.stringify(read.issues[0])}`)
      else if (read.value.digest !== bundle.digest)
        wrong.push(`seed ${seed}, ${named.join(' ')}: comes up otherwise`)
      else if (raised !== undefined && raised !== form + 1)
        wrong.push(`seed ${seed}: its head says ${raised}`)
    }
    const all = Object.entries(FAMILIES).flatMap(([f, kinds]) =>
      f === 'event' ? [] : Object.keys(kinds).flatMap((k) => (k === 'anatomy' ? [] : [`${f} ${k}`])),
    )
    const never = all.filter((k) => !reached.has(k))
    report({
      ...{ trial: 'random bundles of every kind, up, in and out', runs: RUNS, acknowledged: rows, wrong },
      note: `${reached.size} of ${all.length} kinds reached${never.length > 0 ? `; never ${never.join(', ')}` : ''}`,
    })
  })
})
