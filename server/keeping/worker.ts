import { workerData } from 'node:worker_threads'
import { feelPulse } from '../pulse.ts'
import { serveThread } from '../threads.ts'
import { keeperOf } from './keeper.ts'

feelPulse()
const { folder, empty } = workerData as { folder: string; empty: string | null }
serveThread({ ...keeperOf(folder, undefined, undefined, empty) })
