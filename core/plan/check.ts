import type { Anatomy } from '#core/anatomy'
import type { Issue } from '#core/measure'
import type { Command, Decision } from './commands.ts'
import { readPlan, refusalOf } from './read.ts'

const unknown = (field: string, kind: string, id: string): Issue => ({
  code: 'unknown-id',
  field,
  figures: { kind, id },
})

function unknownIn(anatomy: Anatomy, d: Decision): Issue | null {
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
      if (!line) return unknown('target', 'line', d.target)
      return d.value && !line.settings.some((s) => s.id === d.value)
        ? unknown('value', 'line setting', d.value)
        : null
    }
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
  const blank = { id: '', seq: 0, batch: '', undoes: null, redoes: null, at: '' }
  const after = readPlan(anatomy, [...kept, ...added.map((decision) => ({ ...blank, decision }))])
  return added.flatMap((d, i) => {
    if (d.field !== 'path' || !d.value) return []
    const issue = refusalOf(anatomy, after, d.target, d.side, d.value)
    return issue ? [{ ...issue, field: `decisions.${i}.value` }] : []
  })
}
