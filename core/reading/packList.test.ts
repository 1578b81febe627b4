import { describe, expect, it } from 'vitest'
import { ANATOMIES } from '#core/species'
import { likelyColumns, MOST_ROWS, packsOfList, readList } from './index.ts'

const { hog } = ANATOMIES
const list = (text: string, as = {}) => {
  const raw = readList(text)
  return packsOfList(raw, likelyColumns(raw), hog, 'lb', as)
}

describe('a processor’s list of packs', () => {
  it('finds its columns by their headings and its cuts by their names', () => {
    const rows = list('Item,Net weight (kg),Pkgs,Serial\nSmoked bacon,4.5,9,A-1\nTenderloin whole,0.86,1,\n')
    expect(rows.map((r) => [r.row, r.cut, r.shown, r.packs, r.label, r.why])).toEqual([
      [2, 'bacon', { value: 4.5, unit: 'kg' }, 9, 'A-1', null],
      [3, 'tenderloin', { value: 0.86, unit: 'kg' }, 1, null, null],
    ])
  })
  it('columns in any order, semicolons, weights as people write them (RFC 4180 and what spreadsheets make of it)', () => {
    const [row] = list('lbs;product\n12lb 6oz;"Streaky bacon"\n')
    expect(row).toMatchObject({ cut: 'bacon', why: null, packs: 1 })
    expect(row!.shown!.value).toBeCloseTo(12.375, 6)
  })
  it('columns and names that are called as something inside an object are columns and names', () => {
    const raw = readList('__proto__,constructor,lbs\nBacon,toString,3\n')
    expect(raw.headings).toEqual(['__proto__', 'constructor', 'lbs'])
    const [row] = packsOfList(raw, { cut: '__proto__', weight: 'lbs', label: 'constructor' }, hog, 'lb')
    expect(row).toMatchObject({ said: 'Bacon', label: 'toString', cut: 'bacon' })
    expect(list('cut,lb\nconstructor,3\n')[0]!.cut).toBeNull()
  })
  it('of a table without end only as many rows are read as an animal may have packs', () => {
    const { rows } = readList(`cut,lb\n${'Bacon,3\n'.repeat(200_000)}`)
    expect(rows).toHaveLength(MOST_ROWS + 1)
    expect(
      packsOfList({ headings: ['cut', 'lb'], rows }, { cut: 'cut', weight: 'lb' }, hog, 'lb'),
    ).toHaveLength(MOST_ROWS + 1)
  })
  it('a name that is none of ours is asked about; said once, it is known', () => {
    const text = 'cut,lb\nMystery slab,3\n'
    expect(list(text)[0]).toMatchObject({ cut: null })
    expect(list(text)[0]!.why).toContain('“Mystery slab”')
    expect(list(text, { 'Mystery slab': 'bacon' })[0]).toMatchObject({ cut: 'bacon', why: null })
  })
  it('what is no weight and no number of packs is said by row', () => {
    const rows = list('cut,lb,packs\nSmoked bacon,heavy,1\nSmoked bacon,2,some\n')
    expect(rows[0]!.why).toContain('“heavy”')
    expect(rows[1]!.why).toContain('“some”')
  })
  it('without a heading for the weight nothing is guessed', () =>
    expect(list('cut,colour\nSmoked bacon,red\n')[0]!.why).toContain('which column'))
})
