import { randomLcg, randomNormal } from 'd3-random'
import { TISSUES, type Species } from '#core/anatomy'
import { ANATOMIES } from '#core/species'
import {
  chainUnder,
  compile,
  cutUp,
  drawLot,
  evidenceOf,
  NO_CHOICES,
  normalsOf,
  sampleChain,
  type CutUp,
  type Flow,
} from '#core/carcass'
import { forecast } from '#core/clock'
import { orderedWork } from '#core/hand'
import { gramsOf, interval, kg, minor, priceOf } from '#core/measure'
import {
  alternativesFor,
  cheapEnd,
  figuresOf,
  finishOffers,
  jointCost,
  oneMore,
  reckon,
  solveLot,
  type LotState,
} from '#core/reading'
// The floor is measured inside the room whose speed is measured; nothing else looks at its arrays.
import { evaluate, newYield } from '../core/carcass/evaluate.ts'
import { LAID, type FlowSetting } from '../core/carcass/flow.ts'
import { setFlow } from '../core/carcass/setting.ts'
import { pour } from '../core/carcass/pour.ts'

const T = TISSUES.length

const lotOf = (value: number): LotState => ({
  count: 1,
  weighings: [
    {
      id: 'w',
      stage: 'live',
      basis: null,
      source: 'scale',
      shown: { value, unit: 'kg' },
      grams: gramsOf({ value, unit: 'kg' }),
      corrects: null,
      stands: true,
      at: '',
    },
  ],
  commands: [],
  facts: [],
  packs: [],
})
const farm = figuresOf({ massUnit: 'lb', mince: priceOf(1650, 'kg'), hour: minor(0) })

/**
 * The floor of an evaluation: straight-line code written for this very plan, one multiplication for every tissue of every
 * live row that is not nothing; no choices, no loops.
 */
function straightLine(flow: Flow, setting: FlowSetting, inputs: Float64Array): () => void {
  const { slots, shares, rowCut, rowSlot } = flow[LAID]
  const lines: string[] = []
  slots.forEach((_, s) => {
    for (let r = setting.start[s]!; r < setting.end[s]!; r++) {
      const next = rowSlot[r]!
      const terms = TISSUES.map((_, t) => {
        const share = shares.standard[r * T + t]!
        return share === 0 ? '' : `${share}*x[${s * T + t}]`
      })
      if (next >= 0) terms.forEach((term, t) => term && lines.push(`x[${next * T + t}]+=${term};`))
      else {
        const sum = terms.filter(Boolean).join('+')
        if (sum) lines.push(`k[${rowCut[r]!}]+=${sum};`)
      }
    }
  })
  // The one place where code is made of figures: what a compiler could do at best with all of them known.
  const run = new Function('x', 'k', lines.join('\n')) as (x: Float64Array, k: Float64Array) => void
  const [x, k] = [new Float64Array(inputs.length), new Float64Array(flow.anatomy.cuts.length)]
  return () => {
    x.set(inputs)
    k.fill(0)
    run(x, k)
  }
}

/** What draws cannot do without: a log-normal factor for every variable that is drawn, and a straight-line evaluation. */
function samplingFloor(evaluation: () => void, variables: number, draws: number): () => void {
  return () => {
    const normal = randomNormal.source(randomLcg(0.5))(0, 1)
    let sum = 0
    for (let d = 0; d < draws; d++) {
      for (let v = 0; v < variables; v++) sum += Math.exp(0.14 * normal())
      evaluation()
    }
    if (sum < 0) throw new Error('never')
  }
}

/** Two things timed turn by turn, so that a busy machine slows both: the median of the first over that of the second. */
function against(
  run: () => void,
  floor: () => void,
  times: number,
  repeats = 31,
): { us: number; ratio: number } {
  const once = (f: () => void) => {
    const start = performance.now()
    for (let i = 0; i < times; i++) f()
    return ((performance.now() - start) / times) * 1000
  }
  const pairs = Array.from({ length: repeats }, () => [once(run), once(floor)] as const)
  const middle = (xs: number[]) => xs.sort((a, b) => a - b)[Math.floor(repeats / 2)]!
  return { us: middle(pairs.map(([a]) => a)), ratio: middle(pairs.map(([a, b]) => a / b)) }
}

function benchSpecies(species: Species, liveKg: number, part: string) {
  const anatomy = ANATOMIES[species]
  const flow = compile(anatomy)
  const setting = setFlow(flow, NO_CHOICES)
  const hung = { conventions: {}, carcass: kg(anatomy.referenceKg), live: kg(0) }
  const inputs = pour(flow, setting, {}, hung.carcass, hung.live)
  const cutting = cutUp(flow, NO_CHOICES, hung)
  const out = newYield(flow)
  const lot = lotOf(liveKg)
  const read = reckon(flow, lot, farm)
  const chain = [chainUnder(anatomy, {}), anatomy.chain.days.usual, 1] as const
  const DRAWS = 10_000
  const floor = straightLine(flow, setting, inputs)
  const evaluation = () => void evaluate(flow, setting, inputs, out)
  // Drawn anew for every plan: chain, tissues, where the mass lies. What the cutter does is drawn once per animal's figures.
  const parts = new Set(cutting.slots.map((s) => s.part)).size
  const warmFloor = samplingFloor(floor, 5 + 3 + parts, DRAWS)
  const coldFloor = samplingFloor(floor, 5 + 3 + parts + flow[LAID].rowCut.length, DRAWS)
  const draw = (of: CutUp) => void drawLot(of, 1, sampleChain(...chain, evidenceOf(lot.weighings)), DRAWS)
  const anew = () => draw(cutUp(compile(anatomy), NO_CHOICES, hung))
  const drawn = drawLot(cutting, 1, sampleChain(...chain, evidenceOf(lot.weighings)), DRAWS)
  const quantiles = () => {
    for (const own of drawn.cut.values()) interval(own)
  }
  const alternatives = () => void alternativesFor(read, part, ['left', 'right'])
  const reading = () => void reckon(flow, lot, farm, 0)
  const dearest = read.cuts.toSorted((a, b) => b.value - a.value)[0]!.cut.id
  const rows: [string, ReturnType<typeof against>, string, string][] = [
    ['one evaluation', against(evaluation, floor, 5000), 'straight-line code', '≤ 8'],
    [
      'a moved line: pour and evaluate',
      against(
        () => void evaluate(flow, setting, pour(flow, setting, {}, kg(84), kg(0)), out),
        evaluation,
        500,
      ),
      'evaluations',
      '',
    ],
    [
      `all alternatives of the ${part}, whole plans`,
      against(alternatives, evaluation, 20),
      'evaluations',
      '',
    ],
    ['a lot read whole, without intervals', against(reading, evaluation, 50), 'evaluations', '≤ 25'],
    ['the cost shared in four ways', against(() => void jointCost(read), reading, 20), 'readings', '≤ 2'],
    [
      'what one more of each is worth',
      against(() => void oneMore(flow, lot, farm, read), reading, 5),
      'readings',
      '≤ 8',
    ],
    [
      'the cheap end, every way of every part',
      against(() => void cheapEnd(read), reading, 2),
      'readings',
      '',
    ],
    [
      'every finish of a cut, whole plans',
      against(() => void finishOffers(flow, lot, farm, read, dearest), reading, 5),
      'readings',
      '≤ 10',
    ],
    ['the order of work', against(() => void orderedWork(read), reading, 20), 'readings', '≤ 2'],
    [
      'the day told, drawn 120 times',
      against(
        () =>
          void forecast(read, {
            ...{ from: 480, standing: new Map(), paces: new Map(), normal: normalsOf(), draws: 120 },
          }),
        reading,
        3,
      ),
      'readings',
      '',
    ],
    ['prices solved', against(() => void solveLot(read), reading, 20), 'readings', '≤ 1'],
    [`${DRAWS} draws, warm`, against(() => draw(cutting), warmFloor, 1, 5), 'sampling floor', '≤ 2'],
    [`${DRAWS} draws, cold`, against(anew, coldFloor, 1, 3), 'sampling floor', ''],
    ['quantiles of all cuts of them', against(quantiles, warmFloor, 1, 5), 'sampling floor', ''],
    ['compiling the anatomy', against(() => void compile(anatomy), evaluation, 1), 'evaluations', ''],
  ]
  console.log(`\n${species} | µs | × | of | asked`)
  for (const [name, { us, ratio }, of, asked] of rows)
    console.log(`${name} | ${us.toFixed(2)} | ${ratio.toFixed(1)} | ${of} | ${asked || '–'}`)
  const block = rows[2]![1].us + rows[3]![1].us
  console.log(
    `everything the Block shows while a line is dragged or a choice changed | ${block.toFixed(0)} µs | ${((block / 16000) * 100).toFixed(0)} % of a 16 ms frame`,
  )
}

benchSpecies('hog', 118, 'loin')
benchSpecies('steer', 520, 'short-loin')
benchSpecies('lamb', 50, 'loin')
