import type { Shelf } from '../database/shelf.ts'
import type { Lots } from '../lots/cache.ts'
import type { Cards } from '../lots/cards.ts'

/** What stands beside the database: attachments, and lots as they were last read and hang on the rail. */
export interface Beside {
  shelf: Shelf
  lots: Lots
  cards: Cards
}
