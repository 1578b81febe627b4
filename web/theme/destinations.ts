import type { Destination } from '#core/anatomy'

/**
 * Nine destinations: five colour families set apart by lightness, and inside a family by pattern and letter.
 * `draw` is the pattern's path in a 12 × 12 tile, drawn in the ink given.
 */
export interface DestinationLook {
  word: string
  fill: string
  ink: string
  draw: string
}

export const DESTINATIONS: Record<Destination, DestinationLook> = {
  R: { word: 'Roast', fill: '#7a5442', ink: '#5b3a2b', draw: 'M-3 9L9 -3M3 15L15 3' },
  T: { word: 'Steak or chop', fill: '#c88e76', ink: '#a66a53', draw: 'M0 3H12M0 9H12' },
  B: { word: 'Braise', fill: '#a9863a', ink: '#7d6122', draw: 'M3 0V12M9 0V12' },
  C: {
    word: 'Cure or smoke',
    fill: '#dcbd6a',
    ink: '#a98a3b',
    draw: 'M-3 9L9 -3M3 15L15 3M-3 3L9 15M3 -3L15 9',
  },
  G: { word: 'Grind or sausage', fill: '#5c7280', ink: '#42555f', draw: 'M3 3h.01M9 9h.01M9 3h.01M3 9h.01' },
  O: { word: 'Offal', fill: '#94aab2', ink: '#637a83', draw: 'M6 3a3 3 0 1 0 .01 0' },
  N: { word: 'Bone or stock', fill: '#c3baa5', ink: '#8c8169', draw: 'M6 0V5M0 9H4M8 9H12' },
  F: { word: 'Fat to render', fill: '#f1e7c9', ink: '#c5b483', draw: 'M6 6h.01' },
  X: { word: 'Loss', fill: '#4a4239', ink: '#2c261f', draw: 'M2 2L10 10M10 2L2 10' },
}
