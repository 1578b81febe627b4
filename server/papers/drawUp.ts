import type { Farm, IssuedPaper, Lot } from '#contracts'
import type { Anatomy } from '#core/anatomy'
import { compile } from '#core/carcass'
import type { PaperWords } from '#core/records'
import type { Outcome } from '#core/measure'
import { drawUp, type PaperData } from '#core/papers'
import { figuresOf, reckon } from '#core/reading'

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
  anatomy: Anatomy
  /** The instant it is issued, ISO 8601. */
  at: string
}

/** Reads a lot and makes its paper, or says why it may not be issued. */
export function drawUpLot({ kind, share, words, farm, lot, anatomy, at }: PaperAsked): Outcome<PaperData> {
  const read = reckon(compile(anatomy), lot, figuresOf(farm))
  return drawUp(kind, { read, farm, lot: lot.tag, date: localDate(new Date(at), farm.zone), share, words })
}
