import same from 'fast-deep-equal'
import { lookup, type Anatomy, type SideName } from '#core/anatomy'
import { SidedMap, sidesIn, type Sided, type Split } from '#core/carcass'
import { issueOf, refuse, sayIssue, type Issue, type Mm, type Names, type Outcome } from '#core/measure'
import { cutPlanSchema, type CutPlan, type Decision, type Half } from '#core/records'
import { unknownIn } from './kinds/index.ts'
import { refusalOf, settle, settleSplits, type Plan } from './read.ts'

/** The cutting of a lot's plan under a name. */
export function cutPlanOf(anatomy: Anatomy, plan: Plan, name: string, says = ''): CutPlan {
  const { paths, lines, mm, trim, lean, splits } = plan.choices
  return {
    format: 'ekko-plan',
    version: 1,
    species: anatomy.species,
    name,
    says,
    trim,
    ...(lean === undefined ? {} : { lean }),
    lines: [...lines].map((e) => ({ line: e.id, side: e.side as Half, setting: e.value })),
    mm: [...mm].map((e) => ({ line: e.id, side: e.side as Half, mm: e.value })),
    paths: [...paths].map((e) => ({ part: e.id, side: e.side, path: e.value })),
    ...(splits && splits.size > 0
      ? { splits: [...splits].map((e) => ({ part: e.id, side: e.side as Half, split: e.value })) }
      : {}),
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
      'splits',
      (plan.splits ?? []).map((p) => ({ field: 'split', target: p.part, side: p.side, value: p.split })),
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
 * does not have, ways that the slaughter closed, what is ticked off as cut and what packs came of. A plan of another
 * species keeps nothing.
 */
export function adoptPlan(
  anatomy: Anatomy,
  plan: Plan,
  wanted: CutPlan,
  packed: Iterable<PartCut> = [],
): { decisions: Decision[]; leftOut: LeftOut[] } {
  if (wanted.species !== anatomy.species)
    return {
      decisions: [],
      leftOut: [{ what: wanted.name, why: `it is for a ${wanted.species}, this is a ${anatomy.species}` }],
    }
  const find = lookup(anatomy)
  const leftOut: LeftOut[] = []
  const unknown = (what: string) => void leftOut.push({ what, why: 'this animal’s figures do not know it' })
  const paths = new SidedMap<string>()
  for (const { part, side, path } of wanted.paths) {
    const [p, way] = [find.part(part), find.path(path)]
    if (!p || way?.part !== part || (p.scope === 'animal') !== (side === 'animal'))
      unknown(`${part}: ${path}`)
    else if (sidesIn(anatomy, plan.hangs, part).includes(side)) paths.set(part, side, path)
  }
  const lines = new SidedMap<string>()
  for (const l of wanted.lines) {
    const line = anatomy.lines.find((x) => x.id === l.line)
    if (line?.kind === 'across' && line.settings.some((x) => x.id === l.setting))
      lines.set(l.line, l.side, l.setting)
    else unknown(`${l.line}: ${l.setting}`)
  }
  const mm = new SidedMap<Mm>()
  for (const l of wanted.mm) {
    const line = anatomy.lines.find((x) => x.id === l.line)
    if (line?.kind === 'along' && l.mm >= line.mm.low && l.mm <= line.mm.high) mm.set(l.line, l.side, l.mm)
    else unknown(`${l.line}: ${l.mm} mm`)
  }
  const portions = new Map(
    wanted.portions.filter((p) => find.cut(p.cut) ?? unknown(p.cut)).map((p) => [p.cut, p.portion]),
  )
  const settled = settle(anatomy, paths, plan.conventions, plan.hangs, plan.half)
  const kept = new SidedMap<string>()
  for (const { id: part, side, value: path } of paths) {
    if (settled.paths.get(part, side) === path) kept.set(part, side, path)
    else {
      const lost = settled.dropped.find((d) => d.part === part && d.side === side)
      const why = lost ? sayIssue(lost.issue) : 'it cannot be had here'
      leftOut.push({ what: find.path(path)!.names.american, why })
    }
  }
  const after: Plan = { ...plan, choices: { ...plan.choices, paths: settled.paths } }
  for (const { id: part, side, value: path } of [...kept]) {
    const sides = find.path(path)!.pair ? (['left', 'right'] as const) : [side]
    const refusal = refusalOf(anatomy, after, part, sides, path)
    if (!refusal) continue
    kept.delete(part, side)
    leftOut.push({ what: find.path(path)!.names.american, why: sayIssue(refusal) })
  }
  const stays = (names: Names, why: 'step-done' | 'part-packed') =>
    void leftOut.push({
      what: names.american.toLowerCase(),
      why: sayIssue(issueOf(why, 'path', { part: names })),
    })
  const cut = [
    ...[...plan.steps].map((s) => ({ part: s.id, side: s.side, why: 'step-done' as const })),
    ...[...packed].map((p) => ({ ...p, why: 'part-packed' as const })),
  ]
  for (const { part, side, why } of cut) {
    const names = find.part(part)?.names
    const [now, then] = [plan.choices.paths.get(part, side), kept.get(part, side)]
    if (!names || now === then) continue
    stays(names, why)
    if (now) kept.set(part, side, now)
    else kept.delete(part, side)
  }
  const splits = splitsOf(anatomy, plan, wanted, kept, cut, leftOut)
  const broken = cut.some((c) => c.why === 'part-packed' || c.part === 'break' || c.part.startsWith('line-'))
  if (broken && (differ(lines, plan.choices.lines) || differ(mm, plan.choices.mm))) {
    if (cut.some((c) => c.why === 'step-done')) stays({ american: 'line', commonwealth: 'line' }, 'step-done')
    else stays({ american: 'carcass', commonwealth: 'carcass' }, 'part-packed')
  }
  return {
    decisions: differences(plan, {
      paths: kept,
      lines: broken ? plan.choices.lines : lines,
      mm: broken ? plan.choices.mm : mm,
      portions,
      splits,
      trim: wanted.trim,
      lean: wanted.lean ?? null,
    }),
    leftOut,
  }
}

/** A part that is cut already on a side. */
export interface PartCut {
  part: string
  side: SideName
}

/** The splits of a plan that can be had here; a part that is cut already keeps its own. */
function splitsOf(
  anatomy: Anatomy,
  plan: Plan,
  wanted: CutPlan,
  paths: Sided<string>,
  cut: Iterable<PartCut>,
  leftOut: LeftOut[],
): SidedMap<Split> {
  const find = lookup(anatomy)
  const asked = new SidedMap<Split>()
  for (const { part, side, split } of wanted.splits ?? []) {
    if (unknownIn(anatomy, { field: 'split', target: part, side, value: split }))
      leftOut.push({ what: `${part}: ${split.path}`, why: 'this animal’s figures do not know it' })
    else asked.set(part, side, split)
  }
  const { splits, dropped } = settleSplits(anatomy, paths, asked, plan.conventions)
  for (const d of dropped) leftOut.push({ what: find.path(d.path)!.names.american, why: sayIssue(d.issue) })
  for (const { part, side } of cut) {
    if (!find.part(part)) continue
    const now = plan.choices.splits?.get(part, side)
    if (now) splits.set(part, side, now)
    else splits.delete(part, side)
  }
  return splits
}

const differ = (a: Sided<unknown>, b: Sided<unknown>) =>
  a.size !== b.size || [...a].some(({ id, side, value }) => b.get(id, side) !== value)

type Wanted = Pick<Plan['choices'], 'paths' | 'lines' | 'mm' | 'trim'> &
  Pick<Plan, 'portions'> & { splits: Sided<Split>; lean: number | null }

/** Decisions only where the plan in force says otherwise; what the wanted one leaves open goes back to the usual. */
function differences(plan: Plan, wanted: Wanted): Decision[] {
  const decisions: Decision[] = []
  const walk = <V>(
    now: Sided<V>,
    then: Sided<V>,
    take: (target: string, side: SideName, v: V | null) => Decision,
  ) => {
    const places = new SidedMap([...now, ...then])
    for (const { id, side } of places)
      if (!same(now.get(id, side), then.get(id, side)))
        decisions.push(take(id, side, then.get(id, side) ?? null))
  }
  const { choices } = plan
  walk(choices.lines, wanted.lines, (target, side, value) => ({
    field: 'line',
    target,
    side: side as Half,
    value,
  }))
  walk(choices.mm, wanted.mm, (target, side, value) => ({ field: 'mm', target, side: side as Half, value }))
  walk(choices.paths, wanted.paths, (target, side, value) => ({ field: 'path', target, side, value }))
  walk(choices.splits ?? new SidedMap<Split>(), wanted.splits, (target, side, value) => ({
    field: 'split',
    target,
    side: side as Half,
    value,
  }))
  for (const target of new Set([...plan.portions.keys(), ...wanted.portions.keys()])) {
    const value = wanted.portions.get(target) ?? null
    if (!same(plan.portions.get(target) ?? null, value))
      decisions.push({ field: 'portion', target, side: 'animal', value })
  }
  if (choices.trim !== wanted.trim)
    decisions.push({ field: 'trim', target: 'lot', side: 'animal', value: wanted.trim })
  if ((choices.lean ?? null) !== wanted.lean)
    decisions.push({ field: 'lean', target: 'lot', side: 'animal', value: wanted.lean })
  return decisions
}
