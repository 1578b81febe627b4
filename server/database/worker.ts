import { parentPort, workerData } from 'node:worker_threads'
import type { OperationName } from '../store/operations.ts'
import { openEngine } from './engine.ts'
import type { Request } from './client.ts'

const port = parentPort!
const { folder } = workerData as { folder: string }
const store = await openEngine(folder)
port.postMessage({ ready: true })

async function answer(request: Request): Promise<unknown> {
  if (request.kind === 'checkpoint') return store.checkpoint()
  if (request.kind === 'close') return store.close()
  return store.run(request.name as OperationName, request.argument as never)
}

port.on('message', (request: Request) => {
  answer(request).then(
    (value) => port.postMessage({ id: request.id, value }),
    (error: Error) => port.postMessage({ id: request.id, error: error.message }),
  )
})
