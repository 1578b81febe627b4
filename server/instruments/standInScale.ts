import { createServer, type AddressInfo, type Socket } from 'node:net'
import { randomNormal } from 'd3-random'
import { FORMATS, lineOf, scaleModel } from '#core/instruments'
import { kg } from '#core/measure'

const EVERY_MS = 100

export interface StandInScale {
  port: number
  put(kilograms: number): void
  close(): void
}

/** A scale that is none: it behaves as one and writes its lines to whoever connects, as a real one behind a socket does. */
export async function standInScale(chance: () => number = Math.random): Promise<StandInScale> {
  const model = scaleModel(randomNormal.source(chance)(0, 1))
  const readers = new Set<Socket>()
  const server = createServer((socket) => {
    readers.add(socket)
    socket.on('error', () => socket.destroy())
    socket.on('close', () => readers.delete(socket))
  })
  await new Promise<void>((done) => server.listen(0, '127.0.0.1', done))
  const clock = setInterval(() => {
    const reading = model.after(EVERY_MS / 1000)
    const line = lineOf(FORMATS['stand-in'], reading, reading.shown)
    for (const r of readers) r.write(`${line}\r\n`)
  }, EVERY_MS)
  clock.unref()
  server.unref()
  return {
    port: (server.address() as AddressInfo).port,
    put: (kilograms) => model.put(kg(kilograms)),
    close: () => {
      clearInterval(clock)
      for (const r of readers) r.destroy()
      server.close()
    },
  }
}
