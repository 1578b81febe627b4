import { expect, it } from 'vitest'
import { kg } from '#core/measure'
import { ANATOMIES } from '#core/species'
import { compile, cutUp, NO_CHOICES } from './index.ts'

it('a chuck one rib longer takes its rib and eye of the rib, and the plate end of that rib goes with the brisket (common practice)', () => {
  const base = ANATOMIES.steer
  const cutAt = (at: string) => {
    const lines = base.lines.map((l) =>
      l.id === 'chuck-line' && l.kind === 'across'
        ? { ...l, settings: l.settings.map((s) => ({ ...s, at })) }
        : l,
    )
    const cutting = cutUp(compile({ ...base, lines }), NO_CHOICES, {
      ...{ conventions: {}, carcass: kg(320), live: kg(0) },
    })
    return (part: string) => cutting.slots.filter((s) => s.part === part).reduce((sum, s) => sum + s.kg, 0)
  }
  const [usual, longer] = [cutAt('rib 5'), cutAt('rib 6')]
  const by = (part: string) => longer(part) - usual(part)
  expect(by('chuck') + by('brisket') + by('rib') + by('plate')).toBeCloseTo(0, 6)
  // What the rib loses the chuck gains, what the plate loses the brisket.
  expect(by('chuck')).toBeCloseTo(-by('rib'), 1)
  expect(by('brisket')).toBeCloseTo(-by('plate'), 1)
  expect(by('brisket')).toBeGreaterThan(1.2)
})
