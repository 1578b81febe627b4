import { running } from '../e2e/testing.ts'
import { everyViewStandsAt } from '../e2e/views.ts'

/** The widths the tests leave out: a tablet on end, a phone on its side, and a page at 200 %. */
everyViewStandsAt(running({ demo: true }), [
  [820, 1180],
  [640, 400],
])
