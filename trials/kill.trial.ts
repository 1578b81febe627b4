import { setTimeout as wait } from 'node:timers/promises'
import { describe, it } from 'vitest'
import { client, emptyFarm, ended, faultsAgainst, start, told } from './server.ts'
import { report } from './table.ts'

/** Four clients writing, killed twenty times: the same folder all along. */
async function killedUnderLoad(
  times: number,
  kill: (server: ReturnType<typeof start>, i: number) => Promise<void>,
) {
  const folder = await emptyFarm()
  const heard = told()
  const wrong: string[] = []
  for (let i = 0; i <= times; i++) {
    const server = start(folder)
    const url = await server.url
    wrong.push(...(await faultsAgainst(url, heard)))
    if (i === times) {
      await server.stop()
      break
    }
    let over = false
    const clients = ['a', 'b', 'c', 'd'].map((name) => client(url, `${name}${i}`, heard, () => over))
    const before = heard.weighings.size
    while (heard.weighings.size < before + 10) await wait(5)
    await wait((i * 37) % 300)
    await kill(server, i)
    over = true
    await Promise.all(clients)
    await ended(server)
  }
  return { wrong, acknowledged: heard.lots.size + heard.weighings.size }
}

describe('a process that is killed', () => {
  it('under load', async () => {
    const out = await killedUnderLoad(20, async (server) => void server.child.kill('SIGKILL'))
    report({ trial: 'kill −9 under load, four clients', runs: 20, ...out })
  })
  it('inside its last checkpoint', async () => {
    const out = await killedUnderLoad(20, async (server, i) => {
      server.child.kill('SIGTERM')
      await wait(20 + i * 35)
      server.child.kill('SIGKILL')
    })
    report({ trial: 'kill −9 inside the checkpoint of a stop', runs: 20, ...out })
  })
})
