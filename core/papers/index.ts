/** What is printed of a lot? One folder a paper; server, contracts and renderer go by this registry. */
import './issues.ts'
import { z } from 'zod'
import { saysFor, type Outcome } from '#core/measure'
import { newPaperSchema, paperSchema, type Paper } from '#core/records'
import { blockCard, type BlockCard } from './block-card/index.ts'
import { bookingSheet, type BookingSheet } from './booking-sheet/index.ts'
import { cutSheet, type CutSheet } from './cut-sheet/index.ts'
import { labels, type Labels } from './labels/index.ts'
import { letter, type Letter } from './letter/index.ts'
import { PAPER_FORM, type About, type PaperKindOf, type PaperPlace } from './paper.ts'
import { runSheet, type RunSheet } from './run-sheet/index.ts'
import { trace, type Trace } from './trace/index.ts'
import { groupsOf as priceGroupsOf, priceList, type PriceList } from './price-list/index.ts'

export const PAPERS = {
  'price-list': priceList,
  'cut-sheet': cutSheet,
  'block-card': blockCard,
  letter,
  'booking-sheet': bookingSheet,
  'run-sheet': runSheet,
  labels,
  trace,
} as const
export type PaperKind = keyof typeof PAPERS
export type PaperData = PriceList | CutSheet | BlockCard | Letter | BookingSheet | RunSheet | Labels | Trace

/** Papers that are asked for at a place, in the registry's order. */
export const papersAt = (place: PaperPlace) =>
  (Object.entries(PAPERS) as [PaperKind, PaperKindOf][]).flatMap(([kind, p]) =>
    p.standsAt.includes(place) ? [{ ...p, kind, shared: p.shared ?? false }] : [],
  )

const kinds = Object.keys(PAPERS) as [PaperKind, ...PaperKind[]]
const kind = z.enum(kinds)
/** A paper asked for, of a kind there is; and one as it was kept. */
export const askedPaperSchema = newPaperSchema.extend({ kind })
export type AskedPaper = z.infer<typeof askedPaperSchema>
export const issuedPaperSchema = paperSchema.extend({ kind })
export type IssuedPaper = z.infer<typeof issuedPaperSchema>

/** What few papers need. */
type Beside = 'packs' | 'design' | 'weighings'

/** Document data of a paper of a lot, or why it may not be issued. What is issued is stored as this data. */
export function drawUp(
  of: PaperKind,
  about: Omit<About, 'says' | Beside> & Partial<Pick<About, Beside>>,
): Outcome<PaperData> {
  return PAPERS[of].make({ packs: [], design: null, weighings: [], ...about, says: saysFor(about.farm) })
}

/** Printed data of any form there ever was, in today's; what a paper of another kind or no paper is refused with. */
export function readPaper(paper: Pick<Paper, 'kind' | 'data'>): z.ZodSafeParseResult<PaperData> {
  const { schema, up }: PaperKindOf = PAPERS[kind.parse(paper.kind)]
  let data: Record<string, unknown> = paper.data
  for (let form = Number(data.form ?? 1); form < PAPER_FORM; form++) data = up[form]?.(data) ?? data
  return schema.safeParse(data) as z.ZodSafeParseResult<PaperData>
}

export { priceGroupsOf }
export { isLine, stepDone } from './block-card/index.ts'
export type { BlockCard, CardStep } from './block-card/index.ts'
export type { CutSheet } from './cut-sheet/index.ts'
export { BARS_GAP_MM, BARS_MM, INSET_MM, LABELS_ON, lettersAt, putInto, usualDesign } from './labels/index.ts'
export type { Label, Labels } from './labels/index.ts'
export { traceSections } from './trace/index.ts'
export type { Trace, TraceSection } from './trace/index.ts'
export type { Letter } from './letter/index.ts'
export type { PriceList } from './price-list/index.ts'
export type { RunSheet } from './run-sheet/index.ts'
export type { BookingSheet } from './booking-sheet/index.ts'
export type { About, PackAbout, PaperPlace } from './paper.ts'
export { expectedPack, packsAbout } from './packs.ts'
