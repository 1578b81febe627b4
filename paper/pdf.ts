import { createRequire } from 'node:module'
import pdfmake from 'pdfmake'
import type { PaperData } from '#core/papers'
import { definitionOf } from './definitions.ts'

const resolve = createRequire(import.meta.url).resolve
const face = (weight: string) =>
  resolve(`@expo-google-fonts/fira-sans-condensed/${weight}/FiraSansCondensed_${weight}.ttf`)

pdfmake.setFonts({
  Fira: {
    normal: face('400Regular'),
    bold: face('600SemiBold'),
    italics: face('400Regular_Italic'),
    bolditalics: face('600SemiBold_Italic'),
  },
})

pdfmake.setUrlAccessPolicy(() => false)
pdfmake.setLocalAccessPolicy((path) => path.includes('fira-sans-condensed'))

/** A paper as PDF bytes, with the whole face embedded: → ≤ ½ and every name print. */
export const paperPdf = (data: PaperData): Promise<Buffer> =>
  pdfmake.createPdf(definitionOf(data)).getBuffer()
