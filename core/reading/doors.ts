import { isUncut, lookup, type Anatomy, type Names } from '#core/anatomy'
import { conventionIn, unmet, type Conventions, type Flow } from '#core/carcass'
import { minus, minor, type Kg, type Minor, dayAfter } from '#core/measure'
import { takePath, type Said } from '#core/plan'
import { triedOn } from './groups.ts'
import type { FarmFigures, LotState, Reckoning } from './lot.ts'
import { reckon } from './reckon.ts'

/** Something the plant must know before the kill, as it is booked, and what the other choice would change. */
export interface Door {
  id: string
  names: Names
  is: string
  other: string
  /** Cuts that cannot be had as it is booked, and those the other choice would shut. */
  shut: Names[]
  wouldShut: Names[]
  /** What the other choice would take home and bring beside the plan in force. */
  takeHome: Kg
  money: Minor
  /** What says the other choice. */
  said: Said[]
}

/** Cuts that some open way makes. */
function possible(anatomy: Anatomy, conventions: Conventions): Set<string> {
  const { part } = lookup(anatomy)
  const isOpen = (needs: readonly string[] | undefined) => unmet(anatomy, needs, conventions) === null
  return new Set(
    anatomy.paths
      .filter((p) => isOpen(p.needs) && isOpen(part(p.part)?.needs))
      .flatMap((p) => p.outputs.flatMap((o) => o.cut ?? [])),
  )
}

const KEPT = 'kept'
const LEFT = 'not kept'

/**
 * The doors that close at booking: how the animal is dressed, split or left whole, and what of it is kept that is no
 * carcass. For each, what is shut as it is booked, and the whole lot read again under the other choice.
 */
export function doorsOf(base: Flow, lot: LotState, farm: FarmFigures, read: Reckoning): Door[] {
  const { anatomy } = read.flow
  const { cut, pathsOf } = lookup(anatomy)
  const { conventions } = read.plan
  const now = possible(anatomy, conventions)
  const names = (ids: Iterable<string>) =>
    [...ids].flatMap((id) => {
      const c = cut(id)
      return c?.kind === 'product' ? [c.names] : []
    })
  const lacks = (has: ReadonlySet<string>, of: ReadonlySet<string>) =>
    names([...of].filter((id) => !has.has(id)))
  const changed = (said: Said[]) => {
    const after = reckon(base, triedOn(lot, said), farm, 0)
    return {
      takeHome: minus(after.worth.takeHome, read.worth.takeHome),
      money: minor(after.worth.money - read.worth.money),
      said,
    }
  }
  const dressed = anatomy.conventions.map((c): Door => {
    const is = conventionIn(c, conventions)
    const then = possible(anatomy, { ...conventions, [c.id]: !is })
    return {
      id: c.id,
      names: c.names,
      is: is ? c.on : c.off,
      other: is ? c.off : c.on,
      shut: lacks(now, then),
      wouldShut: lacks(then, now),
      ...changed([{ kind: 'observation', what: 'dressing', of: c.id, value: !is }]),
    }
  })
  const offal = anatomy.parts.flatMap((p): Door[] => {
    if (!p.offCarcass || unmet(anatomy, p.needs, conventions)) return []
    const slot = read.cutting.slot(p.id, 'animal')
    const ways = pathsOf(p.id).filter((w) => !unmet(anatomy, w.needs, conventions))
    const isLeft = slot?.path.leaves === true
    const other = ways.findLast((w) => (w.leaves === true) !== isLeft && !isUncut(w))
    if (!slot || !other) return []
    const made = names(new Set((isLeft ? other : slot.path).outputs.flatMap((o) => o.cut ?? [])))
    return [
      {
        id: p.id,
        names: p.names,
        is: isLeft ? LEFT : KEPT,
        other: isLeft ? KEPT : LEFT,
        shut: isLeft ? made : [],
        wouldShut: isLeft ? [] : made,
        ...changed(takePath(anatomy, p.id, ['animal'], other.id)),
      },
    ]
  })
  return [...dressed, ...offal]
}

/** The last day to decide: the one before the kill; null while none is booked. */
export const decideBy = (killed: string | null): string | null => killed && dayAfter(killed, -1)
