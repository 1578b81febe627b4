import { Worker } from 'node:worker_threads'
import type { Store } from '../store/operations.ts'

export type Request = { id: number } & (
  { kind: 'run'; name: string; argument: unknown } | { kind: 'checkpoint' } | { kind: 'close' }
)

interface Waiting {
  resolve: (value: never) => void
  reject: (error: Error) => void
}

/** The database in a worker thread (`script` is the built one), so that a flush never holds up the server. */
export async function openInWorker(script: string, folder: string): Promise<Store> {
  const worker = new Worker(script, { workerData: { folder } })
  const waiting = new Map<number, Waiting>()
  let next = 1
  const fail = (error: Error) => {
    for (const w of waiting.values()) w.reject(error)
    waiting.clear()
  }
  await new Promise<void>((resolve, reject) => {
    worker.once('error', reject)
    worker.once('message', () => resolve())
  })
  worker.on('error', fail)
  worker.on('exit', () => fail(new Error('The database thread has stopped.')))
  worker.on('message', ({ id, value, error }: { id: number; value?: never; error?: string }) => {
    const w = waiting.get(id)
    waiting.delete(id)
    if (error !== undefined) w?.reject(new Error(error))
    else w?.resolve(value as never)
  })
  const ask = (request: Record<string, unknown>) =>
    new Promise<never>((resolve, reject) => {
      const id = next++
      waiting.set(id, { resolve, reject })
      worker.postMessage({ id, ...request })
    })
  return {
    run: (name, argument) => ask({ kind: 'run', name, argument }),
    checkpoint: () => ask({ kind: 'checkpoint' }),
    close: async () => {
      await ask({ kind: 'close' })
      await worker.terminate()
    },
  }
}
