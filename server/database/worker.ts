import { createHash } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { workerData } from 'node:worker_threads'
import { feelPulse } from '../pulse.ts'
import { serveThread } from '../threads.ts'
import type { ArgumentOf, OperationName } from '../store/operations.ts'
import { openStore, type Store } from '../store/store.ts'
import type { DatabaseCalls, DatabaseData, DatabaseHears } from './client.ts'
import { tokenIn } from './lock.ts'
import { outcomeOf } from './outcome.ts'

feelPulse()
const { folder, lock, empty, recover } = workerData as DatabaseData
let store: Store
/** This thread’s script names all it is built of by their content, so it is another where any of them is. */
const program = createHash('sha256')
  .update(readFileSync(fileURLToPath(import.meta.url)))
  .digest('hex')

const calls: DatabaseCalls = {
  open: () =>
    outcomeOf(async () => {
      store = await openStore(folder, {
        empty,
        recover,
        program,
        holds: () => tokenIn(lock.path) === lock.token,
        copied: (copy) => void page.copied.asEvent(copy),
        warned: (words) => void page.warned.asEvent(words),
      })
      return { recovered: store.recovered, history: store.history }
    }),
  run: (name, argument) =>
    outcomeOf(() => store.run(name as OperationName, argument as ArgumentOf<OperationName>)),
  checkpoint: () => outcomeOf(() => store.checkpoint()),
  replace: () => outcomeOf(() => store.replace()),
  proven: (copy) => outcomeOf(() => store.proven(copy)),
  close: () => outcomeOf(() => store.close()),
}
const page = serveThread<DatabaseHears>({ ...calls })
