import { mm, type Mm } from '#core/measure'
import { TISSUES, type Anatomy, type CrossLine, type Landmark, type Segment, type Tissue } from './types.ts'

/** Where a landmark lies, in segments from the head end; NaN when the axis has no such place. */
export function positionOf(
  axis: readonly Segment[],
  landmark: Landmark,
  lineAt: Readonly<Record<string, number>> = {},
): number {
  const [, name, plus] = /^(.*?)([+-]\d*\.?\d+)?$/.exec(landmark)!
  return placeOf(axis, name!, lineAt) + Number(plus ?? 0)
}

function placeOf(axis: readonly Segment[], name: string, lineAt: Readonly<Record<string, number>>): number {
  if (name === 'start') return 0
  if (name === 'end') return axis.length
  if (name.startsWith('=')) return lineAt[name.slice(1)] ?? Number.NaN
  const index = name === 'rib last' ? axis.findLastIndex((s) => s.rib) : axis.findIndex((s) => s.id === name)
  return index < 0 ? Number.NaN : index + 1
}

/** Positions of all transverse lines for the settings chosen; lines may refer to lines named before them. */
export function linePositions(
  anatomy: Anatomy,
  settingOf: (line: CrossLine) => string | undefined,
): { at: Record<string, number>; bands: Record<string, Record<string, number>> } {
  const at: Record<string, number> = {}
  const bands: Record<string, Record<string, number>> = {}
  for (const line of anatomy.lines) {
    if (line.kind !== 'across') continue
    const chosen = settingOf(line)
    const setting =
      line.settings.find((s) => s.id === chosen) ?? line.settings.find((s) => s.id === line.fallback)!
    at[line.id] = positionOf(anatomy.axis, setting.at, at)
    for (const [band, landmark] of Object.entries(setting.bands ?? {}))
      (bands[band] ??= {})[line.id] = positionOf(anatomy.axis, landmark, at)
  }
  return { at, bands }
}

/** Lines that are cut through a part that is freed before them: meat of it lies on both sides. `at`: where they lie, in segments. */
export function linesThrough(
  anatomy: Anatomy,
  part: string,
  at: Readonly<Record<string, number>>,
): CrossLine[] {
  const band = anatomy.bands.find((b) => b.id === anatomy.parts.find((p) => p.id === part)?.extraction?.band)
  if (!band) return []
  return anatomy.lines.filter((l): l is CrossLine => {
    const place = l.kind === 'across' ? at[l.id] : undefined
    if (place === undefined) return false
    const ahead = band.along.lean.reduce(
      (sum, share, i) => sum + share * Math.min(1, Math.max(0, place - i)),
      0,
    )
    return ahead > A_SCRAP && ahead < 1 - A_SCRAP
  })
}
/** Less of it on one side is nothing a line would spoil. */
const A_SCRAP = 0.01

/** Length in mm between two places on the axis, at the reference carcass. */
export function lengthBetween(axis: readonly Segment[], from: number, to: number): Mm {
  return mm(axis.reduce((sum, s, i) => sum + s.mm * Math.max(0, Math.min(to, i + 1) - Math.max(from, i)), 0))
}

/**
 * The same animal with another number of ribs: the hindmost rib is repeated or taken away, every band keeps its
 * mass and spreads it over the axis there is. Throws on a count the species cannot have; callers check first.
 */
export function withRibs(anatomy: Anatomy, count: number): Anatomy {
  const { ribs } = anatomy
  if (!ribs || count === ribs.usual) return anatomy
  if (count < ribs.low || count > ribs.high)
    throw new RangeError(`${anatomy.id} has ${ribs.low} to ${ribs.high} ribs`)
  const last = anatomy.axis.findLastIndex((s) => s.rib)
  const kept = anatomy.axis.flatMap((_, i) => {
    const rib = anatomy.axis[i]!.rib
    if (rib && rib > count) return []
    return i === last ? [i, ...Array.from({ length: Math.max(0, count - ribs.usual) }, () => i)] : [i]
  })
  let rib = 0
  const axis = kept.map((i) => {
    const s = anatomy.axis[i]!
    return s.rib ? { ...s, id: `rib ${++rib}`, rib } : s
  })
  return {
    ...anatomy,
    axis,
    bands: anatomy.bands.map((band) => ({
      ...band,
      along: Object.fromEntries(
        TISSUES.map((t) => {
          const weights = kept.map((i) => band.along[t][i]!)
          const sum = weights.reduce((a, b) => a + b, 0)
          return [t, sum > 0 ? weights.map((w) => w / sum) : weights]
        }),
      ) as Record<Tissue, number[]>,
    })),
  }
}
