import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { describe, it } from 'vitest'
import type { Home } from '#contracts'
import { placesOf } from '../server/database/places.ts'
import { bundleFrom } from '../server/keeping/bundles.ts'
import { FARM, lotBody, openTestApi } from '../server/testing.ts'
import { report } from './table.ts'

const CLIENTS = 3

describe('restores under writes', () => {
  it('each row that was taken is in the new farm or in what is kept before it', async () => {
    const runs = Number(process.env.EKKO_RUNS ?? 30)
    const test = await openTestApi()
    await test.api.put('/api/farm').send(FARM).expect(200)
    await test.api
      .post('/api/lots')
      .send(lotBody({ tag: 'First' }))
      .expect(201)
    const kept = (await test.api.post('/api/copies').expect(201)).body.bundles.at(-1).name as string
    const wrong: string[] = []
    let acknowledged = 0
    for (let run = 0; run < runs; run++) {
      const source = { place: 'here', name: kept, passphrase: null }
      const { body } = await test.api.post('/api/rehearsals').send(source).expect(201)
      let isDone = false
      const restored = test.api.post(`/api/rehearsals/${body.id}/restore`).then((res) => {
        isDone = true
        return res
      })
      const taken: string[] = []
      await Promise.all(
        Array.from({ length: CLIENTS }, async (_, client) => {
          for (let n = 0; !isDone; n++) {
            const tag = `${run} ${client} ${n}`
            const res = await test.api.post('/api/lots').send(lotBody({ tag }))
            if (res.status === 201) taken.push(tag)
            else if (res.status !== 503) wrong.push(`${run}: a write was answered ${res.status}`)
          }
        }),
      )
      const done = (await restored).body as { kept: string }
      const before = await bundleFrom(readFileSync(join(placesOf(test.folder).bundles, done.kept)), null)
      const home = (await test.api.get('/api/home').expect(200)).body as Home
      const there = new Set([
        ...home.lots.map((l) => l.tag),
        ...(before.ok ? before.value.content.lots.map((l) => l.tag) : []),
      ])
      acknowledged += taken.length
      const lost = taken.filter((tag) => !there.has(tag))
      if (lost.length > 0) wrong.push(`${run}: ${lost.length} of ${taken.length} rows are in neither`)
    }
    await test.store.close()
    report({ trial: 'restores under writes, three clients', runs, acknowledged, wrong })
  })
})
