import type { ChainFigures } from '#core/anatomy'
import { chainOf, shareHung, STAGES, type Evidence, type Stage, STAGE_WORDS } from '#core/carcass'
import { formatPercent, kg, plus, type Kg, type Says, counted } from '#core/measure'
import type { Reckoning, StageFigure } from './lot.ts'

/** Where a figure comes from, in sentences, the nearest first; `weak` where it rests on figures nobody has weighed here. */
export interface Origin {
  sentences: string[]
  weak: boolean
}

const STAGE_OF: Partial<Record<StageFigure['id'], Stage>> = { live: 'live', hot: 'hot', hanging: 'aged' }
/** What hung to the day of cutting is what the farm calls it. */
const WORDS: Record<Stage, string> = { ...STAGE_WORDS, aged: 'hanging weight' }
const FROM_MEMORY = 'These ratios are our own, from memory of the trade: weak, until a scale says better.'

const how = ({ sd, sampled }: Evidence): string =>
  sd === 0
    ? 'weighed'
    : sampled
      ? `by a sample that was weighed, ± ${formatPercent(sd)}`
      : `estimated by eye or tape, ± ${formatPercent(sd)}`

/** What happens between a stage and the next, and by how much. */
function stepWords(chain: ChainFigures, days: number, to: Stage): string {
  const band = (mean: number, sd: number) => `${formatPercent(mean)} ± ${(sd * 100).toFixed(1)} points`
  switch (to) {
    case 'live':
      return ''
    case 'shrunk':
      return `fasting and haulage leave ${band(chain.shrink.mean, chain.shrink.sd)}`
    case 'hot':
      return `it dresses at ${band(chain.dressing.mean, chain.dressing.sd)}`
    case 'cold':
      return `cooling leaves ${band(chain.chill.mean, chain.chill.sd)}`
    case 'aged':
      return `${counted(days, 'day')} of hanging take ${band(chain.ageingPerDay.mean * days, chain.ageingPerDay.sd * days)}`
  }
}

/** Where a weight on the stair comes from. */
export function originOfStage(read: Reckoning, id: StageFigure['id'], says: Says): Origin | null {
  const figure = read.stages.find((s) => s.id === id)
  if (!figure) return null
  const stage = STAGE_OF[id]
  if (id === 'packed') return { sentences: ['The packs that were weighed, added up.'], weak: false }
  if (!stage) return originOfCutting(read, says)
  if (figure.weighed) return { sentences: [`Weighed: ${says.mass(figure.kg)}.`], weak: false }
  const own = read.evidence.find((e) => e.stage === stage)
  if (own && read.evidence.length === 1)
    return { sentences: [`As it was said: ${says.mass(own.kg)}, ${how(own)}.`], weak: true }
  const at = STAGES.indexOf(stage)
  const distance = (e: Evidence) => Math.abs(STAGES.indexOf(e.stage) - at)
  const [nearest] = read.evidence.toSorted((a, b) => distance(a) - distance(b))
  if (!nearest) return null
  const from = STAGES.indexOf(nearest.stage)
  const between = STAGES.slice(Math.min(from, at) + 1, Math.max(from, at) + 1)
  const { flow, plan, evidence, count } = read
  const chain = chainOf(flow.anatomy, plan, evidence, count * shareHung(flow, plan.hangs, plan.conventions))
  const steps = between.map((s) => stepWords(chain, read.plan.days, s)).filter((s) => s !== '')
  const direction = from < at ? 'Worked out' : 'Worked back'
  return {
    sentences: [
      `${direction} from the ${WORDS[nearest.stage]}, ${says.mass(nearest.kg)} (${how(nearest)})${steps.length > 0 ? `: ${steps.join('; ')}` : ''}.`,
      ...(read.evidence.length > 1
        ? ['All the other weights pull on it too, as closely as each is known.']
        : []),
      FROM_MEMORY,
    ],
    weak: true,
  }
}

function originOfCutting(read: Reckoning, says: Says): Origin {
  const hanging = read.stages.find((s) => s.id === 'hanging')!
  const done = read.cuts.filter((c) => c.done).length
  const parts = read.plan.parts.size
  return {
    sentences: [
      `What the plan gives of ${says.mass(hanging.kg)} hanging (${hanging.weighed ? 'weighed' : 'estimated'}): every part by its share of an animal of this type and weight, every cut by its way.`,
      ...(parts > 0 ? [`${parts} ${parts === 1 ? 'part was' : 'parts were'} put on the scale.`] : []),
      ...(done > 0
        ? [
            `${done} ${done === 1 ? 'cut is' : 'cuts are'} weighed in full; the rest follows from what they left.`,
          ]
        : []),
      FROM_MEMORY,
    ],
    weak: !read.cuts.every((c) => c.done),
  }
}

/** Where the weight of a cut comes from: the parts it is cut from, by which way, and what its process does. */
export function originOfCut(read: Reckoning, cut: string, says: Says): Origin | null {
  const figure = read.cuts.find((c) => c.cut.id === cut)
  if (!figure) return null
  if (figure.done)
    return {
      sentences: [
        `Weighed: ${says.mass(figure.weighedKg)} in ${figure.weighedPacks} packs, all of it.`,
        `The plan expected ${says.mass(figure.expectedKg)}.`,
      ],
      weak: false,
    }
  const { parts } = read.flow.anatomy
  const sources = new Map<
    string,
    { kg: Kg; part: string; of: Kg; way: string; slots: number; weighed: number }
  >()
  for (const slot of read.cutting.slots)
    for (const row of slot.rows) {
      if (row.cut?.id !== cut || row.green < 1e-6) continue
      const way = [slot.path, slot.rear?.path].flatMap((p) => (p ? says.name(p.names) : [])).join(' and ')
      const key = `${slot.part} ${way}`
      const held = sources.get(key)
      sources.set(key, {
        part: says.name(parts.find((p) => p.id === slot.part)!.names).toLowerCase(),
        way,
        kg: plus(held?.kg ?? kg(0), row.green),
        of: plus(held?.of ?? kg(0), slot.kg),
        slots: (held?.slots ?? 0) + 1,
        weighed: (held?.weighed ?? 0) + Number(read.plan.parts.has(slot.part, slot.side)),
      })
    }
  const made = read.cutting.slots.flatMap((s) => s.rows).find((r) => r.cut?.id === cut && r.added > 0)
  return {
    sentences: [
      ...[...sources.values()].map(
        (s) =>
          `${says.mass(s.kg)} of ${says.mass(s.of)} ${s.part} (${s.weighed === 0 ? 'estimated' : s.weighed < s.slots ? 'one side on the scale' : 'on the scale'}), cut as “${s.way}”: ${formatPercent(s.kg / s.of)} of it.`,
      ),
      ...(made
        ? [
            `Its process adds ${formatPercent(made.added / made.green)} and leaves ${formatPercent(made.product / made.green)} of what went in.`,
          ]
        : []),
      ...(figure.weighedKg > 0
        ? [
            `${says.mass(figure.weighedKg)} of it is weighed; ${says.mass(figure.remainingKg)} is still to come.`,
          ]
        : []),
      ...(figure.range ? [`Four in five such animals give ${says.massRange(figure.range)}.`] : []),
      'The shares are our own, from memory of the trade and fitted to published yields: weak, until packs say better.',
    ],
    weak: true,
  }
}
