import type { Content } from 'pdfmake/interfaces.js'
import type { Letter } from '#core/papers'
import { headOf, INK, inTwo, markWords, pairs, right, ruled, small } from './design.ts'

const BAR_WIDTH = 250
const WIDTHS = ['*', 44, 60, 28]
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
                  {
                    type: 'rect' as const,
                    x: 0,
                    y: 2,
                    w: b.of * BAR_WIDTH,
                    h: 9,
                    lineWidth: 0.7,
                    lineColor: INK,
                  },
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
  const fine = { fontSize: 9 }
  const group = (g: Letter['groups'][number]): Content => ({
    unbreakable: true,
    margin: [0, 0, 0, 5],
    stack: [
      ...(g.heading
        ? [
            { text: g.heading, bold: true, fontSize: 10.5 },
            { text: g.cook, fontSize: 8 },
          ]
        : []),
      {
        table: {
          widths: WIDTHS,
          body: g.rows.map((r) => [
            { text: r.name, ...fine },
            right(r.weight, fine),
            { text: r.likely || 'weighed', fontSize: 8 },
            right(r.packs.replace('about ', ''), fine),
          ]),
        },
        layout: { ...ruled, paddingTop: () => 0.8, paddingBottom: () => 0.8 },
      },
    ],
  })
  const bold = { bold: true, ...fine }
  const heading = (): Content => ({
    table: {
      widths: WIDTHS,
      body: [
        [{ text: 'Cut', ...bold }, right('Weight', bold), { text: 'Likely', ...bold }, right('Packs', bold)],
      ],
    },
    layout: { ...ruled, hLineWidth: () => 0 },
  })
  const [left, other] = inTwo(l.groups, (g) => g.rows.length + 2)
  const share = l.share === 'whole animal' ? `a whole ${l.what}` : `${l.share} of a ${l.what}`
  return [
    ...headOf(l, `Your meat: ${share}`, [markWords(l)]),
    ...(l.said.greeting ? [{ text: l.said.greeting, margin: [0, 0, 0, 6] } as Content] : []),
    ...bars(l),
    pairs([
      ['Hanging weight', l.hanging],
      ['You take home', `${l.takeHome}; ${l.mince} of it ground or sausage`],
      ['What it costs', l.cost],
      ['Packs and freezer', [l.packs && `${l.packs} packs.`, l.freezer].filter((t) => t !== '').join(' ')],
      ['Collect it', l.said.collection ?? ''],
    ]),
    {
      columns: [
        { width: '*', stack: [heading(), ...left.map(group)] },
        { width: '*', stack: other.length > 0 ? [heading(), ...other.map(group)] : [] },
      ],
      columnGap: 18,
    },
    {
      unbreakable: true,
      columnGap: 18,
      columns: [
        {
          width: '*',
          stack: [
            { text: 'Why it is less than what hung', bold: true, fontSize: 10.5, margin: [0, 0, 0, 2] },
            {
              table: {
                widths: ['*', 60],
                body: [
                  ...(l.from ? [[{ text: 'your part of what hung' }, right(l.from)]] : []),
                  ...l.losses.map((x) => [{ text: x.name }, right(x.weight)]),
                  [{ text: 'what you take home', bold: true }, right(l.total, { bold: true })],
                ],
              },
              layout: { ...ruled, paddingTop: () => 0.8, paddingBottom: () => 0.8 },
              fontSize: 9,
            },
          ],
        },
        { width: '*', stack: l.words.map(small) },
      ],
    },
  ]
}
