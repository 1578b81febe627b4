import type { Content } from 'pdfmake/interfaces.js'
import type { Letter } from '#core/papers'
import { headOf, INK, markWords, pairs, right, ruled, small } from './design.ts'

const BAR_WIDTH = 250
/** The animal alive, hanging and taken home to one scale, the buyer's part of each filled. */
const bars = ({ bars: all, part }: Letter): Content[] =>
  all.length === 0
    ? []
    : [
        {
          table: {
            widths: [62, BAR_WIDTH, '*'],
            body: all.map((b) => [
              { text: b.name, fontSize: 9.5 },
              {
                canvas: [
                  { type: 'rect' as const, x: 0, y: 2, w: b.of * BAR_WIDTH, h: 9, lineWidth: 0.7, lineColor: INK },
                  { type: 'rect' as const, x: 0, y: 2, w: b.of * part * BAR_WIDTH, h: 9, color: INK },
                ],
              },
              { text: b.weight, fontSize: 9.5 },
            ]),
          },
          layout: 'noBorders',
          margin: [0, 0, 0, 6],
        },
        ...(part < 1
          ? [{ text: 'Black: your part of it.', fontSize: 8.5, margin: [0, -4, 0, 6] } as Content]
          : []),
      ]

export function letterPaper(l: Letter): Content[] {
  const group = (g: Letter['groups'][number]): Content => ({
    unbreakable: true,
    margin: [0, 0, 0, 5],
    stack: [
      ...(g.heading
        ? [
            {
              text: [{ text: g.heading, bold: true, fontSize: 11 }, { text: `  ${g.cook}`, fontSize: 8.8 }],
            },
          ]
        : []),
      {
        table: {
          widths: ['*', 58, 88, 52],
          body: g.rows.map((r) => [
            { text: r.name, fontSize: 10 },
            right(r.weight, { fontSize: 10 }),
            { text: r.likely, fontSize: 8.8 },
            { text: r.packs, fontSize: 10 },
          ]),
        },
        layout: { ...ruled, paddingTop: () => 1.2, paddingBottom: () => 1.2 },
      },
    ],
  })
  const share = l.share === 'whole animal' ? `a whole ${l.what}` : `${l.share} of a ${l.what}`
  return [
    ...headOf(l, `Your meat: ${share}`, [markWords(l)]),
    ...(l.said.greeting ? [{ text: l.said.greeting, margin: [0, 0, 0, 8] } as Content] : []),
    ...bars(l),
    pairs([
      ['Hanging weight', l.hanging],
      ['You take home', l.takeHome],
      ['Of it ground', l.mince],
      ['What it costs', l.cost],
      ['Packs', l.packs],
      ['Freezer room', l.freezer],
      ['Collect it', l.said.collection ?? ''],
    ]),
    {
      columns: [
        { width: '*', text: 'Cut', bold: true, fontSize: 9.5 },
        { width: 58, ...right('Weight', { bold: true, fontSize: 9.5 }) },
        { width: 96, text: '     Likely', bold: true, fontSize: 9.5 },
        { width: 56, text: 'Packs', bold: true, fontSize: 9.5 },
      ],
    },
    ...l.groups.map(group),
    {
      unbreakable: true,
      stack: [
        {
          columns: [
            { width: '*', text: 'Together', bold: true },
            { width: 58, ...right(l.total, { bold: true }) },
            { width: 152, text: '' },
          ],
          margin: [0, 0, 0, 8],
        },
        { text: 'Why it is less than what hung', bold: true, fontSize: 11.5, margin: [0, 0, 0, 3] },
        {
          table: {
            widths: [170, 64],
            body: [
              ...(l.from ? [[{ text: 'your part of what hung' }, right(l.from)]] : []),
              ...l.losses.map((x) => [{ text: x.name }, right(x.weight)]),
              ...(l.from
                ? [[{ text: 'what you take home', bold: true }, right(l.total, { bold: true })]]
                : []),
            ],
          },
          layout: { ...ruled, paddingTop: () => 1, paddingBottom: () => 1 },
          fontSize: 9.5,
        },
        ...l.words.map(small),
      ],
    },
  ]
}
