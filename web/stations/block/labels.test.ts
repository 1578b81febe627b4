import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { apart } from './labels.ts'

const at = (x: number, y: number, kg: number, chosen = false, word = 'Shoulder') => ({
  label: [x, y] as const,
  words: [word, 'R · 17.6 lb'] as const,
  kg,
  chosen,
})
const box = (l: ReturnType<typeof at>) => {
  const half = (Math.max(...l.words.map((w) => w.length)) * 0.52 * 18) / 2
  return {
    left: l.label[0] - half,
    right: l.label[0] + half,
    top: l.label[1] - 18,
    bottom: l.label[1] + 19.8,
  }
}

describe('labels in the drawing', () => {
  it('never lie over each other, wherever the parts lie', () => {
    const some = fc.array(fc.tuple(fc.integer({ min: 0, max: 400 }), fc.integer({ min: 0, max: 800 })), {
      maxLength: 16,
    })
    fc.assert(
      fc.property(some, (places) => {
        const boxes = apart(
          places.map(([x, y], i) => at(x, y, i + 1)),
          18,
        ).map(box)
        for (const [i, a] of boxes.entries())
          for (const b of boxes.slice(i + 1))
            expect(a.left < b.right && b.left < a.right && a.top < b.bottom && b.top < a.bottom).toBe(false)
      }),
    )
  })
  it('the part in hand keeps its label, and a heavier one before a lighter', () => {
    const crowd = [
      at(100, 100, 5),
      at(100, 104, 9),
      at(100, 108, 1, true),
      at(100, 112, 2),
      at(100, 116, 3),
      at(100, 120, 4),
    ]
    const kept = apart(crowd, 18)
    expect(kept[0]!.chosen).toBe(true)
    expect(kept.map((l) => l.kg)).toContain(9)
    expect(kept.length).toBeLessThan(crowd.length)
  })
  it('alone, each stands where it belongs', () => {
    const two = [at(50, 100, 2), at(300, 600, 1)]
    expect(apart(two, 18).map((l) => l.label)).toEqual(two.map((l) => l.label))
  })
})
