import {
  compositionAt,
  dressingOf,
  typesOf,
  type Anatomy,
  type ChainFigures,
  type Convention,
} from '#core/anatomy'
import { kg, type Kg } from '#core/measure'
import { hotOfOne, type Evidence } from './chain.ts'

/** What was said about how the animal is slaughtered and dressed; what is not said is as usual. */
export type Conventions = Readonly<Record<string, boolean>>

export const conventionIn = (c: Convention, state: Conventions): boolean => state[c.id] ?? c.usual

/** The convention a need is about, when the state does not meet it; null when it does. */
export function unmet(anatomy: Anatomy, needs: readonly string[] | undefined, state: Conventions) {
  for (const need of needs ?? []) {
    const wanted = !need.startsWith('!')
    const convention = anatomy.conventions.find((c) => c.id === need.replace('!', ''))
    if (convention && conventionIn(convention, state) !== wanted) return { convention, wanted }
  }
  return null
}

/** The weight chain of a lot as it is known: `animals` is how many whole ones what hangs is of. */
export function chainOf(
  anatomy: Anatomy,
  { conventions, type }: { conventions: Conventions; type: string | null },
  evidence: readonly Evidence[],
  animals: number,
): ChainFigures {
  const usual = chainUnder(anatomy, conventions, type)
  return chainUnder(anatomy, conventions, type, hotOfOne(usual, evidence, animals))
}

/**
 * The weight chain under the conventions: dressing is the type's and moves by each one's points (head on adds the head), the wider SD
 * counts, and a chill tank takes the place of the cooler. Ratios.
 */
export function chainUnder(
  anatomy: Anatomy,
  state: Conventions,
  type: string | null = null,
  /** Hot weight of one animal, as far as it is known. */
  hot: Kg | null = null,
): ChainFigures {
  const unusual = anatomy.conventions.filter((c) => conventionIn(c, state) !== c.usual)
  const dressing = dressingOf(anatomy, type)
  return {
    ...anatomy.chain,
    dressing: {
      mean: dressing.mean + unusual.reduce((s, c) => s + c.points / 100, 0),
      sd: Math.max(dressing.sd, ...unusual.map((c) => c.sd ?? 0)),
    },
    chill:
      anatomy.conventions.find((c) => c.chill && conventionIn(c, state))?.chill ??
      driedIn(anatomy, unusual, type, hot),
  }
}

/** No carcass in moving air dries less or more than this, a share of its hot weight. */
const DRIES = { least: 0.004, most: 0.06 }
/** What fat outside keeps in: twice of it, a sixth less dried (our own figure; docs/sources.md: chill). */
const COVER = 0.25

/**
 * What a carcass dries in the cooler: face by weight, so as the cube root of it, less under more fat, otherwise without its
 * hide. A gain is not to be had in air.
 */
function driedIn(
  anatomy: Anatomy,
  unusual: readonly Convention[],
  type: string | null,
  hot: Kg | null,
): ChainFigures['chill'] {
  const { chill } = anatomy.chain
  const { mean, sd, atKg } = chill
  if (atKg === undefined) return chill
  const each = hot !== null && hot > 0 ? hot : kg(atKg)
  const types = typesOf(anatomy, type)
  const usual = anatomy.types[0]
  const fat = types.reduce((sum, t) => sum + t.share * compositionAt(t.type, each).outer, 0)
  const cover = usual && fat > 0 ? (compositionAt(usual, kg(atKg)).outer / fat) ** COVER : 1
  const times = unusual.reduce((by, c) => by * (c.dries ?? 1), (atKg / each) ** (1 / 3) * cover)
  const lost = Math.min(DRIES.most, Math.max(DRIES.least, (1 - mean) * times))
  return { mean: 1 - lost, sd: (sd * lost) / (1 - mean) }
}
