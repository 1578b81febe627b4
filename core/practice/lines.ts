import { besides, inOrder, type Work } from '#core/hand'
import { linePositions, type Anatomy, type CrossLine, type Names } from '#core/anatomy'
import { kg, minor, perKg, type Kg, type Minor } from '#core/measure'
import { compile, SidedMap, type CutUp } from '#core/carcass'
import { cutAs, type Reckoning } from '#core/reading'

/** A line placed within so much of a segment is right: half a rib (our own figure). */
export const RIGHT_WITHIN = 0.5

/** What came of placing a line: how far off, and what that moves, of one side and of the animal's worth. */
export interface Placed {
  right: boolean
  /** Segments behind where it lies by the school; below nothing: ahead of it. */
  off: number
  /** What it moves from the part behind to the part ahead (below nothing: the other way), of both sides. */
  kg: Kg
  /** What that changes at the farm's prices, minor units. */
  money: Minor
  /** The same of one segment where the line lies: what one rib costs. */
  perSegment: { kg: Kg; money: Minor }
}

/** Lines that can be asked for: those across, that part something from something. */
export const linesOf = (anatomy: Anatomy): CrossLine[] =>
  anatomy.lines.filter((l): l is CrossLine => l.kind === 'across' && l.settings.length > 0)

/** Where a line lies by a school, in segments from the head end. */
export const placeBy = (anatomy: Anatomy, line: string, setting?: string): number =>
  linePositions(anatomy, (l) => (l.id === line ? setting : undefined)).at[line]!

/** The line a place is said by, where it lies as another one does: "=leg-line-2". */
const tiedTo = (at: string): string | null => /^=(.*?)(?:[+-]\d*\.?\d+)?$/.exec(at)?.[1] ?? null

/** A line, and those that lie where it does by the schools in force and so move with it; lines refer to those named before them. */
function movingWith(anatomy: Anatomy, id: string): CrossLine[] {
  const moving: CrossLine[] = []
  for (const l of anatomy.lines) {
    if (l.kind !== 'across') continue
    const tied = tiedTo(l.settings.find((s) => s.id === l.fallback)!.at)
    if (l.id === id || (tied !== null && moving.some((m) => m.id === tied))) moving.push(l)
  }
  return moving
}

/** The animal with one line at any place of the axis, oblique as its school has it; those tied to it move with it, every other stays. */
function withLineAt(anatomy: Anatomy, id: string, at: number, setting?: string): Anatomy {
  const held = linePositions(anatomy, (l) => (l.id === id ? setting : undefined))
  const moving = new Set(movingWith(anatomy, id).map((l) => l.id))
  const lines = anatomy.lines.map((l) => {
    if (l.kind !== 'across') return l
    const own =
      l.settings.find((s) => s.id === (l.id === id ? setting : undefined)) ??
      l.settings.find((s) => s.id === l.fallback)!
    const place = held.at[l.id]! + (moving.has(l.id) ? at - held.at[id]! : 0)
    const bands = Object.fromEntries(
      Object.keys(own.bands ?? {}).map((b) => [b, `start+${held.bands[b]![l.id]! + place - held.at[l.id]!}`]),
    )
    return { ...l, settings: [{ ...own, at: `start+${place}`, bands }], fallback: own.id }
  })
  return { ...anatomy, lines }
}

/** Parts ahead of a line; where another moves with it nothing lies between the two, and what lies ahead of that one is it. */
function aheadOf(anatomy: Anatomy, line: CrossLine): string[] {
  const { ahead, behind } = besides(anatomy, line)
  const moving = new Set(movingWith(anatomy, line.id).map((l) => l.id))
  const through = anatomy.bands.flatMap(({ spans }) => {
    const at = spans.findIndex((s) => s.until === line.id)
    const first = spans.slice(0, Math.max(0, at)).findLastIndex((s) => !moving.has(s.until)) + 1
    return at < 0 || !ahead.includes(spans[at]!.part) ? [] : spans.slice(first, at).map((s) => s.part)
  })
  return [...new Set([...ahead, ...through])].filter((p) => !behind.includes(p))
}

/** The carcass of a lot, cut with one line at any place of the axis and everything else as it is planned. */
export function cutAt(read: Reckoning, line: CrossLine, at: number, setting?: string): CutUp {
  const flow = compile(withLineAt(read.flow.anatomy, line.id, at, setting))
  return cutAs({ ...read, flow }, { ...read.plan.choices, lines: new SidedMap() })
}

/** What all products bring at the farm's prices, minor units, sold or not. */
const worthOf = (read: Reckoning, cutting: CutUp): number =>
  read.cuts.reduce(
    (sum, c) => sum + (c.cut.kind === 'product' ? cutting.cutKg(c.cut.id) * perKg(c.price) : 0),
    0,
  )

/** A line placed by hand, against where the school has it: what was off, and what it costs. */
export function placedLine(read: Reckoning, line: CrossLine, at: number, setting?: string): Placed {
  const lies = placeBy(read.flow.anatomy, line.id, setting)
  const { anatomy } = read.flow
  const ahead = aheadOf(anatomy, line)
  const kgAhead = (cutting: CutUp) => ahead.reduce((sum, p) => sum + cutting.partKg(p), 0)
  const usual = cutAt(read, line, lies, setting)
  const moved = (to: number) => {
    const cutting = cutAt(read, line, to, setting)
    return {
      kg: kg(kgAhead(cutting) - kgAhead(usual)),
      money: minor(Math.round(worthOf(read, cutting) - worthOf(read, usual))),
    }
  }
  return {
    right: Math.abs(at - lies) <= RIGHT_WITHIN,
    off: at - lies,
    ...(at === lies ? { kg: kg(0), money: minor(0) } : moved(at)),
    perSegment: moved(lies + 1),
  }
}

/** Parts in the names of which a hand can be asked: those that hang and are drawn. */
export function namesAsked(
  anatomy: Anatomy,
  part: string,
  drawn: readonly string[],
  random: () => number,
): { id: string; names: Names }[] {
  const others = drawn.filter((id) => id !== part)
  const three = shuffled(others, random).slice(0, 3)
  return shuffled([part, ...three], random).map((id) => ({
    id,
    names: anatomy.parts.find((p) => p.id === id)!.names,
  }))
}

/** In another order, by Fisher and Yates. */
export function shuffled<T>(all: readonly T[], random: () => number): T[] {
  const out = [...all]
  for (let i = out.length - 1; i > 0; i--) {
    const j = Math.floor(random() * (i + 1))
    ;[out[i], out[j]] = [out[j]!, out[i]!]
  }
  return out
}

/** Some steps of the work to be put in order, with what of their order must be. */
export function orderAsked({ tasks, musts }: Work, random: () => number, count = 6): Work {
  const bound = tasks.filter((t) => t.kind !== 'ready' && t.kind !== 'wash' && t.kind !== 'pack')
  const picked: string[] = []
  // Steps that depend on one another, so that there is an order to find.
  for (const m of shuffled(musts, random)) {
    const fresh = [m.first, m.then].filter((id) => bound.some((t) => t.id === id) && !picked.includes(id))
    if (picked.length + fresh.length <= count) picked.push(...fresh)
  }
  const own = tasks.filter((t) => picked.includes(t.id))
  return {
    tasks: shuffled(own, random),
    musts: musts.filter((m) => picked.includes(m.first) && picked.includes(m.then)),
  }
}

/** What is wrong with an order: each step that stands before what it needs, with its reason; and one that would be right. */
export function judgeOrder(work: Work, order: readonly string[]): { broken: Work['musts']; right: string[] } {
  const at = new Map(order.map((id, i) => [id, i]))
  return {
    broken: work.musts.filter((m) => at.get(m.first)! > at.get(m.then)!),
    right: inOrder(work, order).tasks.map((t) => t.id),
  }
}
