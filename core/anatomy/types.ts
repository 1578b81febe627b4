import type { Names } from '#core/measure'
import type { Destination, MeasureId, Portion, Quarter, Species, Tool, TrimLevel } from '#core/records'

export type { Names, NameSet } from '#core/measure'
export { SIDES, SPECIES, TOOLS, TRIM_LEVELS } from '#core/records'
export type { Destination, MeasureId, Portion, SideName, Species, Tool, TrimLevel } from '#core/records'

/** What a way to cut names: lean, the fat that lies outside (under the skin, round the kidneys, in the cavity), bone, skin. */
export const NAMED_TISSUES = ['lean', 'fat', 'bone', 'skin'] as const
/** Tissue order of every typed array in the core. Seam fat lies between the muscles and goes where the lean goes. */
export const TISSUES = [...NAMED_TISSUES, 'seam'] as const
export type Tissue = (typeof TISSUES)[number]
export type TissueShares = Record<Tissue, number>
export type NamedShares = Record<(typeof NAMED_TISSUES)[number], number>
/** Shares of a way: seam fat follows the lean. */
export const withSeam = <S extends { lean: number }>(shares: S): S & { seam: number } => ({
  ...shares,
  seam: shares.lean,
})
export type CutKind = 'product' | 'by-product' | 'loss'
/** One identity per cut, whatever the farm calls it. `index` is its starting price relative to mince. */
export interface Cut {
  id: string
  names: Names
  destination: Destination
  kind: CutKind
  index: number
  portion: Portion | null
  /** A part as it is: it has a price and no page of its own. */
  uncut?: true
}

/** One segment of the axis, from the head end. Lengths at the anatomy's reference carcass. */
export interface Segment {
  id: string
  mm: number
  rib?: number
}

/**
 * A place on the axis: `start`, `end`, a segment's id (the joint behind it), `rib last`, or `=line` (where
 * another line lies); `+2` or `-0.5` behind it counts segments on from there.
 */
export type Landmark = string

/** Ribs an animal of this species can have; the axis is written for the usual number. */
export interface RibCount {
  usual: number
  low: number
  high: number
}

/** A stretch of a band and the part it belongs to; mass further from the eye than a long line belongs to another. */
export interface Span {
  part: string
  until: string
  below?: { line: string; part: string }
  /** What lies behind a place and beyond a long line, once a line is moved behind that place, is another part's: the part has no long line of its own. */
  spills?: { line: string; part: string; from: Landmark }
}

/**
 * A row of cells along the axis. `tissue` is its mass as a share of the base carcass; `along` says per
 * tissue which share of that lies in each segment (sums to 1). `spans` name the part each stretch belongs
 * to, in order, each ending at a line or at `end`. `fromMm`–`toMm` is how far from the eye it reaches.
 */
export interface Band {
  id: string
  tissue: TissueShares
  along: Record<Tissue, number[]>
  fromMm?: number
  toMm?: number
  spans: Span[]
  /** Its fat is the kidneys' own (leaf, suet), or its lean the eye muscle's. */
  depot?: 'kidney' | 'eye'
}

/** A transverse line: named settings, each a place on the axis; `bands` says where it lies otherwise (oblique). */
export interface CrossLine {
  kind: 'across'
  id: string
  names: Names
  settings: { id: string; label: string; school: string; at: Landmark; bands?: Record<string, Landmark> }[]
  fallback: string
}

/** A line along the side, so many mm from the eye. */
export interface LongLine {
  kind: 'along'
  id: string
  names: Names
  says: string
  mm: { low: number; high: number; step: number; usual: number }
}
export type Line = CrossLine | LongLine

export interface Part {
  id: string
  names: Names
  scope: 'side' | 'animal'
  /** Cells of a band that this part takes out before the lines, when a chosen path calls for it. */
  extraction?: { band: string; order: number }
  /** Not of the carcass: mass as a share of fasted live weight, and of which tissues. Poured only when kept. */
  offCarcass?: { share: number; tissue: TissueShares }
  /** Conventions this part needs; `!id` needs it off. */
  needs?: string[]
  /** What its sawn cuts are counted along: between two lines, or so many mm at the reference carcass. */
  length?: { from: string; to: string } | { mm: number }
  /** Ahead and behind, so many mm at the reference carcass make no good piece. */
  ends?: readonly [front: number, rear: number]
  fallback: string
}

/** What a process adds, by name, and what is left of the green weight at its end. */
export interface Process {
  inflows: { name: string; share: number }[]
  yield: number
}

/** Per tissue, which share of the part goes to this cut, or on to this part to be opened in its turn. */
export interface PathOutput extends TissueShares {
  cut?: string
  part?: string
  process?: Process
  /** The stretch of the part's length it is cut from, shares from the front; all of it when not said, null: none. */
  along?: readonly [from: number, to: number] | null
  /** Instead of shares: so many mm of the reference carcass up to the part's rear end, however long the part is. */
  last?: number
  /** Between-cutter SD (log) of this share, where it is known apart from the species' own. */
  sd?: number
}

export interface Path {
  id: string
  part: string
  names: Names
  destination: Destination
  /** A skilled hand with the usual tool, minutes for one side (or the animal) at the reference carcass. */
  minutes: number
  /** Besides, minutes for each kg that goes through: grinding, filling. */
  perKg?: number
  tool: Tool
  /** Of trim that is made to a recipe: fat is added to it from what was trimmed off until it is no leaner, a share of chemical lean. */
  leanest?: number
  needs?: string[]
  /** Occupies both sides at once. */
  pair?: boolean
  /** Leaves an off-carcass part where it is: nothing of it is poured. */
  leaves?: boolean
  /** Parts freed before the lines, and from under which parts; from all when not said. */
  extracts?: { part: string; from?: string[] }[]
  /** Paths of other parts that are the other half of this one. */
  together?: { part: string; path: string }[]
  /** Paths of other parts that use the same bones or muscle. */
  excludes?: { path: string; reason: string }[]
  /** Cuts that can no longer be had under this path, and why. */
  shutsOut?: { cut: string; reason: string }[]
  steps: string
  caution?: string
  outputs: PathOutput[]
}

/**
 * A convention of slaughter: what is left on, in, or whole. `points` is what it adds to the dressing when it is not
 * as usual; `off` what it takes off the base carcass when it is off. Some are doors only and weigh nothing.
 */
export interface Convention {
  id: string
  names: Names
  on: string
  off: string
  usual: boolean
  points: number
  sd?: number
  removes?: { bands: string[] | 'all'; tissues: Tissue[] | 'all'; share: number }[]
  chill?: { mean: number; sd: number; inflow: string }
  /** What a carcass dries in the cooler when it is not as usual, as a multiple of what it dries else. */
  dries?: number
  /** What the unusual state shuts out or asks for. */
  says: string
}

/** Figures of the weight chain: means and between-animal SDs of each step, as ratios. */
export interface ChainFigures {
  liveKg: { low: number; high: number }
  shrink: { mean: number; sd: number }
  dressing: { mean: number; sd: number }
  dressingPossible: { low: number; high: number }
  /** Of a carcass of `atKg` hot; a smaller one has more face for its weight and dries more. One that says no weight: alike. */
  chill: { mean: number; sd: number; atKg?: number }
  /** Of these SDs, what all animals of a day and a plant have in common: not divided by their number. */
  common: { shrink: number; dressing: number; chill: number }
  ageingPerDay: { mean: number; sd: number }
  /** Of what hangs, the share for each day of hanging that is cut off as dried face; none where not said. */
  ageTrimPerDay?: { mean: number; sd: number }
  days: { usual: number; low: number; high: number }
  /** girth² × length / divisor, inches and pounds; null where nobody tapes. */
  tapeDivisor: number | null
}

/** Where tissue lies, as animals differ in it: the eye muscle, the other lean, fat by depot, bone, skin. */
export const DEPOTS = ['lean', 'eye', 'outer', 'seam', 'kidney', 'bone', 'skin'] as const
export type Depot = (typeof DEPOTS)[number]

/** % of cold carcass at a weight, kg. Rows need not add up: cord, glands and tendon are missing in them. */
export interface CompositionRow {
  kg: number
  lean: number
  fat: number
  bone: number
  skin: number
}

/**
 * A type of animal: how lean, fat, bone and skin lie at its lightest and its heaviest carcass; what lies between, and a
 * little beyond, follows (core/anatomy/composition.ts).
 */
export interface AnimalType {
  id: string
  names: Names
  says: string
  rows: readonly [CompositionRow, CompositionRow]
  /** Of all fat, at a weight: how much lies between the muscles, and round the kidneys; the rest lies outside. */
  depots: { kg: number; seam: number; kidney: number }
  dressing: { mean: number; sd: number }
  /** How much of "not sure" it is; 0 for what a farmer knows. */
  common: number
  /** What is usually measured on it, by carcass weight: [kg, value]. */
  expects: Partial<Record<MeasureId, readonly (readonly [number, number])[]>>
  /** Points of carcass more fat outside for each mm more of fat. */
  perMm: number
  builds?: readonly Build[]
  /** Lean of bands beside those of the anatomy, the whole of it staying as much: a bull's neck. */
  hefts?: Readonly<Record<string, number>>
}

/**
 * How an animal is built where not its fatness is another but its shape: lean that parting a part gives to some of its
 * outputs (parts or cuts), as odds beside those of the anatomy, at the type's lightest and its heaviest carcass.
 */
export interface Build {
  part: string
  to: readonly string[]
  light: number
  heavy: number
}

/** What of the live weight is no carcass, as shares of fasted live weight at the usual dressing. */
export interface LiveShare {
  id: string
  names: Names
  share: number
  part?: string
}

/** A measurement a grader or the plant gives. Kept in mm, cm² or percent. */
export interface Measure {
  id: MeasureId
  names: Names
  unit: 'mm' | 'cm²' | '%'
  low: number
  high: number
  usual: number
}

/**
 * `waste` scales the fat trimmed away, `kept` the fat left on, `lean` is silver skin and tendon taken off with it, `seam`
 * the seam fat pulled out of boned cuts, `hard` that pulled out of what goes to trim.
 */
export type TrimFigures = Record<
  TrimLevel,
  { waste: number; kept: number; lean: number; seam: number; hard: number }
>

/** The published grade a species is measured for, and the hot weights, lb, it is stated for. */
export interface Graded {
  by: 'pork' | 'beef' | 'lamb'
  lb: readonly [low: number, high: number]
}

/** A plan of ours for any animal of the species: `part way`, both sides alike. */
export interface HousePlan {
  name: string
  says: string
  ways: string
  trim?: TrimLevel
}

/** What a page says of a species before any of its figures are needed. */
export interface About {
  names: Names
  /** One and many as a form says them, and what a new lot of it is called. */
  one: string
  many: string
  stem: string
  /** What is bought to be raised. */
  young: Names
  /** Height as it stands beside the tallest, and how many usually hang together. */
  tall: number
  usual: number
  /** Our own outline of it, 48 × 28. */
  mark: string
}

export interface Anatomy {
  /** Of the body, not of its figures: which rules it is written by (core/anatomy/forms.ts). */
  form: 6
  id: string
  species: Species
  version: number
  names: Names
  chain: ChainFigures
  /** Carcass weight at which the axis has the lengths given. */
  referenceKg: number
  /** What its lengths grow with, as the third root: its bone, for fat makes nobody longer; not said, all of its weight. */
  longBy?: 'bone'
  axis: Segment[]
  ribs: RibCount | null
  lines: Line[]
  bands: Band[]
  parts: Part[]
  cuts: Cut[]
  paths: Path[]
  conventions: Convention[]
  live: LiveShare[]
  measures: Measure[]
  /** The usual one first; none in an anatomy older than types, which is one fixed composition. */
  types: AnimalType[]
  trim: TrimFigures
  /** Where trimmed fat goes, the part all trim is pooled in, and the cuts of discards and of losses. */
  roles: { fat: string; trim: string; discard: string; loss: string }
  /**
   * Between-animal SDs (log) of the common factors and of a part's own weight; between-cutter SDs (log) of what stays
   * behind of a muscle's seam, and of the odds that it goes to the trim; and how many mm a line or a knife goes beside
   * where it is meant to (core/carcass/knife.ts).
   */
  spread: {
    fat: number
    lean: number
    bone: number
    place: number
    cutter: number
    toTrim: number
    besideMm: number
  }
  graded: Graded | null
  /** Parts of the fore and of the hind quarter, where a side is parted into quarters. */
  quarters: Record<Quarter, string[]> | null
  house: HousePlan[]
  /** Words for cuts and parts beside both sets of names, for finding only (docs/sources.md: also-called). */
  also: Record<string, string>
  map: AnatomyMap
  /** Where every figure above comes from: its place in this object → its line in docs/sources.md. */
  sources: Record<string, string>
}

export type Point = [x: number, y: number]
/** A drawn height: px from the top, or a line, with px added. */
export type Level = number | { line: string; plus?: number }
/** A drawn edge: of the outline, of the fore limb, a long line, or so far from one edge to another. */
export type Edge =
  | 'back'
  | 'eye'
  | 'belly'
  | 'limb left'
  | 'limb right'
  | 'rib end'
  | { line: string }
  | { from: Edge; to: Edge; share: number }

export interface MapShape {
  parts: string[]
  kind: 'strip' | 'lens'
  from: Level
  to: Level
  left: Edge
  right: Edge
  /** Lenses bulge so far from the left and right edge. */
  bulge?: [number, number]
  label?: { level: Level; edge: Edge; dx?: number }
}

/** Half carcasses hung by the hind leg, back outward; `whole` the same seen from behind, unsplit. 400 × 800. */
export interface SidesMap {
  kind: 'sides'
  outline: { at: number; back: number; eye: number; belly: number }[]
  whole?: { at: number; back: number; eye: number; belly: number }[]
  limb: { at: number; left: number; right: number }[]
  wholeLimb?: { at: number; left: number; right: number }[]
  /** Seams between muscles, hinted: drawn on the half that is seen from inside. */
  seams?: { from: Level; to: Level; edge: Edge }[]
  /** Height of the hindmost and foremost joint of the spine, and of the ends of the ribs. */
  spine: { top: number; topLine: string; bottom: number }
  shapes: MapShape[]
}

/** A bird on its back; closed outlines of the right half, drawn on both sides of the middle where `both`. 400 × 400. */
export interface LaidMap {
  kind: 'laid'
  shapes: { parts: string[]; outline: Point[]; both: boolean; label: Point }[]
}
export type AnatomyMap = SidesMap | LaidMap
