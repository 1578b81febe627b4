import {
  TISSUES,
  type About,
  type Anatomy,
  type Band,
  type Cut,
  type Names,
  type Part,
  type Path,
} from './types.ts'
import { fitBands, type Fitted } from './fitted.ts'

type Own = Pick<
  Anatomy,
  | 'id'
  | 'species'
  | 'version'
  | 'chain'
  | 'referenceKg'
  | 'live'
  | 'measures'
  | 'types'
  | 'spread'
  | 'graded'
  | 'house'
  | 'also'
  | 'map'
  | 'sources'
>

/** What a species has of its own beside the one it is built like. */
export interface Derived extends Own {
  about: About
  /** Lengths of the axis beside the other's. */
  longer: number
  /** Tissue of bands beside the other's: where its mass lies. */
  bands: Fitted
  /** Minutes of the ways beside the other's, at its own reference carcass. */
  pace: number
  /** What is called otherwise, wherever it stands in words: longest first. */
  words: readonly (readonly [theirs: string, own: string])[]
  /** Of the lean of every way that takes the bones out, what stays on them, and what goes with sinew and membrane. */
  boned?: { onBone: number; sinew: number }
  without?: { paths?: readonly string[]; cuts?: readonly string[]; conventions?: readonly string[] }
  more?: { parts?: Part[]; cuts?: Cut[]; paths?: Path[] }
  /** Usual ways that differ, by part. */
  fallbacks?: Readonly<Record<string, string>>
}

/**
 * An animal built like another: its axis, lines, parts and ways with other lengths, another share of mass in each band
 * and other words. Tables that are its own (chain, types, what is no carcass) are never the other's. Bands close to what
 * the other's did: only where mass lies differs, how much of each tissue there is follows from its types.
 */
export function deriveAnatomy(base: Anatomy, own: Derived): Anatomy {
  const { about, longer, bands, pace, words, boned, without = {}, more = {}, fallbacks = {}, ...rest } = own
  const reworded = (text: string) =>
    words.reduce((said, [theirs, mine]) => said.replaceAll(theirs, mine), text)
  const named = (n: Names): Names => ({
    american: reworded(n.american),
    commonwealth: reworded(n.commonwealth),
  })
  const isGone = (list: readonly string[] | undefined, id: string) => list?.includes(id) ?? false
  const needs = (list: readonly string[]) =>
    list.filter((n) => !isGone(without.conventions, n.replace('!', '')))
  const path = ({ needs: asked = [], ...p }: Path): Path => ({
    ...p,
    ...(needs(asked).length > 0 && { needs: needs(asked) }),
    names: named(p.names),
    steps: reworded(p.steps),
    minutes: Math.round(p.minutes * pace * 4) / 4,
    outputs: boned ? lessLean(p.outputs, boned, base.roles) : p.outputs,
    ...(p.caution && { caution: reworded(p.caution) }),
    ...(p.shutsOut && { shutsOut: p.shutsOut.map((s) => ({ ...s, reason: reworded(s.reason) })) }),
    ...(p.excludes && { excludes: p.excludes.map((x) => ({ ...x, reason: reworded(x.reason) })) }),
  })
  return {
    ...base,
    ...rest,
    names: about.names,
    axis: base.axis.map((s) => ({ ...s, mm: s.mm * longer })),
    lines: base.lines.map((l) => ({
      ...l,
      names: named(l.names),
      ...(l.kind === 'along' && {
        says: reworded(l.says),
        mm: { ...l.mm, usual: Math.max(l.mm.low, Math.round((l.mm.usual * longer) / l.mm.step) * l.mm.step) },
      }),
    })),
    bands: closedLike(base.bands, fitBands(base.bands, bands)).map((b) => ({
      ...b,
      ...(b.toMm !== undefined && { toMm: b.toMm * longer }),
      ...(b.fromMm !== undefined && { fromMm: b.fromMm * longer }),
    })),
    parts: [
      ...base.parts.map((p): Part => ({
        ...p,
        names: named(p.names),
        fallback: fallbacks[p.id] ?? p.fallback,
        ...(p.length && 'mm' in p.length && { length: { mm: p.length.mm * longer } }),
        ...(p.ends && { ends: [p.ends[0] * longer, p.ends[1] * longer] }),
        ...(p.offCarcass && {
          offCarcass: { ...p.offCarcass, share: liveShare(own, p.id) ?? p.offCarcass.share },
        }),
      })),
      ...(more.parts ?? []),
    ],
    cuts: [
      ...base.cuts.filter((c) => !isGone(without.cuts, c.id)).map((c) => ({ ...c, names: named(c.names) })),
      ...(more.cuts ?? []),
    ],
    paths: [...base.paths.filter((p) => !isGone(without.paths, p.id)).map(path), ...(more.paths ?? [])],
    conventions: base.conventions
      .filter((c) => !isGone(without.conventions, c.id))
      .map((c) => ({ ...c, says: reworded(c.says) })),
  }
}

/** The pool of clean bones of every animal that is sawn. */
const BONES = 'bones'
/** A thinner muscle is boned less cleanly: its lean goes with the bones and with what is thrown away. */
function lessLean(
  outputs: Path['outputs'],
  { onBone, sinew }: { onBone: number; sinew: number },
  roles: Anatomy['roles'],
) {
  const out = outputs.find((o) => o.part === BONES)
  if (!out || out.bone < 0.5) return outputs
  const takes = (o: Path['outputs'][number]) =>
    o.part === BONES ? onBone : o.cut === roles.discard ? sinew : 0
  const has = outputs.some((o) => o.cut === roles.discard)
  const all = has ? outputs : [...outputs, { cut: roles.discard, lean: 0, fat: 0, bone: 0, skin: 0, seam: 0 }]
  return all.map((o) => ({ ...o, lean: o.lean * (1 - onBone - sinew) + takes(o) }))
}

const liveShare = (own: Pick<Own, 'live'>, part: string) => own.live.find((l) => l.part === part)?.share

/** Each tissue adds up to what it did before its bands were weighted. */
function closedLike(before: readonly Band[], after: readonly Band[]): Band[] {
  const sum = (bands: readonly Band[], t: (typeof TISSUES)[number]) =>
    bands.reduce((s, b) => s + b.tissue[t], 0)
  const scale = Object.fromEntries(
    TISSUES.map((t) => [t, sum(after, t) > 0 ? sum(before, t) / sum(after, t) : 1]),
  )
  return after.map((b) => ({
    ...b,
    tissue: Object.fromEntries(TISSUES.map((t) => [t, b.tissue[t] * scale[t]!])) as Band['tissue'],
  }))
}
