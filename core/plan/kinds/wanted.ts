import type { Portion, Tool } from '#core/anatomy'
import { SidedMap, type Split } from '#core/carcass'
import type { Mm, UnitPrice } from '#core/measure'
import type { Decision, Finish, Hold, OwnUse, SchoolId, Station } from '#core/records'

/** Fields that are decided once for all of a lot. */
type LotFields = Extract<Decision, { target: 'lot' }>
export type OfLot = { [F in LotFields['field']]?: NonNullable<Extract<LotFields, { field: F }>['value']> }

/** What the decisions in force ask for, whether or not it can stand. */
export const nothingWanted = () => ({
  paths: new SidedMap<string>(),
  lines: new SidedMap<string>(),
  mm: new SidedMap<Mm>(),
  splits: new SidedMap<Split>(),
  held: new SidedMap<Hold>(),
  without: new Set<Tool>(),
  portions: new Map<string, Portion>(),
  finishes: new Map<string, readonly Finish[]>(),
  stations: new Map<string, Station>(),
  closed: new Set<Station>(),
  schools: new Map<SchoolId, string>(),
  index: new Map<string, number>(),
  price: new Map<string, UnitPrice>(),
  lock: new Map<string, boolean>(),
  floor: new Map<string, UnitPrice>(),
  ceiling: new Map<string, UnitPrice>(),
  sold: new Map<string, number>(),
  rest: new Map<string, number>(),
  own: new Map<string, OwnUse>(),
  given: new Map<string, number>(),
  lot: {} as OfLot,
})
export type Wanted = ReturnType<typeof nothingWanted>
