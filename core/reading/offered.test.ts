import { describe, expect, it } from 'vitest'
import { type Species } from '#core/anatomy'
import { ANATOMIES } from '#core/species'
import { takePath, type Said } from '#core/plan'
import type { FactBody } from '#core/records'
import { flowOf } from '../carcass/testing.ts'
import {
  condemnable,
  cutsOfPart,
  fromInside,
  loneParts,
  offered,
  offeredParts,
  reckon,
  uncutParts,
} from './index.ts'
import { FARM, lotOf } from './testing.ts'
import { dressed, ticked } from '../plan/testing.ts'

const read = (species: Species, ...said: Said[]) => reckon(flowOf(species), lotOf(species, said), FARM, 0)
const SKINNED: FactBody = dressed('skin', false)
const both = (species: Species, part: string, path: string) =>
  takePath(ANATOMIES[species], part, ['left', 'right'], path)

describe('what can be decided on', () => {
  it('a lamb’s parts down the carcass, and offal that could be kept; the tenderloin goes with the loin', () => {
    expect(offeredParts(read('lamb')).join(' ')).toBe(
      'leg loin rack breast shoulder foreshank neck kidney-fat kidneys liver heart head feet spleen sweetbreads tract testicles trim fat bones',
    )
    expect(offered(read('lamb', ...both('lamb', 'loin', 'loin-boneless')), 'tenderloin')).toBe(true)
  })
  it('a skinned hog has no feet, and its blood could be kept all the same', () => {
    expect(offered(read('hog'), 'hind-foot')).toBe(true)
    expect(offered(read('hog', SKINNED), 'hind-foot')).toBe(false)
    expect(offered(read('hog', SKINNED), 'blood')).toBe(true)
  })
  it('there is one of each offal, and of trim, fat and bones', () => {
    expect(loneParts(read('lamb')).map((s) => s.part)).toEqual(
      'liver heart head feet spleen sweetbreads tract testicles trim fat bones'.split(' '),
    )
    expect(loneParts(read('lamb')).every((s) => s.side === 'animal')).toBe(true)
  })
  it('a part lies in the one it was opened from', () => {
    expect(fromInside(ANATOMIES.steer, 'clod')).toEqual(['clod', 'chuck'])
    expect(fromInside(ANATOMIES.steer, 'chuck')).toEqual(['chuck'])
  })
  it('only offal that is kept can be condemned', () => {
    expect(condemnable(read('hog'))).toEqual([])
    const kept = takePath(ANATOMIES.hog, 'liver', ['animal'], 'liver-kept')
    expect(condemnable(read('hog', ...kept))).toEqual(['liver'])
  })
  it('what is ticked off on one side can no longer be miscut, nor can offal', () => {
    const tick: FactBody = ticked('rack', 'right')
    const parts = uncutParts(read('lamb', tick))
    expect(parts).not.toContain('rack')
    expect(parts).not.toContain('liver')
    expect(parts).toContain('leg')
    expect(uncutParts(read('lamb'))).toContain('rack')
  })
  it('cuts of a part are those planned on the sides asked for', () => {
    const r = read('hog', ...takePath(ANATOMIES.hog, 'loin', ['right'], 'loin-roasts'))
    const ids = (...sides: ('left' | 'right')[]) => cutsOfPart(r, 'loin', sides).map((c) => c.cut.id)
    expect(ids('left')).toContain('bone-in-chop')
    expect(ids('right')).not.toContain('bone-in-chop')
    expect(new Set(ids('left', 'right'))).toEqual(new Set([...ids('left'), ...ids('right')]))
  })
})
