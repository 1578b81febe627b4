import { z } from 'zod'
import { issueOf, minorOf, priceIn, refuse, times } from '#core/measure'
import { DESTINATIONS, unitPriceSchema } from '#core/records'
import { allergensOf, finishedName } from '#core/plan'
import { cookingInShort, fleshOf, ruleOf } from '#core/rules'
import { KITCHEN, KITCHEN_ORDER } from '../kitchen.ts'
import { headed, headOf, headShape, numbered, paperKind, type About } from '../paper.ts'

/** A price list as it is issued: stored as printed, so a later price never changes an old list. */
const schema = z.object({
  kind: z.literal('price-list'),
  ...headShape,
  currency: z.string(),
  rows: z.array(
    z.object({
      cut: z.string(),
      name: z.string(),
      price: unitPriceSchema,
      pack: z.string(),
      /** How it is cooked: rows are printed by it. */
      to: z.enum(DESTINATIONS),
    }),
  ),
  words: z.array(z.string()),
})
export type PriceList = z.infer<typeof schema>

/** Prices were whole minor units once. */
function inThousandths(data: Record<string, unknown>) {
  const rows = data.rows as { price: { minor: number; per: string } }[]
  return {
    ...data,
    rows: rows.map(({ price, ...r }) => ({ ...r, price: { milli: price.minor * 1000, per: price.per } })),
  }
}

/** Rows of a list in groups by how they are cooked, in the order buyers read. */
export const groupsOf = ({ rows }: Pick<PriceList, 'rows'>) =>
  KITCHEN_ORDER.flatMap((to) => {
    const own = rows.filter((r) => r.to === to)
    return own.length > 0 ? [{ ...KITCHEN[to], rows: own }] : []
  })

/** Cuts in the order they earn, those without a price left off. */
export const priceList = paperKind({
  title: 'Price list',
  asks: 'Price list',
  standsAt: ['sold'],
  forms: ['pdf', 'csv'],
  priced: true,
  wants: [
    {
      word: 'greeting',
      asks: 'A line under the heading',
      usual: 'Prices are for the weight on the pack.',
      long: true,
    },
    { word: 'collection', asks: 'How to order and when to collect', long: true },
  ],
  schema,
  up: {
    1: (data) => numbered(inThousandths(data)),
    2: (data) => headed({ ...data, rows: (data.rows as object[]).map((r) => ({ to: 'X', ...r })) }),
  },
  make(about: About) {
    const { read, says, farm } = about
    const rule = ruleOf(read.plan.route)
    const { sale, reasons } = read.plan.verdict
    if (!rule || sale !== 'by-the-piece') {
      const reason = reasons[0]
        ? `${reasons[0].rule} ${reasons[0].fact} ${reasons[0].change}`
        : 'Say under Hang how the animal is slaughtered first: until then Ekko does not know what may be sold.'
      return { ok: false, issues: [issueOf('not-for-sale-by-cut', 'route', { reason })] }
    }
    if (read.stages.length === 0) return refuse('mass-empty', 'live', {})
    const rows = read.cuts
      .filter((c) => c.kg > 1e-6 && minorOf(c.price) > 0)
      .toSorted((a, b) => b.value - a.value)
      .map((c) => ({
        cut: c.cut.id,
        name: finishedName(says.name(c.cut.names), c.finishes),
        price: priceIn(c.price, farm.massUnit),
        pack: c.packs > 0 ? `about ${says.mass(times(c.kg, 1 / c.packs))}` : '',
        to: c.cut.destination,
      }))
    const words = [
      rule.says,
      cookingInShort(fleshOf(read.flow.anatomy.species, read.plan)),
      ...read.cuts.flatMap((c) => {
        const holds = allergensOf(c.finishes)
        return holds.length > 0 ? [`${says.name(c.cut.names)} contains ${holds.join(', ')}.`] : []
      }),
    ]
    return {
      ok: true,
      value: { kind: 'price-list' as const, ...headOf(about), currency: farm.currency, rows, words },
    }
  },
})
