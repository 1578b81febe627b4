import { connect, type Socket } from 'node:net'
import { readLine, type LineFormat, type ScaleReading } from '#core/instruments'

const AGAIN_MS = 1000
/** A scale that says nothing for so long is taken for gone. */
const SILENT_MS = 3000
/** A line longer than this is no scale's. */
const LONGEST = 400

export interface LineScale {
  close(): void
}

/** Reads a scale that writes lines to a socket, and tries again where it is away. `heard` is told each reading, and null when it is gone. */
export function lineScale(
  at: { host: string; port: number; format: LineFormat },
  heard: (reading: ScaleReading | null) => void,
): LineScale {
  let socket: Socket | null = null
  let again: ReturnType<typeof setTimeout> | null = null
  let isClosed = false
  function open() {
    let rest = ''
    socket = connect({ host: at.host, port: at.port })
    socket.setTimeout(SILENT_MS, () => socket?.destroy())
    socket.setEncoding('latin1')
    socket.on('data', (chunk: string) => {
      const lines = (rest + chunk).split(/\r\n|\n|\r/)
      rest = lines.pop()!.slice(-LONGEST)
      // Of what came at once the newest counts.
      const last = lines.findLast((line) => readLine(at.format, line) !== null)
      if (last !== undefined) heard(readLine(at.format, last))
    })
    socket.on('error', () => undefined)
    socket.on('close', () => {
      if (isClosed) return
      heard(null)
      again = setTimeout(open, AGAIN_MS)
      again.unref()
    })
    socket.unref()
  }
  open()
  return {
    close: () => {
      isClosed = true
      if (again) clearTimeout(again)
      socket?.destroy()
    },
  }
}
