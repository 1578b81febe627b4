import { lotBody, NOBODY } from '../../server/bodies.ts'
import { openStore } from '../../server/store/store.ts'
import { AT } from './life.ts'

// Opens a folder, hangs one lot, and dies without a stop.
const store = await openStore(process.argv[2]!)
await store.run('hangLot', { lot: lotBody({ tag: '0' }), by: NOBODY, at: AT })
process.exit(0)
