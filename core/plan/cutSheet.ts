import type { Anatomy, NameSet } from '#core/anatomy'
import { conventionsOf, type Plan } from './read.ts'

/** What the processor is told: one row per part, the two sides apart where they differ. */
export interface CutSheet {
  kind: 'cut-sheet'
  farm: string
  lot: string
  count: number
  /** The animal, in the farm's words. */
  what: string
  date: string
  hanging: string
  route: string
  dressing: string
  lines: { name: string; left: string; right: string }[]
  rows: { part: string; left: string; right: string; note: string }[]
}

export interface SheetHead {
  farm: string
  lot: string
  count: number
  date: string
  hanging: string
  route: string
}

/** The cut sheet of a plan, in the farm's words. Parts that do not hang, or that a choice leaves no meat for, are left out. */
export function cutSheet(
  anatomy: Anatomy,
  plan: Plan,
  names: NameSet,
  head: SheetHead,
  present: (part: string, side: 'left' | 'right' | 'animal') => boolean,
): CutSheet {
  const wordOf = (part: string, side: 'left' | 'right' | 'animal', fallback: string) => {
    if (!present(part, side)) return '–'
    const id = plan.choices.paths.get(`${part}:${side}`) ?? fallback
    return anatomy.paths.find((p) => p.id === id)!.names[names]
  }
  return {
    kind: 'cut-sheet',
    ...head,
    what: `${head.count} ${anatomy.names[names].toLowerCase()}${head.count === 1 ? '' : 's'}`,
    dressing: conventionsOf(anatomy, plan.conventions)
      .map(({ convention: c, is }) => (is ? c.on : c.off))
      .join('; '),
    lines: anatomy.lines
      .filter((l) => l.kind === 'along' || l.settings.length > 1)
      .map((l) => {
        const of = (side: 'left' | 'right') => {
          if (l.kind === 'along')
            return `${plan.choices.mm.get(`${l.id}:${side}`) ?? l.mm.usual} mm from the eye`
          const id = plan.choices.lines.get(`${l.id}:${side}`) ?? l.fallback
          return l.settings.find((s) => s.id === id)!.school
        }
        return { name: l.names[names], left: of('left'), right: of('right') }
      }),
    rows: anatomy.parts.flatMap((part) => {
      const sides = part.scope === 'animal' ? (['animal', 'animal'] as const) : (['left', 'right'] as const)
      const [left, right] = sides.map((side) => wordOf(part.id, side, part.fallback)) as [string, string]
      if (left === '–' && right === '–') return []
      const chosen = anatomy.paths.filter(
        (p) => p.part === part.id && (p.names[names] === left || p.names[names] === right),
      )
      return [
        { part: part.names[names], left, right, note: [...new Set(chosen.map((p) => p.steps))].join(' / ') },
      ]
    }),
  }
}
