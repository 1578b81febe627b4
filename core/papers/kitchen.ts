import type { Destination } from '#core/anatomy'

/** How buyers ask for meat: by how it is cooked (docs/sources.md: kitchen-words). Never in place of a safe temperature. */
export const KITCHEN: Record<Destination, { heading: string; cook: string }> = {
  R: { heading: 'To roast', cook: 'In the oven by the probe; then let it rest.' },
  T: { heading: 'To fry or grill', cook: 'Dry and hot, a few minutes a side.' },
  B: { heading: 'To cook slowly', cook: 'For hours with some liquid and the lid on.' },
  G: { heading: 'Ground and sausage', cook: 'Fry or bake right through.' },
  C: { heading: 'Cured and smoked', cook: 'As it says on the pack; keeps cold like fresh meat.' },
  O: { heading: 'Offal', cook: 'Soon after thawing, right through.' },
  N: { heading: 'For stock and soup', cook: 'Simmer for hours, then strain.' },
  F: { heading: 'Fat to render', cook: 'Melt it slowly, strain, keep it cold.' },
  X: { heading: 'Other', cook: '' },
}
/** The order buyers read in. */
export const KITCHEN_ORDER: readonly Destination[] = ['R', 'T', 'B', 'G', 'C', 'O', 'N', 'F', 'X']
