import type { Content, ContentTable, TableCell } from 'pdfmake/interfaces.js'
import type { PaperData } from '#core/papers'

/** One design for every paper: black on white, large enough to read when wet, the farm at the top right of all. */
export const INK = '#000000'

const rule: Content = {
  table: { widths: ['*'], body: [['']] },
  layout: {
    hLineWidth: (i: number) => (i === 0 ? 1.6 : 0),
    vLineWidth: () => 0,
    hLineColor: () => INK,
    paddingTop: () => 0,
    paddingBottom: () => 2,
  },
}

/** The head of a paper: what it is, of which animal and for whom on the left; whose it is on the right. */
export function headOf(data: PaperData, title: string, about: readonly string[]): Content[] {
  const { farm, address, telephone, said, date } = data
  return [
    {
      columns: [
        {
          width: '*',
          stack: [
            { text: title, fontSize: 20, bold: true },
            ...about.filter((t) => t !== '').map((text) => ({ text, fontSize: 10.5 })),
          ],
        },
        {
          width: 190,
          alignment: 'right',
          stack: [
            { text: farm, bold: true, fontSize: 12.5 },
            ...address
              .split('\n')
              .filter((t) => t !== '')
              .map((text) => ({ text, fontSize: 9.5 })),
            ...(telephone ? [{ text: telephone, fontSize: 9.5 }] : []),
            { text: date, fontSize: 9.5 },
          ],
        },
      ],
      columnGap: 12,
      margin: [0, 0, 0, 6],
    },
    rule,
    ...(said.customer || said.telephone
      ? [
          {
            text: [
              { text: 'For ' },
              { text: said.customer ?? '', bold: true },
              { text: said.telephone ? `   Telephone ${said.telephone}` : '' },
            ],
            margin: [0, 0, 0, 6] as [number, number, number, number],
          },
        ]
      : []),
  ]
}

/** Lot, tag, day and place of kill in one line; what nobody said is left out. */
export const markWords = ({ lot, mark, killed, plant }: PaperData): string =>
  [`Lot ${lot}`, mark && `tag ${mark}`, killed && `killed ${killed}`, plant && `at ${plant}`]
    .filter((t) => t !== '')
    .join(' · ')

export const ruled = {
  hLineWidth: () => 0.6,
  vLineWidth: () => 0,
  hLineColor: () => INK,
  paddingTop: () => 1.8,
  paddingBottom: () => 1.8,
}
export const heads = (...names: string[]) => names.map((text) => ({ text, bold: true, fontSize: 9.5 }))
export const right = (text: string, more: object = {}) => ({ text, alignment: 'right' as const, ...more })

/** Figures by their name. */
export const pairs = (rows: readonly (readonly [string, string])[], first = 105): Content => ({
  table: {
    widths: [first, '*'],
    body: rows
      .filter(([, says]) => says !== '')
      .map(([name, says]) => [
        { text: name, bold: true, fontSize: 9.5 },
        { text: says, fontSize: 9.5 },
      ]),
  },
  layout: ruled,
  margin: [0, 0, 0, 8],
})

/** Groups in two columns that are as near to one length as they can be, in their order. */
export function inTwo<T>(groups: readonly T[], length: (group: T) => number): [T[], T[]] {
  const lengths = groups.map(length)
  const sum = (from: number, to: number) => lengths.slice(from, to).reduce((s, x) => s + x, 0)
  const apart = (at: number) => Math.abs(sum(0, at) - sum(at, groups.length))
  const at = groups.reduce((best, _, i) => (apart(i + 1) < apart(best) ? i + 1 : best), groups.length)
  return [groups.slice(0, at), groups.slice(at)]
}

/** Words a person typed for this paper. */
export const typed = (heading: string, text: string | undefined): Content[] =>
  text ? [{ text: [{ text: `${heading}. `, bold: true }, text], margin: [0, 4, 0, 4] }] : []

export const small = (text: string): Content => ({ text, margin: [0, 4, 0, 0], fontSize: 9 })

/** An empty box to write a weight in, or to tick: a new one each time, as pdfmake keeps one place per node. */
export const box = (w = 52, h = 16): Content => ({
  canvas: [{ type: 'rect', x: 0, y: 0, w, h, lineWidth: 0.8, lineColor: INK }],
})
export const tick = (): Content => ({
  canvas: [{ type: 'rect', x: 0, y: 2, w: 11, h: 11, lineWidth: 0.9, lineColor: INK }],
})

/** So many of the last rows stay together, with what stands under them: no row is alone on a page. */
const TOGETHER = 3
/** A table of rows that may each be longer than a page: they break where they must. What is kept whole and does not fit is not printed at all. */
export const breakingTable = (
  widths: ContentTable['table']['widths'],
  header: TableCell[],
  rows: TableCell[][],
  under: Content[] = [],
): Content[] => [{ table: { headerRows: 1, widths, body: [header, ...rows] }, layout: ruled }, ...under]

/** A table whose last rows are never torn from each other. `widths` are fixed, so that both halves line up. */
export function longTable(
  widths: ContentTable['table']['widths'],
  header: TableCell[],
  rows: TableCell[][],
  under: Content[] = [],
): Content[] {
  const cut = rows.length > TOGETHER ? rows.length - TOGETHER : 0
  const table = (body: TableCell[][], headerRows: number): Content => ({
    table: { headerRows, keepWithHeaderRows: headerRows, dontBreakRows: true, widths, body },
    layout: ruled,
  })
  const [head, tail] = [rows.slice(0, cut), rows.slice(cut)]
  return [
    ...(head.length > 0 ? [table([header, ...head], 1)] : []),
    { unbreakable: true, stack: [table(cut > 0 ? tail : [header, ...tail], cut > 0 ? 0 : 1), ...under] },
  ]
}
