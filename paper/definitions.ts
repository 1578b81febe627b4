import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces.js'
import { PAPERS, type Labels, type PaperData } from '#core/papers'
import { bookingSheetPaper } from './bookingSheet.ts'
import { blockCardPaper } from './blockCard.ts'
import { cutSheetPaper } from './cutSheet.ts'
import { INK } from './design.ts'
import { labelPages } from './labels.ts'
import { letterPaper } from './letter.ts'
import { priceListPaper } from './priceList.ts'
import { runSheetPaper } from './runSheet.ts'
import { tracePaper } from './trace.ts'

function contentOf(data: Exclude<PaperData, Labels>): Content[] {
  switch (data.kind) {
    case 'price-list':
      return priceListPaper(data)
    case 'cut-sheet':
      return cutSheetPaper(data)
    case 'block-card':
      return blockCardPaper(data)
    case 'letter':
      return letterPaper(data)
    case 'trace':
      return tracePaper(data)
    case 'run-sheet':
      return runSheetPaper(data)
    case 'booking-sheet':
      return bookingSheetPaper(data)
  }
}

/** The page description of a paper: black and white, large enough to read when wet. */
export function definitionOf(data: PaperData): TDocumentDefinitions {
  if (data.kind === 'labels') return labelPages(data)
  return {
    pageSize: data.sheet,
    pageMargins: [32, 28, 32, 36],
    defaultStyle: { font: 'Fira', fontSize: 10.5, color: INK },
    content: contentOf(data),
    footer: (page, pages) => ({
      text: `${data.farm} · ${data.lot} · ${data.date} · page ${page} of ${pages}`,
      alignment: 'center',
      fontSize: 8,
      margin: [0, 12, 0, 0],
    }),
    info: { title: `${PAPERS[data.kind].title}: ${data.lot}` },
  }
}
