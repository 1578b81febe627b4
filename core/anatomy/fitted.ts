import type { Band, Tissue } from './types.ts'

/** Factors on tissues of bands that the fit to published primals found (`npm run fit`). */
export type Fitted = Record<string, Partial<Record<Tissue, number>>>

/** Bands as written, each tissue multiplied by its fitted factor. */
export const fitBands = (written: readonly Band[], fitted: Fitted): Band[] =>
  written.map((b) => {
    const tissue = { ...b.tissue }
    for (const [t, factor] of Object.entries(fitted[b.id] ?? {})) tissue[t as Tissue] *= factor
    return { ...b, tissue }
  })
