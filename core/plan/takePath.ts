import { lookup, type Anatomy, type SideName } from '#core/anatomy'
import type { Decision } from '#core/records'

/** The decisions that take a path on these sides, with the other half of what two parts are cut in together. */
export function takePath(
  anatomy: Anatomy,
  part: string,
  sides: readonly SideName[],
  pathId: string,
): Extract<Decision, { field: 'path' }>[] {
  const together = lookup(anatomy).path(pathId)?.together ?? []
  return [{ part, path: pathId }, ...together].flatMap((t) =>
    sides.map((side) => ({ field: 'path' as const, target: t.part, side, value: t.path })),
  )
}
