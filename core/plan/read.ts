import { lookup, type Anatomy, type Portion, type SideName, type Tool, type TrimLevel } from '#core/anatomy'
import { conventionIn, unmet, type Choices, type Conventions, type Measured } from '#core/carcass'
import type { Issue, UnitPrice } from '#core/measure'
import type { Command, Decision, Ending, Fee, Route } from './commands.ts'
import { latest } from './history.ts'

export interface CostLine {
  id: string
  label: string
  amount: number
}

/** What was said about one cut's price. */
export interface CutTerms {
  index: number
  price: UnitPrice | null
  lock: boolean
  floor: UnitPrice | null
  ceiling: UnitPrice | null
  /** Share expected to sell at full price. */
  sold: number
  done: boolean
}

export interface Dropped {
  part: string
  side: SideName
  path: string
  issue: Issue
}

/** The plan the commands come to. `dropped` names choices that slaughter or another choice has since made impossible. */
export interface Plan {
  choices: Choices
  /** Tools that are down. */
  without: ReadonlySet<Tool>
  /** Steps of the block card ticked off, `part:side`: what was cut stays as it was planned then. */
  steps: ReadonlyMap<string, boolean>
  /** How cuts are divided where not as usual, by cut. */
  portions: ReadonlyMap<string, Portion>
  conventions: Conventions
  measured: Measured
  /** Ribs counted on the animal; null for the usual number. */
  ribs: number | null
  route: Route | null
  days: number
  costs: CostLine[]
  fees: Partial<Record<'kill' | 'cut-wrap' | 'pack', Fee>>
  target: number
  ending: Ending
  sharePrice: UnitPrice | null
  terms: Map<string, CutTerms>
  dropped: Dropped[]
}

type Reading = { [F in Decision['field']]: Map<string, Extract<Decision, { field: F }>> }

function sort(commands: readonly Command[]): Reading {
  const fields = new Map<string, Map<string, Decision>>()
  for (const { decision } of latest(commands).values()) {
    if (!fields.has(decision.field)) fields.set(decision.field, new Map())
    fields.get(decision.field)!.set(`${decision.target}:${decision.side}`, decision)
  }
  return new Proxy({} as Reading, { get: (_, field: string) => fields.get(field) ?? new Map() })
}

/**
 * The path choices that can stand: none that slaughter has closed, no way of both sides on one, no half of a way that
 * two parts are cut in together. What cannot stand is named with its reason and falls back to the usual.
 */
export function settle(
  anatomy: Anatomy,
  wanted: ReadonlyMap<string, string>,
  conventions: Conventions,
): { paths: Map<string, string>; dropped: Dropped[] } {
  const paths = new Map(wanted)
  const dropped: Dropped[] = []
  let again = true
  while (again) {
    again = false
    for (const [key, id] of paths) {
      const [part, side] = key.split(':') as [string, SideName]
      const issue = unable(anatomy, paths, conventions, side, id)
      if (!issue) continue
      paths.delete(key)
      dropped.push({ part, side, path: id, issue })
      again = true
    }
  }
  openFallbacks(anatomy, paths, conventions)
  return { paths, dropped }
}

/** A part whose usual way slaughter has closed takes its first open one: no T-bones from an old steer by default. */
function openFallbacks(anatomy: Anatomy, paths: Map<string, string>, conventions: Conventions) {
  const { path, pathsOf } = lookup(anatomy)
  for (const part of anatomy.parts) {
    if (!unmet(anatomy, path(part.fallback)?.needs, conventions)) continue
    const own = pathsOf(part.id)
    const open = own.find((p) => !unmet(anatomy, p.needs, conventions) && !p.pair && !p.together)
    const sides: SideName[] = part.scope === 'animal' ? ['animal'] : ['left', 'right']
    for (const side of sides)
      if (open && !paths.has(`${part.id}:${side}`)) paths.set(`${part.id}:${side}`, open.id)
  }
}

function unable(
  anatomy: Anatomy,
  paths: ReadonlyMap<string, string>,
  conventions: Conventions,
  side: SideName,
  id: string,
): Issue | null {
  const path = lookup(anatomy).path(id)
  if (!path) return null
  const door = closed(anatomy, path.needs, conventions)
  if (door) return door
  if (path.pair && paths.get(`${path.part}:${side === 'left' ? 'right' : 'left'}`) !== id)
    return { code: 'both-sides', field: 'path' }
  const other = path.together?.find((t) => paths.get(`${t.part}:${side}`) !== t.path)
  return other
    ? {
        code: 'other-half',
        field: 'path',
        figures: { part: lookup(anatomy).part(other.part)!.names.american.toLowerCase() },
      }
    : null
}

/** What slaughter has closed for a way or part: no rind on a skinned hog, no saddle from a split carcass. */
function closed(
  anatomy: Anatomy,
  needs: readonly string[] | undefined,
  conventions: Conventions,
): Issue | null {
  const found = unmet(anatomy, needs, conventions)
  if (!found) return null
  const { convention: c, wanted } = found
  return {
    code: 'door-closed',
    field: 'path',
    figures: { wanted: wanted ? c.on : c.off, is: wanted ? c.off : c.on },
  }
}

/** Reads a plan off its commands, for one anatomy. */
export function readPlan(anatomy: Anatomy, commands: readonly Command[]): Plan {
  const said = sort(commands)
  const given = <K, V>(map: Map<string, { value: V | null }>, key: (id: string) => K): Map<K, V> =>
    new Map([...map].flatMap(([id, d]) => (d.value === null ? [] : [[key(id), d.value] as const])))
  const target = (key: string) => key.split(':')[0]!
  const conventions = Object.fromEntries(given(said.convention, target))
  const { paths, dropped } = settle(anatomy, given(said.path, String), conventions)
  const fees: Plan['fees'] = {}
  for (const d of said.fee.values()) if (d.value) fees[d.target] = d.value
  return {
    choices: {
      paths,
      lines: given(said.line, String),
      mm: given(said.mm, String),
      trim: said.trim.get('lot:animal')?.value ?? ('standard' satisfies TrimLevel),
    },
    without: new Set([...said.without.values()].flatMap((d) => (d.value ? [d.target] : []))),
    steps: given(said.step, String),
    portions: given(said.portion, target),
    conventions,
    measured: Object.fromEntries(given(said.measure, target)),
    ribs: said.ribs.get('lot:animal')?.value ?? null,
    route: said.route.get('lot:animal')?.value ?? null,
    days: said.days.get('lot:animal')?.value ?? anatomy.chain.days.usual,
    costs: [...said.cost.values()].flatMap((d) => (d.value ? [{ id: d.target, ...d.value }] : [])),
    fees,
    target: said.target.get('lot:animal')?.value ?? 0,
    ending: said.ending.get('lot:animal')?.value ?? 'exact',
    sharePrice: said.sharePrice.get('lot:animal')?.value ?? null,
    terms: new Map(
      anatomy.cuts.map((cut) => {
        const key = `${cut.id}:animal`
        return [
          cut.id,
          {
            index: said.index.get(key)?.value ?? (cut.kind === 'product' ? cut.index : 0),
            price: said.price.get(key)?.value ?? null,
            lock: said.lock.get(key)?.value ?? false,
            floor: said.floor.get(key)?.value ?? null,
            ceiling: said.ceiling.get(key)?.value ?? null,
            sold: said.sold.get(key)?.value ?? 1,
            done: said.done.get(key)?.value ?? false,
          },
        ]
      }),
    ),
    dropped,
  }
}

/**
 * Why a path cannot be taken on these sides under the plan as it stands, or null when it can: what slaughter closed,
 * a way of both sides asked of one, and ways of other parts that use the same bones or muscle.
 */
export function refusalOf(
  anatomy: Anatomy,
  plan: Plan,
  part: string,
  sides: readonly SideName[],
  pathId: string,
): Issue | null {
  const find = lookup(anatomy)
  const path = find.path(pathId)
  if (path?.part !== part) return { code: 'unknown-id', field: 'path', figures: { kind: 'path', id: pathId } }
  const partData = find.part(part)!
  const cut = sides.find((s) => plan.steps.get(`${part}:${s}`))
  if (cut && (plan.choices.paths.get(`${part}:${cut}`) ?? partData.fallback) !== pathId)
    return { code: 'step-done', field: 'path', figures: { part: partData.names.american.toLowerCase() } }
  if (plan.without.has(path.tool) && !cut)
    return { code: 'tool-gone', field: 'path', figures: { tool: path.tool } }
  const door = closed(anatomy, [...(partData.needs ?? []), ...(path.needs ?? [])], plan.conventions)
  if (door) return door
  if (path.pair && sides.length < 2) return { code: 'both-sides', field: 'path' }
  const companions = new Set(path.together?.map((t) => t.part))
  for (const side of sides) {
    for (const other of anatomy.parts) {
      if (other.id === part || other.scope !== partData.scope || companions.has(other.id)) continue
      const taken = find.path(plan.choices.paths.get(`${other.id}:${side}`) ?? other.fallback)
      const clash =
        path.excludes?.find((x) => x.path === taken?.id) ?? taken?.excludes?.find((x) => x.path === path.id)
      if (clash)
        return {
          code: 'shut-out',
          field: 'path',
          figures: { reason: clash.reason, part: other.id, path: taken!.id },
        }
    }
  }
  return null
}

/** The decisions that take a path on these sides, with the other half of what two parts are cut in together. */
export function takePath(
  anatomy: Anatomy,
  part: string,
  sides: readonly SideName[],
  pathId: string,
): Extract<Decision, { field: 'path' }>[] {
  const together = lookup(anatomy).path(pathId)?.together ?? []
  return [{ part, path: pathId }, ...together].flatMap((t) =>
    sides.map((side) => ({ field: 'path' as const, target: t.part, side, value: t.path })),
  )
}

/** Conventions as they stand, said or usual. */
export const conventionsOf = (anatomy: Anatomy, state: Conventions) =>
  anatomy.conventions.map((convention) => ({ convention, is: conventionIn(convention, state) }))
