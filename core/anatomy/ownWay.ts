import { USUAL_PACK, type Destination, type OwnAdditions, type Tool } from '#core/records'
import { NAMED_TISSUES, type Anatomy, type NamedShares } from './types.ts'

type Tissue = keyof NamedShares

/** Where one line of a way goes: a cut or another part there is, or the cut that the way itself brings. */
export type Goal = { cut: string } | { part: string } | { fresh: true }
export interface WayLine {
  to: Goal
  /** Of each tissue of the part, 0 to 1. */
  shares: NamedShares
}

/** A farm's own way to open a part, as it is being made. */
export interface WayDraft {
  name: string
  part: string
  destination: Destination
  tool: Tool
  /** For one side. */
  minutes: number
  steps: string
  /** What the cut is called that only this way makes. */
  freshCut: string
  lines: WayLine[]
}

/** What of a tissue no line takes yet; below zero it is given away twice. */
export const openShare = (lines: readonly WayLine[], t: Tissue): number =>
  1 - lines.reduce((sum, l) => sum + l.shares[t], 0)

/** Where a tissue usually goes when nobody names it: trim, fat, bones or skin, as the species has them, else the discards. */
export function usualGoal(anatomy: Anatomy, t: Tissue): Goal {
  const { roles } = anatomy
  const to = { lean: roles.trim, fat: roles.fat, bone: 'bones', skin: 'skin' }[t]
  if (anatomy.parts.some((p) => p.id === to)) return { part: to }
  return { cut: anatomy.cuts.some((c) => c.id === to) ? to : roles.discard }
}

const sameGoal = (a: Goal, b: Goal) => JSON.stringify(a) === JSON.stringify(b)

/** The lines with the rest of every tissue sent where it usually goes, so that each closes to 1. */
export function closedWay(anatomy: Anatomy, lines: readonly WayLine[]): WayLine[] {
  const closed = lines.map((l) => ({ ...l, shares: { ...l.shares } }))
  for (const t of NAMED_TISSUES) {
    const rest = openShare(closed, t)
    if (rest < 1e-9) continue
    const to = usualGoal(anatomy, t)
    const line = closed.find((l) => sameGoal(l.to, to))
    if (line) line.shares[t] += rest
    else closed.push({ to, shares: { lean: 0, fat: 0, bone: 0, skin: 0, [t]: rest } })
  }
  return closed
}

const slug = (text: string) =>
  text
    .toLowerCase()
    .normalize('NFKD')
    .replaceAll(/[^a-z0-9]+/g, '-')
    .replaceAll(/^-|-$/g, '') || 'way'

/** An id of a farm's own that nothing of the species has. */
function freeId(anatomy: Anatomy, text: string): string {
  const all = new Set([...anatomy.cuts, ...anatomy.parts, ...anatomy.paths].map((x) => x.id))
  let id = `own-${slug(text)}`.slice(0, 54)
  for (let n = 2; all.has(id); n++) id = `own-${slug(text)}`.slice(0, 50) + `-${n}`
  return id
}

/** The farm's additions with a way, and with the cut it brings where a line goes to one. */
export function withWay(anatomy: Anatomy, own: OwnAdditions, draft: WayDraft): OwnAdditions {
  const names = (text: string) => ({ american: text.trim(), commonwealth: text.trim() })
  const { name, part, destination, tool, minutes, steps, freshCut } = draft
  const cut = freeId(anatomy, freshCut || 'cut')
  const brings = draft.lines.some((l) => 'fresh' in l.to)
  return {
    ...own,
    cuts: [
      ...own.cuts,
      ...(brings
        ? [
            {
              id: cut,
              names: names(freshCut),
              destination,
              kind: 'product' as const,
              index: 1,
              portion: { kind: 'pack' as const, ...USUAL_PACK },
            },
          ]
        : []),
    ],
    paths: [
      ...own.paths,
      {
        id: freeId(anatomy, name),
        part,
        names: names(name),
        destination,
        minutes,
        tool,
        steps,
        outputs: draft.lines.map(({ to, shares }) => ({ ...('fresh' in to ? { cut } : to), ...shares })),
      },
    ],
  }
}

/** The additions without a way, and without the own cuts that nothing else makes. */
export function withoutWay(own: OwnAdditions, id: string): OwnAdditions {
  const paths = own.paths.filter((p) => p.id !== id)
  const used = new Set(paths.flatMap((p) => p.outputs.flatMap((o) => o.cut ?? [])))
  return { ...own, paths, cuts: own.cuts.filter((c) => used.has(c.id)) }
}
