import { randomGamma, randomLcg, randomNormal } from 'd3-random'
import { it } from 'vitest'
import { ANATOMIES, TISSUES, type Anatomy, type Species } from '#core/anatomy'
import { compile, cutUp, drawLot, NO_CHOICES, type CutUp } from '#core/carcass'
import { keepsBone } from '#core/plan'
import { interval, kg, mm } from '#core/measure'
import { report } from './table.ts'

/**
 * Animals made another way than the draws make them: kilograms of every cell by a gamma distribution, fat and bone of
 * the whole animal by points of carcass, the knife by millimetres, meat left on the bone and fat left on by grams. How
 * many of them lie in the intervals that Ekko shows? An 80 % interval is honest when it holds 76 to 84 %.
 */
const ANIMALS = 600
/** 1 SD: points of carcass of fat and bone, CV of a cell, mm of a line, % of carcass left on bone and of fat left on, a seam. */
const WILD = { fat: 3, bone: 0.8, cell: 0.07, mm: 5, onBone: 0.6, fatOn: 1.5, seam: 0.05 }

/** A cut that keeps its bone has few seams to miss. */
const ON_THE_BONE = 0.25

const CASES: [Species, number, string[]][] = [
  ['hog', 85, ['bone-in-chop', 'butt-roast', 'bacon', 'fresh-ham', 'ground-pork']],
  ['lamb', 20, ['rack', 'loin-chop', 'leg-whole', 'shoulder-whole', 'ground']],
  ['steer', 320, ['rib-steak', 'tbone', 'top-sirloin', 'brisket', 'ground-beef']],
]

const pools: Record<Species, string> = {
  hog: 'ground-pork',
  lamb: 'ground',
  steer: 'ground-beef',
  broiler: 'ground',
}

/** One animal, cut once: kg of each cut and of all that is sold. */
function simulate(base: Anatomy, carcass: number, random: () => number) {
  const normal = randomNormal.source(random)(0, 1)
  const gamma = randomGamma.source(random)
  const all = base.bands.reduce((s, b) => s + TISSUES.reduce((x, t) => x + b.tissue[t], 0), 0)
  const of = (tissues: readonly string[]) =>
    base.bands.reduce(
      (s, b) => s + TISSUES.reduce((x, t) => x + (tissues.includes(t) ? b.tissue[t] : 0), 0),
      0,
    )
  const shift = (points: number, tissues: readonly string[]) =>
    Math.max(0.3, 1 + (normal() * points * all) / 100 / of(tissues))
  const [fat, bone] = [shift(WILD.fat, ['fat', 'seam']), shift(WILD.bone, ['bone'])]
  const k = 1 / WILD.cell ** 2
  const animal: Anatomy = {
    ...base,
    bands: base.bands.map((b) => ({
      ...b,
      tissue: Object.fromEntries(
        TISSUES.map((t) => {
          const whole = t === 'fat' || t === 'seam' ? fat : t === 'bone' ? bone : 1
          return [t, b.tissue[t] > 0 ? b.tissue[t] * whole * gamma(k, 1 / k)() : 0]
        }),
      ) as typeof b.tissue,
    })),
    lines: base.lines.map((l) => {
      if (l.kind === 'along')
        return {
          ...l,
          mm: {
            ...l.mm,
            usual: mm(Math.min(l.mm.high, Math.max(l.mm.low, l.mm.usual + WILD.mm * normal()))),
          },
        }
      const off = ((WILD.mm * normal()) / 40).toFixed(3)
      const moved = (at: string) =>
        /[+-]\d|start|end/.test(at) ? at : `${at}${Number(off) < 0 ? '' : '+'}${off}`
      return { ...l, settings: l.settings.map((s) => ({ ...s, at: moved(s.at) })) }
    }),
  }
  const cutting = cutUp(compile(animal), NO_CHOICES, { conventions: {}, carcass: kg(carcass), live: kg(0) })
  const { balance } = cutting
  const onBone = ((1 + WILD.onBone * normal()) / 100) * carcass
  const fatOn = ((WILD.fatOn * normal()) / 100) * carcass
  const left = 1 + (fatOn - onBone + 0.01 * carcass) / balance.products
  // Where a seam is missed a muscle keeps some of its neighbour, or leaves some of itself to the trim.
  const found: Record<string, number> = { 'all sold': balance.products * left }
  const pool = pools[base.species]
  let missed = 0
  for (const c of base.cuts) {
    if (c.kind !== 'product' || c.id === pool) continue
    const seam = WILD.seam * (keepsBone(base, c.id) ? ON_THE_BONE : 1)
    const moved = cutting.cutKg(c.id) * seam * normal()
    found[c.id] = (cutting.cutKg(c.id) + moved) * left
    missed += moved
  }
  found[pool] = (cutting.cutKg(pool) - missed) * left
  return found
}

it.each(CASES)('%s of %i kg: how many simulated animals lie in the intervals', (species, carcass, cuts) => {
  const base = ANATOMIES[species]
  const cutting: CutUp = cutUp(compile(base), NO_CHOICES, {
    conventions: {},
    carcass: kg(carcass),
    live: kg(0),
  })
  const drawn = drawLot(cutting, 1, () => [carcass * 2, carcass * 2, carcass, carcass, carcass], 2000)
  const products = base.cuts.filter((c) => c.kind === 'product')
  const total = new Float64Array(2000)
  for (const c of products) drawn.cut.get(c.id)!.forEach((x, d) => (total[d]! += x))
  const shown = {
    'all sold': interval(total)!,
    ...Object.fromEntries(cuts.map((id) => [id, interval(drawn.cut.get(id)!)!])),
  }
  const random = randomLcg(0.4711)
  const inside: Record<string, number> = {}
  for (let i = 0; i < ANIMALS; i++) {
    const found = simulate(base, carcass, random)
    for (const [id, { low, high }] of Object.entries(shown))
      if (found[id]! >= low && found[id]! <= high) inside[id] = (inside[id] ?? 0) + 1
  }
  const share = (id: string) => (inside[id] ?? 0) / ANIMALS
  report({
    trial: `honest intervals: ${species}`,
    runs: ANIMALS,
    acknowledged: Math.round(share('all sold') * ANIMALS),
    wrong: Object.keys(shown).flatMap((id) =>
      share(id) < 0.76 || share(id) > 0.84 ? [`${id} ${Math.round(share(id) * 100)} %`] : [],
    ),
    note: Object.keys(shown)
      .map((id) => `${id} ${Math.round(share(id) * 100)} %`)
      .join(', '),
  })
})
