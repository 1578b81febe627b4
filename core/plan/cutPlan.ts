import { z } from 'zod'
import { lookup, portionSchema, SPECIES, TRIM_LEVELS, type Anatomy } from '#core/anatomy'
import { refuse, sayIssue, type Issue, type Outcome } from '#core/measure'
import { figureSchema, keySchema as id, lineSchema, textSchema } from '#core/records'
import { unknownIn } from './check.ts'
import type { Decision } from './commands.ts'
import { refusalOf, settle, type Plan } from './read.ts'

const side = z.enum(['left', 'right', 'animal'])
const half = z.enum(['left', 'right'])

/** A named plan: how an animal of a species is cut, for any lot of it. What it does not name is as usual. */
export const cutPlanSchema = z.object({
  format: z.literal('ekko-plan'),
  version: z.literal(1),
  species: z.enum(SPECIES),
  name: lineSchema(80),
  says: textSchema(300),
  trim: z.enum(TRIM_LEVELS),
  lines: z.array(z.object({ line: id, side: half, setting: id })).max(60),
  mm: z.array(z.object({ line: id, side: half, mm: figureSchema(0, 1000) })).max(40),
  paths: z.array(z.object({ part: id, side, path: id })).max(300),
  portions: z.array(z.object({ cut: id, portion: portionSchema })).max(200),
})
export type CutPlan = z.infer<typeof cutPlanSchema>

const split = (key: string) => key.split(':') as [string, 'left' | 'right' | 'animal']

/** The cutting of a lot's plan under a name. */
export function cutPlanOf(anatomy: Anatomy, plan: Plan, name: string, says = ''): CutPlan {
  const { paths, lines, mm, trim } = plan.choices
  return {
    format: 'ekko-plan',
    version: 1,
    species: anatomy.species,
    name,
    says,
    trim,
    lines: [...lines].map(([key, setting]) => {
      const [line, s] = split(key)
      return { line, side: s as 'left' | 'right', setting }
    }),
    mm: [...mm].map(([key, value]) => {
      const [line, s] = split(key)
      return { line, side: s as 'left' | 'right', mm: value }
    }),
    paths: [...paths].map(([key, path]) => {
      const [part, s] = split(key)
      return { part, side: s, path }
    }),
    portions: [...plan.portions].map(([cut, portion]) => ({ cut, portion })),
  }
}

/** What a plan names that the anatomy does not have; a farm keeps no plan of parts that no animal has. */
export function strangersIn(anatomy: Anatomy, plan: CutPlan): Issue[] {
  const named = (list: string, decisions: Decision[]) =>
    decisions.flatMap((d, i) => {
      const issue = unknownIn(anatomy, d)
      return issue ? [{ ...issue, field: `${list}.${i}` }] : []
    })
  return [
    ...named(
      'paths',
      plan.paths.map((p) => ({ field: 'path', target: p.part, side: p.side, value: p.path })),
    ),
    ...named(
      'lines',
      plan.lines.map((l) => ({ field: 'line', target: l.line, side: l.side, value: l.setting })),
    ),
    ...named(
      'mm',
      plan.mm.map((l) => ({ field: 'mm', target: l.line, side: l.side, value: l.mm })),
    ),
    ...named(
      'portions',
      plan.portions.map((p) => ({ field: 'portion', target: p.cut, side: 'animal', value: p.portion })),
    ),
  ]
}

/** What of a plan cannot be had here, and why. */
export interface LeftOut {
  what: string
  why: string
}

/** Reads a plan from outside, or says what is wrong with it: another form, another version. */
export function readCutPlan(text: string): Outcome<CutPlan> {
  let raw: unknown
  try {
    raw = JSON.parse(text)
  } catch {
    return refuse('plan-unreadable', 'plan', { reason: 'it is not whole JSON, perhaps cut off' })
  }
  const found = raw as { format?: unknown; version?: unknown } | null
  if (found?.format !== 'ekko-plan') return refuse('plan-unreadable', 'plan', { reason: 'it is not a plan' })
  if (found.version !== 1)
    return refuse('plan-unreadable', 'plan', {
      reason: `it is of version ${String(found.version)}; this Ekko reads 1`,
    })
  const out = cutPlanSchema.safeParse(raw)
  if (out.success) return { ok: true, value: out.data }
  const first = out.error.issues[0]!
  return refuse('plan-unreadable', 'plan', { reason: `${first.path.join('.')}: ${first.message}` })
}

/**
 * The decisions that turn the lot's plan into this one, and what of it cannot be kept: ways and cuts the lot's anatomy
 * does not have, ways that the slaughter closed, and what is ticked off as cut. A plan of another species keeps nothing.
 */
export function adoptPlan(
  anatomy: Anatomy,
  plan: Plan,
  wanted: CutPlan,
): { decisions: Decision[]; leftOut: LeftOut[] } {
  if (wanted.species !== anatomy.species)
    return {
      decisions: [],
      leftOut: [{ what: wanted.name, why: `it is for a ${wanted.species}, this is a ${anatomy.species}` }],
    }
  const find = lookup(anatomy)
  const leftOut: LeftOut[] = []
  const unknown = (what: string) => void leftOut.push({ what, why: 'this animal’s figures do not know it' })
  const paths = new Map<string, string>()
  for (const { part, side: s, path } of wanted.paths) {
    const [p, way] = [find.part(part), find.path(path)]
    if (!p || way?.part !== part || (p.scope === 'animal') !== (s === 'animal')) unknown(`${part}: ${path}`)
    else paths.set(`${part}:${s}`, path)
  }
  const lines = new Map<string, string>()
  for (const l of wanted.lines) {
    const line = anatomy.lines.find((x) => x.id === l.line)
    if (line?.kind === 'across' && line.settings.some((x) => x.id === l.setting))
      lines.set(`${l.line}:${l.side}`, l.setting)
    else unknown(`${l.line}: ${l.setting}`)
  }
  const mm = new Map<string, number>()
  for (const l of wanted.mm) {
    const line = anatomy.lines.find((x) => x.id === l.line)
    if (line?.kind === 'along' && l.mm >= line.mm.low && l.mm <= line.mm.high)
      mm.set(`${l.line}:${l.side}`, l.mm)
    else unknown(`${l.line}: ${l.mm} mm`)
  }
  const portions = new Map(
    wanted.portions.filter((p) => find.cut(p.cut) ?? unknown(p.cut)).map((p) => [p.cut, p.portion]),
  )
  const settled = settle(anatomy, paths, plan.conventions)
  const kept = new Map([...paths].filter(([key]) => settled.paths.get(key) === paths.get(key)))
  const why = new Map(settled.dropped.map((d) => [`${d.part}:${d.side}`, sayIssue(d.issue)]))
  for (const [key, path] of paths)
    if (!kept.has(key))
      leftOut.push({ what: find.path(path)!.names.american, why: why.get(key) ?? 'it cannot be had here' })
  const after: Plan = { ...plan, choices: { ...plan.choices, paths: settled.paths } }
  for (const [key, path] of kept) {
    const [part, s] = split(key)
    const sides = find.path(path)!.pair ? (['left', 'right'] as const) : [s]
    const refusal = refusalOf(anatomy, after, part, sides, path)
    if (!refusal) continue
    kept.delete(key)
    leftOut.push({ what: find.path(path)!.names.american, why: sayIssue(refusal) })
  }
  const broken = plan.steps.get('break:animal') ?? false
  const stays = (what: string) =>
    void leftOut.push({ what, why: sayIssue({ code: 'step-done', field: 'path', figures: { part: what } }) })
  for (const [key, done] of plan.steps) {
    if (!done || key === 'break:animal') continue
    const [now, then] = [plan.choices.paths.get(key), kept.get(key)]
    if (now === then) continue
    stays(find.part(split(key)[0])?.names.american.toLowerCase() ?? key)
    if (now) kept.set(key, now)
    else kept.delete(key)
  }
  const differs = (a: ReadonlyMap<string, unknown>, b: ReadonlyMap<string, unknown>) =>
    a.size !== b.size || [...a].some(([key, value]) => b.get(key) !== value)
  if (broken && (differs(lines, plan.choices.lines) || differs(mm, plan.choices.mm))) stays('line')
  return {
    decisions: differences(plan, {
      paths: kept,
      lines: broken ? plan.choices.lines : lines,
      mm: broken ? plan.choices.mm : mm,
      portions,
      trim: wanted.trim,
    }),
    leftOut,
  }
}

type Wanted = Pick<Plan['choices'], 'paths' | 'lines' | 'mm' | 'trim'> & Pick<Plan, 'portions'>

/** Decisions only where the plan in force says otherwise; what the wanted one leaves open goes back to the usual. */
function differences(plan: Plan, wanted: Wanted): Decision[] {
  const decisions: Decision[] = []
  const walk = <V>(
    now: ReadonlyMap<string, V>,
    then: ReadonlyMap<string, V>,
    take: (key: string, v: V | null) => void,
  ) => {
    for (const key of new Set([...now.keys(), ...then.keys()]))
      if (JSON.stringify(now.get(key)) !== JSON.stringify(then.get(key))) take(key, then.get(key) ?? null)
  }
  const { choices } = plan
  walk(choices.lines, wanted.lines, (key, value) => {
    const [target, s] = split(key)
    decisions.push({ field: 'line', target, side: s as 'left' | 'right', value })
  })
  walk(choices.mm, wanted.mm, (key, value) => {
    const [target, s] = split(key)
    decisions.push({ field: 'mm', target, side: s as 'left' | 'right', value })
  })
  walk(choices.paths, wanted.paths, (key, value) => {
    const [target, s] = split(key)
    decisions.push({ field: 'path', target, side: s, value })
  })
  walk(plan.portions, wanted.portions, (target, value) =>
    decisions.push({ field: 'portion', target, side: 'animal', value }),
  )
  if (choices.trim !== wanted.trim)
    decisions.push({ field: 'trim', target: 'lot', side: 'animal', value: wanted.trim })
  return decisions
}
