import type { IssuedPaper } from '#contracts'
import type { Outcome } from '#core/measure'
import { readPaper, type PaperData } from '#core/papers'
import { paperPdf, priceListCsv } from '#paper'
import { drawUpLot, type PaperAsked } from './drawUp.ts'

type Kept = Pick<IssuedPaper, 'kind' | 'data'>

/** Works papers out and prints them. It takes a second of reckoning, so the server does it in a thread of its own. */
export interface PaperMaker {
  draw(asked: PaperAsked): Promise<Outcome<PaperData>>
  pdf(paper: Kept): Promise<Uint8Array>
  /** Null where a paper has no such form. */
  csv(paper: Kept): Promise<string | null>
}

/** A kept paper in today's form: it was checked when it was kept or brought back. */
function dataOf(paper: Kept): PaperData {
  const read = readPaper(paper)
  if (!read.success) throw read.error
  return read.data
}

export const paperMaker: PaperMaker = {
  draw: async (asked) => drawUpLot(asked),
  pdf: async (paper) => paperPdf(dataOf(paper)),
  csv: async (paper) => {
    const data = dataOf(paper)
    return data.kind === 'price-list' ? priceListCsv(data) : null
  },
}
