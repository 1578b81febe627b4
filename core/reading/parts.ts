import type { SideName } from '#core/anatomy'
import { interval, sumOf, type Interval, type Kg } from '#core/measure'
import type { Reckoning } from './lot.ts'

/** What a part holds on some sides: all that hung of it and was opened into it. Weighed on all of them, it has no range. */
export interface PartFigure {
  kg: Kg
  range: Interval | null
  weighed: boolean
}

/** A part on the sides asked for, with its interval once there are draws. */
export function partFigure(
  { cutting, drawn, plan }: Pick<Reckoning, 'cutting' | 'drawn' | 'plan'>,
  part: string,
  sides: readonly SideName[],
): PartFigure {
  const at = cutting.slots.flatMap((s, i) =>
    s.part === part && sides.includes(s.side) && s.holds ? [i] : [],
  )
  const mass = sumOf(at, (i) => cutting.slots[i]!.kg)
  const weighed = at.length > 0 && at.every((i) => plan.parts.get(part, cutting.slots[i]!.side) !== undefined)
  if (!drawn || weighed || at.length === 0) return { kg: mass, range: null, weighed }
  const sums = new Float64Array(drawn.draws)
  for (const i of at) drawn.slots[i]!.forEach((x, d) => (sums[d]! += x))
  return { kg: mass, range: interval(sums), weighed }
}
