import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces.js'
import type { PriceList } from '#core/ledger'
import { formatPrice } from '#core/measure'
import type { CutSheet } from '#core/plan'

const INK = '#000000'
const title = (text: string, under: string): Content[] => [
  { text, fontSize: 22, bold: true },
  { text: under, fontSize: 11, margin: [0, 2, 0, 10] },
]
const ruled = {
  hLineWidth: () => 0.6,
  vLineWidth: () => 0,
  hLineColor: () => INK,
  paddingTop: () => 4,
  paddingBottom: () => 4,
}
const heads = (...names: string[]) => names.map((text) => ({ text, bold: true }))

/** An empty box to write a weight in: drawn, since no text face has one; a new one each time, as pdfmake keeps one place per node. */
const box = (): Content => ({
  canvas: [{ type: 'rect', x: 0, y: 0, w: 52, h: 16, lineWidth: 0.8, lineColor: INK }],
})

function priceListPaper(list: PriceList): Content[] {
  return [
    ...title(`${list.farm}: prices`, `${list.lot} · ${list.date}`),
    {
      table: {
        headerRows: 1,
        widths: ['*', 'auto', 'auto'],
        body: [
          heads('Cut', 'Price', 'Usual pack'),
          ...list.rows.map((r) => [
            r.name,
            { text: formatPrice(r.price, list.currency), alignment: 'right' as const },
            r.pack,
          ]),
        ],
      },
      layout: ruled,
    },
    ...list.words.map((text): Content => ({ text, margin: [0, 8, 0, 0], fontSize: 9 })),
  ]
}

function cutSheetPaper(sheet: CutSheet): Content[] {
  const same = (r: { left: string; right: string }) =>
    r.left === r.right ? r.left : `Left: ${r.left}\nRight: ${r.right}`
  return [
    ...title(
      `Cut sheet: ${sheet.lot}`,
      `${sheet.farm} · ${sheet.date} · ${sheet.count} ${sheet.count === 1 ? 'hog' : 'hogs'}`,
    ),
    {
      table: {
        widths: [90, '*'],
        body: [
          ['Hanging weight', sheet.hanging],
          ['Dressed', sheet.dressing],
          ['Inspection', sheet.route],
          ...sheet.lines.map((l) => [l.name, same(l)]),
        ],
      },
      layout: ruled,
      margin: [0, 0, 0, 12],
    },
    {
      table: {
        headerRows: 1,
        dontBreakRows: true,
        widths: [82, 150, '*', 54],
        body: [
          heads('Part', 'Cut as', 'How', 'Weight'),
          ...sheet.rows.map((r) => [
            { text: r.part, bold: true },
            same(r),
            { text: r.note, fontSize: 9 },
            box(),
          ]),
        ],
      },
      layout: ruled,
    },
    {
      text: 'The processor’s licence, the inspector and local codes come before anything on this sheet. Every gland out; spinal cord out.',
      margin: [0, 10, 0, 0],
      fontSize: 9,
    },
  ]
}

/** The page description of a paper: black and white, large enough to read when wet. */
export function definitionOf(data: PriceList | CutSheet): TDocumentDefinitions {
  return {
    pageSize: 'A4',
    pageMargins: [40, 40, 40, 48],
    defaultStyle: { font: 'Fira', fontSize: 11, color: INK },
    content: data.kind === 'price-list' ? priceListPaper(data) : cutSheetPaper(data),
    footer: (page, pages) => ({
      text: `${data.farm} · ${data.lot} · ${data.date} · page ${page} of ${pages}`,
      alignment: 'center',
      fontSize: 8,
      margin: [0, 14, 0, 0],
    }),
    info: { title: `${data.kind === 'price-list' ? 'Price list' : 'Cut sheet'}: ${data.lot}` },
  }
}
