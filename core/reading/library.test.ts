import { describe, expect, it } from 'vitest'
import { SPECIES } from '#core/anatomy'
import { ANATOMIES } from '#core/species'
import { choose, cutUp } from '../carcass/testing.ts'
import { libraryOf } from './index.ts'

describe('the cut library', () => {
  it.each(SPECIES)(
    '%s: parts that hang by themselves make up the carcass, and every cut weighs something',
    (species) => {
      const { parts, cuts } = libraryOf(ANATOMIES[species])
      const hanging = parts.filter((p) => p.from.length === 0 && !p.part.offCarcass)
      expect(hanging.reduce((s, p) => s + p.share, 0)).toBeCloseTo(100, 6)
      const none = cuts.filter((c) => c.most === 0 && c.cut.kind === 'product').map((c) => c.cut.id)
      const closed = ANATOMIES[species].paths
        .filter((p) => p.needs?.length)
        .flatMap((p) => p.outputs.map((o) => o.cut))
      const nested = new Set(
        parts
          .filter((p) => p.share === 0)
          .flatMap((p) => p.paths.flatMap((w) => w.outputs.map((o) => o.cut))),
      )
      expect(none.filter((id) => !closed.includes(id) && !nested.has(id))).toEqual([])
    },
  )
  it('what a cut comes to at most is what the plan that makes most of it gives', () => {
    const { cuts } = libraryOf(ANATOMIES.lamb)
    const rolled = cuts.find((c) => c.cut.id === 'shoulder-rolled')!
    expect(rolled.most).toBeCloseTo(
      cutUp('lamb', choose({ shoulder: 'shoulder-rolled' })).cut('shoulder-rolled'),
      9,
    )
    expect(rolled.ways.map((w) => w.id)).toEqual(['shoulder-rolled'])
  })
})
