import type { Lot } from '#contracts'
import { issueOf, type Issue } from '#core/measure'
import { animalsIn, goneBy, livingOf, wholeOf, type Decision, type Group, type NewFact } from '#core/records'

/** Animals that are said to be gone: at least one of the group is left. */
export function lossIn(lot: Lot, group: Group, { corrects, stands, fact }: NewFact): Issue | null {
  if (!stands || goneBy(fact) === 0) return null
  const before = livingOf(
    lot.groups,
    lot.facts.filter((f) => f.id !== corrects),
  )
  const alive = before.find((g) => g.id === group.id)!.animals
  if (goneBy(fact) > alive) return issueOf('more-than-alive', 'animals', { asked: goneBy(fact), alive })
  return goneBy(fact) === alive ? issueOf('none-left', 'animals', { alive }) : null
}

/** A day on which more are to be killed than are alive. */
export function dayOfTooMany(lot: Lot, decision: Decision, field: string): Issue[] {
  const asked = decision.field === 'birdDay' ? (decision.value?.birds ?? 0) : 0
  const alive = animalsIn(wholeOf(livingOf(lot.groups, lot.facts)))
  return asked > alive ? [issueOf('more-than-alive', field, { asked, alive })] : []
}
