import type { Content } from 'pdfmake/interfaces.js'
import { CHECK_POINTS } from '#core/hand'
import type { BlockCard, CardStep } from '#core/papers'
import { box, breakingTable, headOf, heads, longTable, markWords, small, tick, typed } from './design.ts'

/** Type for two metres, one step after another; or a table of the whole plan. */
const USUAL = { title: 11, text: 9.5, hand: 8.5 } as const
const LARGE = { title: 20, text: 14, hand: 12.5 } as const

export function blockCardPaper(card: BlockCard): Content[] {
  const large = card.said.type === 'large'
  // Of one part there is room for how it is done; of the whole plan where it is asked for.
  const isByHand = card.said.type === 'steps' || card.said.only !== undefined
  const type = large ? LARGE : USUAL
  const caution = (text: string): Content => ({
    text: `Caution: ${text}`,
    fontSize: type.text - 0.5,
    bold: true,
  })
  /** Boxes to sign in, a check point each. */
  const signs = (s: CardStep): Content[] =>
    s.checks.map((check) => ({
      columns: [
        { width: 46, ...(box(42, 14) as object) } as Content,
        { width: '*', text: CHECK_POINTS[check].word, fontSize: type.text, margin: [0, 1.5, 0, 0] },
      ],
      columnGap: 4,
      margin: [0, 2, 0, 0],
    }))
  const where = (s: CardStep) =>
    [s.station, s.minutes >= 0.5 ? `about ${Math.round(s.minutes)} min` : ''].filter(Boolean).join(', ')
  const named = (s: CardStep): Content => ({
    stack: [
      { text: s.title, bold: true, fontSize: type.title },
      { text: s.way, fontSize: type.text },
      { text: [s.side, where(s)].filter(Boolean).join('; '), fontSize: type.text - 0.5 },
    ],
  })
  const how = (s: CardStep): Content => ({
    stack: [
      { text: s.how, fontSize: type.text },
      ...(isByHand && s.by.length > 0
        ? [{ ol: s.by.map((text) => ({ text })), fontSize: type.hand, margin: [0, 2, 0, 0] } as Content]
        : []),
      ...(s.caution ? [caution(s.caution)] : []),
      ...signs(s),
    ],
  })
  const cuts = (s: CardStep): Content => ({
    stack: s.cuts.map((c) => ({ text: `${c.name}: ${c.weight}`, fontSize: type.text })),
  })
  const left = (s: CardStep) => (s.cuts.length > 0 && s.side !== 'right side' ? box() : '')
  const right = (s: CardStep) =>
    s.cuts.length > 0 && (s.side === 'both sides' || s.side === 'right side') ? box() : ''
  const total = [
    { text: `All that is taken home: ${card.total}`, bold: true, margin: [0, 8, 0, 0] } as Content,
  ]
  return [
    ...headOf(card, `Block card: ${card.what}`, [markWords(card)]),
    { text: `Hanging ${card.hanging}. Dressed: ${card.dressing}.`, margin: [0, 0, 0, 4] },
    ...(card.cautions.length > 0
      ? [{ ...(caution(card.cautions.join(' ')) as object), margin: [0, 0, 0, 6] } as Content]
      : []),
    ...typed('Note', card.said.instructions),
    ...(large
      ? breakingTable(
          [18, '*', 120],
          heads('', 'Step', 'Expected, weighed left and right'),
          card.steps.map((s) => [
            tick(),
            { stack: [named(s), how(s)] },
            { stack: [cuts(s), left(s), right(s)].filter((x) => x !== '') },
          ]),
          total,
        )
      : (isByHand ? breakingTable : longTable)(
          [14, 104, '*', 104, 54, 54],
          heads('', 'Step', 'How', 'Expected', 'Left', 'Right'),
          card.steps.map((s) => [tick(), named(s), how(s), cuts(s), left(s), right(s)]),
          total,
        )),
    ...(card.cautions.length > 0
      ? []
      : [
          small(
            'Scrape the bone dust after every saw cut. Every gland out; spinal cord out. Local codes and the licensed processor come first.',
          ),
        ]),
    small('Signed by all who signed above, closed at ____________  by ____________________'),
  ]
}
