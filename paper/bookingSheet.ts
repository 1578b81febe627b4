import type { Content } from 'pdfmake/interfaces.js'
import type { BookingSheet } from '#core/papers'
import { headOf, heads, longTable, markWords, small, tick, typed } from './design.ts'

export function bookingSheetPaper(sheet: BookingSheet): Content[] {
  const list = (title: string, rows: BookingSheet['dressing']) =>
    longTable(
      [14, 150, '*'],
      heads('', title, 'As booked'),
      rows.map((r) => [tick(), { text: r.name, bold: true }, r.says]),
    )
  return [
    ...headOf(sheet, `Booking: ${sheet.what}`, [markWords(sheet)]),
    {
      text: [...sheet.weights.map((w) => `${w.name}: ${w.says}.`), `Hang ${sheet.days}.`, sheet.route].join(
        ' ',
      ),
      margin: [0, 0, 0, 4],
    },
    ...(sheet.decideBy
      ? [
          {
            text: `Nothing of this can be changed after ${sheet.decideBy}.`,
            bold: true,
            margin: [0, 0, 0, 6],
          } as Content,
        ]
      : []),
    ...typed('Note', sheet.said.instructions),
    ...list('How it is dressed', sheet.dressing),
    ...(sheet.kept.length > 0
      ? [{ text: ' ', fontSize: 6 } as Content, ...list('What is kept beside the carcass', sheet.kept)]
      : []),
    small('Lot number on every part that is kept. The inspector and the plant’s own plan come first.'),
  ]
}
