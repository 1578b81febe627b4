import {
  linesThrough,
  lookup,
  openedFrom,
  sidesOf,
  type Anatomy,
  type Line,
  type Names,
  type SideName,
} from '#core/anatomy'
import type { CutSlot } from '#core/carcass'
import { issueOf, type Issue } from '#core/measure'
import { finishKind, isLater, schoolOf } from '#core/plan'
import type { Reckoning } from '#core/reading'
import { CLASS_OF, type AnimalClass, type Station } from '#core/records'
import { dressingOf } from './dressing.ts'
import { placeOf } from './places.ts'

/** What a step of the card is: before the carcass is cut, taken out of it or off it, freed, broken along a line, a part opened, a cut finished. */
export type TaskKind =
  | 'ready'
  | 'dress'
  | 'cavity'
  | 'glands'
  | 'off'
  | 'free'
  | 'line'
  | 'open'
  | 'finish'
  | 'pack'
  | 'wash'

/** One step of the work. `id` is what it is ticked by; `parts` and `cuts` are those it concerns. */
export interface Task {
  id: string
  kind: TaskKind
  names: Names
  sides: SideName[]
  parts: string[]
  /** Where it can be done, the best first. */
  stations: Station[]
}

/** A step that cannot come before another, and why. */
export interface Must {
  first: string
  then: string
  why: string
}

/** The work of a plan: its steps in the order that is proposed, and what of that order must be. */
export interface Work {
  tasks: Task[]
  musts: Must[]
}

const both = (words: string): Names => ({ american: words, commonwealth: words })

/** What comes out of the cavity before anything is cut, and what comes off the carcass (trade: order of work; common practice). */
const CAVITY = new Set([
  ...['leaf-fat', 'kidney-fat', 'suet', 'kidneys', 'hanger', 'skirts'],
  ...['liver', 'heart', 'caul', 'spleen', 'sweetbreads', 'giblets', 'loose-giblets'],
])
const OFF = new Set([
  ...['head', 'loose-head', 'tail', 'jowl', 'neck', 'loose-neck', 'feet', 'fore-foot', 'hind-foot'],
  ...['fore-hock', 'hind-hock'],
])
/** Outside of the carcass before it was hung: they lie in their tubs and wait for nobody. */
const APART = new Set(['blood', 'stomach', 'tract', 'testicles', 'udder'])
/** Where several parts feed one tub. */
const poolsOf = ({ roles }: Anatomy) =>
  new Set([roles.trim, roles.fat, 'fat', 'back-fat', 'skin', 'bones', 'frames'])

/** What a plan comes to at the bench. A part that waits for another day, or is left where it is, has no step. */
export function workOf(read: Reckoning): Work {
  const { anatomy } = read.flow
  const { part: find } = lookup(anatomy)
  const kind = CLASS_OF[anatomy.species]
  const opened = anatomy.parts.flatMap((p) => {
    const slots = sidesOf(p).flatMap((side) => slotToday(read, p.id, side))
    return slots.length > 0 ? [{ part: p, slots }] : []
  })
  const isHung = read.plan.hangs.as !== 'part' && read.weights !== null
  const here = (ids: ReadonlySet<string>) =>
    anatomy.parts.filter((p) => ids.has(p.id) && !APART.has(p.id) && (holds(read, p.id) || isOn(read, p.id)))
  const inside = isHung ? here(CAVITY).filter((p) => p.offCarcass === undefined) : []
  const ends = isHung ? here(OFF).filter((p) => p.offCarcass === undefined && !hasLine(anatomy, p.id)) : []
  const glands = isHung ? anatomy.parts.filter((p) => holds(read, p.id) && placeOf(kind, p.id)?.gland) : []
  const freed = anatomy.parts
    .filter((p) => p.extraction && read.cutting.freed(p.id).length > 0)
    .sort((a, b) => a.extraction!.order - b.extraction!.order)
  const lines = isHung ? anatomy.lines.filter((l) => isCut(read, l)) : []
  const finished = read.cuts.filter((c) => c.finishes.length > 0 && c.kg > 1e-6)
  const whole: SideName[] = ['animal']
  const tables: Station[] = kind === 'cattle' ? ['rail', 'table'] : ['table', 'rail']
  const dressing = dressingOf(read)
  const task = (
    id: string,
    kind: TaskKind,
    names: Names,
    parts: string[],
    stations: Station[],
    sides = whole,
  ): Task => ({ id, kind, names, sides, parts, stations })
  const tasks: Task[] = [
    task('ready', 'ready', both('Make ready'), [], ['table']),
    ...(dressing.length > 0 ? [task('dress', 'dress', both('Dress it'), [], ['house', 'rail'])] : []),
    ...(inside.length > 0
      ? [
          task(
            'cavity',
            'cavity',
            both('Out of the cavity'),
            inside.map((p) => p.id),
            ['rail', 'table'],
          ),
        ]
      : []),
    ...(glands.length > 0
      ? [
          task(
            'glands',
            'glands',
            both('Glands seen'),
            glands.map((p) => p.id),
            ['rail', 'table'],
          ),
        ]
      : []),
    ...(ends.length > 0
      ? [
          task(
            'off',
            'off',
            both('Neck, feet and hocks off'),
            ends.map((p) => p.id),
            ['rail', 'table'],
          ),
        ]
      : []),
    ...linesFirst(kind, lines).map((l) =>
      task(`line-${l.id}`, 'line', l.names, [], lineStations(read, kind)),
    ),
    ...freed.map((p) =>
      task(
        `free-${p.id}`,
        'free',
        {
          american: `Free the ${p.names.american.toLowerCase()}`,
          commonwealth: `Free the ${p.names.commonwealth.toLowerCase()}`,
        },
        [p.id],
        tables,
        read.cutting.freed(p.id),
      ),
    ),
    ...linesAfter(kind, lines).map((l) =>
      task(`line-${l.id}`, 'line', l.names, [], lineStations(read, kind)),
    ),
    ...inWorkingOrder(
      anatomy,
      opened.map((o) => o.part.id),
    ).map((id) => {
      const { slots } = opened.find((o) => o.part.id === id)!
      return task(
        id,
        'open',
        find(id)!.names,
        [id],
        openStations(read, slots),
        slots.map((s) => s.side),
      )
    }),
    ...finished.map((c) =>
      task(
        `finish-${c.cut.id}`,
        'finish',
        said(
          c.cut.names,
          c.finishes.map((f) => finishKind(f.finish).word),
        ),
        [],
        ['table'],
      ),
    ),
    ...(opened.length > 0 ? [task('pack', 'pack', both('Wrap, label, into the cold'), [], ['table'])] : []),
    task('wash', 'wash', both('Wash down'), [], ['table']),
  ]
  return { tasks: tasks.length > 2 ? tasks : [], musts: mustsOf(read, tasks) }
}

const said = (names: Names, words: readonly string[]): Names => ({
  american: `${names.american}: ${words.join(', ')}`,
  commonwealth: `${names.commonwealth}: ${words.join(', ')}`,
})

/** A part that is opened today; one that takes no time and makes nothing is left as it is. */
function slotToday(read: Reckoning, part: string, side: SideName): CutSlot[] {
  const slot = read.cutting.slot(part, side)
  if (!slot?.holds || slot.path.leaves || isLater(read.flow.anatomy, read.plan.held, part, side)) return []
  const ways = slot.rear ? [slot.path, slot.rear.path] : [slot.path]
  const makes = slot.rows.some((r) => r.cut?.kind === 'product' && r.green > 1e-9)
  return makes || ways.some((p) => p.minutes > 0) ? [slot] : []
}
const holds = (read: Reckoning, part: string): boolean =>
  read.cutting.slots.some((s) => s.part === part && s.holds)
/** Left on the carcass as it hangs, or thrown away, it comes off all the same. */
const isOn = (read: Reckoning, part: string): boolean =>
  read.cutting.slots.some((s) => s.part === part && s.kg > 1e-9)
/** A part that a line takes off needs no step besides. */
const hasLine = (anatomy: Anatomy, part: string): boolean =>
  anatomy.bands.some((b) => b.spans.some((s) => s.part === part && s.until !== 'end'))

/** Parts on both sides of a line, by the bands that it crosses. */
export function besides(anatomy: Anatomy, line: Line): { ahead: string[]; behind: string[] } {
  const ahead = new Set<string>()
  const behind = new Set<string>()
  for (const { spans } of anatomy.bands)
    spans.forEach((s, i) => {
      if (line.kind === 'along') {
        if (s.below?.line !== line.id) return
        ahead.add(s.part)
        behind.add(s.below.part)
        return
      }
      const next = spans[i + 1]
      if (s.until !== line.id || !next) return
      for (const x of [s.part, s.below?.part]) if (x !== undefined) ahead.add(x)
      for (const x of [next.part, next.below?.part]) if (x !== undefined) behind.add(x)
    })
  return { ahead: [...ahead].filter((p) => !behind.has(p)), behind: [...behind].filter((p) => !ahead.has(p)) }
}
/** A line with meat on both sides of it is cut. */
const isCut = (read: Reckoning, line: Line): boolean => {
  const { ahead, behind } = besides(read.flow.anatomy, line)
  return ahead.some((p) => holds(read, p)) && behind.some((p) => holds(read, p))
}

/** Beef is quartered before its tenderloin is freed: the side is too heavy to turn (common practice). */
const linesFirst = (kind: AnimalClass, lines: readonly Line[]) =>
  lines.filter((l) => isBeforeFreeing(kind, l))
const linesAfter = (kind: AnimalClass, lines: readonly Line[]) =>
  lines.filter((l) => !isBeforeFreeing(kind, l))
const isBeforeFreeing = (kind: AnimalClass, line: Line) => kind === 'cattle' && line.id === 'quarter-line'

/** A steer is broken as it hangs, what one lifts on the table (common practice); where a band saw is used, at the saw. */
const lineStations = ({ plan }: Reckoning, kind: AnimalClass): Station[] => {
  const usual: Station[] = kind === 'cattle' ? ['rail', 'table'] : ['table', 'rail']
  return schoolOf(plan.schools, 'saw') === 'band-saw' ? ['saw', ...usual] : [...usual, 'saw']
}

function openStations({ plan }: Reckoning, slots: readonly CutSlot[]): Station[] {
  const tools = new Set(slots.flatMap((s) => [s.path.tool, ...(s.rear ? [s.rear.path.tool] : [])]))
  if (tools.has('grinder')) return ['grinder']
  if (tools.has('cure')) return ['house']
  if (tools.has('saw'))
    return schoolOf(plan.schools, 'saw') === 'band-saw' ? ['saw', 'table'] : ['table', 'saw']
  return ['table', 'rail']
}

/** Part after part down the carcass, what comes out of one straight behind it: one primal on the block; pools last. */
function inWorkingOrder(anatomy: Anatomy, parts: readonly string[]): string[] {
  const pools = poolsOf(anatomy)
  const out: string[] = []
  const add = (id: string) => {
    if (parts.includes(id) && !out.includes(id)) out.push(id)
    for (const p of anatomy.parts) if (!pools.has(p.id) && openedFrom(anatomy, p.id) === id) add(p.id)
  }
  const isInnard = (id: string) => CAVITY.has(id) || APART.has(id)
  const first = anatomy.parts.filter((p) => isInnard(p.id) || OFF.has(p.id))
  for (const p of first) add(p.id)
  for (const p of anatomy.parts) if (!pools.has(p.id) && openedFrom(anatomy, p.id) === null) add(p.id)
  for (const id of parts) if (!out.includes(id)) out.push(id)
  return out
}

/** What must come before what, with its reason; only of steps that are there. */
function mustsOf(read: Reckoning, tasks: readonly Task[]): Must[] {
  const { anatomy } = read.flow
  const ids = new Set(tasks.map((t) => t.id))
  const of = (kind: TaskKind) => tasks.filter((t) => t.kind === kind).map((t) => t.id)
  const musts: Must[] = []
  const must = (first: string, then: string, why: string) => {
    if (first !== then && ids.has(first) && ids.has(then)) musts.push({ first, then, why })
  }
  const [lines, opens, frees] = [of('line'), of('open'), of('free')]
  for (const t of tasks) {
    must('ready', t.id, 'the board, the knives and the tubs come first.')
    if (t.id !== 'ready') must('dress', t.id, 'the animal is dressed and chilled before it is cut.')
    if (t.id !== 'wash') must(t.id, 'wash', 'the room is washed when all is in the cold.')
    if (t.id !== 'wash' && t.id !== 'pack') must(t.id, 'pack', 'what is not cut yet cannot be wrapped.')
  }
  for (const then of [...lines, ...frees]) {
    must('cavity', then, 'kidneys and their fat lie over what is cut there, and hide it.')
    must('glands', then, 'a line cut through a gland puts its juice on the meat.')
    must('off', then, 'necks, feet and hocks are in the way of every line, and dirty.')
  }
  // Each part is there when it is cut off its neighbours, or freed, or taken out of what it lies in.
  for (const line of anatomy.lines) {
    const { ahead, behind } = besides(anatomy, line)
    for (const part of [...ahead, ...behind])
      must(`line-${line.id}`, part, 'it hangs together with its neighbour until that line is cut.')
  }
  for (const t of tasks) {
    if (t.kind === 'cavity') for (const part of t.parts) must('cavity', part, 'it is still in the carcass.')
    if (t.kind === 'off') for (const part of t.parts) must('off', part, 'it is still on the carcass.')
  }
  for (const id of frees) {
    const part = id.slice('free-'.length)
    must(id, part, 'it lies under what it is freed from.')
    for (const line of crossing(read, part)) {
      const cut = `line-${line.id}`
      if (isBeforeFreeing(CLASS_OF[anatomy.species], line))
        must(cut, id, 'a side of beef is quartered before it can be turned.')
      else must(id, cut, 'that line would be cut through it, and its head stays behind.')
    }
    for (const slot of read.cutting.slots)
      if (slot.path.extracts?.some((x) => x.part === part))
        must(id, slot.part, 'it is lifted from under it while it lies whole.')
  }
  const pools = poolsOf(anatomy)
  for (const slot of read.cutting.slots)
    for (const row of slot.rows) {
      if (row.part === null || row.green <= 1e-9) continue
      must(
        slot.part,
        row.part,
        pools.has(row.part) ? 'not all that goes into it is there yet.' : 'it comes out of that.',
      )
    }
  for (const id of of('finish')) {
    const cut = id.slice('finish-'.length)
    for (const slot of read.cutting.slots)
      if (slot.rows.some((r) => r.cut?.id === cut && r.green > 1e-9))
        must(slot.part, id, 'it is not cut yet.')
  }
  return unique(musts.filter((m) => opens.includes(m.then) || m.then !== m.first))
}
const unique = (musts: readonly Must[]): Must[] =>
  [...new Map(musts.toReversed().map((m) => [`${m.first} ${m.then}`, m])).values()].toReversed()

/** Lines that would be cut through a part that is freed before them. */
const crossing = (read: Reckoning, part: string): Line[] =>
  linesThrough(read.flow.anatomy, part, read.cutting.lineAt(read.cutting.freed(part)[0] ?? 'left'))

/** A step that was wanted earlier than it can be. */
export interface Bent {
  task: string
  must: Must
}

/**
 * The steps in the order that is wanted as far as it can be: of those whose turn it could be, the one that was wanted first. A
 * step that nobody put anywhere stays behind the one it is proposed behind. What had to wait is said, with its reason.
 */
export function inOrder({ tasks, musts }: Work, wanted: readonly string[]): { tasks: Task[]; bent: Bent[] } {
  const rank = ranksOf(tasks, wanted)
  const waiting = new Map(tasks.map((t) => [t.id, t]))
  const before = new Map<string, string[]>()
  for (const m of musts) before.set(m.then, [...(before.get(m.then) ?? []), m.first])
  const out: Task[] = []
  while (waiting.size > 0) {
    const ready = [...waiting.values()].filter((t) => !before.get(t.id)?.some((id) => waiting.has(id)))
    const [next] = ready.sort((a, b) => rank.get(a.id)! - rank.get(b.id)!)
    if (!next) throw new Error('steps that wait for one another')
    waiting.delete(next.id)
    out.push(next)
  }
  const said = new Set(wanted)
  const bent = musts
    .filter((m) => said.has(m.first) && said.has(m.then) && rank.get(m.first)! > rank.get(m.then)!)
    .map((must) => ({ task: must.then, must }))
  return { tasks: out, bent: [...new Map(bent.map((b) => [b.task, b])).values()] }
}

/** Wanted steps in their order, each of the others behind the one it is proposed behind. */
function ranksOf(tasks: readonly Task[], wanted: readonly string[]): Map<string, number> {
  const known = new Set(tasks.map((t) => t.id))
  const order = wanted.filter((id) => known.has(id))
  tasks.forEach((t, i) => {
    if (order.includes(t.id)) return
    const ahead = tasks.slice(0, i).findLast((x) => order.includes(x.id))
    order.splice(ahead ? order.indexOf(ahead.id) + 1 : 0, 0, t.id)
  })
  return new Map(order.map((id, i) => [id, i]))
}

/** Why a step cannot be put at a place among the others as they stand now; null where it can. */
export function cannotMove(
  { tasks, musts }: Work,
  order: readonly string[],
  id: string,
  to: number,
): Issue | null {
  const moved = order.filter((x) => x !== id)
  moved.splice(to, 0, id)
  const at = new Map(moved.map((x, i) => [x, i]))
  const broken = musts.find((m) => (m.first === id || m.then === id) && at.get(m.first)! > at.get(m.then)!)
  if (!broken) return null
  const names = (x: string) => tasks.find((t) => t.id === x)!.names
  return issueOf('order-cannot', 'order', {
    step: names(broken.then),
    other: names(broken.first),
    why: broken.why,
  })
}

/** Where a step is done: where it was asked for, if it can be there and the station is to be had, else the best that is left; null: nowhere. */
export function stationOf(
  { id, stations }: Task,
  asked: ReadonlyMap<string, Station>,
  closed: ReadonlySet<Station>,
): Station | null {
  const wanted = asked.get(id)
  if (wanted && stations.includes(wanted) && !closed.has(wanted)) return wanted
  return stations.find((s) => !closed.has(s)) ?? null
}

/** The work of a plan in the order and at the stations that its decisions ask for. */
export interface Ordered extends Work {
  bent: Bent[]
  at: ReadonlyMap<string, Station | null>
}
export function orderedWork(read: Reckoning): Ordered {
  const work = workOf(read)
  const { tasks, bent } = inOrder(work, read.plan.order)
  const at = new Map(tasks.map((t) => [t.id, stationOf(t, read.plan.stations, read.plan.closed)]))
  return { tasks, musts: work.musts, bent, at }
}

/** What is done elsewhere, or nowhere, when a station is not to be had: from where to where. */
export function remade(read: Reckoning, station: Station): { task: Task; to: Station | null }[] {
  const { tasks, at } = orderedWork(read)
  const closed = new Set([...read.plan.closed, station])
  return tasks.flatMap((task) =>
    at.get(task.id) === station ? [{ task, to: stationOf(task, read.plan.stations, closed) }] : [],
  )
}
