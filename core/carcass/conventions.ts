import { dressingOf, type Anatomy, type ChainFigures, type Convention } from '#core/anatomy'

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

/**
 * The weight chain under the conventions: dressing is the type's and moves by each one's points (head on adds the head), the wider SD
 * counts, and a chill tank takes the place of the cooler. Ratios.
 */
export function chainUnder(anatomy: Anatomy, state: Conventions, type: string | null = null): ChainFigures {
  const unusual = anatomy.conventions.filter((c) => conventionIn(c, state) !== c.usual)
  const { chill } = anatomy.chain
  const dressing = dressingOf(anatomy, type)
  return {
    ...anatomy.chain,
    dressing: {
      mean: dressing.mean + unusual.reduce((s, c) => s + c.points / 100, 0),
      sd: Math.max(dressing.sd, ...unusual.map((c) => c.sd ?? 0)),
    },
    chill: anatomy.conventions.find((c) => c.chill && conventionIn(c, state))?.chill ?? chill,
  }
}
