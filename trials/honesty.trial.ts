import { randomGamma, randomLcg, randomNormal } from 'd3-random'
import { it } from 'vitest'
import { TISSUES, type Anatomy, type Species } from '#core/anatomy'
import { ANATOMIES } from '#core/species'
import { compile, cutUp, drawLot, NO_CHOICES, type Choices, type CutUp } from '#core/carcass'
import { adoptPlan, housePlans, keepsBone, NO_LOG, readPlan, takePath, tried } from '#core/plan'
import { interval, kg, mm } from '#core/measure'
import { report } from './table.ts'

/**
 * Animals made another way than the draws make them: kilograms of every cell by a gamma distribution, fat and bone of
 * the whole animal by points of carcass, the knife by millimetres, meat left on the bone and fat left on by grams. How
 * many of them lie in the intervals that Ekko shows? An 80 % interval is honest when it holds 76 to 84 %.
 */
const ANIMALS = 2000
/** 1 SD: points of carcass of fat and bone, CV of a cell, % of carcass left on bone and of fat left on, a seam, what is missed on the bone, what goes to be minced. */
const WILD = {
  fat: 3,
  bone: 0.8,
  cell: 0.06,
  onBone: 0.6,
  fatOn: 1.5,
  seam: 0.04,
  onTheBone: 0.02,
  habit: 0.06,
}
/** A line or a knife goes through so many mm beside where it is meant to, 1 SD. */
const KNIFE: Partial<Record<Species, number>> = { steer: 6, hog: 5, lamb: 4, broiler: 3, turkey: 3 }

/** A piece of meat is about as long as the third root of its volume, mm; a side has half of it. */
const lengthOf = (both: number) => 100 * Math.cbrt(both / 2 / 1.05)

/** An animal, what it hangs, the plan or ways it is cut by (as it comes where none is named), products that are looked at. */
const CASES: [Species, number, string | Record<string, string> | null, string[]][] = [
  ['hog', 85, null, ['bone-in-chop', 'butt-roast', 'bacon', 'fresh-ham', 'ground-pork']],
  ['lamb', 20, null, ['rack', 'loin-chop', 'leg-whole', 'shoulder-whole', 'ground']],
  ['steer', 320, null, ['rib-steak', 'tbone', 'top-sirloin', 'brisket', 'ground-beef']],
  ['lamb', 20, 'Retail, bone-in', ['loin-chop', 'ground']],
  ['steer', 320, { chuck: 'chuck-blade-roasts' }, ['blade-roast', 'arm-roast', 'cross-rib', 'ground-beef']],
  ['turkey', 8, { bird: 'bird-parts', breast: 'breast-bone-in' }, ['breast-bone-in', 'thigh', 'drumstick']],
  ['turkey', 8, { bird: 'bird-parts' }, ['breast-boneless', 'thigh']],
]

const pools: Partial<Record<Species, string>> = {
  hog: 'ground-pork',
  lamb: 'ground',
  steer: 'ground-beef',
  broiler: 'ground',
  turkey: 'ground',
}

/** What a plan or ways decide. */
function choicesOf(base: Anatomy, ways: (typeof CASES)[number][2]): Choices {
  const none = readPlan(base, NO_LOG)
  if (ways === null) return NO_CHOICES
  const decisions =
    typeof ways === 'string'
      ? adoptPlan(
          base,
          none,
          housePlans(base).find((p) => p.name === ways)!,
        ).decisions
      : Object.entries(ways).flatMap(([part, way]) =>
          takePath(
            base,
            part,
            base.parts.find((p) => p.id === part)!.scope === 'animal' ? ['animal'] : ['left', 'right'],
            way,
          ),
        )
  return readPlan(base, tried(NO_LOG, decisions)).choices
}

/** One animal, cut once: kg of each cut and of all that is sold. */
function simulate(base: Anatomy, choices: Choices, carcass: number, random: () => number) {
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
            usual: mm(Math.min(l.mm.high, Math.max(l.mm.low, l.mm.usual + KNIFE[base.species]! * normal()))),
          },
        }
      const off = KNIFE[base.species]! * normal()
      const moved = (at: string) => {
        const segment = base.axis.find(
          (x) => at === x.id || (at === 'rib last' && x.rib === base.ribs?.usual),
        )
        const by = off / (segment?.mm ?? 0)
        return segment ? `${at}${by < 0 ? '-' : '+'}${Math.abs(by).toFixed(3)}` : at
      }
      return { ...l, settings: l.settings.map((s) => ({ ...s, at: moved(s.at) })) }
    }),
  }
  const cutting = cutUp(compile(animal), choices, { conventions: {}, carcass: kg(carcass), live: kg(0) })
  const { balance } = cutting
  const onBone = ((1 + WILD.onBone * normal()) / 100) * carcass
  // A bird is sold in its skin: there is little fat to leave on.
  const fatOn = (((base.species === 'turkey' ? 0.3 : WILD.fatOn) * normal()) / 100) * carcass
  const left = 1 + fatOn / balance.products
  // Where a seam is missed a muscle keeps some of its neighbour, or leaves some of itself to the trim.
  const found: Record<string, number> = {}
  const pool = pools[base.species]!
  const missed = { bone: 0, boned: 0 }
  const sum = { bone: 0, boned: 0 }
  for (const c of base.cuts) {
    if (c.kind !== 'product' || c.id === pool) continue
    const own = cutting.cutKg(c.id)
    if (own === 0) continue
    const onTheBone = keepsBone(base, c.id)
    const knife = Math.min(0.3, KNIFE[base.species]! / lengthOf(own))
    const moved = own * Math.hypot(knife, onTheBone ? WILD.onTheBone : WILD.seam) * normal()
    const kind = onTheBone ? 'bone' : 'boned'
    sum[kind] += own
    missed[kind] += moved
    found[c.id] = own + moved
  }
  // What one saw cut takes from a piece its neighbours have.
  for (const id of Object.keys(found))
    if (keepsBone(base, id)) found[id]! *= 1 - missed.bone / (sum.bone + missed.bone)
  // A plan that keeps its bones leaves little on them; what is left on comes off what would be minced.
  const ground = cutting.cutKg(pool)
  const share = (sum.boned + ground) / balance.products
  // One who minces more takes it from what lies beside the trim of each part.
  const habit = WILD.habit * normal()
  let minced = 0
  for (const slot of cutting.slots) {
    if (!slot.holds) continue
    const trim = slot.rows.reduce((all, r) => (r.part === base.roles.trim ? all + r.green : all), 0)
    const beside = slot.rows.filter((r) => r.cut?.kind === 'product' && r.cut.id !== pool)
    const all = beside.reduce((x, r) => x + r.green, 0)
    if (all <= 0) continue
    for (const r of beside) {
      const moved = trim * habit * (r.green / all)
      found[r.cut!.id]! -= moved
      minced += moved
    }
  }
  found[pool] = ground + minced - missed.boned + (0.01 * carcass - onBone) * share
  for (const id of Object.keys(found)) found[id]! *= left
  found['all sold'] = Object.values(found).reduce((all, x) => all + x, 0)
  return found
}

it.each(CASES)(
  '%s of %i kg, %j: how many simulated animals lie in the intervals',
  (species, carcass, ways, cuts) => {
    const base = ANATOMIES[species]
    const choices = choicesOf(base, ways)
    const cutting: CutUp = cutUp(compile(base), choices, {
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
      const found = simulate(base, choices, carcass, random)
      for (const [id, { low, high }] of Object.entries(shown))
        if (found[id]! >= low && found[id]! <= high) inside[id] = (inside[id] ?? 0) + 1
    }
    const share = (id: string) => (inside[id] ?? 0) / ANIMALS
    report({
      trial: `honest intervals: ${species}${ways === null ? '' : `, ${typeof ways === 'string' ? ways : Object.values(ways).join()}`}`,
      runs: ANIMALS,
      acknowledged: Math.round(share('all sold') * ANIMALS),
      wrong: Object.keys(shown).flatMap((id) =>
        share(id) < 0.76 || share(id) > 0.84 ? [`${id} ${Math.round(share(id) * 100)} %`] : [],
      ),
      note: Object.keys(shown)
        .map((id) => `${id} ${Math.round(share(id) * 100)} %`)
        .join(', '),
    })
  },
)
