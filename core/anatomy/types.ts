/** Tissue order of every typed array in the core. */
export const TISSUES = ['lean', 'fat', 'bone', 'skin'] as const
export type Tissue = (typeof TISSUES)[number]
export type TissueShares = Record<Tissue, number>
export type NameSet = 'american' | 'commonwealth'
export type Names = Record<NameSet, string>

/** Where a cut goes: roast, steak or chop, braise, grind, cure, bone, fat, offal, loss. */
export type Destination = 'R' | 'T' | 'B' | 'G' | 'C' | 'N' | 'F' | 'O' | 'X'
export type CutKind = 'product' | 'by-product' | 'loss'
/** Which half a choice is for; `animal` for parts there is one of. */
export type SideName = 'left' | 'right' | 'animal'

/**
 * How a cut is divided: sawn to a thickness, split to a target weight, filled into packs, or left whole.
 * `kg`/`lb` are the pack or piece sizes usual in each unit.
 */
export type Portion =
  | { kind: 'sawn'; thicknessMm: number; kerfMm: number; perPack: number }
  | { kind: 'roast'; kg: number; perPack: number }
  | { kind: 'pack'; kg: number; lb: number }
  | { kind: 'whole'; perSide: number; perPack: number }

/** One identity per cut, whatever the farm calls it. `index` is its starting price relative to mince. */
export interface Cut {
  id: string
  names: Names
  destination: Destination
  kind: CutKind
  index: number
  portion: Portion | null
}

/** One segment of the axis; positions on the axis are counted in segments from the head end. */
export interface Segment {
  id: string
  mm: number
  rib?: number
}

/**
 * A row of cells along the axis. `tissue` is its mass as a share of the base carcass; `along` says per
 * tissue which share of that lies in each segment (sums to 1). `spans` name the part each stretch belongs
 * to, in order, each ending at a line or at the tail.
 */
export interface Band {
  id: string
  tissue: TissueShares
  along: Record<Tissue, number[]>
  spans: { part: string; until: string | 'end' }[]
}

/** A transverse line: its settings are axis positions, one per band name given, `all` for the rest. */
export interface Line {
  id: string
  names: Names
  settings: { id: string; label: string; school: string; at: number }[]
  fallback: string
}

export interface Part {
  id: string
  names: Names
  scope: 'side' | 'animal'
  /** Cells of a band that this part takes out before the lines, when a chosen path calls for it. */
  extraction?: { band: string; order: number }
  /** The part is on the carcass only under this dressing. */
  needs?: 'skin' | 'head' | 'feet'
  /** Between which lines the part is sawn: gives its length. */
  length?: { from: string | 'start'; to: string | 'end' }
  fallback: string
}

/** Per tissue, which share of the part goes to this cut; a process adds mass to it and takes mass away. */
export interface PathOutput extends TissueShares {
  cut: string
  process?: { name: string; added: number; yield: number }
}

export interface Path {
  id: string
  part: string
  names: Names
  destination: Destination
  /** A skilled hand with a band saw, minutes for one side (or the animal). */
  minutes: number
  needs?: 'skin'
  extracts?: string[]
  /** Paths of other parts that use the same bones or muscle. */
  excludes?: { path: string; reason: string }[]
  /** Cuts that can no longer be had under this path, and why. */
  shutsOut?: { cut: string; reason: string }[]
  steps: string
  caution?: string
  outputs: PathOutput[]
}

export interface Dressing {
  id: string
  skin: boolean
  head: boolean
  /** Hot carcass weight as a share of shrunk live weight: mean and between-animal SD. */
  mean: number
  sd: number
}

/** Figures of the weight chain: means and between-animal SDs of each step, as ratios. */
export interface ChainFigures {
  liveKg: { low: number; high: number }
  shrink: { mean: number; sd: number }
  dressings: Dressing[]
  dressingPossible: { low: number; high: number }
  chill: { mean: number; sd: number }
  ageingPerDay: { mean: number; sd: number }
}

export interface Anatomy {
  id: string
  species: 'hog'
  version: number
  names: Names
  chain: ChainFigures
  /** Carcass weight at which the axis has the lengths given. */
  referenceKg: number
  axis: Segment[]
  lines: Line[]
  bands: Band[]
  parts: Part[]
  cuts: Cut[]
  paths: Path[]
  /** Between-animal SDs (log) of the common factors, and the between-cutter SD (log) of one output's share. */
  spread: { fat: number; lean: number; bone: number; cutter: number }
  map: {
    outline: { at: number; back: number; eye: number; belly: number }[]
    foreleg: { at: number; left: number; right: number }[]
  }
}
