import type { Content } from 'pdfmake/interfaces.js'
import { formatPrice } from '#core/measure'
import { priceGroupsOf, type PriceList } from '#core/papers'
import { headOf, inTwo, right, ruled, small, typed } from './design.ts'

type Group = ReturnType<typeof priceGroupsOf>[number]

/** Two columns by how it is cooked, with a line to write the order on. */
export function priceListPaper(list: PriceList): Content[] {
  const group = (g: Group): Content => ({
    unbreakable: true,
    margin: [0, 0, 0, 10],
    stack: [
      { text: g.heading, bold: true, fontSize: 12.5 },
      {
        table: {
          widths: ['*', 'auto', 34],
          body: g.rows.map((r) => [
            {
              text: [
                { text: r.name, bold: true },
                { text: r.pack ? `  ${r.pack}` : '', fontSize: 8.5 },
              ],
            },
            right(formatPrice(r.price, list.currency), { noWrap: true }),
            { canvas: [{ type: 'line' as const, x1: 4, y1: 14, x2: 34, y2: 14, lineWidth: 0.6 }] },
          ]),
        },
        layout: ruled,
      },
    ],
  })
  const [left, other] = inTwo(priceGroupsOf(list), (g) => g.rows.length + 1.2)
  return [
    ...headOf(list, 'Prices', [list.said.greeting ?? '']),
    { text: 'Write on the line how many packs you would like.', fontSize: 9, margin: [0, 0, 0, 8] },
    {
      columns: [
        { width: '*', stack: left.map(group) },
        { width: '*', stack: other.map(group) },
      ],
      columnGap: 26,
    },
    ...typed('To order', list.said.collection),
    {
      unbreakable: true,
      margin: [0, 8, 0, 0],
      table: { widths: [70, '*', 70, 120], body: [['Your name', '', 'Telephone', '']] },
      layout: {
        hLineWidth: (i: number) => (i === 1 ? 0.6 : 0),
        vLineWidth: () => 0,
        paddingTop: () => 10,
        paddingBottom: () => 3,
      },
    },
    ...list.words.map(small),
  ]
}
