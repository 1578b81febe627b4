import { describe, expect, it } from 'vitest'
import { SPECIES, type Species } from '#core/anatomy'
import { ANATOMIES } from '#core/species'
import { CHECK_POINTS } from '#core/hand'
import { takePath } from '#core/plan'
import { reckon } from '#core/reading'
import {
  drawUp,
  type BlockCard,
  type CutSheet,
  type Letter,
  type PaperData,
  type PriceList,
} from '#core/papers'
import type { PaperWords } from '#core/records'
import { flowOf } from '../core/carcass/testing.ts'
import { routed, way } from '../core/plan/testing.ts'
import { FARM, lotOf } from '../core/reading/testing.ts'
import { paperPdf } from './index.ts'
import { pagesOf } from './testing.ts'

/** One side of every species cut otherwise than the other: the longest papers there are. */
const LONG: Partial<Record<Species, ReturnType<typeof way>[]>> = {
  hog: [way('loin', 'loin-roasts', 'right'), way('leg', 'leg-smoked', 'left')],
  lamb: [way('leg', 'leg-seven-meals', 'left')],
  steer: [way('rib', 'rib-eye', 'right'), way('short-loin', 'loin-strip', 'right')],
  broiler: takePath(ANATOMIES.broiler, 'bird', ['animal'], 'bird-parts'),
}
const WORDS = {
  customer: 'Ada Thorne',
  telephone: '555 0134',
  greeting: 'Thank you for your order.',
  collection: 'Saturday from nine.',
  instructions: 'Bones for the dog.',
}
const drawn = new Map<string, ReturnType<typeof draw>>()
/** A paper drawn and read back, once however many tests look at it. */
async function printed<K extends PaperData['kind']>(
  species: Species,
  kind: K,
  currency = 'USD',
  more: PaperWords = {},
) {
  const key = JSON.stringify([species, kind, currency, more])
  if (!drawn.has(key)) drawn.set(key, draw(species, kind, currency, more))
  return (await drawn.get(key)!) as Awaited<ReturnType<typeof draw<K>>>
}
async function draw<K extends PaperData['kind']>(
  species: Species,
  kind: K,
  currency: string,
  more: PaperWords,
) {
  const read = reckon(
    flowOf(species),
    lotOf(species, [routed('inspected'), ...(LONG[species] ?? [])]),
    FARM,
    60,
  )
  const farm = {
    name: 'Fallowmere',
    address: 'Hill Lane 2\nUpper Vale',
    telephone: '555 0100',
    massUnit: 'lb',
    nameSet: 'american',
    currency,
  } as const
  const out = drawUp(kind, {
    read,
    farm,
    lot: 'Bramble',
    date: '2026-11-24',
    share: 2,
    words: { ...WORDS, ...more },
  })
  if (!out.ok) throw new Error(out.issues[0]!.code)
  const pages = await pagesOf(await paperPdf(out.value))
  return { data: out.value as Extract<PaperData, { kind: K }>, pages, text: pages.join(' ') }
}
const squeezed = (text: string) => text.replaceAll(/\s+/g, '')

describe.each(SPECIES)('papers of a %s, read back', (species) => {
  it('bear the farm, where it is, and for whom they are', async () => {
    for (const kind of ['cut-sheet', 'letter'] as const) {
      const { text } = await printed(species, kind)
      for (const word of ['Fallowmere', 'Hill Lane 2', 'Upper Vale', '555 0100', 'Ada Thorne', 'Bramble'])
        expect(text, kind).toContain(word)
    }
  })
  it('cut sheet: one page, with every part numbered and every cut, its pieces and packs', async () => {
    for (const currency of species === 'hog' ? ['USD', 'GBP'] : ['USD']) {
      const { data, pages, text } = await printed(species, 'cut-sheet', currency)
      expect(pages).toHaveLength(1)
      const page = squeezed(text)
      for (const row of (data as CutSheet).rows) {
        expect(page).toContain(squeezed(row.part))
        for (const c of row.cuts) expect(page).toContain(squeezed(`${c.name}${c.how ? `: ${c.how}` : ''}`))
      }
      expect(page).toContain(squeezed('Please. Bones for the dog.'))
    }
  })
  it('letter: one page, every line of it', async () => {
    const { data, pages, text } = await printed(species, 'letter')
    expect(pages).toHaveLength(1)
    const page = squeezed(text)
    const l = data as Letter
    for (const r of l.groups.flatMap((g) => g.rows)) expect(page).toContain(squeezed(r.name))
    for (const x of l.losses) expect(page).toContain(squeezed(x.name + x.weight))
    expect(page).toContain(squeezed('Saturday from nine.'))
    expect(page).toContain(squeezed(l.freezer))
  })
  it('block card: every step, and no step alone on a page', async () => {
    const { data, pages } = await printed(species, 'block-card')
    const steps = (data as BlockCard).steps
    const on = pages.map(
      (page) => steps.filter((s) => squeezed(page).includes(squeezed(s.title + s.way))).length,
    )
    expect(on.reduce((s, n) => s + n, 0)).toBeGreaterThanOrEqual(steps.length)
    if (steps.length > 2) expect(Math.min(...on)).toBeGreaterThan(1)
  })
  it('block card of one part in large type: each step as a hand does it, a box for every signature', async () => {
    const only = ANATOMIES[species].parts[0]!.id
    const { data, text } = await printed(species, 'block-card', 'USD', { only, type: 'large' })
    const { steps } = data as BlockCard
    expect(steps[0]!.by.length).toBeGreaterThan(2)
    // A line that breaks has its number between its halves: it is looked for word by word.
    for (const word of steps[0]!.by.join(' ').match(/\p{L}{4,}/gu)!) expect(text).toContain(word)
    for (const s of steps) for (const c of s.checks) expect(text).toContain(CHECK_POINTS[c].word)
    expect(text).toContain('Signed by all')
  })
  it('price list: one page in two columns, each price with its unit and a line to order on', async () => {
    const { data, pages, text } = await printed(species, 'price-list')
    expect(pages).toHaveLength(1)
    for (const r of (data as PriceList).rows) expect(squeezed(text)).toContain(squeezed(r.name))
    expect(text).toContain('Saturday from nine.')
    expect(text).toContain('Your name')
  })
})
