import { describe, expect, it } from 'vitest'
import { putInto } from '#core/papers'
import { FINISHES } from '#core/plan'
import { SPECIES } from '#core/records'
import { ANATOMIES } from '#core/species'
import { cookingInShort, endOf, fleshOf, goodKeeps, goodOf, sayCooking, sayGoodKeeps } from './goods.ts'

const farmed = (species: (typeof SPECIES)[number]) => fleshOf(species, { type: null, end: null })
const HOG = farmed('hog')
const FERAL = fleshOf('hog', { type: 'wild', end: 'hunted' })
/** Goods of all species that a cut of them is, by its id. */
const cuts = SPECIES.flatMap((s) => ANATOMIES[s].cuts.map((cut) => ({ species: s, cut, good: goodOf(cut) })))
const goodsOf = (species: string, id: string) =>
  cuts.find((c) => c.species === species && c.cut.id === id)!.good

describe('what a cut is to the cook', () => {
  it.each([
    ['hog', 'bacon', 'bacon'],
    ['hog', 'sausage', 'sausage'],
    ['hog', 'sausage-fat', 'fat'],
    ['hog', 'lard', 'rendered'],
    ['hog', 'leaf-raw', 'fat'],
    ['hog', 'dry-ham', 'dry-cured'],
    ['hog', 'cured-ham', 'cured'],
    ['hog', 'loin-stuffed', 'stuffed'],
    ['hog', 'head-meat', 'cooked'],
    ['hog', 'cube-steak', 'bladed'],
    ['hog', 'trotter', 'bones'],
    ['steer', 'jerky', 'dried'],
    ['steer', 'head-meat', 'ground'],
    ['steer', 'soup-bones', 'bones'],
    ['steer', 'dog-bones', 'for-animals'],
    ['steer', 'tallow', 'rendered'],
    ['lamb', 'breast-rolled', 'stuffed'],
    ['broiler', 'boned-bird', 'stuffed'],
    ['duck', 'rendered-fat', 'rendered'],
    ['rabbit', 'boned-rabbit', 'stuffed'],
    ['rabbit', 'whole-rabbit', 'whole'],
  ])('%s %s is %s', (species, id, good) => expect(goodsOf(species, id)).toBe(good))
  it('what goes to curing, fat or offal is never whole meat, and what something is put into is stuffed, salted, cured or dried', () => {
    for (const { species, cut, good } of cuts) {
      if ('CFNGO'.includes(cut.destination)) expect(good, `${species} ${cut.id}`).not.toBe('whole')
      const into = putInto(ANATOMIES[species], cut.id)
      if (into.includes('stuffing')) expect(good, `${species} ${cut.id}`).toBe('stuffed')
      if (into.includes('brine') || into.includes('cure')) expect(['cured', 'bacon']).toContain(good)
    }
  })
  it('finished with a stuffing it is stuffed, whatever it was', () =>
    expect(goodOf({ id: 'pocket-chop', destination: 'T' }, ['tied', 'stuffed'])).toBe('stuffed'))
})

describe('the end temperature', () => {
  it.each([
    [farmed('steer'), 'whole', 63, 145, 3],
    [HOG, 'whole', 63, 145, 3],
    [HOG, 'cured', 63, 145, 3],
    [farmed('calf'), 'offal', 71, 160, 0],
    [farmed('steer'), 'bladed', 71, 160, 0],
    [HOG, 'ground', 71, 160, 0],
    [FERAL, 'whole', 71, 160, 0],
    [FERAL, 'cured', 71, 160, 0],
    [farmed('rabbit'), 'whole', 71, 160, 0],
    [farmed('goat'), 'stuffed', 74, 165, 0],
    [FERAL, 'stuffed', 74, 165, 0],
    [farmed('turkey'), 'whole', 74, 165, 0],
    [farmed('duck'), 'offal', 74, 165, 0],
    [farmed('broiler'), 'sausage', 74, 165, 0],
  ] as const)(
    'of %j, %s: %d °C, %d °F, %d minutes of rest (FSIS, Safe Minimum Internal Temperature Chart; feral swine: FSIS, Game from Farm to Table; from memory)',
    (flesh, good, c, f, restMinutes) => {
      expect(endOf(flesh, good)).toEqual({ c, f, restMinutes })
      expect(Math.abs(f - (c * 9) / 5 - 32)).toBeLessThan(1)
      expect(sayCooking(flesh, good)).toContain(`${c} °C (${f} °F)`)
    },
  )
  it('a wild type is wild however it ended, and a hunted animal whatever its type', () => {
    expect(fleshOf('hog', { type: 'wild', end: null }).wild).toBe(true)
    expect(fleshOf('goat', { type: 'boer', end: 'hunted' }).wild).toBe(true)
    expect(fleshOf('hog', { type: 'heritage', end: 'slaughtered' }).wild).toBe(false)
  })
  it('dry goods, lard, bones and bacon are not cooked to 63 °C and rested; nothing of a feral hog is eaten raw (common practice)', () => {
    for (const good of ['dried', 'dry-cured', 'rendered', 'fat', 'bones', 'for-animals', 'bacon'] as const)
      expect(sayCooking(HOG, good)).not.toMatch(/63 °C|rest/)
    expect(sayCooking(HOG, 'bacon')).toMatch(/Fry it through/)
    for (const good of ['bacon', 'dry-cured'] as const) expect(sayCooking(FERAL, good)).toContain('71 °C')
  })
  it('stands in one place: no template, finish or page has one of its own', () => {
    const own = SPECIES.flatMap((s) =>
      ANATOMIES[s].paths.flatMap((p) => [p.steps, p.caution ?? '']).filter((t) => /cook[^.]*°C/i.test(t)),
    )
    expect(own).toEqual([])
    for (const f of FINISHES)
      if (/°C.*middle/.test(f.caution ?? '')) expect(f.caution).toContain(sayCooking(HOG, 'stuffed'))
  })
  it('in short: of a farmed hog whole and ground, of a hunted one the same for both', () => {
    expect(cookingInShort(HOG)).toMatch(/63 °C.*rest 3 minutes.*71 °C/)
    expect(cookingInShort(FERAL)).toMatch(/71 °C/)
    expect(cookingInShort(FERAL)).not.toMatch(/63 °C/)
    expect(cookingInShort(farmed('turkey'))).toMatch(/Poultry.*74 °C/)
  })
})

describe('how long it keeps', () => {
  it.each([
    [HOG, 'whole', 'vacuum', 3, 9],
    [HOG, 'ground', 'vacuum', 1, 3],
    [HOG, 'sausage', 'vacuum', 1, 1],
    [HOG, 'bacon', 'vacuum', 7, 1],
    [farmed('broiler'), 'whole', 'shrink', 1, 9],
    [farmed('steer'), 'offal', 'zip', 1, 1],
  ] as const)(
    '%j %s in %s: %d days, %d months (FoodSafety.gov, cold food storage chart, from memory)',
    (flesh, good, wrap, days, months) => expect(goodKeeps(flesh, good, wrap)).toEqual({ days, months }),
  )
  it('lard six months cold and twelve frozen (common practice), in months and not in days', () =>
    expect(sayGoodKeeps('rendered', goodKeeps(HOG, 'rendered', 'vacuum'))).toMatch(
      /6 months; .*within 12 months/,
    ))
  it('paper keeps shorter than a vacuum in the freezer, and no shorter in the cold', () => {
    const [paper, vacuum] = [goodKeeps(HOG, 'whole', 'paper'), goodKeeps(HOG, 'whole', 'vacuum')]
    expect(paper.months).toBeLessThan(vacuum.months)
    expect(paper.days).toBe(vacuum.days)
  })
})
