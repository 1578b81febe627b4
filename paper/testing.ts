import { getDocument, type PDFDocumentProxy } from 'pdfjs-dist/legacy/build/pdf.mjs'

/** A printed paper read back: the text of each page, words in the order they stand in the file. */
export async function pagesOf(pdf: Uint8Array): Promise<string[]> {
  const doc: PDFDocumentProxy = await getDocument({
    data: new Uint8Array(pdf),
    useSystemFonts: false,
    verbosity: 0,
  }).promise
  return Promise.all(
    Array.from({ length: doc.numPages }, async (_, i) => {
      const { items } = await (await doc.getPage(i + 1)).getTextContent()
      return items.map((item) => ('str' in item ? item.str : '')).join(' ')
    }),
  )
}
