import { z } from 'zod'
import type { Anatomy } from '#core/anatomy'
import { codeOf, type PackCode } from '#core/exchange'
import {
  fromKg,
  kgOf,
  minor,
  minorOf,
  priceIn,
  refuse,
  type Minor,
  type TypedMass,
  counted,
} from '#core/measure'
import { allergensOf, finishedName } from '#core/plan'
import type { CutFigure } from '#core/reading'
import {
  BLOCK_SIZES,
  CLASS_OF,
  LABEL_BLOCKS,
  LABEL_SIZES,
  packNumberSchema,
  type LabelBlock,
  type LabelSheet,
} from '#core/records'
import {
  fleshOf,
  goodKeeps,
  goodOf,
  HANDLING,
  packageWords,
  retainedWords,
  sayCooking,
  sayGoodKeeps,
} from '#core/rules'
import { KITCHEN } from '../kitchen.ts'
import { fitted } from './fit.ts'
import { headOf, headShape, paperKind, type About, type PackAbout } from '../paper.ts'

const USUAL_OFF = new Set<LabelBlock>(['kitchen', 'claims'])
const USUAL_LARGE: Partial<Record<LabelBlock, 'large' | 'middle'>> = {
  ...{ cut: 'large', weight: 'large', 'not-for-sale': 'large' },
  ...{ price: 'middle', exemption: 'middle', barcode: 'middle' },
}
/** What is put into a cut in the making: names of brine, cure, stuffing, seasoning; none of what is only cut or rendered. */
export const putInto = ({ paths }: Anatomy, cut: string): string[] => [
  ...new Set(
    paths
      .flatMap((p) => p.outputs)
      .flatMap((o) => (o.cut === cut ? (o.process?.inflows ?? []).map((i) => i.name) : [])),
  ),
]
export const UNNAMED = 'NOT FOR SALE: nobody has named what is in it'

export { BARS_GAP_MM, BARS_MM, INSET_MM, lettersAt } from './fit.ts'
export { LABELS_ON } from './pages.ts'

/** The labels of a farm that has not said how they look. */
export const usualDesign = (): LabelSheet => ({
  format: 'ekko-labels',
  version: 1,
  name: 'Labels',
  size: 'roll-100x75',
  blocks: LABEL_BLOCKS.map((id) => ({ id, on: !USUAL_OFF.has(id), size: USUAL_LARGE[id] ?? 'small' })),
  code: { kind: 'number' },
  items: [],
  claims: [],
})

const blockSchema = z.object({ id: z.enum(LABEL_BLOCKS), size: z.enum(BLOCK_SIZES), text: z.string() })
const labelSchema = z.object({
  number: packNumberSchema,
  code: z.object({ kind: z.enum(['ean13', 'gs1-128', 'code128']), text: z.string() }).nullable(),
  blocks: z.array(blockSchema),
  /** How much smaller than usual its letters are, and what it has no room for. */
  scale: z.number(),
  leftOff: z.array(z.enum(LABEL_BLOCKS)),
})
export type Label = z.infer<typeof labelSchema>

/** Labels as they were printed. */
const schema = z.object({
  kind: z.literal('labels'),
  ...headShape,
  size: z.enum(LABEL_SIZES),
  labels: z.array(labelSchema).min(1),
})
export type Labels = z.infer<typeof schema>

/** What the words of a label are made from. */
interface Of {
  about: About
  pack: PackAbout
  cut: CutFigure | null
  names: { american: string; commonwealth: string }
  shown: TypedMass
}

/** What is said to be in a pack's cut; whether something is put into it that nobody named. */
function heldIn({ about, pack }: Of) {
  const { anatomy } = about.read.flow
  const named = about.design?.holds?.find((h) => h.species === anatomy.species && h.cut === pack.cut)
  return { named, isUnnamed: !named && putInto(anatomy, pack.cut).length > 0 }
}

/** Weight as displayed × the price of its unit, rounded once; null where it is not sold by the piece or has no price. */
function priceOf(of: Of): Minor | null {
  const { about, cut, shown } = of
  const sold =
    !heldIn(of).isUnnamed && about.read.plan.verdict.sale === 'by-the-piece' && cut && minorOf(cut.price) > 0
  return sold ? minor(Math.round(shown.value * minorOf(priceIn(cut.price, shown.unit)))) : null
}

const WHOLE_ROAST = { upTo: 3, low: 40, high: 45, plus: 20, large: 20, largePlus: 90, largeFrom: 4 } as const
/** How long a whole bird of this weight roasts (common practice, from memory: trade figures of 190 °C); null for others. */
function roastWords({ about, pack, cut }: Of): string | null {
  const mass = pack.grams / 1000
  const isWhole = cut?.cut.id.startsWith('whole-') && CLASS_OF[about.read.flow.anatomy.species] === 'poultry'
  if (!isWhole) return null
  const w = WHOLE_ROAST
  const minutes =
    mass <= w.upTo
      ? [mass * w.low + w.plus, mass * w.high + w.plus]
      : [Math.max(w.upTo * w.low + w.plus, mass * w.large + w.largePlus)]
  return `At 190 °C about ${minutes.map((m) => Math.round(m / 5) * 5).join('–')} minutes; by the probe, in the thigh.`
}

/** The words of a block; null where this pack has none. */
function wordsOf(id: LabelBlock, of: Of): string | null {
  const { about, pack, cut, names, shown } = of
  const { read, says, farm, design } = about
  const { anatomy } = read.flow
  const made = anatomy.cuts.find((c) => c.id === pack.cut)!
  const to = made.destination
  const onPackage = packageWords(read.plan.route)
  const finishes = cut?.finishes ?? []
  const flesh = fleshOf(anatomy.species, read.plan)
  const good = goodOf(
    made,
    finishes.map((f) => f.finish),
  )
  switch (id) {
    case 'cut':
      return finishedName(says.name(names), finishes)
    case 'weight': {
      const pieces = pack.pieces === null ? '' : `, ${counted(pack.pieces, 'piece')}`
      return `${shown.value} ${shown.unit}${pieces}`
    }
    case 'price': {
      const all = priceOf(of)
      return all === null ? null : `${says.money(all)}  (${says.price(cut!.price)})`
    }
    case 'farm':
      return [farm.name, ...(farm.address ?? '').split('\n'), farm.telephone ?? '']
        .filter((t) => t !== '')
        .join(', ')
    case 'lot':
      return `${says.name(anatomy.names)}, lot ${about.lot}${read.plan.mark ? `, tag ${read.plan.mark}` : ''}, pack ${pack.number}`
    case 'date':
      return `Packed ${pack.packedOn}`
    case 'not-for-sale':
      if (onPackage?.id !== id && heldIn(of).isUnnamed) return UNNAMED
      return onPackage?.id === id ? onPackage.says : null
    case 'exemption':
      return onPackage?.id === id ? onPackage.says : null
    case 'contains': {
      const { named } = heldIn(of)
      const holds = [...new Set([...(named?.allergens ?? []), ...allergensOf(finishes)])]
      return (
        [
          named ? `In it: ${named.says}.` : null,
          holds.length > 0 ? `Contains ${holds.join(', ')}.` : null,
          retainedWords(read.plan.birdDay?.chill ?? null),
        ]
          .filter(Boolean)
          .join(' ') || null
      )
    }
    case 'cooking': {
      return sayCooking(flesh, good)
    }
    case 'storage':
      return sayGoodKeeps(good, goodKeeps(flesh, good, pack.wrap ?? 'zip'))
    case 'kitchen':
      return [`${KITCHEN[to].heading}.`, KITCHEN[to].cook, roastWords(of) ?? '']
        .filter((t) => t !== '')
        .join(' ')
    case 'handling':
      return HANDLING
    case 'claims':
      return design && design.claims.length > 0 ? design.claims.map((c) => c.says).join('. ') + '.' : null
    case 'barcode':
      return ''
  }
}

/** The bar code of a pack by the farm's design. */
function packCode(of: Of, design: LabelSheet): PackCode {
  const { about, pack, shown } = of
  const { code } = design
  const base = { number: pack.number, shown, packed: pack.packedOn, lot: about.lot }
  if (code.kind !== 'ean13') return codeOf({ ...base, as: code })
  const item = design.items.find((i) => i.species === about.read.flow.anatomy.species && i.cut === pack.cut)
  const price = priceOf(of)
  const value =
    code.says === 'price'
      ? price
      : shown.unit === 'kg'
        ? Math.round(shown.value * 1000)
        : Math.round(shown.value * 100)
  if (!item || value === null) return codeOf({ ...base, as: { kind: 'number' } })
  return codeOf({ ...base, as: { kind: 'ean13', prefix: code.prefix, item: item.item, value } })
}

/** Labels of packs that are there, as the farm's design has them; what a rule asks for is on them whatever the design says. */
export const labels = paperKind({
  title: 'Labels',
  asks: 'Labels',
  standsAt: [],
  forms: ['pdf'],
  wants: [],
  schema,
  up: {},
  make(about: About) {
    const { read, packs, farm } = about
    const design = about.design ?? usualDesign()
    const gone = (about.words.packs ?? []).filter(
      (n) => !packs.some((p) => p.number === n && p.state === 'here'),
    )
    if (gone.length > 0 || packs.length === 0 || !about.words.packs)
      return refuse('packs-gone', 'packs', { numbers: gone })
    const asked = packageWords(read.plan.route)?.id
    const all = packs.map((pack): Label => {
      const cut = read.cuts.find((c) => c.cut.id === pack.cut) ?? null
      const names = read.flow.anatomy.cuts.find((c) => c.id === pack.cut)!.names
      const digits = farm.massUnit === 'kg' ? 3 : 2
      const shown = pack.shown ?? {
        value: Number(fromKg(kgOf(pack.grams), farm.massUnit).toFixed(digits)),
        unit: farm.massUnit,
      }
      const of: Of = { about, pack, cut, names, shown }
      // What a rule asks for, and what people react to, stands there whatever the design says.
      const must = [...new Set<LabelBlock>([...(asked ? [asked] : []), 'not-for-sale', 'contains'])]
      const lacking = must.filter((id) => !design.blocks.some((b) => b.id === id))
      const blocks = [
        ...lacking.map((id) => ({
          id,
          on: true,
          size: id === 'contains' ? ('small' as const) : ('large' as const),
        })),
        ...design.blocks,
      ]
      const on = blocks.filter((b) => b.on || must.includes(b.id))
      const said = on.flatMap(({ id, size }) => {
        const text = wordsOf(id, of)
        return text === null ? [] : [{ id, size, text }]
      })
      return {
        number: pack.number,
        code: on.some((b) => b.id === 'barcode') ? packCode(of, design) : null,
        ...fitted(said, design.size, must),
      }
    })
    return { ok: true, value: { kind: 'labels' as const, ...headOf(about), size: design.size, labels: all } }
  },
})
