import type { Content, TableCell } from 'pdfmake/interfaces.js'
import type { CutSheet } from '#core/papers'
import { headOf, heads, longTable, markWords, pairs, right, small, typed } from './design.ts'

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

export function cutSheetPaper(sheet: CutSheet): Content[] {
  const differ = sheet.rows.some((r) => r.left !== r.right)
  const same = ({ left, right: r }: { left: string; right: string }) =>
    left === r ? left : `Left: ${left}. Right: ${r}`
  const lines = (cells: string[]): TableCell => ({ stack: cells.map((text) => ({ text: text || ' ', fontSize: 8.8 })) })
  const rows = sheet.rows.map((r): TableCell[] => [
    right(String(r.number), { bold: true }),
    { text: r.part, bold: true, fontSize: 9.5 },
    ...(differ
      ? r.left === r.right
        ? [{ text: r.left, fontSize: 9.5, colSpan: 2 }, '']
        : [
            { text: r.left, fontSize: 9.5 },
            { text: r.right, fontSize: 9.5 },
          ]
      : [{ text: r.left, fontSize: 9.5 }]),
    lines(
      r.cuts.length > 0
        ? r.cuts.map((c) => `${c.name}${c.how ? `: ${c.how}` : ''}`)
        : [r.note],
    ),
    lines(r.cuts.map((c) => c.pieces)),
    lines(r.cuts.map((c) => c.packs)),
  ])
  const facts = pairs(
    [
      ...sheet.weights.map((w) => [w.name, w.says] as const),
      ...(sheet.weights.length === 0 ? [['Hanging weight', sheet.hanging] as const] : []),
      ['Dressed', sheet.dressing],
      ['Inspection', sheet.route],
      ...sheet.settings.map((s) => [s.name, s.says] as const),
      ...sheet.lines.map((l) => [l.name, same(l)] as const),
    ],
    96,
  )
  const head: Content = sheet.map
    ? {
        columns: [
          { width: '*', stack: [facts] },
          {
            width: 118,
            svg: drawing(sheet.map),
            fit: [118, 196],
            alignment: 'right',
          },
        ],
        columnGap: 14,
      }
    : facts
  return [
    ...headOf(sheet, `Cut sheet: ${sheet.what}`, [markWords(sheet)]),
    head,
    ...typed('Please', sheet.said.instructions),
    ...longTable(
      differ ? [14, 76, 88, 88, '*', 30, 28] : [14, 82, 130, '*', 34, 30],
      differ
        ? heads('', 'Part', 'Left side', 'Right side', 'Cuts', 'Pieces', 'Packs')
        : heads('', 'Part', 'Cut as', 'Cuts', 'Pieces', 'Packs'),
      rows,
      [
        small(
          'The processor’s licence, the inspector and local codes come before anything on this sheet. Every gland out; spinal cord out.',
        ),
      ],
    ),
  ]
}
