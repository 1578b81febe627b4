import type { Farm, IssuedPaper, Lot } from '#contracts'
import type { Anatomy } from '#core/anatomy'
import { compile } from '#core/carcass'
import type { LabelSheet, PaperWords } from '#core/records'
import { dayIn, type Outcome } from '#core/measure'
import { drawUp, packsAbout, type PaperData } from '#core/papers'
import { figuresOf, reckon, viewOf } from '#core/reading'

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
  /** How the farm's labels look. */
  design: LabelSheet | null
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
  design,
  at,
}: PaperAsked): Outcome<PaperData> {
  const read = reckon(compile(anatomy), viewOf(lot, group), figuresOf(farm))
  const name = lot.groups.find((g) => g.id === group)?.name
  const called = name ? `${lot.tag}, ${name}` : lot.tag
  const date = dayIn(new Date(at), farm.zone)
  const packs = packsAbout(lot, farm.zone, words.packs ?? null)
  const { weighings } = viewOf(lot, group)
  return drawUp(kind, { read, farm, lot: called, date, share, words, packs, design, weighings })
}
