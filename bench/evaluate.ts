import { randomLcg, randomNormal } from 'd3-random'
import { ANATOMIES, type Species } from '#core/anatomy'
import {
  chainUnder,
  compile,
  cutUp,
  drawLot,
  evidenceOf,
  NO_CHOICES,
  sampleChain,
  type Flow,
} from '#core/carcass'
import { gramsOf, kg, minor, priceOf } from '#core/measure'
import { alternativesFor, reckon, type LotState } from '#core/reading'
// The floor is measured inside the room whose speed is measured; nothing else looks at its arrays.
import { evaluate, newYield } from '../core/carcass/evaluate.ts'
import { LAID } from '../core/carcass/flow.ts'
import { setFlow } from '../core/carcass/setting.ts'
import { pour } from '../core/carcass/pour.ts'

/** Times of the figures the Block shows, as ratios to a bare typed-array loop over the same outputs, one run, one machine. */
function median(run: () => void, times: number, repeats = 31): number {
  const samples = Array.from({ length: repeats }, () => {
    const start = performance.now()
    for (let i = 0; i < times; i++) run()
    return ((performance.now() - start) / times) * 1000
  })
  return samples.sort((a, b) => a - b)[Math.floor(repeats / 2)]!
}

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
const farm = { massUnit: 'lb', mince: priceOf(1650, 'kg'), hour: minor(0) } as const

/** The same sums over the active outputs as `evaluate`, and nothing else: no choices, no cuts, no order. */
function bareLoop(flow: Flow, inputs: Float64Array): () => void {
  const setting = setFlow(flow, NO_CHOICES)
  const { slots: all, shares, rowCut } = flow[LAID]
  const active = all.flatMap((_, s) =>
    Array.from(
      { length: setting.end[s]! - setting.start[s]! },
      (_, i) => [setting.start[s]! + i, s] as const,
    ),
  )
  const rows = Int32Array.from(active, ([r]) => r)
  const slots = Int32Array.from(active, ([, s]) => s)
  const share = shares.standard
  const out = new Float64Array(rowCut.length)
  return () => {
    for (let k = 0; k < rows.length; k++) {
      const j = rows[k]! * 4
      const i = slots[k]! * 4
      out[k] =
        share[j]! * inputs[i]! +
        share[j + 1]! * inputs[i + 1]! +
        share[j + 2]! * inputs[i + 2]! +
        share[j + 3]! * inputs[i + 3]!
    }
  }
}

/** What draws cannot do without: a log-normal factor for every active output, and the sums. */
function samplingFloor(flow: Flow, inputs: Float64Array, draws: number): () => void {
  const setting = setFlow(flow, NO_CHOICES)
  const bare = bareLoop(flow, inputs)
  const active = flow[LAID].slots.reduce((sum, _, s) => sum + setting.end[s]! - setting.start[s]!, 0)
  return () => {
    const normal = randomNormal.source(randomLcg(0.5))(0, 1)
    let sum = 0
    for (let d = 0; d < draws; d++) {
      for (let r = 0; r < active; r++) sum += Math.exp(0.14 * normal())
      bare()
    }
    if (sum < 0) throw new Error('never')
  }
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
  const floor = median(bareLoop(flow, inputs), 20000)
  const chain = [chainUnder(anatomy, {}), anatomy.chain.days.usual, 1] as const
  const DRAWS = 10_000
  const sampling = median(samplingFloor(flow, inputs, DRAWS), 1, 5)
  const rows: [string, number, number, string][] = [
    ['bare typed-array loop over the active outputs', floor, floor, ''],
    ['one evaluation', median(() => void evaluate(flow, setting, inputs, out), 20000), floor, '≤ 3'],
    [
      'a moved line: pour and evaluate',
      median(() => void evaluate(flow, setting, pour(flow, setting, {}, kg(84), kg(0)), out), 2000),
      floor,
      '',
    ],
    [
      `all alternatives of the ${part}, whole plans`,
      median(() => void alternativesFor(read, part, ['left', 'right']), 20),
      floor,
      '',
    ],
    ['a lot read whole, without intervals', median(() => void reckon(flow, lot, farm, 0), 20), floor, ''],
    ['its intervals, a moment later: 500 draws', median(() => void reckon(flow, lot, farm), 3), floor, ''],
    ['compiling the anatomy', median(() => void compile(anatomy), 1), floor, ''],
    [
      `${DRAWS} draws, against the sampling floor`,
      median(() => void drawLot(cutting, 1, sampleChain(...chain, evidenceOf(lot.weighings)), DRAWS), 1, 5),
      sampling,
      '≤ 1.5',
    ],
  ]
  console.log(`\n${species} | µs | × floor | asked`)
  for (const [name, us, of, asked] of rows)
    console.log(`${name} | ${us.toFixed(2)} | ${(us / of).toFixed(1)} | ${asked || '–'}`)
  const block = rows[3]![1] + rows[4]![1]
  console.log(
    `everything the Block shows while a line is dragged or a choice changed | ${block.toFixed(0)} | k = ${(block / floor).toFixed(0)} | ${((block / 16000) * 100).toFixed(0)} % of a 16 ms frame`,
  )
}

benchSpecies('hog', 118, 'loin')
benchSpecies('steer', 520, 'short-loin')
benchSpecies('lamb', 50, 'loin')
