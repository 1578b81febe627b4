import { DiskFailure } from '../../server/database/disk.ts'
import { Stopped } from '../../server/database/engine.ts'
import { NotAsWritten } from '../../server/database/trees.ts'
import { live, tagsIn } from './life.ts'
import { PowerCut, watched, type Fault } from './watched.ts'

/** What one fault came to; `calls` and `steps` only where none was asked for. */
export interface Outcome {
  acknowledged: string[]
  /** Trouble that is not one of those a person is told of. */
  odd: string | null
  found: string[]
  calls: { call: string; path: string }[]
  steps: { from: number; step: string }[]
}

/** One life of a folder on a disk that fails once, in a process of its own: FOLDER CALL FAULT SEED. */
async function run([folder = '', at = '-1', fault = 'EIO', seed = '1']: string[]): Promise<Outcome> {
  const watch = watched(folder, Number(seed))
  Object.assign(watch.state, { at: Number(at), fault: fault as Fault })
  const told = await live(folder, watch.disk, () => watch.calls.length)
  const known = [Stopped, DiskFailure, PowerCut, NotAsWritten].some((kind) => told.trouble instanceof kind)
  const isPlain = told.trouble === null || known
  const found = await tagsIn(watch.image()).catch((error: unknown) => [`does not open: ${String(error)}`])
  const isDry = Number(at) < 0
  return {
    acknowledged: told.acknowledged,
    odd: isPlain ? null : String(told.trouble),
    found,
    calls: isDry ? watch.calls : [],
    steps: isDry ? told.steps : [],
  }
}

run(process.argv.slice(2)).then(
  (outcome) => {
    process.stdout.write(JSON.stringify(outcome), () => process.exit(0))
  },
  (error: unknown) => {
    console.error(error)
    process.exit(1)
  },
)
