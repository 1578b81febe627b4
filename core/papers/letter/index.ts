import { z } from 'zod'
import {
  formatPercent,
  fromKg,
  kg,
  massDigits,
  refuse,
  roundToSum,
  sumOf,
  times,
  type Interval,
  type Kg,
} from '#core/measure'
import type { Share } from '#core/records'
import { whereItGoes, type Loss } from '#core/reading'
import { cautionAt, ruleOf } from '#core/rules'
import { hangingWords, headOf, headShape, numbered, paperKind, type About } from '../paper.ts'

const SHARE_WORD: Record<Share, string> = { 1: 'whole animal', 2: 'half', 4: 'quarter' }

/** The letter a share buyer gets before the meat: what to expect, and why it is less than what hung. */
const schema = z.object({
  kind: z.literal('letter'),
  ...headShape,
  what: z.string(),
  share: z.string(),
  hanging: z.string(),
  takeHome: z.string(),
  mince: z.string(),
  rows: z.array(z.object({ name: z.string(), weight: z.string(), likely: z.string(), packs: z.string() })),
  total: z.string(),
  losses: z.array(z.object({ name: z.string(), weight: z.string() })),
  words: z.array(z.string()),
})
export type Letter = z.infer<typeof schema>

const LOSS_WORD: Partial<Record<Loss['id'], string>> = {
  cooler: 'dries in the cooler',
  bone: 'bones',
  fat: 'fat and skin trimmed off',
  discard: 'glands and discards',
  saw: 'saw dust, drip and smoke',
  added: 'cure and seasoning added',
}

/** Take-home letter for a share. Weights of the cuts add up to the share's part of what the plan shows. */
export const letter = paperKind({
  title: 'What to expect',
  asks: 'Letter to its buyer',
  standsAt: ['bench'],
  forms: ['pdf'],
  shared: true,
  schema,
  up: { 1: numbered },
  make(about: About) {
    const hanging = hangingWords(about)
    if (hanging === null) return refuse('mass-empty', 'live', {})
    const { read, says, farm, share } = about
    const { anatomy } = read.flow
    const unit = farm.massUnit
    const parts = read.count * share
    const digits = massDigits(unit)
    const show = (x: number) => `${x.toFixed(digits)} ${unit}`
    const mine = (mass: Kg) => fromKg(times(mass, 1 / parts), unit)
    const mass = (all: Kg) => show(mine(all))
    const products = read.cuts.filter((c) => c.cut.kind === 'product' && c.kg > 1e-6)
    const all = sumOf(products, (c) => c.kg)
    const total = Number(mine(all).toFixed(digits))
    const figures = roundToSum(
      products.map((c) => mine(c.kg)),
      digits,
      total,
    )
    const ground = sumOf(products, (c) => (c.cut.destination === 'G' ? c.kg : kg(0)))
    const cut = read.stages.find((s) => s.id === 'cut')
    const likely = (range: Interval | null) =>
      range ? `${mine(kg(range.low)).toFixed(digits)}–${show(mine(kg(range.high)))}` : ''
    const rule = ruleOf(read.plan.route)
    return {
      ok: true,
      value: {
        kind: 'letter' as const,
        ...headOf(about),
        what: says.name(anatomy.names).toLowerCase(),
        share: SHARE_WORD[share],
        hanging: `${hanging}${parts > 1 ? `; your part of it about ${mass(read.weights?.aged ?? kg(0))}` : ''}`,
        takeHome: `about ${show(total)}${cut?.range ? `, likely ${likely(cut.range)}` : ''}`,
        mince: formatPercent(all > 0 ? ground / all : 0),
        rows: products.map((c, i) => ({
          name: says.name(c.cut.names),
          weight: show(figures[i]!),
          likely: c.done ? '' : likely(c.range),
          packs: c.packs > 0 ? `about ${Math.max(1, Math.round(c.packs / parts))}` : '',
        })),
        total: show(total),
        losses: whereItGoes(read).flatMap((l) => {
          const name = LOSS_WORD[l.id]
          return name ? [{ name, weight: l.kg < 0 ? `+${mass(kg(-l.kg))}` : mass(l.kg) }] : []
        }),
        words: [cautionAt('labels', anatomy.species), ...(rule ? [rule.says] : [])],
      },
    }
  },
})
