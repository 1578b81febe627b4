/** Document data in, paper out: PDF for people, CSV for other programs. */
export { paperPdf } from './pdf.ts'
export { priceListCsv } from './csv.ts'
export { definitionOf } from './definitions.ts'
