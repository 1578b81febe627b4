import type { Issue } from '#core/measure'
import type { Command, Decision } from './commands.ts'

/** Two decisions on the same key are about the same thing; on different keys they merge. */
export const decisionKey = (d: Pick<Decision, 'target' | 'side' | 'field'>) =>
  `${d.field}|${d.target}|${d.side}`

/** The last decision on every key. */
export function latest(commands: readonly Command[]): Map<string, Command> {
  const last = new Map<string, Command>()
  for (const c of commands) last.set(decisionKey(c.decision), c)
  return last
}

/** A decision taken elsewhere on the same field since the page last heard: both are shown. */
export interface Conflict {
  mine: Decision
  theirs: Decision
  seq: number
}

/** Decisions that someone else took on the same fields after `base`, with another value; `own` batches are not someone else. */
export function conflicts(
  commands: readonly Command[],
  base: number,
  mine: readonly Decision[],
  own: readonly string[] = [],
): Conflict[] {
  const last = latest(commands)
  return mine.flatMap((d) => {
    const other = last.get(decisionKey(d))
    if (!other || other.seq <= base || own.includes(other.batch)) return []
    if (JSON.stringify(other.decision.value) === JSON.stringify(d.value)) return []
    return [{ mine: d, theirs: other.decision, seq: other.seq }]
  })
}

interface Inverse {
  batch: string
  decisions: Decision[]
}

function take(stack: string[], batch: string) {
  const at = stack.lastIndexOf(batch)
  if (at >= 0) stack.splice(at, 1)
}

/** Batches that can be taken back and brought back, oldest first; an undo or redo is itself a batch in the list. */
function stacks(commands: readonly Command[]) {
  const undo: string[] = []
  const redo: string[] = []
  const seen = new Set<string>()
  for (const c of commands) {
    if (seen.has(c.batch)) continue
    seen.add(c.batch)
    if (c.undoes) {
      take(undo, c.undoes)
      redo.push(c.undoes)
    } else if (c.redoes) {
      take(redo, c.redoes)
      undo.push(c.redoes)
    } else {
      undo.push(c.batch)
      redo.length = 0
    }
  }
  return { undo, redo }
}

/** The values the batch's fields had before it: what taking it back appends. */
function before(commands: readonly Command[], batch: string): Decision[] {
  const first = commands.findIndex((c) => c.batch === batch)
  const then = latest(commands.slice(0, first))
  const own = latest(commands.filter((c) => c.batch === batch))
  return [...own.values()].map(
    ({ decision }) =>
      ({ ...decision, value: then.get(decisionKey(decision))?.decision.value ?? null }) as Decision,
  )
}

/** What Undo would append now, or null when nothing is left to take back. Survives reload: it is read off the list. */
export function nextUndo(commands: readonly Command[]): Inverse | null {
  const batch = stacks(commands).undo.at(-1)
  return batch ? { batch, decisions: before(commands, batch) } : null
}

/** What Redo would append now, or null. */
export function nextRedo(commands: readonly Command[]): Inverse | null {
  const batch = stacks(commands).redo.at(-1)
  if (!batch) return null
  return {
    batch,
    decisions: [...latest(commands.filter((c) => c.batch === batch)).values()].map((c) => c.decision),
  }
}

/** What is wrong with a batch that takes back (`undoes`) or brings back (`redoes`) another: it must be there to take. */
export function checkUndo(
  commands: readonly Command[],
  { undoes, redoes }: { undoes: string | null; redoes: string | null },
  decisions: readonly Decision[],
): Issue[] {
  const batch = undoes ?? redoes
  if (batch === null) return []
  const field = undoes ? 'undoes' : 'redoes'
  const { undo, redo } = stacks(commands)
  if (!(undoes ? undo : redo).includes(batch)) return [{ code: 'nothing-to-undo', field }]
  const then = new Set(commands.filter((c) => c.batch === batch).map((c) => decisionKey(c.decision)))
  const now = new Set(decisions.map(decisionKey))
  const same = then.size === now.size && [...then].every((key) => now.has(key))
  return same ? [] : [{ code: 'undo-elsewhere', field }]
}

/** The list as it would be with these decisions taken, kept nowhere: what a plan is tried with. */
export function tried(commands: readonly Command[], decisions: readonly Decision[]): Command[] {
  const last = commands.at(-1)?.seq ?? 0
  return [
    ...commands,
    ...decisions.map((decision, i) => ({
      id: '',
      seq: last + 1 + i,
      batch: '',
      undoes: null,
      redoes: null,
      decision,
      at: '',
    })),
  ]
}
