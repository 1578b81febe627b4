import type { Farm, IssuedPaper, Lot } from '#contracts'
import type { Anatomy } from '#core/anatomy'
import { compile } from '#core/carcass'
import { unitsOf, type LabelSheet, type PaperWords } from '#core/records'
import type { Outcome } from '#core/measure'
import { drawUp, type PackAbout, type PaperData } from '#core/papers'
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
  /** How the farm's labels look. */
  design: LabelSheet | null
  /** The instant it is issued, ISO 8601. */
  at: string
}

/** Packs by their numbers, whatever became of them, or all that are there; with the local day they were packed on. */
function packsOf(lot: Lot, numbers: readonly number[] | null, zone: string): PackAbout[] {
  const wanted = numbers && new Set(numbers)
  const made = new Map(lot.packs.map((p) => [p.id, p]))
  return unitsOf(lot.packs, lot.facts).flatMap((u) => {
    if (wanted ? !wanted.has(u.number) : u.state !== 'here') return []
    const p = made.get(u.weighIn)!
    const packedOn = localDate(new Date(p.at), zone)
    const shown = p.packs === 1 ? p.shown : null
    return [{ ...u, shown, pieces: p.pieces ?? null, wrap: p.wrap ?? null, outOf: p.outOf ?? [], packedOn }]
  })
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
  const date = localDate(new Date(at), farm.zone)
  const packs = packsOf(lot, words.packs ?? null, farm.zone)
  const { weighings } = viewOf(lot, group)
  return drawUp(kind, { read, farm, lot: called, date, share, words, packs, design, weighings })
}
