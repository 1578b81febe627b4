import same from 'fast-deep-equal'
import { issueOf, type Issue } from '#core/measure'
import {
  inForce,
  subjectOf,
  UNNAMED,
  type Author,
  type Command,
  type Decision,
  type Fact,
  type FactBody,
} from '#core/records'
import type { FactRow } from './facts.ts'

/** What reading needs of a decision that was kept. */
export type CommandRow = Pick<
  Command,
  'id' | 'rev' | 'batch' | 'undoes' | 'redoes' | 'decision' | 'device' | 'person'
>
/** All that was decided and all that was seen of a lot. */
export interface Log {
  commands: readonly CommandRow[]
  facts: readonly FactRow[]
  /** One side of each animal: no way that leaves it in one piece. */
  half?: boolean
}
export const NO_LOG: Log = { commands: [], facts: [] }
/** What can be said of a lot: a decision of its plan, or a fact. */
export type Said = Decision | FactBody

/** Two decisions on the same key are about the same thing; on different keys they merge. */
export const decisionKey = (d: Pick<Decision, 'target' | 'side' | 'field'>) =>
  `${d.field}|${d.target}|${d.side}`

/** The last decision on every key. */
export function latest<C extends Pick<CommandRow, 'decision'>>(commands: readonly C[]): Map<string, C> {
  const last = new Map<string, C>()
  for (const c of commands) last.set(decisionKey(c.decision), c)
  return last
}

/** A decision taken elsewhere on the same field since the page last heard: both are shown. */
export interface Conflict {
  mine: Decision
  theirs: Decision
  rev: number
  /** The device it was taken on. */
  by: string
}

/** Decisions that someone else took on the same fields after `base`, with another value; `own` batches are not someone else. */
export function conflicts(
  commands: readonly CommandRow[],
  base: number,
  mine: readonly Decision[],
  own: readonly string[] = [],
): Conflict[] {
  const last = latest(commands)
  return mine.flatMap((d) => {
    const other = last.get(decisionKey(d))
    if (!other || other.rev <= base || own.includes(other.batch)) return []
    return same(other.decision.value, d.value)
      ? []
      : [{ mine: d, theirs: other.decision, rev: other.rev, by: other.device }]
  })
}

/** A fact that another corrected, or first stated, since the page last heard. */
export interface FactConflict {
  mine: FactBody | null
  theirs: FactBody | null
  /** The record to correct, for who keeps theirs. */
  id: string
}

/** The fact in force about the same thing, whichever it is. */
export function standingFact(facts: readonly FactRow[], fact: FactBody): FactRow | null {
  const subject = subjectOf(fact)
  return subject === null ? null : (inForce(facts).find((f) => subjectOf(f.fact) === subject) ?? null)
}

/** A field of a batch that another decided on since: what taking the batch back would set, and what stands. */
export interface Contested {
  mine: Decision
  theirs: CommandRow
}
/** A batch taken back or brought back: what is appended for it, and what is not its author's to change any more. */
export interface Inverse {
  batch: string
  decisions: Decision[]
  contested: Contested[]
}

/** The same person on any device; where nobody is named, the same device. */
const isBy = (c: CommandRow, by: Author) =>
  c.device === UNNAMED || (c.person === by.person && (by.person !== UNNAMED || c.device === by.device))

function take(stack: string[], batch: string) {
  const at = stack.lastIndexOf(batch)
  if (at >= 0) stack.splice(at, 1)
}

/** Batches of one author that can be taken back and brought back, oldest first; an undo is itself a batch in the list. */
function stacks(commands: readonly CommandRow[], by: Author) {
  const undo: string[] = []
  const redo: string[] = []
  const seen = new Set<string>()
  for (const c of commands) {
    if (seen.has(c.batch) || !isBy(c, by)) continue
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

/** Fields of a batch that nobody else has decided on since: only those are its author's to take back. */
function ownFields(commands: readonly CommandRow[], batch: string, by: Author): CommandRow[] {
  const now = latest(commands)
  return [...latest(commands.filter((c) => c.batch === batch)).values()].filter((c) =>
    isBy(now.get(decisionKey(c.decision))!, by),
  )
}

/** Fields of a batch with the values they are set to by taking it back: those they had before it. */
function before(commands: readonly CommandRow[], batch: string): Decision[] {
  const first = commands.findIndex((c) => c.batch === batch)
  const then = latest(commands.slice(0, first))
  return after(commands, batch).map(
    (decision) =>
      ({ ...decision, value: then.get(decisionKey(decision))?.decision.value ?? null }) as Decision,
  )
}
/** Fields of a batch with the values they are set to by bringing it back. */
const after = (commands: readonly CommandRow[], batch: string): Decision[] =>
  [...latest(commands.filter((c) => c.batch === batch)).values()].map((c) => c.decision)

/** What of these an author may still set, and what another decided since; a field that stands so already is neither. */
function inverse(commands: readonly CommandRow[], batch: string, wanted: Decision[], by: Author): Inverse {
  const now = latest(commands)
  const standing = (d: Decision) => now.get(decisionKey(d))!
  const others = wanted.filter((d) => !isBy(standing(d), by))
  return {
    batch,
    decisions: wanted.filter((d) => isBy(standing(d), by)),
    contested: others
      .filter((d) => !same(standing(d).decision.value, d.value))
      .map((mine) => ({ mine, theirs: standing(mine) })),
  }
}

function newest(
  stack: string[],
  passed: ReadonlySet<string>,
  of: (batch: string) => Inverse,
): Inverse | null {
  for (const batch of stack.toReversed()) {
    const found = passed.has(batch) ? null : of(batch)
    if (found && found.decisions.length + found.contested.length > 0) return found
  }
  return null
}
const NONE: ReadonlySet<string> = new Set()

/**
 * What Undo would append now, or null when nothing of this author is left to take back: another's decision is never
 * undone. Where another has decided on a field since, both come back and a person says which counts; batches that were
 * `passed` then are left as they are. Survives reload: it is read off the list.
 */
export const nextUndo = (commands: readonly CommandRow[], by: Author, passed = NONE): Inverse | null =>
  newest(stacks(commands, by).undo, passed, (b) => inverse(commands, b, before(commands, b), by))

/** What Redo would append now, or null. */
export const nextRedo = (commands: readonly CommandRow[], by: Author, passed = NONE): Inverse | null =>
  newest(stacks(commands, by).redo, passed, (b) => inverse(commands, b, after(commands, b), by))

/** Of decisions that take back or bring back a batch, those on a field that another has decided on since. */
export function contestedBy(
  commands: readonly CommandRow[],
  { undoes, redoes }: { undoes: string | null; redoes: string | null },
  decisions: readonly Decision[],
  by: Author,
): Contested[] {
  if (undoes === null && redoes === null) return []
  return inverse(
    commands,
    '',
    decisions.filter((d) => latest(commands).has(decisionKey(d))),
    by,
  ).contested
}

/**
 * What is wrong with a batch that takes back (`undoes`) or brings back (`redoes`) another: it must be there, of the same
 * author, and all of it that is still theirs must be in it.
 */
export function checkUndo(
  commands: readonly CommandRow[],
  { undoes, redoes }: { undoes: string | null; redoes: string | null },
  decisions: readonly Decision[],
  by: Author,
): Issue[] {
  const batch = undoes ?? redoes
  if (batch === null) return []
  const field = undoes ? 'undoes' : 'redoes'
  const rows = commands.filter((c) => c.batch === batch)
  if (rows.length > 0 && !rows.every((c) => isBy(c, by))) return [issueOf('undo-not-yours', field, {})]
  const { undo, redo } = stacks(commands, by)
  if (!(undoes ? undo : redo).includes(batch)) return [issueOf('nothing-to-undo', field, {})]
  const then = new Set(rows.map((c) => decisionKey(c.decision)))
  const now = new Set(decisions.map(decisionKey))
  const whole = ownFields(commands, batch, by).every((c) => now.has(decisionKey(c.decision)))
  return whole && [...now].every((key) => then.has(key)) ? [] : [issueOf('undo-elsewhere', field, {})]
}

/** The log as it would be with these things said, kept nowhere: what a plan is tried with. */
export function tried(log: Log, said: readonly Said[]): Log {
  const last = log.commands.at(-1)?.rev ?? 0
  const commands = [...log.commands]
  const facts = [...log.facts]
  said.forEach((s, i) => {
    if ('field' in s)
      commands.push({
        id: '',
        rev: last + 1 + i,
        batch: '',
        undoes: null,
        redoes: null,
        decision: s,
        device: UNNAMED,
        person: UNNAMED,
      })
    else
      facts.push({
        id: `tried ${i}`,
        corrects: standingFact(facts, s)?.id ?? null,
        stands: true,
        fact: s,
        at: '',
      } satisfies Pick<Fact, keyof FactRow>)
  })
  return { commands, facts, ...(log.half && { half: true }) }
}
