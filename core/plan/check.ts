import type { Anatomy, SideName } from '#core/anatomy'
import type { Issue } from '#core/measure'
import { routesFor } from '#core/rules'
import type { Command, Decision } from './commands.ts'
import { tried } from './history.ts'
import { readPlan, refusalOf, type Plan } from './read.ts'

const unknown = (field: string, kind: string, id: string): Issue => ({
  code: 'unknown-id',
  field,
  figures: { kind, id },
})

/** What a decision names that the anatomy does not have, or a figure out of its bounds; null when all is there. */
export function unknownIn(anatomy: Anatomy, d: Decision): Issue | null {
  switch (d.field) {
    case 'path': {
      const part = anatomy.parts.find((p) => p.id === d.target)
      if (!part) return unknown('target', 'part', d.target)
      if ((part.scope === 'animal') !== (d.side === 'animal'))
        return unknown('side', `side of the ${part.id}`, d.side)
      return d.value && !anatomy.paths.some((p) => p.id === d.value && p.part === part.id)
        ? unknown('value', 'path', d.value)
        : null
    }
    case 'line': {
      const line = anatomy.lines.find((l) => l.id === d.target)
      if (line?.kind !== 'across') return unknown('target', 'line', d.target)
      return d.value && !line.settings.some((s) => s.id === d.value)
        ? unknown('value', 'line setting', d.value)
        : null
    }
    case 'mm': {
      const line = anatomy.lines.find((l) => l.id === d.target)
      if (line?.kind !== 'along') return unknown('target', 'long line', d.target)
      return d.value !== null && (d.value < line.mm.low || d.value > line.mm.high)
        ? {
            code: 'line-out-of-range',
            field: 'value',
            figures: {
              line: line.names.american,
              typed: d.value,
              low: line.mm.low,
              high: line.mm.high,
            },
          }
        : null
    }
    case 'ribs': {
      const { ribs, names } = anatomy
      if (d.value === null || (ribs && d.value >= ribs.low && d.value <= ribs.high)) return null
      return {
        code: 'ribs-impossible',
        field: 'value',
        figures: {
          what: names.american.toLowerCase(),
          typed: d.value,
          low: ribs?.low ?? 0,
          high: ribs?.high ?? 0,
        },
      }
    }
    case 'route':
      return !d.value || routesFor(anatomy.species).some((r) => r.id === d.value)
        ? null
        : unknown('value', `route for a ${anatomy.names.american.toLowerCase()}`, d.value)
    case 'step':
      return ['break', ...anatomy.parts.flatMap((p) => [p.id, `free-${p.id}`])].includes(d.target)
        ? null
        : unknown('target', 'step', d.target)
    case 'convention':
      return anatomy.conventions.some((c) => c.id === d.target)
        ? null
        : unknown('target', 'way of dressing', d.target)
    case 'measure': {
      const m = anatomy.measures.find((x) => x.id === d.target)
      if (!m) return unknown('target', 'carcass measurement', d.target)
      return d.value !== null && (d.value < m.low || d.value > m.high)
        ? {
            code: 'measure-impossible',
            field: 'value',
            figures: { what: m.names.american, typed: d.value, unit: m.unit, low: m.low, high: m.high },
          }
        : null
    }
    case 'portion':
    case 'index':
    case 'price':
    case 'lock':
    case 'floor':
    case 'ceiling':
    case 'sold':
    case 'done':
      return anatomy.cuts.some((c) => c.id === d.target) ? null : unknown('target', 'cut', d.target)
    default:
      return null
  }
}

/** What was cut is cut: a ticked part keeps its way, and ticked lines lie where they are. */
function frozenBy(plan: Plan, d: Decision): Issue | null {
  if (
    d.field === 'path' &&
    plan.steps.get(`${d.target}:${d.side}`) &&
    d.value !== plan.choices.paths.get(`${d.target}:${d.side}`)
  )
    return { code: 'step-done', field: 'value', figures: { part: d.target } }
  const line = d.field === 'line' || d.field === 'mm'
  return line && plan.steps.get('break:animal')
    ? { code: 'step-done', field: 'value', figures: { part: 'line' } }
    : null
}

/**
 * What is wrong with decisions about to be kept: ids the anatomy does not have, and paths that the plan,
 * with all of them taken, would shut out. `restoring` (an undo or redo) is only checked for ids.
 */
export function checkDecisions(
  anatomy: Anatomy,
  kept: readonly Command[],
  added: readonly Decision[],
  restoring: boolean,
): Issue[] {
  const strangers = added.flatMap((d, i) => {
    const issue = unknownIn(anatomy, d)
    return issue ? [{ ...issue, field: `decisions.${i}.${issue.field}` }] : []
  })
  if (strangers.length > 0 || restoring) return strangers
  const after = readPlan(anatomy, tried(kept, added))
  const before = readPlan(anatomy, kept)
  return added.flatMap((d, i) => {
    const frozen = frozenBy(before, d)
    if (frozen) return [{ ...frozen, field: `decisions.${i}.value` }]
    if (d.field !== 'path' || !d.value) return []
    const lost = after.dropped.find((x) => x.part === d.target && x.side === d.side && x.path === d.value)
    const sides: SideName[] = d.side === 'animal' ? ['animal'] : ['left', 'right']
    const taken = sides.filter((s) => after.choices.paths.get(`${d.target}:${s}`) === d.value)
    const issue = lost?.issue ?? refusalOf(anatomy, after, d.target, taken, d.value)
    return issue ? [{ ...issue, field: `decisions.${i}.value` }] : []
  })
}
