import type { Farm, IssuedPaper, Lot } from '#contracts'
import type { Anatomy } from '#core/anatomy'
import { compile } from '#core/carcass'
import type { PaperWords } from '#core/records'
import type { Outcome } from '#core/measure'
import { drawUp, type PaperData } from '#core/papers'
import { figuresOf, reckon, viewOf } from '#core/reading'

/** A day as the farm's calendar has it. */
export const localDate = (at: Date, zone: string) =>
  new Intl.DateTimeFormat('en-CA', { timeZone: zone, dateStyle: 'short' }).format(at)

export interface PaperAsked {
  kind: IssuedPaper['kind']
  share: IssuedPaper['share']
  /** What was typed when it was asked for. */
  words: PaperWords
  farm: Farm
  lot: Lot
  /** The group it is of; null for all of the lot. */
  group: string | null
  anatomy: Anatomy
  /** The instant it is issued, ISO 8601. */
  at: string
}

/** Reads a lot and makes its paper, or says why it may not be issued. */
export function drawUpLot({
  kind,
  share,
  words,
  farm,
  lot,
  group,
  anatomy,
  at,
}: PaperAsked): Outcome<PaperData> {
  const read = reckon(compile(anatomy), viewOf(lot, group), figuresOf(farm))
  const name = lot.groups.find((g) => g.id === group)?.name
  const called = name ? `${lot.tag}, ${name}` : lot.tag
  return drawUp(kind, { read, farm, lot: called, date: localDate(new Date(at), farm.zone), share, words })
}
