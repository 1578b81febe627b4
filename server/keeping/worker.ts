import { workerData } from 'node:worker_threads'
import { serveThread } from '../threads.ts'
import { keeperOf } from './keeper.ts'

serveThread({ ...keeperOf((workerData as { folder: string }).folder) })
