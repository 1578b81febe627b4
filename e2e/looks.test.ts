import { running } from './testing.ts'
import { everyViewStandsAt } from './views.ts'

everyViewStandsAt(
  running({ demo: true }),
  [
    [1280, 800],
    [390, 844],
  ],
  [
    [640, 400],
    [780, 600],
  ],
)
