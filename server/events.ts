import type { Request, Response } from 'express'

/** Tells every open window that a lot or the farm has changed, by server-sent events. */
export class Bell {
  readonly #listeners = new Set<Response>()

  listen(_req: Request, res: Response): void {
    res.writeHead(200, {
      'content-type': 'text/event-stream',
      'cache-control': 'no-store',
      connection: 'keep-alive',
    })
    res.write('retry: 1000\n\n')
    this.#listeners.add(res)
    res.on('close', () => this.#listeners.delete(res))
  }

  ring(what: { lot: string } | { farm: true }): void {
    for (const res of this.#listeners) res.write(`data: ${JSON.stringify(what)}\n\n`)
  }

  close(): void {
    for (const res of this.#listeners) res.end()
  }
}
