import { hog } from '#core/anatomy'
import { compile, evaluate, newYield, pour, setFlow } from '#core/carcass'
import { reckon, tallyWith, type LotState } from '#core/forecast'
import { grams } from '#core/measure'
import { alternativesFor } from '#core/plan'

/** Times of the figures the Block shows, as ratios to a bare typed-array loop over the same outputs, one run, one machine. */
const flow = compile(hog)
const setting = setFlow(flow, { paths: new Map(), lines: new Map() })
const inputs = pour(flow, setting, { skin: true, head: false }, 84)
const out = newYield(flow)

function median(run: () => void, times: number, repeats = 31): number {
  const samples = Array.from({ length: repeats }, () => {
    const start = performance.now()
    for (let i = 0; i < times; i++) run()
    return ((performance.now() - start) / times) * 1000
  })
  return samples.sort((a, b) => a - b)[Math.floor(repeats / 2)]!
}

const active = flow.slots.flatMap((_, s) =>
  Array.from({ length: setting.end[s]! - setting.start[s]! }, (_, i) => [setting.start[s]! + i, s] as const),
)
const rows = Int32Array.from(active, ([r]) => r)
const slots = Int32Array.from(active, ([, s]) => s)
const bareOut = new Float64Array(flow.rowCut.length)
function bare() {
  const share = flow.rowShare
  for (let k = 0; k < rows.length; k++) {
    const j = rows[k]! * 4
    const i = slots[k]! * 4
    bareOut[k] =
      share[j]! * inputs[i]! +
      share[j + 1]! * inputs[i + 1]! +
      share[j + 2]! * inputs[i + 2]! +
      share[j + 3]! * inputs[i + 3]!
  }
}

const lot: LotState = {
  count: 1,
  weighings: [
    {
      id: 'w',
      stage: 'live',
      basis: null,
      source: 'scale',
      shown: { value: 118, unit: 'kg' },
      grams: grams(118000),
      corrects: null,
      stands: true,
      at: '',
    },
  ],
  commands: [],
  packs: [],
}
const farm = { massUnit: 'lb', mincePerKg: 1650 } as const
const read = reckon(flow, lot, farm)

const floor = median(bare, 20000)
const figures: [string, number, number][] = [
  ['bare typed-array loop over the active outputs', floor, 1],
  ['one evaluation (evaluate)', median(() => void evaluate(flow, setting, inputs, out), 20000), 3],
  [
    'a moved line: pour and evaluate',
    median(() => void evaluate(flow, setting, pour(flow, setting, read.plan.dressing, 84), out), 2000),
    0,
  ],
  [
    'all alternatives of one part, whole plans',
    median(
      () =>
        void alternativesFor(flow, read.plan, 'loin', ['left', 'right'], tallyWith(flow, lot, farm, read)),
      50,
    ),
    0,
  ],
  ['a lot read whole, without intervals', median(() => void reckon(flow, lot, farm, 0), 50), 0],
  ['a lot read whole, with 500 draws', median(() => void reckon(flow, lot, farm), 3), 0],
]
console.log('figure | µs | × bare loop | asked')
for (const [name, us, asked] of figures)
  console.log(`${name} | ${us.toFixed(2)} | ${(us / floor).toFixed(1)} | ${asked ? `≤ ${asked}` : '–'}`)
const block = figures[3]![1] + figures[5]![1]
console.log(
  `everything the Block shows after a changed choice | ${block.toFixed(0)} | k = ${(block / floor).toFixed(0)} | ${((block / 16000) * 100).toFixed(0)} % of a 16 ms frame`,
)
