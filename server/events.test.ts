import { createServer, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import express from 'express'
import { afterEach, describe, expect, it } from 'vitest'
import { Bell } from './events.ts'

const bells: Bell[] = []
const servers: Server[] = []
afterEach(() => {
  for (const bell of bells.splice(0)) bell.close()
  for (const server of servers.splice(0)) server.close()
})

/** A bell, and a window of a device (or of the machine) that listens to it. */
async function rung() {
  const bell = new Bell(() => 'h')
  bells.push(bell)
  const app = express().get('/:device', (req, res) => {
    if (!bell.listen(req.params.device === 'machine' ? null : req.params.device, res)) res.status(503).end()
  })
  const server = createServer(app)
  servers.push(server)
  await new Promise<void>((done) => server.listen(0, '127.0.0.1', done))
  const { port } = server.address() as AddressInfo
  return { bell, listen: (device: string) => fetch(`http://127.0.0.1:${port}/${device}`) }
}

describe('the bell', () => {
  it('tells a device that was hushed nothing more, and goes on telling the others', async () => {
    const { bell, listen } = await rung()
    const [tablet, machine] = await Promise.all([listen('tablet'), listen('machine')])
    bell.ring({ farm: true })
    bell.hush('tablet')
    bell.ring({ lot: 'later', rev: 1, device: 'd', request: 'r' })
    const heard = await tablet.text()
    expect(heard).toContain('{"farm":true,"history":"h"}')
    expect(heard).not.toContain('later')
    bell.close()
    expect(await machine.text()).toContain('later')
  })

  it('takes no more windows than it can tell, and takes one again when another has gone', async () => {
    const { bell, listen } = await rung()
    const all = await Promise.all(Array.from({ length: 64 }, (_, i) => listen(`d${i}`)))
    expect((await listen('one-more')).status).toBe(503)
    bell.hush('d0')
    expect((await listen('one-more')).status).toBe(200)
    bell.close()
    await Promise.all(all.map((r) => r.text()))
  })
})
