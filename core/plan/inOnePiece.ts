import { lookup, type Anatomy, type Part } from '#core/anatomy'
import type { Decision, Half, Hangs } from '#core/records'
import { sidesIn, type Choices } from '#core/carcass'

type Chosen = { choices: Pick<Choices, 'paths'> }

/** The parts a line lies at: those it divides, and those it ends. */
export function partsAt(anatomy: Anatomy, line: string): string[] {
  const found = anatomy.bands.flatMap((b) =>
    b.spans.flatMap((span, i) => [
      ...(span.until === line || b.spans[i - 1]?.until === line ? [span.part] : []),
      ...(span.below?.line === line ? [span.part, span.below.part] : []),
    ]),
  )
  return [...new Set(found)]
}

/** Whether a line can be moved: it lies between two parts that are both here. A leg that came as a leg was cut off before. */
export const isMovable = (anatomy: Anatomy, hangs: Hangs, line: string): boolean =>
  hangs.as === 'whole' ||
  hangs.as === 'side' ||
  partsAt(anatomy, line).filter((part) => sidesIn(anatomy, hangs, part).length > 0).length > 1

/** Whether a part is cut in one piece over both sides: a saddle, a crown. */
export function inOnePiece(anatomy: Anatomy, plan: Chosen, part: string): boolean {
  const find = lookup(anatomy)
  const way = find.path(plan.choices.paths.get(part, 'left') ?? find.part(part)?.fallback ?? '')
  return way?.pair === true && plan.choices.paths.get(part, 'right') === way.id
}

/** The part that holds a line to the same place on both sides, being one piece over both; null where none does. */
export function heldBy(anatomy: Anatomy, plan: Chosen, line: string): Part | null {
  const held = partsAt(anatomy, line).find((p) => inOnePiece(anatomy, plan, p))
  return held === undefined ? null : lookup(anatomy).part(held)!
}

/**
 * The decisions that put a line at a place: on the sides asked for, on both where a part that lies at it is one piece over
 * both (common practice: a saddle is square).
 */
export function moveLine<F extends 'line' | 'mm'>(
  anatomy: Anatomy,
  plan: Chosen,
  field: F,
  line: string,
  sides: readonly Half[],
  value: Extract<Decision, { field: F }>['value'],
): Decision[] {
  const on: readonly Half[] = heldBy(anatomy, plan, line) ? ['left', 'right'] : sides
  return on.map((side) => ({ field, target: line, side, value }) as Decision)
}
