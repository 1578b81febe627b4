import { describe, expect, it } from 'vitest'
import type { Copies, Held } from '#contracts'
import { heldBeside, sayLast, tagsOf } from './copyWords.ts'
import { sayBytes } from '../../state/words.ts'

const held: Held = {
  farm: 'Fallowmere',
  lots: 8,
  weighings: 14,
  decisions: 97,
  facts: 12,
  packs: 7,
  papers: 0,
  newest: null,
}
const bundle = (kind: Copies['bundles'][number]['kind'], at: string) => ({
  ...{ name: `${kind}-${at.slice(0, 10)}.json.gz`, kind, at, digest: 'x', bytes: 54_000, held },
})
const copies = (more: Partial<Copies>): Copies => ({
  ...{
    folder: '/farm',
    freeBytes: 1,
    dbBytes: 1,
    asides: [],
    low: false,
    copies: [],
    bundles: [],
    recovered: null,
  },
  ...{ second: { folder: null, state: 'none', bundles: [], why: null } },
  ...{ busy: false, warning: null, upToDate: true, rehearsal: null },
  ...more,
})

describe('copies in words', () => {
  it('show no more digits of a size than are of use', () => {
    expect([12, 980, 54_155, 1_440_000, 40_788_147, 82e9].map(sayBytes)).toEqual([
      '0.1 kB',
      '1.0 kB',
      '54 kB',
      '1.4 MB',
      '41 MB',
      '82 GB',
    ])
  })
  it('are one tag where one bundle is kept as the day’s, the week’s and the month’s; newest first', () => {
    const [first, second] = ['2026-11-24T08:00:00.000Z', '2026-11-25T08:00:00.000Z']
    const bundles = [
      bundle('day', first),
      bundle('week', first),
      bundle('month', first),
      bundle('day', second),
    ]
    expect(tagsOf(copies({ bundles })).map((t) => [t.at, t.kinds])).toEqual([
      [second, ['day']],
      [first, ['day', 'week', 'month']],
    ])
  })
  it('are good only when the last one holds everything', () => {
    const bundles = [bundle('day', '2026-11-25T08:00:00.000Z')]
    const now = new Date('2026-11-25T10:00:00.000Z')
    expect(sayLast(copies({}), now)).toMatchObject({
      isGood: false,
      sentence: expect.stringMatching(/No copy has been proven/),
    })
    expect(sayLast(copies({ bundles }), now)).toMatchObject({
      isGood: true,
      sentence: expect.stringMatching(/about 2 hours old and holds/),
    })
    expect(sayLast(copies({ bundles, upToDate: false }), now).isGood).toBe(false)
  })
  it('are held against what stands now, row by row', () => {
    const rows = heldBeside({ ...held, lots: 9 }, held)
    expect(rows.map((r) => r.change)).toEqual([1, 0, 0, 0, 0])
    expect(rows[0]).toEqual({ word: 'Lots', held: 9, present: 8, change: 1 })
  })
})
