import type { SideName } from '#core/anatomy'
import { sumOf, type Interval, type Kg } from '#core/measure'
import type { Reckoning } from './lot.ts'

/** What a part holds on some sides: all that hung of it and was opened into it. Weighed on all of them, it has no range. */
export interface PartFigure {
  kg: Kg
  range: Interval | null
  weighed: boolean
}

/** Under what a reading has the interval of a part on some sides. */
export const partKey = (part: string, sides: readonly SideName[]): string =>
  `${part} ${sides.length > 1 ? 'both' : (sides[0] ?? 'none')}`

/** A part on the sides asked for, with its interval once there is one. */
export function partFigure(
  { cutting, parts, plan }: Pick<Reckoning, 'cutting' | 'parts' | 'plan'>,
  part: string,
  sides: readonly SideName[],
): PartFigure {
  const at = cutting.slots.flatMap((s, i) =>
    s.part === part && sides.includes(s.side) && s.holds ? [i] : [],
  )
  const mass = sumOf(at, (i) => cutting.slots[i]!.kg)
  const weighed = at.length > 0 && at.every((i) => plan.parts.get(part, cutting.slots[i]!.side) !== undefined)
  return { kg: mass, range: weighed ? null : (parts[partKey(part, sides)] ?? null), weighed }
}
