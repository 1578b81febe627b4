import type { Flow } from '#core/carcass'
import { conventionsOf, type Said } from '#core/plan'
import { gramsOf, kg, minus, sumOf, type Kg, type Says } from '#core/measure'
import { inForce, packedIn, TRIM_LEVELS, type HangingBasis } from '#core/records'
import { triedOn } from './groups.ts'
import type { CutFigure, FarmFigures, LotState, Reckoning, WeighingRow } from './lot.ts'
import { reckon } from './reckon.ts'

/** What may make less of an animal than was expected. */
export type CauseId =
  | 'unweighed'
  | 'not-kept'
  | 'offal'
  | 'bones'
  | 'guessed'
  | 'full'
  | 'basis'
  | 'days'
  | 'trim'
  | 'on-bone'
  | 'dressed'

/** One cause, kg less that it makes, and how likely it is among those nobody has written down (0…1). */
export interface Cause {
  id: CauseId
  kg: Kg
  /** It follows from the records: nothing is asked. */
  known: boolean
  likely: number
  /** What was not weighed, or how it may have been dressed: words of the cuts, or of the convention. */
  of: { cuts: CutFigure[]; otherwise: string | null }
}
export interface WhyLess {
  expected: Kg
  packed: Kg
  /** Known causes first, then what is likely, each by kg or likelihood. */
  causes: Cause[]
  /** The cause that, asked about, would settle most: likelihood × kg. Null where chance will do. */
  ask: Cause | null
}

/** How far a cut lies from what was expected of it by itself, log SD (trade figure, from memory). */
const CUT_SD = 0.07
/** How common each is, against 1 that it is chance alone (our own figures). */
const PRIOR = { guessed: 0.5, full: 0.3, basis: 0.3, days: 0.2, trim: 0.25, 'on-bone': 0.25, dressed: 0.12 }
/** A guess, or a tape, is off by so much, and a belly full of grass weighs so much (trade figures, from memory). */
const GUESS_OFF = 0.1
const FULL = 0.05
/** A week more in the cooler than was written down. */
const DAYS_MORE = 7
/** Less than this share of what was expected is not worth a question. */
const WORTH_ASKING = 0.004
/** Below this chance will do. */
const LIKELY_ENOUGH = 0.25

const unpacked = (lot: LotState): LotState => ({
  ...lot,
  packs: [],
  facts: lot.facts.filter(({ fact }) => !(fact.kind === 'tick' && fact.what === 'cut')),
})

/** The lot with its weights of one kind as they would be. */
const reweighed = (lot: LotState, of: (w: WeighingRow) => WeighingRow): LotState => ({
  ...lot,
  weighings: lot.weighings.map(of),
})
const lighter = (w: WeighingRow, by: number): WeighingRow => {
  const shown = { ...w.shown, value: w.shown.value * (1 - by) }
  return { ...w, shown, grams: gramsOf(shown) }
}

interface Try {
  id: keyof typeof PRIOR
  lot: LotState
  otherwise?: string
}

/** What may have been otherwise than is written down, each as the lot would then read. */
function tries(read: Reckoning, lot: LotState): Try[] {
  const standing = inForce(lot.weighings)
  const hung = standing.some((w) => w.stage === 'hot' || w.stage === 'hanging')
  const shrunk = standing.some((w) => w.stage === 'shrunk')
  const is = (test: (w: WeighingRow) => boolean) => standing.some(test)
  const out: Try[] = []
  const guessed = (w: WeighingRow) => ['live', 'shrunk'].includes(w.stage) && w.source !== 'scale'
  if (!hung && is(guessed))
    out.push({ id: 'guessed', lot: reweighed(lot, (w) => (guessed(w) ? lighter(w, GUESS_OFF) : w)) })
  const full = (w: WeighingRow) => (shrunk ? w.stage === 'shrunk' : w.stage === 'live')
  if (!hung && is(full))
    out.push({ id: 'full', lot: reweighed(lot, (w) => (full(w) ? lighter(w, FULL) : w)) })
  const cold = (w: WeighingRow) => w.stage === 'hanging' && w.basis !== 'hot'
  if (is(cold))
    out.push({
      id: 'basis',
      lot: reweighed(lot, (w) => (cold(w) ? { ...w, basis: 'hot' as HangingBasis } : w)),
    })
  const aged = is((w) => w.stage === 'hanging' && w.basis === 'aged')
  const tried = (id: Try['id'], said: Said, otherwise?: string) =>
    out.push({ id, lot: triedOn(lot, [said]), ...(otherwise !== undefined && { otherwise }) })
  if (!aged && read.plan.hangs.as !== 'part')
    tried('days', { field: 'days', target: 'lot', side: 'animal', value: read.plan.days + DAYS_MORE })
  const closer = TRIM_LEVELS[TRIM_LEVELS.indexOf(read.plan.choices.trim ?? 'standard') + 1]
  if (closer) tried('trim', { field: 'trim', target: 'lot', side: 'animal', value: closer })
  if (read.plan.hands !== 'beginner')
    tried('on-bone', { field: 'hands', target: 'lot', side: 'animal', value: 'beginner' })
  if (read.plan.hangs.as === 'whole')
    for (const { convention: c, is: now } of conventionsOf(read.flow.anatomy, read.plan.conventions))
      tried('dressed', { kind: 'observation', what: 'dressing', of: c.id, value: !now }, now ? c.off : c.on)
  return out
}

/** Log likelihood (but for a constant) of log ratios that share one normal deviation and have one each. */
function logLikelihood(ratios: readonly number[], shared: number): number {
  const own = CUT_SD ** 2
  const sum = ratios.reduce((s, r) => s + r, 0)
  const squares = ratios.reduce((s, r) => s + r * r, 0)
  return -0.5 * (squares / own - (shared ** 2 / (own * (own + ratios.length * shared ** 2))) * sum ** 2)
}

/**
 * Why was it less? What the records say first: packs not weighed yet, cuts, offal and bones of which nothing was kept. Then
 * what nobody wrote down and may be so: each is tried on the lot, and set against the packs cut by cut (log ratios with a
 * deviation of the whole animal in common, one more each; Bayes' rule over the causes and chance). Null while nothing is
 * packed, or where it is not less. `read` is the lot with its draws' verdict (missing), `base` its flow.
 */
export function whyLess(base: Flow, lot: LotState, farm: FarmFigures, read: Reckoning): WhyLess | null {
  if (lot.apart || packedIn(lot.packs, lot.facts).length === 0) return null
  const before = unpacked(lot)
  const products = (r: Reckoning) => r.cuts.filter((c) => c.cut.kind === 'product')
  const plain = reckon(base, before, farm, 0)
  const expected = sumOf(products(plain), (c) => c.kg)
  const packed = sumOf(products(read), (c) => c.weighedKg)
  if (packed >= expected) return null
  const usual = new Map(products(plain).map((c) => [c.cut.id, c.kg]))
  const none = { cuts: [] as CutFigure[], otherwise: null }
  const known: Cause[] = []
  const weighed = products(read).filter((c) => c.done && c.weighedKg > 0 && usual.has(c.cut.id))
  const rest = (is: (c: CutFigure) => boolean, id: CauseId) => {
    const cuts = products(read).filter(is)
    const less = sumOf(cuts, (c) => kg(Math.max(0, (usual.get(c.cut.id) ?? 0) - c.weighedKg)))
    if (less > 0) known.push({ id, kg: less, known: true, likely: 1, of: { cuts, otherwise: null } })
  }
  const isNone = (c: CutFigure) => c.done && c.weighedKg === 0
  rest((c) => !c.done, 'unweighed')
  rest((c) => isNone(c) && c.cut.destination === 'O', 'offal')
  rest((c) => isNone(c) && c.cut.destination === 'N', 'bones')
  rest((c) => isNone(c) && !['O', 'N'].includes(c.cut.destination), 'not-kept')
  const asked = weighed.length > 0 ? weigh() : []
  const causes = [...known.toSorted((a, b) => b.kg - a.kg), ...asked]
  const ask = asked.reduce<Cause | null>(
    (best, c) => (best && best.likely * best.kg >= c.likely * c.kg ? best : c),
    null,
  )
  const found = { expected, packed, causes }
  const isOpen = unexplained(found) > WORTH_ASKING * expected
  return { ...found, ask: ask && isOpen && ask.likely > LIKELY_ENOUGH ? ask : null }

  function weigh(): Cause[] {
    const range = read.missing?.all.range
    const all = read.missing?.all.expected ?? expected
    const shared = range ? (range.high - range.low) / (2 * 1.2816 * all) : 0.03
    const ratiosTo = (of: ReadonlyMap<string, Kg>) =>
      weighed.map((c) => Math.log(c.weighedKg / Math.max(1e-6, of.get(c.cut.id) ?? 0)))
    const tested = tries(plain, before).map((t) => {
      const other = reckon(base, t.lot, farm, 0)
      const of = new Map(products(other).map((c) => [c.cut.id, c.kg]))
      // Of what was expected: a head that hung after all is no ham.
      const less = kg(expected - sumOf(usual.keys(), (id) => of.get(id) ?? kg(0)))
      return { ...t, less, weight: PRIOR[t.id] * Math.exp(logLikelihood(ratiosTo(of), shared)) }
    })
    const found = tested.filter((t) => t.less > WORTH_ASKING * expected)
    const chance = Math.exp(logLikelihood(ratiosTo(usual), shared))
    const sum = found.reduce((s, t) => s + t.weight, chance)
    return found
      .map((t): Cause => ({
        ...{ id: t.id, kg: t.less, known: false, likely: sum > 0 ? t.weight / sum : 0 },
        of: { ...none, otherwise: t.otherwise ?? null },
      }))
      .toSorted((a, b) => b.likely - a.likely)
  }
}

const QUESTIONS: Record<Exclude<CauseId, 'unweighed' | 'not-kept' | 'offal' | 'bones'>, string> = {
  guessed: 'The live weight was a guess or a tape. What did a scale say, or the rail?',
  full: 'Was it weighed full, before it was fasted and hauled?',
  basis: 'Was the hanging weight that of the hot rail, on the day of the kill?',
  days: 'How many days did it hang? Each dries it, and the dried face is trimmed off.',
  trim: 'Was it trimmed closer than the plan says?',
  'on-bone': 'Who boned it? A beginner leaves more on the bone.',
  dressed: 'How was it dressed when it was weighed?',
}
const KNOWN: Record<'unweighed' | 'not-kept' | 'offal' | 'bones', string> = {
  unweighed: 'not all weighed yet',
  'not-kept': 'nothing of it kept',
  offal: 'offal not collected, or condemned',
  bones: 'bones left',
}
const MOST_NAMED = 3

/** A cause in words: what it is, or what to ask. */
export function sayCause({ id, of }: Cause, says: Pick<Says, 'name'>): string {
  switch (id) {
    case 'unweighed':
    case 'not-kept':
    case 'offal':
    case 'bones': {
      const names = of.cuts.slice(0, MOST_NAMED).map((c) => says.name(c.cut.names).toLowerCase())
      const more = of.cuts.length - names.length
      return `${KNOWN[id]}: ${[...names, ...(more > 0 ? [`${more} more`] : [])].join(', ')}`
    }
    case 'dressed':
      return `${QUESTIONS.dressed} If “${of.otherwise!}”, it would be less.`
    case 'guessed':
    case 'full':
    case 'basis':
    case 'days':
    case 'trim':
    case 'on-bone':
      return QUESTIONS[id]
  }
}

/** Kilograms of what was expected that no known cause explains: what is asked about. */
export const unexplained = ({ expected, packed, causes }: Omit<WhyLess, 'ask'>): Kg =>
  minus(
    minus(expected, packed),
    sumOf(causes, (c) => (c.known ? c.kg : kg(0))),
  )
