import type { Content } from 'pdfmake/interfaces.js'
import type { RunSheet } from '#core/papers'
import { headOf, heads, longTable, small, tick, typed } from './design.ts'

export function runSheetPaper(sheet: RunSheet): Content[] {
  const gap: Content = { text: ' ', fontSize: 5 }
  const pairs = (title: string, rows: RunSheet['times']) =>
    longTable(
      [170, '*'],
      heads(title, ''),
      rows.map((r) => [{ text: r.name, bold: true }, r.says]),
    )
  return [
    ...headOf(sheet, `The day: ${sheet.what}`, [sheet.day]),
    ...sheet.wrong.map((w) => ({ text: w, bold: true, margin: [0, 0, 0, 4] }) as Content),
    { text: `Caution: ${sheet.cautions.join(' ')}`, bold: true, fontSize: 10, margin: [0, 0, 0, 6] },
    ...typed('Note', sheet.said.instructions),
    ...pairs('When', sheet.times),
    gap,
    ...longTable(
      [92, 58, 70, '*', 44],
      heads('Station', 'Minutes', 'Who', 'Look at; take care', 'Count'),
      sheet.stations.map((s) => [
        { text: s.word, bold: true },
        s.minutes,
        s.who,
        { stack: [s.watch, ...(s.caution ? [{ text: s.caution, bold: true }] : [])] },
        '',
      ]),
    ),
    gap,
    ...(sheet.ice.length > 0 ? [...pairs('Ice', sheet.ice), gap] : []),
    ...(sheet.pickups.length > 0
      ? [
          ...longTable(
            [14, 60, '*', 60],
            heads('', 'Fetched at', 'By', 'Birds'),
            sheet.pickups.map((p) => [tick(), p.at, p.who, String(p.birds)]),
          ),
          gap,
        ]
      : []),
    { text: ['Lay ready: ', sheet.kit.join(' · '), '.'] },
    small('Local rules and the licensed plant’s own plan come first. Whoever is unsure about a bird asks.'),
  ]
}
