import type { Interval } from './interval.ts'
import type { Names } from './names.ts'
import type { Kg, Minor, Mm, TypedMass } from './units.ts'

type Nothing = Record<never, never>

/** A stage of the weight chain, for words. */
export type WeightStage = 'live' | 'shrunk' | 'hot' | 'cold' | 'aged'
export interface WeightAt {
  stage: WeightStage
  kg: Kg
}
/** Ratios, as they are computed; percent is made of them in the end. */
interface Band {
  low: number
  high: number
}
interface Dressing extends Band {
  hot: Kg
  live: Kg
  what: Names
  ratio: number
}

/** The figures behind each issue, in the core's own units. */
interface IssueFigures {
  'mass-empty': Nothing
  'mass-unreadable': { typed: string }
  'mass-ambiguous': { typed: string; large: string; small: string }
  'mass-not-positive': { typed: string }
  'mass-absurd': {
    each: Kg
    count: number
    low: Kg
    high: Kg
    what: Names
    of: 'live' | 'carcass' | 'piece'
    meant: TypedMass | null
  }
  'money-unreadable': { typed: string }
  'money-too-fine': { typed: string; digits: number }
  'temperature-unreadable': { typed: string; low: number; high: number }
  'number-unreadable': { typed: string; low: number; high: number }
  'later-above-earlier': { later: WeightAt; earlier: WeightAt }
  'dressing-impossible': Dressing
  'dressing-unusual': Dressing
  'loss-unusual': Band & { later: WeightAt; earlier: WeightAt; ratio: number }
  'unknown-id': { kind: string; id: string }
  'shut-out': { reason: string; part: string; path: string }
  'door-closed': { wanted: string; is: string; age?: true }
  'both-sides': Nothing
  /** Asked of a side, a quarter or a part of an animal: what is not there. */
  'not-in-job': { part: Names }
  'side-missing': Nothing
  'not-hung': { what: Names; as: 'whole' | 'side' | 'quarter' | 'part' }
  'no-live-weight': Nothing
  'withdrawal-before': { name: string; given: string; until: string }
  'hot-above-live': { mark: string; live: Kg; hot: Kg }
  'more-than-count': { named: number; count: number }
  /** More animals than there are left. */
  'more-than-alive': { asked: number; alive: number }
  /** More are said to be lost of those nobody knows of than there are. */
  'more-than-missing': { asked: number; missing: number }
  'none-left': { alive: number }
  /** A station of the day where hands are needed and nobody works. */
  'station-empty': { station: string }
  /** The last bird would be done after midnight. */
  'past-midnight': { clock: string }
  /** Ice that cannot take the heat of birds and water. */
  'ice-short': { needed: Kg; given: Kg }
  /** Birds that would not be cold in the hours they have. */
  'chill-late': { hours: number; allowed: number }
  'not-a-batch': { what: Names }
  'fewer-than-count': { came: number; count: number }
  'killed-before-born': { born: string; killed: string }
  'age-contradicts': { born: string; killed: string; months: number; is: 'older' | 'younger' }
  'not-sold': { rule: string; fact: string; change: string }
  'not-food': { rule: string; fact: string; change: string }
  'perhaps-side': { each: Kg; what: Names; low: Kg }
  /** A part is cut in one piece over both sides: what is decided of one is decided of both. */
  'in-one-piece': { part: Names }
  'line-in-one-piece': { part: Names; line: Names }
  /** A way that the anatomy a lot is read by does not have (any more). */
  'way-gone': Nothing
  'anatomy-unknown': Nothing
  'weighed-gone': { what: Names }
  'other-half': { part: Names }
  'step-done': { part: Names }
  'part-packed': { part: Names }
  'part-above-carcass': { part: Names; typed: Kg; most: Kg }
  'cut-away-above-part': { part: Names; typed: Kg; most: Kg }
  'split-in-one': { part: Names }
  'split-alike': { part: Names }
  'split-beyond': { part: Names; typed: number; low: number; high: number }
  'pieces-too-many': { cut: Names; typed: number; most: number; length: Mm }
  'tool-gone': { tool: string }
  /** A part that would be freed whole, through which a line was cut already. */
  'cut-through': { part: Names }
  /** A fault with a weight and no cut, or the other way round; with more than there was. */
  'fault-half': Nothing
  'fault-too-much': { cut: Names; typed: Kg; held: Kg }
  'fault-nowhere': { cut: Names }
  /** A step that cannot stand where it was put. */
  'order-cannot': { step: Names; other: Names; why: string }
  'line-out-of-range': { line: Names; typed: Mm; low: Mm; high: Mm }
  'ribs-impossible': { what: Names; typed: number; low: number; high: number }
  'measure-impossible': { what: Names; typed: number; low: number; high: number; unit: string }
  'own-unsound': { where: string; what: string }
  'plan-unreadable': { reason: string }
  'price-impossible': { need: Minor; most: Minor; ceilings: Names[]; locks: Names[] }
  'price-nothing-to-sell': Nothing
  'repeats-undated': Nothing
  'repeats-ended': { day: string; until: string }
  'repeats-amount': { amount: Minor; all: Minor }
  'past-whole': { cut: Names; kept: number; given: number }
  'price-floor-above-ceiling': { cut: Names; floor: Minor; ceiling: Minor }
  'packed-above-carcass': { packed: Kg; carcass: Kg }
  'packed-above-species': { packed: Kg; most: Kg; what: Names; count: number }
  'packs-unlikely': { cut: Names; expected: Interval; packed: Kg }
  /** Packs named by number that are not there: never made here, voided, corrected or opened already. */
  'packs-gone': { numbers: readonly number[] }
  /** Packs of a weighing to correct that were put away or opened since. */
  'packs-moved': { numbers: readonly number[] }
  /** The middle of it, where it was read last. */
  'too-warm': { c: number }
  'packs-too-light': { shown: TypedMass; packs: number; eachGrams: number }
  'base-ahead': Nothing
  'nothing-to-undo': Nothing
  'undo-elsewhere': Nothing
  'undo-not-yours': Nothing
  'corrected-before': Nothing
  'groups-unequal': { parent: number; children: number }
  /** A joint cost that a way of sharing finds nothing to share over. */
  'joint-nothing': { method: 'weight' | 'split-off' | 'realisable' | 'margin' }
  /** A group that was split, or put together with others, since a page last heard of it. */
  'group-gone': { name: string }
  /** How something is cut, asked of a lot that is more than one group. */
  'group-needed': Nothing
  'groups-unlike': Nothing
  /** A group that weighs more than the whole lot leaves for it, or a lot that weighs less than its groups. */
  'group-above-lot': { group: Kg; left: Kg; of: 'group' | 'lot' }
  /** A way that leaves the animal in one piece, asked of one side of it. */
  'only-a-half': { part: Names }
  'attachment-gone': { name: string }
  'not-for-sale-by-cut': { reason: string }
  'bundle-damaged': { where: string; reason: string }
  /** A kind of record that is not known here (`reads` null), or a form of it that came later. */
  'bundle-kind': { family: string; kind: string; form: number; reads: number | null }
  'bundle-version': { version: string; reads: number }
  'bundle-gone': Nothing
  'bundle-sealed': Nothing
  'bundle-wrong-passphrase': Nothing
}
export type IssueCode = keyof IssueFigures

/**
 * What is wrong with a figure, as data: a code, the field it belongs to and the figures behind it. Words come last, in
 * `sayIssue`, in the farm's names and units. `confirmable` issues are unusual, not impossible: the user may keep them.
 */
export type Issue = {
  [C in IssueCode]: { code: C; field: string; figures: IssueFigures[C]; confirmable?: boolean }
}[IssueCode]

export type Outcome<T> = { ok: true; value: T } | { ok: false; issues: Issue[] }

export const issueOf = <C extends IssueCode>(code: C, field: string, figures: IssueFigures[C]) =>
  ({ code, field, figures }) as Extract<Issue, { code: C }>

export const refuse = <C extends IssueCode>(
  code: C,
  field: string,
  figures: IssueFigures[C],
): { ok: false; issues: Issue[] } => ({ ok: false, issues: [issueOf(code, field, figures)] })
