import type { Anatomy, Dressing, SideName } from '#core/anatomy'
import type { Choices, DressingState } from '#core/carcass'
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

/** The plan the commands come to. `dropped` names choices that the dressing or another choice has since made impossible. */
export interface Plan {
  choices: Choices
  dressing: DressingState
  route: Route | null
  days: number
  costs: CostLine[]
  fees: Partial<Record<'kill' | 'cut-wrap' | 'pack', Fee>>
  target: number
  ending: Ending
  sharePrice: UnitPrice | null
  terms: Map<string, CutTerms>
  dropped: { part: string; side: SideName; path: string; issue: Issue }[]
}

/** A day or two in the cooler is usual for a hog (common practice: 1–5). */
const USUAL_DAYS = 2

type Reading = { [F in Decision['field']]: Map<string, Extract<Decision, { field: F }>> }

function sort(commands: readonly Command[]): Reading {
  const fields = new Map<string, Map<string, Decision>>()
  for (const { decision } of latest(commands).values()) {
    if (!fields.has(decision.field)) fields.set(decision.field, new Map())
    fields.get(decision.field)!.set(`${decision.target}:${decision.side}`, decision)
  }
  return new Proxy({} as Reading, { get: (_, field: string) => fields.get(field) ?? new Map() })
}

/** Reads a plan off its commands, for one anatomy. */
export function readPlan(anatomy: Anatomy, commands: readonly Command[]): Plan {
  const said = sort(commands)
  const dressing: DressingState = {
    skin: said.skin.get('lot:animal')?.value ?? true,
    head: said.head.get('lot:animal')?.value ?? false,
  }
  const wanted = new Map<string, string>()
  for (const [key, d] of said.path) if (d.value) wanted.set(key, d.value)
  const dropped: Plan['dropped'] = []
  const paths = new Map(wanted)
  for (const [key, path] of wanted) {
    const [part, side] = key.split(':') as [string, SideName]
    const issue = doorOf(anatomy, path, dressing)
    if (issue) {
      paths.delete(key)
      dropped.push({ part, side, path, issue })
    }
  }
  const fees: Plan['fees'] = {}
  for (const d of said.fee.values()) if (d.value) fees[d.target] = d.value
  return {
    choices: {
      paths,
      lines: new Map([...said.line].flatMap(([key, d]) => (d.value ? [[key, d.value] as const] : []))),
    },
    dressing,
    route: said.route.get('lot:animal')?.value ?? null,
    days: said.days.get('lot:animal')?.value ?? USUAL_DAYS,
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

/** The dressing figures that fit how the carcass was dressed. */
export function dressingOf(anatomy: Anatomy, state: DressingState): Dressing {
  const found = anatomy.chain.dressings.find((d) => d.skin === state.skin && d.head === state.head)
  return found ?? anatomy.chain.dressings[0]!
}

/** What slaughter has already closed for a path: no rind on a skinned hog. */
export function doorOf(anatomy: Anatomy, pathId: string, dressing: DressingState): Issue | null {
  const path = anatomy.paths.find((p) => p.id === pathId)
  if (path?.needs === 'skin' && !dressing.skin) return { code: 'needs-skin', field: 'path' }
  return null
}

/** Why a path cannot be taken on a side under the plan as it stands, or null when it can. */
export function refusalOf(
  anatomy: Anatomy,
  plan: Plan,
  part: string,
  side: SideName,
  pathId: string,
): Issue | null {
  const path = anatomy.paths.find((p) => p.id === pathId && p.part === part)
  if (!path) return { code: 'unknown-id', field: 'path', figures: { kind: 'path', id: pathId } }
  const partData = anatomy.parts.find((p) => p.id === part)!
  if (partData.needs === 'feet' && !plan.dressing.skin) return { code: 'needs-feet', field: 'path' }
  if (partData.needs === 'head' && !plan.dressing.head) return { code: 'needs-head', field: 'path' }
  const door = doorOf(anatomy, pathId, plan.dressing)
  if (door) return door
  for (const other of anatomy.parts) {
    if (other.id === part || other.scope !== partData.scope) continue
    const taken = anatomy.paths.find(
      (p) => p.id === (plan.choices.paths.get(`${other.id}:${side}`) ?? other.fallback),
    )
    const clash =
      path.excludes?.find((x) => x.path === taken?.id) ?? taken?.excludes?.find((x) => x.path === path.id)
    if (clash)
      return {
        code: 'shut-out',
        field: 'path',
        figures: { reason: clash.reason, part: other.id, path: taken!.id },
      }
  }
  return null
}
