import { mkdirSync } from 'node:fs'
import lockfile from 'proper-lockfile'

export class FolderInUse extends Error {
  constructor(folder: string) {
    super(
      `Another Ekko has the folder ${folder} open. Use the window it serves, or stop it first; two at once would damage the records.`,
    )
  }
}

/**
 * Takes a data folder for this process, or refuses. PGlite has no lock of its own. A holder that died
 * without letting go is recognised after five seconds, which is how long a second start waits.
 */
export async function lockFolder(folder: string, patience = 7): Promise<() => Promise<void>> {
  mkdirSync(folder, { recursive: true })
  try {
    return await lockfile.lock(folder, {
      stale: 5000,
      update: 1500,
      retries: { retries: patience, minTimeout: 1000, maxTimeout: 1000 },
    })
  } catch (error) {
    if ((error as { code?: string }).code === 'ELOCKED') throw new FolderInUse(folder)
    throw error
  }
}
