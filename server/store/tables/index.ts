import { farms, own, papers, pins, plans, sheets } from './farm.ts'
import { commands, facts, groupJoins, groups, lots, packs, requests, weighings } from './lots.ts'
import { packEvents, units } from './packs.ts'
import type { Table } from './table.ts'

export { farms, own, papers, pins, plans, sheets } from './farm.ts'
export { commands, facts, groupJoins, groups, lots, packs, requests, weighings } from './lots.ts'
export { packEvents, units, type UnitKept } from './packs.ts'
export { insert, put, select, selectOne } from './table.ts'

/** Every table of the records, each after those it names: a test holds them against the database's own catalogue. */
export const TABLES = [
  ...[farms, pins, own, plans, sheets, lots, groups, groupJoins],
  ...[weighings, commands, facts, packs, units, packEvents, papers, requests],
] as unknown as readonly Table<Record<string, unknown>>[]

/** Records of a lot that bear a revision of it. */
export const RECORDS = { weighings, packs, commands, facts } as const
