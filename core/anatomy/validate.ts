import { linePositions } from './axis.ts'
import { TISSUES, type Anatomy, type Part, type Path } from './types.ts'

export interface AnatomyFault {
  where: string
  what: string
}
type Fault = (where: string, what: string) => void

const CLOSED = 1e-9
const percent = (x: number) => `${Number((Math.abs(x) * 100).toPrecision(3))} %`

/**
 * What is wrong with an anatomy: tissue that does not close, names that are missing, references to
 * nothing, parts nothing reaches, parts that come out of themselves, lines off the axis. Empty when sound.
 */
export function validateAnatomy(a: Anatomy): AnatomyFault[] {
  const faults: AnatomyFault[] = []
  const fault: Fault = (where, what) => void faults.push({ where, what })
  idsAndNames(a, fault)
  bands(a, fault)
  lines(a, fault)
  paths(a, fault)
  tree(a, fault)
  const isNamed = (id: string) => [...a.cuts, ...a.parts].some((x) => x.id === id)
  for (const id of Object.values(a.roles)) if (!isNamed(id)) fault('roles', `name unknown ${id}`)
  for (const id of Object.values(a.quarters ?? {}).flat())
    if (!a.parts.some((p) => p.id === id)) fault('quarters', `name unknown ${id}`)
  for (const { id, hefts = {} } of a.types)
    for (const name of Object.keys(hefts))
      if (!a.bands.some((b) => b.id === name)) fault(id, `is heavy in unknown ${name}`)
  for (const { id, builds = [] } of a.types)
    for (const name of builds.flatMap((b) => [b.part, ...b.to]))
      if (!isNamed(name)) fault(id, `builds unknown ${name}`)
  return faults
}

function idsAndNames(a: Anatomy, fault: Fault) {
  for (const [kind, list] of [
    ['cut', a.cuts],
    ['part', a.parts],
    ['path', a.paths],
    ['line', a.lines],
    ['convention', a.conventions],
  ] as const) {
    const seen = new Set<string>()
    for (const x of list) {
      if (seen.has(x.id)) fault(x.id, `is the id of two ${kind}s`)
      seen.add(x.id)
      if (!x.names.american || !x.names.commonwealth) fault(x.id, 'lacks a name in one set')
    }
  }
}

function bands(a: Anatomy, fault: Fault) {
  const parts = new Set(a.parts.map((p) => p.id))
  const across = new Set(a.lines.filter((l) => l.kind === 'across').map((l) => l.id))
  const along = new Set(a.lines.filter((l) => l.kind === 'along').map((l) => l.id))
  for (const band of a.bands) {
    for (const t of TISSUES) {
      const cells = band.along[t]
      const sum = cells.reduce((s, x) => s + x, 0)
      if (cells.length !== a.axis.length)
        fault(band.id, `${t} has ${cells.length} cells, the axis ${a.axis.length}`)
      if (band.tissue[t] > 0 && Math.abs(sum - 1) > CLOSED) fault(band.id, `${t} cells add up to ${sum}`)
      if (band.tissue[t] < 0 || cells.some((x) => x < 0)) fault(band.id, `${t} is negative somewhere`)
    }
    for (const span of band.spans) {
      for (const id of [span.part, span.below?.part, span.spills?.part])
        if (id && !parts.has(id)) fault(band.id, `spans to unknown part ${id}`)
      if (span.until !== 'end' && !across.has(span.until))
        fault(band.id, `ends at unknown line ${span.until}`)
      const beyond = span.below ?? span.spills
      if (beyond && !along.has(beyond.line)) fault(band.id, `is divided by unknown long line ${beyond.line}`)
      if (beyond && !((band.toMm ?? 0) > (band.fromMm ?? 0)))
        fault(band.id, 'is divided by a long line but does not say how far it reaches')
    }
  }
}

function lines(a: Anatomy, fault: Fault) {
  for (const line of a.lines) {
    if (line.kind === 'along') {
      const { low, high, step, usual } = line.mm
      if (!(low <= usual && usual <= high && step > 0))
        fault(line.id, `${usual} mm lies outside ${low} to ${high} mm`)
      continue
    }
    if (!line.settings.some((s) => s.id === line.fallback))
      fault(line.id, 'falls back to no setting of its own')
    for (const s of line.settings) {
      const at = linePositions(a, (l) => (l.id === line.id ? s.id : undefined)).at[line.id]!
      if (!(at >= 0 && at <= a.axis.length)) fault(line.id, `${s.id} lies outside the axis`)
    }
  }
}

function paths(a: Anatomy, fault: Fault) {
  const cuts = new Set(a.cuts.map((c) => c.id))
  const parts = new Map(a.parts.map((p) => [p.id, p]))
  const byId = new Map(a.paths.map((p) => [p.id, p]))
  const conventions = new Set(a.conventions.map((c) => c.id))
  const needs = (where: string, list: readonly string[] = []) => {
    for (const n of list)
      if (!conventions.has(n.replace('!', ''))) fault(where, `needs unknown convention ${n}`)
  }
  for (const p of a.parts) {
    needs(p.id, p.needs)
    if (byId.get(p.fallback)?.part !== p.id)
      fault(p.id, `falls back to ${p.fallback}, which is none of its paths`)
    if (p.offCarcass && p.scope !== 'animal') fault(p.id, 'is no carcass but has sides')
  }
  for (const path of a.paths) {
    needs(path.id, path.needs)
    if (!parts.has(path.part)) fault(path.id, `opens unknown part ${path.part}`)
    if (path.outputs.some((o) => (o.cut === undefined) === (o.part === undefined)))
      fault(path.id, 'has an output that is not one cut or one part')
    for (const t of TISSUES) {
      const off = path.outputs.reduce((s, o) => s + o[t], 0) - 1
      if (Math.abs(off) > CLOSED)
        fault(path.id, `${t} does not close: ${percent(off)} is ${off < 0 ? 'missing' : 'there twice'}`)
    }
    for (const o of path.outputs) {
      if (o.cut !== undefined && !cuts.has(o.cut)) fault(path.id, `makes unknown cut ${o.cut}`)
      if (o.part !== undefined) childOf(path, parts.get(o.part), o.part, parts.get(path.part), fault)
      if (o.last !== undefined && !(o.last > 0)) fault(path.id, `takes ${o.cut ?? o.part} from no length`)
      if (o.along && !(o.along[0] >= 0 && o.along[0] < o.along[1] && o.along[1] <= 1))
        fault(path.id, `takes ${o.cut ?? o.part} from a stretch beyond its part`)
      if (TISSUES.some((t) => o[t] < 0)) fault(path.id, `gives a negative share to ${o.cut ?? o.part}`)
    }
    for (const x of [...(path.excludes ?? []), ...(path.together ?? [])])
      if (!byId.has(x.path)) fault(path.id, `refers to unknown path ${x.path}`)
    for (const x of path.shutsOut ?? [])
      if (!cuts.has(x.cut)) fault(path.id, `shuts out unknown cut ${x.cut}`)
    for (const x of path.extracts ?? [])
      if (!parts.get(x.part)?.extraction) fault(path.id, `extracts unknown part ${x.part}`)
  }
}

function childOf(path: Path, child: Part | undefined, id: string, parent: Part | undefined, fault: Fault) {
  if (!child) fault(path.id, `opens into unknown part ${id}`)
  else if (parent?.scope === 'animal' && child.scope === 'side')
    fault(path.id, `opens into ${id}, which has sides, but ${parent.id} has none`)
}

/** The part another comes out of; null for what hangs by itself, and for pools that several parts feed. */
export function openedFrom({ paths }: Pick<Anatomy, 'paths'>, part: string): string | null {
  let from = sources.get(paths)
  if (!from) {
    from = new Map()
    for (const p of paths)
      for (const o of p.outputs) {
        if (o.part === undefined) continue
        if (!from.has(o.part)) from.set(o.part, new Set())
        from.get(o.part)!.add(p.part)
      }
    sources.set(paths, from)
  }
  const own = from.get(part)
  return own?.size === 1 ? [...own][0]! : null
}
/**
 * The way that brings a part to lie by itself when it comes out of others: of the usual ways that open into it (of all,
 * where none does) the one that makes most of it; null for what hangs by itself.
 */
export function openingWay(
  { parts, paths }: Pick<Anatomy, 'parts' | 'paths'>,
  part: string,
): Pick<Path, 'id' | 'part' | 'outputs'> | null {
  const usual = new Set(parts.map((p) => p.fallback))
  const madeBy = (p: Path) =>
    p.outputs.reduce((sum, o) => sum + (o.part === part ? TISSUES.reduce((s, t) => s + o[t], 0) : 0), 0)
  const all = paths.filter((p) => !p.pair && madeBy(p) > 0)
  const own = all.filter((p) => usual.has(p.id))
  return (own.length > 0 ? own : all).toSorted((a, b) => madeBy(b) - madeBy(a))[0] ?? null
}
/** The parts that each part comes out of, worked out once for the ways of an anatomy. */
const sources = new WeakMap<readonly Path[], Map<string, Set<string>>>()

/** Parts in order, each behind all that open into it; the parts left over come out of themselves. */
export function partOrder(a: Pick<Anatomy, 'parts' | 'paths'>): { ordered: string[]; cyclic: string[] } {
  const parents = new Map(a.parts.map((p) => [p.id, new Set<string>()]))
  for (const path of a.paths) for (const o of path.outputs) if (o.part) parents.get(o.part)?.add(path.part)
  const ordered: string[] = []
  let waiting = a.parts.map((p) => p.id)
  while (waiting.length > 0) {
    const ready = waiting.filter((id) => [...parents.get(id)!].every((p) => ordered.includes(p)))
    if (ready.length === 0) break
    ordered.push(...ready)
    waiting = waiting.filter((id) => !ready.includes(id))
  }
  return { ordered, cyclic: waiting }
}

function tree(a: Anatomy, fault: Fault) {
  for (const id of partOrder(a).cyclic)
    fault(id, 'comes out of itself: follow its paths and break the circle')
  const reached = new Set([
    ...a.parts.filter((p) => p.extraction || p.offCarcass).map((p) => p.id),
    ...a.bands.flatMap((b) => b.spans.flatMap((s) => [s.part, s.below?.part ?? s.part])),
    ...a.paths.flatMap((p) => p.outputs.flatMap((o) => o.part ?? [])),
  ])
  for (const p of a.parts) if (!reached.has(p.id)) fault(p.id, 'is reached by no cell and no path')
}
