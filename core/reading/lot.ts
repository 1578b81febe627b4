import type { Animal, CutUp, Drawn, Evidence, Flow, Stage } from '#core/carcass'
import type { Cut, Species } from '#core/anatomy'
import type { Billed, CostFigures, earned, Worth } from '#core/ledger'
import {
  gramsOf,
  kg,
  kgOf,
  minor,
  priceOf,
  toKg,
  type Interval,
  type Kg,
  type MassUnit,
  type Minor,
  type Mm,
  type UnitPrice,
} from '#core/measure'
import type { BenchMinutes, Log, Plan } from '#core/plan'
import {
  USUAL_PACK,
  type Farm,
  type Finish,
  type OwnUse,
  type PackWeighing,
  type Station,
  type Weighing,
} from '#core/records'

/** A lot's records as they are read: what was weighed, decided, seen and packed of a number of animals. */
export interface LotState extends Log {
  /** Animals; a side of each of so many is half of them. */
  count: number
  weighings: readonly WeighingRow[]
  packs: readonly PackRow[]
  /** The groups it is split into, each read by itself; its own rows are then those of all of it. */
  apart?: readonly GroupState[]
}
/** One group of a lot that is split. */
export interface GroupState extends LotState {
  id: string
  name: string
  /** Its share of the lot: so many animals stand before it, of so many. It bears that share of what all cost. */
  share: { before: number; of: number; killed: number }
  /** Weights that were taken of more than this group, as its share of them. */
  shared: readonly Evidence[]
}
/** What reading needs of a weighing and of packs. */
export type WeighingRow = Pick<
  Weighing,
  'id' | 'stage' | 'basis' | 'source' | 'shown' | 'grams' | 'corrects' | 'stands' | 'at' | 'day'
>
export type PackRow = Pick<
  PackWeighing,
  'id' | 'cut' | 'shown' | 'grams' | 'packs' | 'number' | 'outOf' | 'corrects' | 'stands' | 'at'
>

export interface FarmFigures {
  massUnit: MassUnit
  /** Price of mince: what indices are relative to until prices are set; of a species, where it has its own. */
  mince: UnitPrice
  minces?: Partial<Record<Species, UnitPrice>>
  /** The pack mince is filled in. */
  pack: Kg
  /** What an hour at the bench costs; 0 counts none. */
  hour: Minor
  /** Stations that nothing of the farm's equipment makes now: all of it is broken. */
  down?: readonly Station[]
}

/** What a farm says of itself that figures need. */
type FarmSaid = Pick<Farm, 'massUnit' | 'mince' | 'minces' | 'pack' | 'hour'>

/** What figures are reckoned by; plain ones before a farm has said how. */
export const figuresOf = (farm: FarmSaid | null): FarmFigures => ({
  massUnit: farm?.massUnit ?? 'kg',
  mince: farm?.mince ?? priceOf(1000, 'kg'),
  ...(farm?.minces && { minces: farm.minces }),
  pack: farm?.pack
    ? kgOf(gramsOf(farm.pack))
    : farm?.massUnit === 'lb'
      ? toKg(USUAL_PACK.lb, 'lb')
      : kg(USUAL_PACK.kg),
  hour: farm?.hour ?? minor(0),
})

/** A stop on the stair. A weighed figure has no range. */
export interface StageFigure {
  id: 'live' | 'hot' | 'hanging' | 'cut' | 'packed'
  kg: Kg
  range: Interval | null
  weighed: boolean
}

export interface CutFigure {
  cut: Cut
  expectedKg: Kg
  range: Interval | null
  weighedKg: Kg
  weighedPacks: number
  remainingKg: Kg
  /** Weighed so far + what is still to come. */
  kg: Kg
  edible: Kg
  done: boolean
  pieces: number
  packs: number
  /** Packs that will be billed: those weighed, and while more are to come at least those planned. */
  billedPacks: number
  /** End pieces too short for another whole one, and the longest of them. */
  endKg: Kg
  endMm: Mm
  price: UnitPrice
  sold: number
  /** What of its price the rest brings. */
  rest: number
  /** What is done to it once it is cut. */
  finishes: readonly Finish[]
  /** What the own table keeps of it, and the share that is given for help. */
  own: OwnUse | null
  given: number
  value: Minor
}

export interface MoneyFigures {
  costs: CostFigures
  /** Profit aimed at beside the costs. */
  target: Minor
  /** What net leaves as a margin, and as pay for an hour at the bench. */
  earned: ReturnType<typeof earned>
  net: Minor
  netRange: Interval | null
  /** Expected net ÷ cost; null where `uncovered` says why. */
  cover: number | null
  uncovered: Uncovered | null
  coverRange: Interval | null
  /** Average price per kg that the products must bring, minor units. */
  neededPerKg: number | null
  /** What a kg of products costs: what a household that sells nothing wants to know. */
  costPerKg: number | null
}

/** Why a lot has no Cover: nothing costs, weighs or may be sold yet, or at all. */
export type Uncovered = 'no-costs' | 'no-weight' | 'no-share-price' | 'not-for-sale' | 'lost'

/** What is all weighed of some cuts, against what was likely of them before anything was packed. */
export interface Gap {
  /** The primal they come of; null for all together, and for what several primals feed (trim, ground meat). */
  primal: string | null
  cuts: string[]
  expected: Kg
  range: Interval | null
  packed: Kg
  /** SDs that it lies above (below, where negative) what was likely; null where nothing was uncertain. */
  z: number | null
}
export interface Missing {
  /** All cuts of which every pack is weighed. */
  all: Gap
  /** The same by primal, the furthest short first. */
  primals: Gap[]
}

export type Weights = Readonly<Record<Stage, Kg>>

/** One group of a lot, read by itself. */
export interface GroupRead {
  id: string
  name: string
  read: Reckoning
}

/** One lot read whole. */
export interface Reckoning {
  /** The groups it is split into, and what each comes to: together they are this reading. Empty where it is one. */
  groups: readonly GroupRead[]
  count: number
  /** Animals that were killed, those condemned after it too: what a plant bills and a year counts. */
  killed: number
  farm: FarmFigures
  /** The flow of this very animal: with its own number of ribs. */
  flow: Flow
  plan: Plan
  /** One animal of it: what it is made of, by its type, weight and measurements. */
  animal: Animal
  /** Where every kilogram lies under the plan. */
  cutting: CutUp
  evidence: Evidence[]
  disagreements: { stage: Stage; z: number; expectedKg: Kg }[]
  /** The draws behind every interval, as planned; null where none were asked for. */
  drawn: Drawn | null
  /** The same as the packs weighed so far have taught them. */
  drawnNow: Drawn | null
  /** Intervals of parts by part and side (parts.ts), where they were asked for. */
  parts: Readonly<Record<string, Interval>>
  /** What is all weighed against what was likely (missing.ts), where it was asked for. */
  missing: Missing | null
  /** Null while nothing was weighed or estimated. */
  weights: Weights | null
  stages: StageFigure[]
  cuts: CutFigure[]
  balance: CutUp['balance'] & { difference: Kg }
  unweighedKg: Kg
  /** What cutting it takes, by kind of work; and all of it. */
  bench: BenchMinutes
  minutes: number
  /** Its share of the day: 1, or of one group of a lot its share of the animals. */
  dayShare: number
  worth: Worth
  /** What its processor bills. */
  billed: Billed
  money: MoneyFigures
}
