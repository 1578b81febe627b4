import { z } from 'zod'
import { takings } from '#core/ledger'
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
import { SHARE_WORDS } from '#core/records'
import { fromHanging, shownWeights, type CutFigure, LOSS_WORDS } from '#core/reading'
import { cookingInShort, fleshOf, ruleOf } from '#core/rules'
import { KITCHEN, KITCHEN_ORDER } from '../kitchen.ts'
import { hangingWords, headed, headOf, headShape, numbered, paperKind, type About } from '../paper.ts'

/** Litres of freezer a kilogram of wrapped meat takes, and pounds to a cubic foot (docs/sources.md: freezer-room). */
const FREEZER = { litresPerKg: 28 / 17, lbPerCubicFoot: 37.5 }

const rowSchema = z.object({
  name: z.string(),
  weight: z.string(),
  /** The likely range of what is not weighed yet; empty where it is. */
  likely: z.string(),
  packs: z.string(),
})
/** The letter a share buyer gets: what to expect or what there is, and why it is less than what hung. */
const schema = z.object({
  kind: z.literal('letter'),
  ...headShape,
  what: z.string(),
  share: z.string(),
  hanging: z.string(),
  takeHome: z.string(),
  mince: z.string(),
  /** The animal alive, hanging and taken home, each as a share of the first; and the buyer's part of every one. */
  bars: z.array(z.object({ name: z.string(), weight: z.string(), of: z.number() })),
  part: z.number(),
  /** What it costs and on which weight; empty where nothing is sold. */
  cost: z.string(),
  freezer: z.string(),
  groups: z.array(z.object({ heading: z.string(), cook: z.string(), rows: z.array(rowSchema) })),
  total: z.string(),
  packs: z.string(),
  /** From the part of what hung down to what is taken home: the lines add up to the difference. */
  from: z.string(),
  losses: z.array(z.object({ name: z.string(), weight: z.string() })),
  words: z.array(z.string()),
})
export type Letter = z.infer<typeof schema>

/** What the buyer's part of the meat costs, said with the weight it is charged on. */
function costWords({ read, says, farm }: About, parts: number, products: readonly CutFigure[]): string {
  const { plan, weights } = read
  if (plan.verdict.sale === 'live-shares-only' && plan.sharePrice && weights) {
    const all = takings(times(weights.aged, 1 / parts), plan.sharePrice, { sold: 1 })
    return `${says.price(plan.sharePrice)} on the hanging weight: about ${says.money(all)}.`
  }
  if (plan.verdict.sale !== 'by-the-piece' || products.every((c) => c.price.milli === 0)) return ''
  const all = sumOf(products, (c) => takings(times(c.kg, 1 / parts), c.price, { sold: 1 }))
  return `At the prices of ${farm.name}’s list, on the packed weight: about ${says.money(all)}.`
}

function freezerWords(mine: Kg, unit: 'kg' | 'lb'): string {
  if (unit === 'kg') return `About ${Math.ceil((mine * FREEZER.litresPerKg) / 5) * 5} litres, packed close.`
  const feet = Math.ceil((fromKg(mine, 'lb') / FREEZER.lbPerCubicFoot) * 2) / 2
  return `About ${feet} cubic ${feet === 1 ? 'foot' : 'feet'}, packed close.`
}

/** Take-home letter for a share. Its weights add up to the share's part of what the plan and the packs come to. */
export const letter = paperKind({
  title: 'What to expect',
  asks: 'Letter to its buyer',
  standsAt: ['bench'],
  forms: ['pdf'],
  shared: true,
  wants: [
    { word: 'customer', asks: 'Who it is for' },
    {
      word: 'greeting',
      asks: 'Greeting',
      usual: 'Thank you for buying your meat from us. This is what to expect of it.',
      long: true,
    },
    { word: 'collection', asks: 'When and where to collect it', long: true },
  ],
  schema,
  up: { 1: numbered, 2: (data) => headed(fromSecond(data)) },
  make(about: About) {
    const hanging = hangingWords(about)
    if (hanging === null) return refuse('mass-empty', 'live', {})
    const { read, says, farm, share } = about
    const { anatomy } = read.flow
    const unit = farm.massUnit
    const parts = read.count * share
    const digits = massDigits(unit)
    const round = (x: number) => Number(x.toFixed(digits))
    const show = (x: number) => `${x.toFixed(digits)} ${unit}`
    const mine = (mass: Kg) => fromKg(times(mass, 1 / parts), unit)
    const products = read.cuts.filter((c) => c.cut.kind === 'product' && c.kg > 1e-6)
    const all = sumOf(products, (c) => c.kg)
    const total = parts === 1 ? shownWeights(read, unit).products : round(mine(all))
    const figures = roundToSum(
      products.map((c) => mine(c.kg)),
      digits,
      total,
    )
    const ground = sumOf(products, (c) => (c.cut.destination === 'G' ? c.kg : kg(0)))
    const stage = (id: string) => read.stages.find((s) => s.id === id)
    const cut = stage('cut')
    const likely = (range: Interval | null) =>
      range ? `${mine(kg(range.low)).toFixed(digits)}–${show(mine(kg(range.high)))}` : ''
    // What does not show in the share's figures is no line of it: "0.0 lb, 1 pack" is nothing a buyer can find.
    const rows = products
      .flatMap((c, i) => (figures[i]! > 0 ? [{ c, figure: figures[i]! }] : []))
      .map(({ c, figure }) => ({
        destination: c.cut.destination,
        name: says.name(c.cut.names),
        weight: show(figure),
        likely: c.done ? '' : likely(c.range),
        packs: packsOf(c, parts),
      }))
    const from = round(mine(read.weights!.aged))
    const steps = fromHanging(read)
      .map(({ id, kg: went }) => ({ id, x: mine(went) }))
      .filter(({ x }) => Math.abs(x) > 1e-6)
    const went = roundToSum(
      steps.map((s) => s.x),
      digits,
      round(from - total),
    )
    const bars = (
      [
        ['Alive', stage('live')],
        ['Hanging', stage('hanging')],
        ['Taken home', cut],
      ] as const
    ).flatMap(([name, s]) =>
      s
        ? [
            {
              name,
              weight: s.weighed ? says.mass(s.kg) : `about ${says.mass(s.kg)}`,
              of: s.kg / read.weights!.live,
            },
          ]
        : [],
    )
    const packs = sumOf(products, (c) => c.billedPacks) / parts
    const rule = ruleOf(read.plan.route)
    const estimated = products.some((c) => !c.done)
    return {
      ok: true,
      value: {
        kind: 'letter' as const,
        ...headOf(about),
        what: says.name(anatomy.names).toLowerCase(),
        share: share === 1 ? 'whole animal' : SHARE_WORDS[share],
        hanging: `${hanging}${parts > 1 ? `; your part of it ${stage('hanging')!.weighed ? '' : 'about '}${show(from)}` : ''}`,
        takeHome: `${estimated ? 'about ' : ''}${show(total)}${cut?.range ? `, likely ${likely(cut.range)}` : ''}`,
        mince: formatPercent(all > 0 ? ground / all : 0),
        bars,
        part: 1 / parts,
        cost: costWords(about, parts, products),
        freezer: freezerWords(kg(all / parts), unit),
        groups: KITCHEN_ORDER.flatMap((to) => {
          const own = rows.filter((r) => r.destination === to)
          return own.length > 0
            ? [
                {
                  ...KITCHEN[to],
                  rows: own.map(({ name, weight, likely: l, packs: p }) => ({
                    name,
                    weight,
                    likely: l,
                    packs: p,
                  })),
                },
              ]
            : []
        }),
        total: show(total),
        packs: `${estimated || parts > 1 ? 'about ' : ''}${Math.round(packs)}`,
        from: show(from),
        losses: steps.flatMap(({ id }, i) =>
          went[i] === 0
            ? []
            : [{ name: LOSS_WORDS[id], weight: `${went[i]! < 0 ? '+' : '−'}${show(Math.abs(went[i]!))}` }],
        ),
        words: [
          cookingInShort(fleshOf(anatomy.species, read.plan)),
          ...(rule ? [rule.says] : []),
          estimated
            ? 'What has no range is weighed; the rest is an estimate with the range it usually falls in. What is weighed into your boxes is what you get.'
            : 'All of it is weighed.',
          ...(parts > 1 ? ['Sides of one animal differ by one or two percent.'] : []),
        ],
      },
    }
  },
})

/** Packs of a cut that go with the buyer's part: weighed ones counted, others as planned, at least one. */
function packsOf(c: CutFigure, parts: number): string {
  if (c.billedPacks === 0) return ''
  const n = Math.max(1, Math.round(c.billedPacks / parts))
  return c.done && parts === 1 ? String(n) : `about ${n}`
}

/** Letters of the second form had one list of cuts, and losses that did not say from what. */
function fromSecond(data: Record<string, unknown>) {
  const { rows, ...rest } = data
  return {
    ...rest,
    groups: [{ heading: '', cook: '', rows }],
    ...{ bars: [], part: 1, cost: '', freezer: '', packs: '', from: '' },
  }
}
