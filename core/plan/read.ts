import {
  linePositions,
  linesThrough,
  lookup,
  openedFrom,
  sidesOf,
  uncutWay,
  type Anatomy,
  type Path,
  type Portion,
  type SideName,
  type Tool,
} from '#core/anatomy'
import {
  conventionIn,
  SidedMap,
  sidesIn,
  unmet,
  type Choices,
  type Conventions,
  type Sided,
  type Split,
} from '#core/carcass'
import { issueOf, minor, type Issue, type Minor, type UnitPrice } from '#core/measure'
import {
  ALL_HANGS,
  type Aim,
  type BirdDay,
  type Classes,
  type RaiseTo,
  type Crew,
  type Decision,
  type Ending,
  type Finish,
  type Hangs,
  type Hold,
  type OwnUse,
  type Skill,
  type Station,
} from '#core/records'
import { CATTLE_MONTHS, monthsBetween } from './age.ts'
import { readFacts } from './facts.ts'
import type { Facts } from './kinds/draft.ts'
import { finishingOf } from './finishes.ts'
import { heldIn } from './holding.ts'
import { readerOf } from './kinds/index.ts'
import type { Sets } from './kinds/reads.ts'
import { nothingWanted, type Wanted } from './kinds/wanted.ts'
import { inOnePiece } from './inOnePiece.ts'
import { dustBy, type Schools } from './schools.ts'
import { LEAVES } from './minutes.ts'
import { latest, type CommandRow, type Log } from './history.ts'

/** What was said about one cut's price. */
export interface CutTerms {
  index: number
  price: UnitPrice | null
  lock: boolean
  floor: UnitPrice | null
  ceiling: UnitPrice | null
  /** Share expected to sell at full price. */
  sold: number
  /** Share of its price that the rest of it still brings. */
  rest: number
  /** What is done to it once it is cut. */
  finishes: readonly Finish[]
  /** What of it the own table keeps, and share of it that is given for help. */
  own: OwnUse | null
  given: number
}

export interface Dropped {
  part: string
  side: SideName
  path: string
  issue: Issue
}

/** The plan the decisions come to, on the facts. `dropped` names choices that slaughter or another choice has since made impossible. */
export interface Plan extends Facts {
  choices: Choices
  /** It is one side of each animal. */
  half: boolean
  /** Parts that are not cut today, by side: uncut in the cold, frozen, sold or taken; or cut another day. */
  held: Sided<Hold>
  /** Tools that are down. */
  without: ReadonlySet<Tool>
  /** How cuts are divided where not as usual, by cut. */
  portions: ReadonlyMap<string, Portion>
  days: number
  /** Whose hands cut. */
  hands: Skill
  /** The order that is wanted, where steps are done, stations that are not to be had, ways of working where not the usual. */
  order: readonly string[]
  stations: ReadonlyMap<string, Station>
  closed: ReadonlySet<Station>
  schools: Schools
  /** The day of cutting, and who is there; null where nobody said. */
  cuttingDay: string | null
  crew: Crew | null
  /** The day birds are killed, what a batch is raised to, where its size classes part. */
  birdDay: BirdDay | null
  raise: RaiseTo | null
  classes: Classes | null
  target: Minor
  /** What is wanted instead of a sum: a margin, or pay for an hour; null for the sum. */
  aim: Aim | null
  /** Whether the family’s own work counts as a cost. */
  countsUnpaid: boolean
  ending: Ending
  sharePrice: UnitPrice | null
  terms: ReadonlyMap<string, CutTerms>
  dropped: Dropped[]
}

/** Share of its price that meat still brings when it does not sell at full price, until a farm says otherwise (our own figure). */
export const REST_BRINGS = 0.5

/**
 * The path choices that can stand: none that slaughter has closed, no way of both sides on one, no half of a way that
 * two parts are cut in together. What cannot stand is named with its reason and falls back to the usual.
 */
export function settle(
  anatomy: Anatomy,
  wanted: Sided<string>,
  conventions: Conventions,
  hangs: Hangs = ALL_HANGS,
  half = false,
): { paths: SidedMap<string>; dropped: Dropped[] } {
  const paths = new SidedMap(wanted)
  const dropped: Dropped[] = []
  let again = true
  while (again) {
    again = false
    for (const { id: part, side, value: id } of paths) {
      const issue = unable(anatomy, paths, conventions, hangs, side, id) ?? inTwo(anatomy, half, id)
      if (!issue) continue
      paths.delete(part, side)
      dropped.push({ part, side, path: id, issue })
      again = true
    }
  }
  openFallbacks(anatomy, paths, conventions, hangs, half)
  return { paths, dropped }
}

/**
 * A part whose usual way slaughter has closed takes its first open one: no T-bones from an old steer by default. So does an
 * animal that is usually left whole, of which one side is asked for, and what is usually left behind but came in a box.
 */
function openFallbacks(
  anatomy: Anatomy,
  paths: SidedMap<string>,
  conventions: Conventions,
  hangs: Hangs,
  half: boolean,
) {
  const { path, pathsOf } = lookup(anatomy)
  for (const part of anatomy.parts) {
    const came = hangs.as === 'part' && hangs.part === part.id
    const isOpen = (p: Path | undefined) =>
      !unmet(anatomy, p?.needs, conventions) && !inTwo(anatomy, half, p?.id ?? '') && !(came && p?.leaves)
    if (isOpen(path(part.fallback))) continue
    const open = pathsOf(part.id).find((p) => isOpen(p) && !p.pair && !p.together)
    for (const side of sidesOf(part)) if (open && !paths.has(part.id, side)) paths.set(part.id, side, open.id)
  }
}

/** Why one side of an animal cannot be cut this way: it would be left in one piece with the other. */
function inTwo(anatomy: Anatomy, half: boolean, id: string): Issue | null {
  const path = half ? lookup(anatomy).path(id) : undefined
  if (!path || !opensAnimal(anatomy, path.part) || !leavesOne(anatomy, path)) return null
  return issueOf('only-a-half', 'path', { part: lookup(anatomy).part(path.part)!.names })
}
/** A part that is the animal: others come out of it. */
const opensAnimal = (anatomy: Anatomy, part: string): boolean =>
  lookup(anatomy).part(part)?.scope === 'animal' &&
  anatomy.parts.some((p) => openedFrom(anatomy, p.id) === part && p.id !== anatomy.roles.trim)
/** The better part of what comes of it is one piece. */
const leavesOne = ({ cuts }: Anatomy, path: Path): boolean =>
  path.outputs.some((o) => {
    const portion = cuts.find((c) => c.id === o.cut)?.portion
    return o.lean > 0.5 && portion?.kind === 'whole' && portion.perSide === 1
  })

/** Why a part cannot be split like this: a way that takes it whole, the same way twice, a door that slaughter closed. */
export function unableSplit(
  anatomy: Anatomy,
  paths: Sided<string>,
  conventions: Conventions,
  part: string,
  side: SideName,
  split: Split,
): Issue | null {
  const find = lookup(anatomy)
  const partData = find.part(part)
  const [front, rear] = [find.path(paths.get(part, side) ?? partData?.fallback ?? ''), find.path(split.path)]
  if (!partData || !front || rear?.part !== part) return null
  if (front === rear) return issueOf('split-alike', 'split', { part: partData.names })
  if ([front, rear].some((p) => p.pair || p.together || p.leaves))
    return issueOf('split-in-one', 'split', { part: partData.names })
  return closed(anatomy, rear.needs, conventions)
}

/** The splits that can stand beside the ways taken, and those that cannot. */
export function settleSplits(
  anatomy: Anatomy,
  paths: Sided<string>,
  wanted: Sided<Split>,
  conventions: Conventions,
): { splits: SidedMap<Split>; dropped: Dropped[] } {
  const splits = new SidedMap(wanted)
  const dropped: Dropped[] = []
  for (const { id: part, side, value } of wanted) {
    const issue = unableSplit(anatomy, paths, conventions, part, side, value)
    if (!issue) continue
    splits.delete(part, side)
    dropped.push({ part, side, path: value.path, issue })
  }
  return { splits, dropped }
}

/** A plan's choices with other ways wanted: what they make impossible is let go, splits too. */
export function choicesWith(
  anatomy: Anatomy,
  plan: Pick<Plan, 'choices' | 'hangs' | 'half'>,
  wanted: Sided<string>,
  conventions: Conventions,
): Choices {
  const { paths } = settle(anatomy, wanted, conventions, plan.hangs, plan.half)
  const { splits } = settleSplits(anatomy, paths, plan.choices.splits ?? new SidedMap(), conventions)
  return { ...plan.choices, paths, splits }
}

function unable(
  anatomy: Anatomy,
  paths: Sided<string>,
  conventions: Conventions,
  hangs: Hangs,
  side: SideName,
  id: string,
): Issue | null {
  const path = lookup(anatomy).path(id)
  if (!path) return issueOf('way-gone', 'path', {})
  const gone = notHere(anatomy, hangs, path, [side])
  if (gone) return gone
  const door = closed(anatomy, path.needs, conventions)
  if (door) return door
  if (path.pair && paths.get(path.part, side === 'left' ? 'right' : 'left') !== id)
    return issueOf('both-sides', 'path', {})
  const other = path.together?.find((t) => paths.get(t.part, side) !== t.path)
  return other ? issueOf('other-half', 'path', { part: lookup(anatomy).part(other.part)!.names }) : null
}

/** Of a way, what of the animal it needs that is not here: its part, the other side, the other part it is cut in one with. */
function notHere(anatomy: Anatomy, hangs: Hangs, path: Path, sides: readonly SideName[]): Issue | null {
  if (hangs.as === 'whole') return null
  const missing = (part: string) => {
    const here = sidesIn(anatomy, hangs, part)
    return here.length === 0 || sides.some((s) => !here.includes(s))
  }
  const gone = [path.part, ...(path.together ?? []).map((t) => t.part)].find(missing)
  if (gone !== undefined) return issueOf('not-in-job', 'path', { part: lookup(anatomy).part(gone)!.names })
  return path.pair && sidesIn(anatomy, hangs, path.part).length < 2
    ? issueOf('side-missing', 'path', {})
    : null
}

/** What slaughter has closed for a way or part: no rind on a skinned hog, no saddle from a split carcass. */
function closed(
  anatomy: Anatomy,
  needs: readonly string[] | undefined,
  conventions: Conventions,
): Issue | null {
  const found = unmet(anatomy, needs, conventions)
  if (!found) return null
  const { convention: c, wanted } = found
  return issueOf('door-closed', 'path', {
    wanted: wanted ? c.on : c.off,
    is: wanted ? c.off : c.on,
    ...(c.id === AGE && { age: true }),
  })
}

const leanOf = (lean: number | undefined): Pick<Choices, 'lean'> => (lean === undefined ? {} : { lean })

/** The convention that is no way to dress but an age: nobody takes it to have a cut. */
export const AGE = 'under30'

/** Cattle whose days say they were old enough are read so, whatever nobody said. */
function aged(anatomy: Anatomy, facts: Facts): Facts {
  const { born, killed, conventions } = facts
  const door = anatomy.conventions.find((c) => c.id === AGE)
  if (!door || born === null || killed === null || conventions.under30 !== undefined) return facts
  return { ...facts, conventions: { ...conventions, under30: monthsBetween(born, killed) < CATTLE_MONTHS } }
}

/** What the decisions in force ask for: the last one on each thing, those set back to the usual left out. */
function wantedBy(commands: readonly CommandRow[]): Wanted {
  const wanted = nothingWanted()
  for (const { decision } of latest(commands).values())
    if (decision.value !== null) readerOf(decision).into(wanted, decision as Sets<Decision>)
  return wanted
}

/** Reads a plan off what was decided and what is so, for one anatomy. */
export function readPlan(anatomy: Anatomy, log: Log): Plan {
  const wanted = wantedBy(log.commands)
  const facts = aged(anatomy, readFacts(log.facts))
  const { lot, schools, finishes } = wanted
  const hands = lot.hands ?? 'skilled'
  const { paths, dropped } = settle(anatomy, wanted.paths, facts.conventions, facts.hangs, log.half)
  const settled = settleSplits(anatomy, paths, wanted.splits, facts.conventions)
  const held = heldIn(anatomy, paths, wanted.held)
  // What is taken home uncut brings nothing, unless it is said what share of it is sold.
  const takenHome = new Set([...held].flatMap((h) => (h.value === 'taken' ? [uncutWay(h.id)] : [])))
  const { index, price, lock, floor, ceiling, sold, rest, own, given } = wanted
  return {
    ...facts,
    half: log.half ?? false,
    choices: {
      paths,
      lines: wanted.lines,
      mm: wanted.mm,
      trim: lot.trim ?? 'standard',
      ...leanOf(lot.lean),
      leaves: LEAVES[hands],
      kerf: dustBy(schools),
      portions: wanted.portions,
      splits: settled.splits,
      finishes: new Map([...finishes].map(([id, all]) => [id, finishingOf(all)])),
    },
    held,
    without: wanted.without,
    portions: wanted.portions,
    order: lot.order ?? [],
    stations: wanted.stations,
    closed: wanted.closed,
    schools,
    cuttingDay: lot.cuttingDay ?? null,
    crew: lot.crew ?? null,
    birdDay: lot.birdDay ?? null,
    raise: lot.raise ?? null,
    classes: lot.classes ?? null,
    hands,
    days: lot.days ?? anatomy.chain.days.usual,
    target: minor(lot.target ?? 0),
    aim: lot.aim ?? null,
    countsUnpaid: lot.unpaid ?? true,
    ending: lot.ending ?? 'exact',
    sharePrice: lot.sharePrice ?? null,
    terms: new Map(
      anatomy.cuts.map(({ id, kind, index: usual }) => [
        id,
        {
          index: index.get(id) ?? (kind === 'product' ? usual : 0),
          price: price.get(id) ?? null,
          lock: lock.get(id) ?? false,
          floor: floor.get(id) ?? null,
          ceiling: ceiling.get(id) ?? null,
          sold: sold.get(id) ?? (takenHome.has(id) ? 0 : 1),
          // What is taken home is not marked down: it brings nothing.
          rest: rest.get(id) ?? (takenHome.has(id) ? 0 : REST_BRINGS),
          finishes: finishes.get(id) ?? [],
          own: own.get(id) ?? null,
          given: given.get(id) ?? 0,
        },
      ]),
    ),
    dropped: [...dropped, ...settled.dropped],
  }
}

/** The ways a part takes on a side: one, or that of its front and that behind. */
function waysOf(anatomy: Anatomy, plan: Plan, part: string, side: SideName): Path[] {
  const find = lookup(anatomy)
  const ids = [
    plan.choices.paths.get(part, side) ?? find.part(part)!.fallback,
    plan.choices.splits?.get(part, side)?.path,
  ]
  return ids.flatMap((id) => (id === undefined ? [] : (find.path(id) ?? [])))
}

/**
 * Why a path cannot be taken on these sides under the plan as it stands, or null when it can: what slaughter closed,
 * a way of both sides asked of one, and ways of other parts that use the same bones or muscle.
 */
export function refusalOf(
  anatomy: Anatomy,
  plan: Plan,
  part: string,
  sides: readonly SideName[],
  pathId: string,
): Issue | null {
  const find = lookup(anatomy)
  const path = find.path(pathId)
  if (path?.part !== part) return issueOf('unknown-id', 'path', { kind: 'path', id: pathId })
  const partData = find.part(part)!
  const cut = sides.find((s) => plan.steps.get(part, s))
  const isRear = sides.some((s) => plan.choices.splits?.get(part, s)?.path === pathId)
  if (cut && !isRear && (plan.choices.paths.get(part, cut) ?? partData.fallback) !== pathId)
    return issueOf('step-done', 'path', { part: partData.names })
  if (plan.without.has(path.tool) && !cut) return issueOf('tool-gone', 'path', { tool: path.tool })
  const door = closed(anatomy, [...(partData.needs ?? []), ...(path.needs ?? [])], plan.conventions)
  if (door) return door
  const late = cut ? null : tooLate(anatomy, plan, path, sides)
  if (late) return late
  const gone = notHere(anatomy, plan.hangs, path, sides) ?? inTwo(anatomy, plan.half, pathId)
  if (gone) return gone
  if (path.pair && sides.length < 2) return issueOf('both-sides', 'path', {})
  if (!path.pair && sides.length < 2 && inOnePiece(anatomy, plan, part))
    return issueOf('in-one-piece', 'path', { part: partData.names })
  const companions = new Set(path.together?.map((t) => t.part))
  for (const side of sides) {
    for (const other of anatomy.parts) {
      if (other.id === part || other.scope !== partData.scope || companions.has(other.id)) continue
      for (const taken of waysOf(anatomy, plan, other.id, side)) {
        const clash =
          path.excludes?.find((x) => x.path === taken.id) ?? taken.excludes?.find((x) => x.path === path.id)
        if (clash)
          return issueOf('shut-out', 'path', { reason: clash.reason, part: other.id, path: taken.id })
      }
    }
  }
  return null
}

/** A part that this way would free whole, through which a line was cut already; null where it is freed, or can still be. */
function tooLate(anatomy: Anatomy, plan: Plan, path: Path, sides: readonly SideName[]): Issue | null {
  const isCut = (line: string) =>
    plan.steps.has('break', 'animal') || plan.steps.has(`line-${line}`, 'animal')
  for (const x of path.extracts ?? [])
    for (const side of sides) {
      const frees = (p: Path) => p.extracts?.some((y) => y.part === x.part) ?? false
      if (anatomy.parts.some((p) => waysOf(anatomy, plan, p.id, side).some(frees))) continue
      const { at } = linePositions(anatomy, (l) => plan.choices.lines.get(l.id, side))
      if (linesThrough(anatomy, x.part, at).some((l) => isCut(l.id)))
        return issueOf('cut-through', 'path', { part: lookup(anatomy).part(x.part)!.names })
    }
  return null
}

/** Conventions as they stand, said or usual. */
export const conventionsOf = (anatomy: Anatomy, state: Conventions) =>
  anatomy.conventions.map((convention) => ({ convention, is: conventionIn(convention, state) }))
