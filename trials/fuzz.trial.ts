import { describe, it } from 'vitest'
import { readBundle } from '../server/bundle/form.ts'
import { answerTo, IDS, requestsFor } from '../server/fuzz.ts'
import { lotBody } from '../server/testing.ts'
import { emptyFarm, ended, post, putFarm, start } from './server.ts'
import { report } from './table.ts'

const COUNT = 20_000
const CLIENTS = 4

describe('a stranger’s program', () => {
  it('20,000 requests from four clients, then a kill: no bug, no silence, no row that could not be kept', async () => {
    const seed = Number(process.env.EKKO_SEED ?? 1)
    const folder = await emptyFarm()
    const server = start(folder)
    const url = await server.url
    await putFarm(url)
    for (const [i, species] of (['hog', 'lamb', 'steer', 'broiler'] as const).entries())
      await post(url, '/lots', lotBody({ id: IDS[i], species }))
    const all = requestsFor(seed, COUNT)
    const wrong: string[] = []
    let kept = 0
    await Promise.all(
      Array.from({ length: CLIENTS }, async (_, c) => {
        for (let i = c; i < all.length; i += CLIENTS) {
          const answer = await answerTo(url, all[i]!)
          if (answer?.status === 200 || answer?.status === 201) kept++
          if (!answer || answer.status >= 500)
            wrong.push(
              `${answer?.status ?? 'silence'} ${all[i]!.method} ${all[i]!.path} ${all[i]!.body?.slice(0, 200)}`,
            )
        }
      }),
    )
    const before = await (await fetch(`${url}/api/bundle`)).text()
    const read = readBundle(before)
    if (!read.ok) wrong.push(`the records do not read: ${JSON.stringify(read.issues[0])}`)
    server.child.kill('SIGKILL')
    await ended(server)
    const again = start(folder)
    const after = await (await fetch(`${await again.url}/api/bundle`)).text()
    if (after !== before) wrong.push('another bundle after the kill')
    await again.stop()
    report({ trial: `requests on every route, seed ${seed}`, runs: COUNT, acknowledged: kept, wrong })
  })
})
