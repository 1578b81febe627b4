import { describe, expect, it } from 'vitest'
import { flowOf } from '../carcass/testing.ts'
import { measured, way } from '../plan/testing.ts'
import { faceOfPart, reckon } from './index.ts'
import { FARM, lotOf } from './testing.ts'

describe('the face of the part in hand', () => {
  const hog = reckon(flowOf('hog'), lotOf('hog'), FARM, 0)
  it('goes from the first rib of the loin to its last vertebra, and names where it is', () => {
    expect(faceOfPart(hog, 'loin', 'left', 0)!.place).toMatch(/^rib \d/)
    expect(faceOfPart(hog, 'loin', 'left', 1)!.place).toMatch(/lumbar|sacrum/)
    expect(faceOfPart(hog, 'loin', 'left', 0.02)!.face.tenderloin).toBeLessThan(
      faceOfPart(hog, 'loin', 'left', 0.98)!.face.tenderloin,
    )
  })
  it('there is none of a belly, of a bird, of what was never weighed', () => {
    expect(faceOfPart(hog, 'belly', 'left', 0.5)).toBeNull()
    expect(faceOfPart(reckon(flowOf('broiler'), lotOf('broiler'), FARM, 0), 'breast', 'left', 0.5)).toBeNull()
    const bare = reckon(flowOf('hog'), { ...lotOf('hog'), weighings: [] }, FARM, 0)
    expect(faceOfPart(bare, 'loin', 'left', 0.5)).toBeNull()
  })
  it('follows what was measured: a bigger eye, more fat', () => {
    const steer = (eye: number) =>
      reckon(flowOf('steer'), lotOf('steer', [measured('eye-area', eye), measured('fat-depth', 18)]), FARM, 0)
    const [small, big] = [70, 95].map((e) => faceOfPart(steer(e), 'rib', 'left', 1)!.face)
    expect(big!.eye / small!.eye).toBeCloseTo(95 / 70, 1)
    expect(big!.fatMm).toBe(18)
    expect(big!.measured).toBe(true)
  })
  it('a slice is as thick as the plan saws it', () => {
    const thick = { kind: 'sawn', thicknessMm: 50, kerfMm: 1.2, perPack: 2 } as const
    const said = [
      way('loin', 'loin-chops'),
      { field: 'portion', target: 'bone-in-chop', side: 'animal', value: thick } as const,
    ]
    const read = reckon(flowOf('hog'), lotOf('hog', said), FARM, 0)
    const [usual, own] = [hog, read].map((r) => faceOfPart(r, 'loin', 'left', 0.5)!)
    expect(own!.thickness).toBe(50)
    expect(own!.slice / usual!.slice).toBeCloseTo(50 / usual!.thickness, 6)
  })
})
