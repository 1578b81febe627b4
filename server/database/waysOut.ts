import { basename, join } from 'node:path'
import { z } from 'zod'
import { copiesIn, copyPath, readJson } from './copies.ts'
import type { Disk } from './disk.ts'
import { placesOf } from './places.ts'

const aboutSchema = z.object({ name: z.string(), number: z.number(), at: z.string() })

/** Bundles that lie in a folder, newest first: by number, never by name. */
const bundlesHere = (disk: Disk, bundles: string) =>
  disk
    .list(bundles)
    .flatMap(({ name }) =>
      name.endsWith('.about.json') ? (readJson(disk, join(bundles, name), aboutSchema) ?? []) : [],
    )
    .filter((b) => disk.exists(join(bundles, b.name)))
    .sort((a, b) => b.number - a.number)

const day = (at: string) => at.slice(0, 16).replace('T', ' ')

/**
 * What a person can do where the records do not open: which copies and bundles lie there, newest first, how old and whether
 * proven, and the very lines to type.
 */
export function waysOut(disk: Disk, folder: string): string {
  const { bundles } = placesOf(folder)
  const copies = copiesIn(disk, folder).toReversed()
  const kept = bundlesHere(disk, bundles)
  const proven = copies.find((c) => c.proven)
  return [
    copies.length + kept.length > 0
      ? 'What lies there, newest first:'
      : 'No copy and no bundle lies there. Keep the folder as it is.',
    ...copies.map((c) => `  copy ${c.name}, of ${day(c.at)} UTC, ${c.proven ? 'proven' : 'not proven'}`),
    ...kept.map((b) => `  bundle ${b.name}, of ${day(b.at)} UTC, proven`),
    ...(proven
      ? [
          'To bring back the newest proven copy with all that was written since (what lies there now is kept beside it):',
          `  npm start -- --data ${folder} --recover`,
        ]
      : []),
    ...(kept[0]
      ? [
          'To bring a bundle back into a new folder:',
          `  npm run restore -- ${join(bundles, kept[0].name)} NEW-FOLDER`,
        ]
      : copies[0]
        ? [
            'To bring a copy back, without what was written since, into a new folder:',
            `  npm run restore -- ${copyPath(folder, copies[0].name)} NEW-FOLDER`,
          ]
        : ['With a bundle taken away earlier:', '  npm run restore -- BUNDLE NEW-FOLDER']),
  ].join('\n')
}

/** What lies beside the database of an earlier one, by name, that was moved aside and never deleted. */
export const asidesIn = (disk: Disk, folder: string): string[] =>
  disk
    .list(folder)
    .flatMap((e) => (e.kind === 'folder' && /^db\.aside-\d+$/.test(e.name) ? e.name : []))
    .sort((a, b) => Number(basename(a).split('-')[1]) - Number(basename(b).split('-')[1]))
