import fc from 'fast-check'
import { v7 as uuid } from 'uuid'
import { describe, it } from 'vitest'
import { DEVICE_HEADER, type Bundle, type Write, type Written } from '#contracts'
import type { FactBody } from '#core/records'
import {
  appendBody,
  factBody,
  FARM,
  lotBody,
  openTestApi,
  packBody,
  takePath,
  weighingBody,
} from '../server/testing.ts'
import { report } from './table.ts'

const RUNS = 400
const LOTS = 3
const MOST = 7
const DEVICE = uuid()

/** What a press may write, of which lot; `n` makes its figures. */
const right = fc.record({
  what: fc.constantFrom('weigh', 'pack', 'note', 'decide', 'hang'),
  lot: fc.nat(LOTS - 1),
  n: fc.integer({ min: 1, max: 9 }),
})
/** What is never kept: a weight past all hogs, a cut that is not there, a lot nobody hung, a decision of no such part. */
const refused = fc.constantFrom('absurd', 'no-cut', 'no-lot', 'no-part')
const press = fc.record({
  writes: fc.array(right, { minLength: 1, maxLength: MOST }),
  wrong: fc.option(fc.tuple(fc.nat(MOST), refused), { freq: 2 }),
  /** The answer never came, and it is sent again; or it went out twice at once. */
  sent: fc.constantFrom('once', 'lost', 'twice'),
})

describe('several writes as one', () => {
  it('lost and doubled answers and a refusal at each place leave all of it, once, or nothing', async () => {
    const wrong: string[] = []
    const { api, store } = await openTestApi()
    await api.put('/api/farm').send(FARM)
    const lots = await Promise.all(
      Array.from({ length: LOTS }, async (_, i) => {
        const lot = lotBody({ tag: `Lot ${i}` })
        await api.post('/api/lots').send(lot)
        return lot.id
      }),
    )
    const content = async () => (await api.get('/api/bundle')).body as Bundle
    const writeOf = ({ what, lot: l, n }: { what: string; lot: number; n: number }): Write[] => {
      const lot = lots[l]!
      const cost: FactBody = { kind: 'cost', label: `Feed ${n}`, amount: n * 100 }
      if (what === 'weigh')
        return [{ is: 'weighing', lot, weighing: weighingBody('live', 250 + n, { confirmed: true }) }]
      if (what === 'pack')
        return [{ is: 'pack', lot, pack: packBody('bacon', n / 10, { packs: n, confirmed: true }) }]
      if (what === 'note') return [{ is: 'facts', lot, facts: { facts: [factBody(cost)] } }]
      if (what === 'decide')
        return [
          {
            is: 'append',
            lot,
            append: appendBody(1e6, takePath('loin', n % 2 ? 'loin-roasts' : 'loin-chops')),
          },
        ]
      const id = uuid()
      return [
        { is: 'hung', lot: id, hung: lotBody({ id, tag: `New ${n}` }) },
        { is: 'weighing', lot: id, weighing: weighingBody('live', 240 + n) },
      ]
    }
    const wrongOf: Record<string, () => Write> = {
      absurd: () => ({ is: 'weighing', lot: lots[0]!, weighing: weighingBody('live', 90_000) }),
      'no-cut': () => ({ is: 'pack', lot: lots[0]!, pack: packBody('feather', 1) }),
      'no-lot': () => ({ is: 'weighing', lot: uuid(), weighing: weighingBody('live', 250) }),
      'no-part': () => ({
        is: 'append',
        lot: lots[0]!,
        append: appendBody(1e6, takePath('wing', 'loin-chops')),
      }),
    }
    let kept = 0
    for (const [run, p] of fc.sample(press, { seed: 34, numRuns: RUNS }).entries()) {
      // What one press decides of a group is one batch: one write of it.
      const decided = new Set<number>()
      const asked = p.writes.filter((w) => w.what !== 'decide' || (!decided.has(w.lot) && decided.add(w.lot)))
      const writes = asked.flatMap(writeOf)
      const batch = uuid()
      for (const w of writes)
        if (w.is === 'append') {
          const { rev } = (await api.get(`/api/lots/${w.lot}`)).body as { rev: number }
          Object.assign(w.append, { base: rev, batch, own: [batch] })
        }
      if (p.wrong) writes.splice(p.wrong[0], 0, wrongOf[p.wrong[1]]!())
      const request = uuid()
      const before = await content()
      const send = () => api.post('/api/writes').set(DEVICE_HEADER, DEVICE).send({ request, writes })
      const answers = p.sent === 'twice' ? await Promise.all([send(), send()]) : [await send()]
      if (p.sent === 'lost') answers.push(await send())
      const after = await content()
      const at = `run ${run}: ${writes.map((w) => w.is).join()}${p.wrong ? ` with ${p.wrong.join(' ')}` : ''}`
      const [first, again] = answers
      const isKept = first!.status === 200
      if (isKept === (p.wrong !== null))
        wrong.push(`${at}: ${first!.status} ${JSON.stringify(first!.body).slice(0, 200)}`)
      if (again && JSON.stringify(again.body) !== JSON.stringify(first!.body))
        wrong.push(`${at}: answered otherwise`)
      if (!isKept && after.digest !== before.digest) wrong.push(`${at}: refused, and something is left`)
      if (!isKept) continue
      kept++
      const rows = (b: Bundle) =>
        b.content.lots.flatMap((l) =>
          [l, ...l.weighings, ...l.packs, ...l.facts, ...l.commands].map((r) => r.id),
        )
      const [was, is] = [rows(before), rows(after)]
      const said = writes.flatMap((w) =>
        w.is === 'hung'
          ? [w.hung.id]
          : w.is === 'weighing'
            ? [w.weighing.id]
            : w.is === 'pack'
              ? [w.pack.id]
              : w.is === 'facts'
                ? w.facts.facts.map((f) => f.id)
                : w.is === 'append'
                  ? w.append.commands.map((c) => c.id)
                  : [],
      )
      const fresh = is.filter((r) => !was.includes(r))
      if (fresh.toSorted().join() !== said.toSorted().join())
        wrong.push(`${at}: ${fresh.length} rows for ${said.length}`)
      if ((first!.body as Written).changes.length !== new Set(writes.map((w) => w.lot)).size)
        wrong.push(`${at}: not each lot answered`)
      const numbers = after.content.lots.flatMap((l) =>
        l.packs.flatMap((k) => Array.from({ length: k.packs }, (_, i) => k.number! + i)),
      )
      if (numbers.toSorted((a, b) => a - b).some((n, i) => n !== i + 1))
        wrong.push(`${at}: a gap in the numbers, or one twice`)
    }
    await store.close()
    report({ trial: 'several writes as one, lost, doubled, refused', runs: RUNS, acknowledged: kept, wrong })
  })
})
