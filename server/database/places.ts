import { join } from 'node:path'

const pathsIn = (folder: string) => ({
  db: join(folder, 'db'),
  /** A database being made or brought back, before it takes the place. */
  next: join(folder, 'db.next'),
  /** Throw-away databases, on which copies and bundles are tried. */
  trial: join(folder, 'trial'),
  /** A new, empty database of this schema, copied where one is needed: making one takes seconds. */
  empty: join(folder, 'empty'),
  /** What is attached to lots, each file under its hash. */
  attachments: join(folder, 'attachments'),
  /** The same once more, beside the copies. */
  attachmentCopies: join(folder, 'backups', 'attachments'),
  backups: join(folder, 'backups'),
  bundles: join(folder, 'backups', 'bundles'),
  marker: join(folder, 'in-progress'),
  earlierMarker: join(folder, 'checkpoint-in-progress'),
  /** There after a clean stop: the database needs no recovery of its own when it is opened. */
  clean: join(folder, 'stopped-clean'),
  /** Which farm's records these are, and which history of them. */
  history: join(folder, 'history.json'),
  recovery: join(folder, 'last-recovery.json'),
  settings: join(folder, 'copies.json'),
  /** Devices that were let in: this machine's business, not the records'. */
  devices: join(folder, 'devices.json'),
  /** Who was let in and withdrawn, and what was brought back. */
  logbook: join(folder, 'logbook.jsonl'),
  /** What lots come to, as it was last worked out. */
  cards: join(folder, 'cards.json'),
})

const known = new Map<string, ReturnType<typeof pathsIn>>()
/** Where a data folder keeps what. Everything that changes places by renaming lies beside what it replaces. */
export function placesOf(folder: string): ReturnType<typeof pathsIn> {
  const places = known.get(folder) ?? pathsIn(folder)
  known.set(folder, places)
  return places
}
