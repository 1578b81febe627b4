import type { Content, TableCell } from 'pdfmake/interfaces.js'
import type { CutSheet } from '#core/papers'
import { headOf, heads, markWords, pairs, right, ruled, small, typed } from './design.ts'

/** The half carcass in lines, its parts numbered; white where it is meat, since the sheet is copied and gets wet. */
function drawing({ width, height, shapes }: NonNullable<CutSheet['map']>): string {
  const size = width / 15
  const outlines = shapes
    .map((s) => `<path d="${s.d}" fill="#ffffff" stroke="#000000" stroke-width="${width / 180}"/>`)
    .join('')
  const numbers = shapes
    .filter((s) => s.number !== null)
    .map(
      (s) =>
        `<text x="${s.at[0]}" y="${s.at[1] + size / 3}" font-family="Fira" font-size="${size}" font-weight="bold" text-anchor="middle" fill="#000000">${s.number}</text>`,
    )
    .join('')
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width} ${height}" width="${width}" height="${height}">${outlines}${numbers}</svg>`
}

/** More lines than these are set smaller, so that the sheet stays one page on the processor’s wall. */
const DENSE = 26

export function cutSheetPaper(sheet: CutSheet): Content[] {
  const differ = sheet.rows.some((r) => r.left !== r.right)
  const same = ({ left, right: r }: { left: string; right: string }) =>
    left === r ? left : `left: ${left}; right: ${r}`
  const dense = sheet.rows.reduce((n, r) => n + Math.max(1, r.cuts.length), 0) > DENSE
  const fine = { fontSize: dense ? 8.1 : 8.8 }
  const rows = sheet.rows.flatMap((r): TableCell[][] => {
    const cuts = r.cuts.length > 0 ? r.cuts : [{ name: r.note, how: '', pieces: '', packs: '' }]
    const span = { rowSpan: cuts.length }
    const way = { fontSize: dense ? 8.1 : 9.2, ...span }
    const ways: TableCell[] = !differ
      ? [{ text: r.left, ...way }]
      : r.left === r.right
        ? [{ text: r.left, ...way, colSpan: 2 }, '']
        : [
            { text: r.left, ...way },
            { text: r.right, ...way },
          ]
    return cuts.map((c, i) => [
      i === 0 ? { ...right(String(r.number), { bold: true, ...way }) } : '',
      i === 0 ? { text: r.part, bold: true, ...way } : '',
      ...(i === 0 ? ways : ways.map(() => '')),
      { text: `${c.name}${c.how ? `: ${c.how}` : ''}`, ...fine },
      right(c.pieces, fine),
      right(c.packs, fine),
    ])
  })
  const facts = pairs(
    [
      [
        'Weights',
        sheet.weights.length > 0
          ? sheet.weights.map((w) => `${w.name} ${w.says}`).join('; ')
          : `Hanging ${sheet.hanging}`,
      ],
      ['Dressed', sheet.dressing],
      ['Inspection', sheet.route],
      ...sheet.settings.map((s) => [s.name, s.says] as const),
      ...sheet.lines.map((l) => [l.name, same(l)] as const),
    ],
    84,
  )
  const head: Content = sheet.map
    ? {
        columns: [
          { width: '*', stack: [facts, ...typed('Please', sheet.said.instructions)] },
          { width: 108, svg: drawing(sheet.map), fit: [108, dense ? 150 : 190], alignment: 'right' },
        ],
        columnGap: 14,
      }
    : { stack: [facts, ...typed('Please', sheet.said.instructions)] }
  return [
    ...headOf(sheet, `Cut sheet: ${sheet.what}`, [markWords(sheet)]),
    head,
    {
      table: {
        headerRows: 1,
        keepWithHeaderRows: 1,
        dontBreakRows: true,
        widths: differ ? [12, 74, 84, 84, '*', 32, 28] : [12, 84, 130, '*', 32, 28],
        body: [
          differ
            ? heads('', 'Part', 'Left side', 'Right side', 'Cuts', 'Pieces', 'Packs')
            : heads('', 'Part', 'Cut as', 'Cuts', 'Pieces', 'Packs'),
          ...rows,
        ],
      },
      layout: { ...ruled, paddingTop: () => (dense ? 0.5 : 1.1), paddingBottom: () => (dense ? 0.5 : 1.1) },
    },
    small(
      'The processor’s licence, the inspector and local codes come before anything on this sheet. Every gland out; spinal cord out.',
    ),
  ]
}
