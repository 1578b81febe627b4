import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces.js'
import { formatPrice } from '#core/measure'
import {
  PAPERS,
  type BlockCard,
  type CutSheet,
  type Letter,
  type PaperData,
  type PriceList,
} from '#core/papers'

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
    ...title(`Cut sheet: ${sheet.lot}`, `${sheet.farm} · ${sheet.date} · ${sheet.what}`),
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

function blockCardPaper(card: BlockCard): Content[] {
  return [
    ...title(`Block card: ${card.lot}`, `${card.farm} · ${card.date} · ${card.what}`),
    { text: `Hanging ${card.hanging}. Dressed: ${card.dressing}.`, margin: [0, 0, 0, 8] },
    {
      table: {
        headerRows: 1,
        dontBreakRows: true,
        widths: [14, 104, '*', 104, 54, 54],
        body: [
          heads('', 'Step', 'How', 'Expected', 'Left', 'Right'),
          ...card.steps.map((s) => [
            tick(),
            { stack: [{ text: s.title, bold: true }, s.way, { text: s.side, fontSize: 9 }] },
            {
              stack: [
                { text: s.how, fontSize: 9.5 },
                ...(s.caution ? [{ text: `Caution: ${s.caution}`, fontSize: 9, bold: true }] : []),
              ],
            },
            { stack: s.cuts.map((c) => ({ text: `${c.name}: ${c.weight}`, fontSize: 9 })) },
            s.cuts.length > 0 && s.side !== 'right side' ? box() : '',
            s.cuts.length > 0 && (s.side === 'both sides' || s.side === 'right side') ? box() : '',
          ]),
        ],
      },
      layout: ruled,
    },
    { text: `All that is taken home: ${card.total}`, bold: true, margin: [0, 8, 0, 0] },
    {
      text: 'Scrape the bone dust after every saw cut. Every gland out; spinal cord out. Local codes and the licensed processor come first.',
      margin: [0, 6, 0, 0],
      fontSize: 9,
    },
  ]
}

function letterPaper(l: Letter): Content[] {
  return [
    ...title(`What to expect: ${l.share} of a ${l.what}`, `${l.farm} · ${l.lot} · ${l.date}`),
    {
      table: {
        widths: [130, '*'],
        body: [
          ['Hanging weight', l.hanging],
          [
            { text: 'You take home', bold: true },
            { text: l.takeHome, bold: true },
          ],
          ['Ground and sausage', `${l.mince} of it`],
        ],
      },
      layout: ruled,
      margin: [0, 0, 0, 10],
    },
    {
      table: {
        headerRows: 1,
        widths: ['*', 'auto', 'auto', 'auto'],
        body: [
          heads('Cut', 'Weight', 'Likely', 'Packs'),
          ...l.rows.map((r) => [r.name, { text: r.weight, alignment: 'right' as const }, r.likely, r.packs]),
          [
            { text: 'Together', bold: true },
            { text: l.total, bold: true, alignment: 'right' as const },
            '',
            '',
          ],
        ],
      },
      layout: ruled,
    },
    { text: 'Why it is less than what hung', bold: true, fontSize: 13, margin: [0, 12, 0, 4] },
    {
      table: {
        widths: ['*', 'auto'],
        body: l.losses.map((x) => [x.name, { text: x.weight, alignment: 'right' as const }]),
      },
      layout: ruled,
    },
    ...l.words.map((text): Content => ({ text, margin: [0, 8, 0, 0], fontSize: 9 })),
    {
      text: 'These are estimates with the range they usually fall in; what is weighed into your boxes is what you get. Sides of one animal differ by one or two percent.',
      margin: [0, 8, 0, 0],
      fontSize: 9,
    },
  ]
}

/** A box to tick. */
const tick = (): Content => ({
  canvas: [{ type: 'rect', x: 0, y: 2, w: 11, h: 11, lineWidth: 0.9, lineColor: INK }],
})

function contentOf(data: PaperData): Content[] {
  switch (data.kind) {
    case 'price-list':
      return priceListPaper(data)
    case 'cut-sheet':
      return cutSheetPaper(data)
    case 'block-card':
      return blockCardPaper(data)
    case 'letter':
      return letterPaper(data)
  }
}

/** The page description of a paper: black and white, large enough to read when wet. */
export function definitionOf(data: PaperData): TDocumentDefinitions {
  return {
    pageSize: 'A4',
    pageMargins: data.kind === 'block-card' ? [26, 36, 26, 44] : [40, 40, 40, 48],
    defaultStyle: { font: 'Fira', fontSize: 11, color: INK },
    content: contentOf(data),
    footer: (page, pages) => ({
      text: `${data.farm} · ${data.lot} · ${data.date} · page ${page} of ${pages}`,
      alignment: 'center',
      fontSize: 8,
      margin: [0, 14, 0, 0],
    }),
    info: { title: `${PAPERS[data.kind].title}: ${data.lot}` },
  }
}
