import { TISSUES, type Anatomy } from './types.ts'

export interface AnatomyFault {
  where: string
  what: string
}

const CLOSED = 1e-9

/**
 * What is wrong with an anatomy: tissue that does not close, names that are missing, references to
 * nothing, parts no cell reaches, paths that exclude a path which does not exist. Empty when sound.
 */
export function validateAnatomy(a: Anatomy): AnatomyFault[] {
  const faults: AnatomyFault[] = []
  const fault = (where: string, what: string) => faults.push({ where, what })
  const cuts = new Set(a.cuts.map((c) => c.id))
  const parts = new Set(a.parts.map((p) => p.id))
  const paths = new Map(a.paths.map((p) => [p.id, p]))
  const lines = new Set(a.lines.map((l) => l.id))
  for (const [kind, ids] of [
    ['cut', a.cuts],
    ['part', a.parts],
    ['path', a.paths],
  ] as const) {
    if (new Set(ids.map((x) => x.id)).size !== ids.length) fault(kind, 'two have the same id')
    for (const x of ids)
      if (!x.names.american || !x.names.commonwealth) fault(x.id, 'lacks a name in one set')
  }
  const reached = new Set(a.parts.filter((p) => p.extraction).map((p) => p.id))
  for (const band of a.bands) {
    for (const t of TISSUES) {
      const sum = band.along[t].reduce((s, x) => s + x, 0)
      if (band.along[t].length !== a.axis.length)
        fault(band.id, `${t} has ${band.along[t].length} cells, the axis ${a.axis.length}`)
      if (band.tissue[t] > 0 && Math.abs(sum - 1) > CLOSED) fault(band.id, `${t} cells add up to ${sum}`)
      if (band.tissue[t] < 0 || band.along[t].some((x) => x < 0)) fault(band.id, `${t} is negative somewhere`)
    }
    for (const span of band.spans) {
      if (!parts.has(span.part)) fault(band.id, `spans to unknown part ${span.part}`)
      if (span.until !== 'end' && !lines.has(span.until)) fault(band.id, `ends at unknown line ${span.until}`)
      reached.add(span.part)
    }
  }
  for (const part of a.parts) {
    if (!reached.has(part.id)) fault(part.id, 'is reached by no cell')
    if (paths.get(part.fallback)?.part !== part.id)
      fault(part.id, `falls back to ${part.fallback}, which is none of its paths`)
  }
  for (const path of a.paths) {
    if (!parts.has(path.part)) fault(path.id, `opens unknown part ${path.part}`)
    for (const t of TISSUES) {
      const sum = path.outputs.reduce((s, o) => s + o[t], 0)
      if (Math.abs(sum - 1) > CLOSED)
        fault(path.id, `${t} adds up to ${sum}: ${sum < 1 ? 'some is missing' : 'some is there twice'}`)
    }
    for (const o of path.outputs) {
      if (!cuts.has(o.cut)) fault(path.id, `makes unknown cut ${o.cut}`)
      if (TISSUES.some((t) => o[t] < 0)) fault(path.id, `gives a negative share to ${o.cut}`)
    }
    for (const x of path.excludes ?? [])
      if (!paths.has(x.path)) fault(path.id, `excludes unknown path ${x.path}`)
    for (const x of path.shutsOut ?? [])
      if (!cuts.has(x.cut)) fault(path.id, `shuts out unknown cut ${x.cut}`)
    for (const x of path.extracts ?? []) if (!parts.has(x)) fault(path.id, `extracts unknown part ${x}`)
  }
  for (const line of a.lines) {
    if (!line.settings.some((s) => s.id === line.fallback))
      fault(line.id, 'falls back to no setting of its own')
    for (const s of line.settings)
      if (s.at < 0 || s.at > a.axis.length) fault(line.id, `${s.id} lies outside the axis`)
  }
  return faults
}
