import { workerData } from 'node:worker_threads'
import { serveThread } from '../threads.ts'
import { keeperOf } from './keeper.ts'

const { folder, empty } = workerData as { folder: string; empty: string | null }
serveThread({ ...keeperOf(folder, undefined, undefined, empty) })
