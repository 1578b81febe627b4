import type { Farm, Lot, Paper } from '#contracts'
import type { Anatomy } from '#core/anatomy'
import type { PriceList } from '#core/ledger'
import type { Issue } from '#core/measure'
import { paperPdf, priceListCsv } from '#paper'
import { drawUp } from './drawUp.ts'

export interface PaperAsked {
  kind: Paper['kind']
  share: Paper['share']
  farm: Farm
  lot: Lot
  anatomy: Anatomy
  /** The instant it is issued, ISO 8601. */
  at: string
}

/** Works papers out and prints them. It takes a second of reckoning, so the server does it in a thread of its own. */
export interface PaperMaker {
  draw(asked: PaperAsked): Promise<{ data: Paper['data'] } | { issues: Issue[] }>
  pdf(data: Paper['data']): Promise<Uint8Array>
  csv(data: Paper['data']): Promise<string>
}

export const paperMaker: PaperMaker = {
  draw: async ({ kind, share, farm, lot, anatomy, at }) => {
    const drawn = drawUp(kind, farm, lot, anatomy, new Date(at), share)
    return 'issues' in drawn ? drawn : { data: { ...drawn.data } }
  },
  pdf: (data) => paperPdf(data as never),
  csv: async (data) => priceListCsv(data as unknown as PriceList),
}
