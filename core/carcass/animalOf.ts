import {
  builtAt,
  compositionAt,
  DEPOTS,
  expectedMeasure,
  readAt,
  TISSUES,
  tissuesAt,
  typesOf,
  writtenDepots,
  type Anatomy,
  type Depot,
  type DepotShares,
  type MeasureId,
} from '#core/anatomy'
import { kg, type Kg } from '#core/measure'
import { hanging, type Animal, type Tilt } from './animal.ts'
import type { Conventions } from './conventions.ts'
import { fixedShift, gradeOf, onceMeasured, type Measured } from './grading.ts'

const massUnder = (anatomy: Anatomy, state: Conventions): number =>
  anatomy.bands.reduce(
    (sum, b) => sum + TISSUES.reduce((x, t) => x + b.tissue[t] * hanging(anatomy, b, t, state), 0),
    0,
  )

/** What an anatomy is as it is written, worked out once: it never changes. */
const asWritten = new WeakMap<Anatomy, { depots: DepotShares; mass: number }>()
function writtenOf(anatomy: Anatomy) {
  const held = asWritten.get(anatomy) ?? {
    depots: writtenDepots(anatomy, (band, tissue) => hanging(anatomy, band, tissue, {})),
    mass: massUnder(anatomy, {}),
  }
  asWritten.set(anatomy, held)
  return held
}

/** Share of the carcass as written that hangs under the conventions, with every convention as usual being 1. */
const hungShare = (anatomy: Anatomy, state: Conventions): number =>
  Object.keys(state).length === 0 ? 1 : massUnder(anatomy, state) / writtenOf(anatomy).mass

const closed = (shares: DepotShares): DepotShares => {
  const all = DEPOTS.reduce((s, d) => s + shares[d], 0)
  return Object.fromEntries(DEPOTS.map((d) => [d, shares[d] / all])) as DepotShares
}
const add = (a: DepotShares, b: DepotShares, share: number): DepotShares =>
  Object.fromEntries(DEPOTS.map((d) => [d, a[d] + share * b[d]])) as DepotShares
const NONE = Object.fromEntries(DEPOTS.map((d) => [d, 0])) as DepotShares

/**
 * What an animal of a type is made of at `carcass` kg (one animal, cold), shifted by what was measured on it, each
 * measurement on its own depot against what is usual at this weight and type: fat depth on the fat outside, the eye on
 * the eye muscle, kidney fat on the kidneys'. `type` null is the usual one; an anatomy without types is as written.
 */
export function animalOf(
  anatomy: Anatomy,
  { type, measured, conventions }: { type: string | null; measured: Measured; conventions: Conventions },
  carcass: Kg,
  hot: Kg,
): Animal {
  if (anatomy.types.length === 0) return fixedShift(anatomy, measured, hot)
  const whole = kg(carcass / hungShare(anatomy, conventions))
  const written = writtenOf(anatomy).depots
  const eyeOfLean = written.eye / (written.lean + written.eye)
  const types = typesOf(anatomy, type)
  const at = whole > 0 ? whole : kg(anatomy.referenceKg)
  const shares = (own: Measured): DepotShares =>
    closed(
      types.reduce((sum, { type: t, share }) => {
        const { lean, ...rest } = compositionAt(t, at)
        const split = { ...rest, lean: lean * (1 - eyeOfLean), eye: lean * eyeOfLean }
        return add(
          sum,
          shifted(split, t.perMm, own, (id) => expectedMeasure(t, id, at)),
          share,
        )
      }, NONE),
    )
  const [usual, own] = [shares({}), shares(measured)]
  const depots = Object.fromEntries(
    DEPOTS.map((d) => [d, written[d] > 0 ? own[d] / written[d] : 1]),
  ) as DepotShares
  const bands = heftsOf(anatomy, types)
  const factors = { ...depots, ...(bands && { bands }) }
  const isMeasured = Object.keys(measured).length > 0
  const spread = { ...anatomy.spread, fat: Math.hypot(anatomy.spread.fat, betweenTypes(types, at)) }
  const [light, heavy] = [
    Math.min(...types.map((t) => t.type.rows[0].kg)),
    Math.max(...types.map((t) => t.type.rows[1].kg)),
  ]
  const { grade, outside } = gradeOf(anatomy, measured, hot, (id) => expectedMeasure(types[0]!.type, id, at))
  return {
    factors,
    made: madeOf(own),
    moved: isMeasured
      ? {
          lean: (madeOf(own).lean - madeOf(usual).lean) * 100,
          fat: (madeOf(own).fat - madeOf(usual).fat) * 100,
        }
      : null,
    grade,
    outsideGrade: outside,
    tilts: tiltsOf(types, at),
    spread: isMeasured ? onceMeasured(spread) : spread,
    beyond: whole <= 0 ? null : at < light * 0.8 ? 'lighter' : at > heavy * 1.2 ? 'heavier' : null,
  }
}

/** Factors on the lean of bands; all of the lean together stays what it is. None where every band is as written. */
function heftsOf(anatomy: Anatomy, types: ReturnType<typeof typesOf>): Record<string, number> | null {
  if (!types.some(({ type }) => type.hefts)) return null
  const own = (id: string) => types.reduce((sum, { type, share }) => sum + share * (type.hefts?.[id] ?? 1), 0)
  const lean = anatomy.bands.reduce((sum, b) => sum + b.tissue.lean, 0)
  const more = anatomy.bands.reduce((sum, b) => sum + b.tissue.lean * own(b.id), 0)
  return Object.fromEntries(anatomy.bands.map((b) => [b.id, (own(b.id) * lean) / more]))
}

/** How an animal is built: of a type that is not known, the mixture; a type that says nothing is built as written. */
function tiltsOf(types: ReturnType<typeof typesOf>, at: Kg): Tilt[] {
  const builds = types.find(({ type }) => type.builds)?.type.builds ?? []
  return builds.map(({ part, to }, i) => ({
    part,
    to,
    odds: types.reduce(
      (sum, { type, share }) => sum + share * (type.builds?.[i] ? builtAt(type, type.builds[i], at) : 1),
      0,
    ),
  }))
}

/** How far apart (log SD) the types that an animal may be are in fat; 0 where its type is known. */
function betweenTypes(types: ReturnType<typeof typesOf>, at: Kg): number {
  const logs = types.map(({ type, share }) => ({
    share,
    fat: Math.log(tissuesAt(type, readAt(type, at)).fat),
  }))
  const mean = logs.reduce((s, x) => s + x.share * x.fat, 0)
  return Math.sqrt(logs.reduce((s, x) => s + x.share * (x.fat - mean) ** 2, 0))
}

const madeOf = (s: Pick<DepotShares, Depot>) => ({
  lean: s.lean + s.eye,
  fat: s.outer + s.seam + s.kidney,
  bone: s.bone,
  skin: s.skin,
})

/** A measurement takes a depot no lower than this share of what is usual, and no higher than this many times it. */
const BOUNDS = { low: 0.15, high: 4 }
const bounded = (ratio: number) => Math.min(BOUNDS.high, Math.max(BOUNDS.low, ratio))

function shifted(
  usual: DepotShares,
  perMm: number,
  own: Measured,
  expected: (id: MeasureId) => number | null,
): DepotShares {
  const out = { ...usual }
  const [depth, eye] = [expected('fat-depth'), expected('eye-area')]
  if (own['fat-depth'] !== undefined && depth !== null)
    out.outer = usual.outer * bounded(1 + ((perMm / 100) * (own['fat-depth'] - depth)) / usual.outer)
  if (own['eye-area'] !== undefined && eye !== null) out.eye = usual.eye * bounded(own['eye-area'] / eye)
  const before = DEPOTS.reduce((s, d) => s + out[d], 0)
  const kidney = own['kidney-fat']
  if (kidney === undefined || usual.kidney === 0) return out
  // Measured as a share of the carcass, it is that share once all is closed again.
  const share = Math.min(0.12, kidney / 100)
  return { ...out, kidney: (share / (1 - share)) * (before - out.kidney) }
}
