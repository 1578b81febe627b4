import type { Content } from 'pdfmake/interfaces.js'
import type { Trace } from '#core/papers'
import { headOf, markWords, pairs } from './design.ts'

/** Where it comes from, one record a row. */
export const tracePaper = (data: Trace): Content[] => [
  ...headOf(data, 'Trace', [markWords(data)]),
  ...data.sections.flatMap(({ heading, rows }): Content[] => [
    { text: heading, bold: true, fontSize: 12.5, margin: [0, 4, 0, 2] },
    pairs(
      rows.map((r) => [r.name, r.says] as const),
      150,
    ),
  ]),
]
