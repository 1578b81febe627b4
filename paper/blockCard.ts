import type { Content } from 'pdfmake/interfaces.js'
import type { BlockCard } from '#core/papers'
import { box, headOf, heads, longTable, markWords, small, tick, typed } from './design.ts'

export function blockCardPaper(card: BlockCard): Content[] {
  const caution = (text: string): Content => ({ text: `Caution: ${text}`, fontSize: 9, bold: true })
  return [
    ...headOf(card, `Block card: ${card.what}`, [markWords(card)]),
    { text: `Hanging ${card.hanging}. Dressed: ${card.dressing}.`, margin: [0, 0, 0, 4] },
    ...(card.cautions.length > 0
      ? [{ ...(caution(card.cautions.join(' ')) as object), margin: [0, 0, 0, 6] } as Content]
      : []),
    ...typed('Note', card.said.instructions),
    ...longTable(
      [14, 104, '*', 104, 54, 54],
      heads('', 'Step', 'How', 'Expected', 'Left', 'Right'),
      card.steps.map((s) => [
        tick(),
        { stack: [{ text: s.title, bold: true }, s.way, { text: s.side, fontSize: 9 }] },
        { stack: [{ text: s.how, fontSize: 9.5 }, ...(s.caution ? [caution(s.caution)] : [])] },
        { stack: s.cuts.map((c) => ({ text: `${c.name}: ${c.weight}`, fontSize: 9 })) },
        s.cuts.length > 0 && s.side !== 'right side' ? box() : '',
        s.cuts.length > 0 && (s.side === 'both sides' || s.side === 'right side') ? box() : '',
      ]),
      [{ text: `All that is taken home: ${card.total}`, bold: true, margin: [0, 8, 0, 0] }],
    ),
    ...(card.cautions.length > 0
      ? []
      : [
          small(
            'Scrape the bone dust after every saw cut. Every gland out; spinal cord out. Local codes and the licensed processor come first.',
          ),
        ]),
  ]
}
