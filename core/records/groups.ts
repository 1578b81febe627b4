import { inForce, type Correctable } from './entry.ts'
import { goneBy, type FactBody } from './kinds/index.ts'
import type { Group } from './lots.ts'

/** What is asked of a group to know where it stands among the others of its lot. */
export type GroupRow = Pick<Group, 'id' | 'parent' | 'joins' | 'animals' | 'half' | 'name'>

/** How many animals a fact says were condemned after the kill: they were killed, and are not food. */
export const condemnedBy = (fact: FactBody): number => (fact.kind === 'downgrade' ? goneBy(fact) : 0)

/** Groups with as many animals as are left of them: what was lost of a group is lost of those it was split from, too. */
export function livingOf<G extends GroupRow>(
  groups: readonly G[],
  facts: readonly (Correctable & { group: string; fact: FactBody })[],
): readonly G[] {
  const gone = new Map<string, number>()
  for (const { group, fact } of inForce(facts))
    if (goneBy(fact) > 0) gone.set(group, (gone.get(group) ?? 0) + goneBy(fact))
  if (gone.size === 0) return groups
  return groups.map((g) => {
    const tree = new Set([g.id])
    for (let before = 0; before < tree.size;) {
      before = tree.size
      for (const x of groups)
        if (x.parent !== null && tree.has(x.parent) && x.joins.every((j) => tree.has(j))) tree.add(x.id)
    }
    const lost = [...tree].reduce((sum, id) => sum + (gone.get(id) ?? 0), 0)
    return lost === 0 ? g : { ...g, animals: g.animals - lost }
  })
}

/** The group that is all of the lot. */
export const wholeOf = <G extends GroupRow>(groups: readonly G[]): G => groups.find((g) => g.parent === null)!

/** Animals a group comes to: a side of each is half of so many. */
export const animalsIn = (g: Pick<GroupRow, 'animals' | 'half'>): number =>
  g.half ? g.animals / 2 : g.animals

/** The groups one was split into; none where it was not, or was only put together with others. */
export const childrenOf = <G extends GroupRow>(groups: readonly G[], id: string): G[] =>
  groups.filter((g) => g.parent === id && g.joins.length === 0)

/** The groups one was put together of; none where it was split off. */
export const constituentsOf = <G extends GroupRow>(groups: readonly G[], { parent, joins }: GroupRow): G[] =>
  joins.length === 0 ? [] : groups.filter((g) => g.id === parent || joins.includes(g.id))

/** The groups that are cut: neither split nor put together with others; the lot itself where it was never split. */
export const leavesOf = <G extends GroupRow>(groups: readonly G[]): G[] =>
  groups.filter((g) => !groups.some((o) => o.parent === g.id || o.joins.includes(g.id)))

/** Whether the lot is more than one group now. */
export const isSplit = (groups: readonly GroupRow[]): boolean => leavesOf(groups).length > 1

/** The group its cutting is decided for where it is not split: the lot, or what it was put together to. */
export const onlyLeaf = <G extends GroupRow>(groups: readonly G[]): G | null => {
  const [leaf, other] = leavesOf(groups)
  return leaf && !other ? leaf : null
}

/** A group with those it was split from, from the lot down: what was decided of them holds for it. */
export function lineageOf<G extends GroupRow>(groups: readonly G[], id: string): G[] {
  const own = groups.find((g) => g.id === id)
  if (!own) return []
  return [...(own.parent === null ? [] : lineageOf(groups, own.parent)), own]
}

/**
 * A group with those that are wholly in it: what was weighed and packed of them is of it. One that all the groups of a
 * split came together in again holds what was split too.
 */
export function withinOf<G extends GroupRow>(groups: readonly G[], id: string): G[] {
  const own = groups.find((g) => g.id === id)
  if (!own) return []
  const within = new Set([own, ...constituentsOf(groups, own).flatMap((g) => withinOf(groups, g.id))])
  for (let before = -1; before < within.size;) {
    before = within.size
    for (const g of groups) {
      const children = childrenOf(groups, g.id)
      if (children.length > 0 && children.every((c) => within.has(c))) within.add(g)
    }
  }
  return [...within]
}
