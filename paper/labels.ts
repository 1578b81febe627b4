import { toSVG } from 'bwip-js/node'
import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces.js'
import { BARS_GAP_MM, BARS_MM, INSET_MM, LABELS_ON, lettersAt, type Label, type Labels } from '#core/papers'
import { INK } from './design.ts'

const PT_PER_MM = 72 / 25.4
const pt = (mm: number) => mm * PT_PER_MM
/** The bars of a code as a picture of lines, upright, with what they say under them. */
export function barsOf({ kind, text }: NonNullable<Label['code']>): string {
  return toSVG({
    bcid: kind,
    text,
    height: 9,
    includetext: true,
    textsize: 8,
    textxalign: 'center',
    ...(kind === 'ean13' && { guardwhitespace: false }),
  })
}

function labelOf(label: Label, [width]: readonly [number, number]): Content[] {
  return label.blocks.flatMap(({ id, size, text }): Content[] => {
    if (id === 'barcode')
      return label.code
        ? [
            {
              svg: barsOf(label.code),
              fit: [pt(width - 2 * INSET_MM), pt(BARS_MM[size])],
              margin: [0, 0, 0, pt(BARS_GAP_MM)],
            },
          ]
        : []
    const bold = size !== 'small'
    return [{ text, fontSize: lettersAt(size, label.scale), bold, margin: [0, 0, 0, 1] }]
  })
}

/** A cell with nothing in it: a new one each time, as pdfmake keeps one place per node. */
const empty = (): Content => ({ text: '' })

/** Labels on their roll or sheet; each holds what there is room for (core/papers/labels/fit.ts), so that none runs over into its neighbour. */
export function labelPages({ labels, size, farm, lot }: Labels): TDocumentDefinitions {
  const on = LABELS_ON[size]
  const perPage = on.across * on.down
  const [width, height] = on.label
  const pages = Array.from({ length: Math.ceil(labels.length / perPage) }, (_, p) =>
    labels.slice(p * perPage, (p + 1) * perPage),
  )
  const inset = pt(INSET_MM)
  const cellOf = (label: Label | undefined): Content =>
    label ? { stack: labelOf(label, on.label), margin: [inset, inset, inset, 0] } : empty()
  const gapped = <T>(cells: T[], gap: () => T): T[] =>
    on.gap > 0 ? cells.flatMap((c, i) => (i === 0 ? [c] : [gap(), c])) : cells
  const columns = Array.from({ length: on.across }, (_, i) => i)
  return {
    pageSize: { width: pt(on.page[0]), height: pt(on.page[1]) },
    pageMargins: [pt(on.margin[0]), pt(on.margin[1]), 0, 0],
    defaultStyle: { font: 'Fira', color: INK },
    content: pages.map((page, p): Content => ({
      pageBreak: p > 0 ? 'before' : undefined,
      table: {
        dontBreakRows: true,
        widths: gapped(
          columns.map(() => pt(width)),
          () => pt(on.gap),
        ),
        heights: () => pt(height),
        body: Array.from({ length: Math.ceil(page.length / on.across) }, (_, row) =>
          gapped(
            columns.map((c) => cellOf(page[row * on.across + c])),
            empty,
          ),
        ),
      },
      layout: {
        hLineWidth: () => 0,
        vLineWidth: () => 0,
        paddingLeft: () => 0,
        paddingRight: () => 0,
        paddingTop: () => 0,
        paddingBottom: () => 0,
      },
    })),
    info: { title: `Labels: ${farm}, ${lot}` },
  }
}
