import { bundleSchema, BUNDLE_VERSION, kindFormsSchema, type Bundle, type Lot } from '#contracts'
import { extendAnatomy, readAnatomy, type Anatomy } from '#core/anatomy'
import { ANATOMIES } from '#core/species'
import { gramsOf, issueOf, refuse, type Issue, type Outcome } from '#core/measure'
import { sayIssue } from '#contracts/said'
import { readPaper } from '#core/papers'
import { checkDecisions, NO_LOG, strangersIn, unknownFact } from '#core/plan'
import {
  anatomiesOf,
  animalsIn,
  livingOf,
  broughtUp,
  picturesOf,
  childrenOf,
  constituentsOf,
  CONTENT_STEPS,
  readBy,
  subjectOf,
  unheldIn,
  unitsOf,
  type Correctable,
  type Group,
} from '#core/records'
import { hashOfBytes } from '../database/shelf.ts'
import { digestOf } from '../store/outcomes.ts'
import { formsIn, kindsUp, strangeForms } from './kinds.ts'
import './issues.ts'

const fault = (where: string, reason: string): Issue => issueOf('bundle-damaged', where, { where, reason })
const damaged = (reason: string) => refuse('bundle-damaged', 'bundle', { where: '', reason })
/** As many faults as a person reads; the first ones tell what kind of damage it is. */
const MOST_FAULTS = 20
const NO_FORMS = { fact: {}, decision: {}, event: {}, sheet: {} }

/**
 * Reads a farm bundle, all or nothing, or lists what is wrong with it: cut off, altered, of another version, or rows that
 * could never have been kept here. What a page may not send, a bundle may not hold.
 */
export function readBundle(text: string): Outcome<Bundle> {
  let raw: { format?: unknown; version?: unknown; kinds?: unknown; digest?: unknown; content?: unknown }
  try {
    raw = JSON.parse(text) as typeof raw
  } catch {
    return damaged('it is not whole JSON, perhaps cut off')
  }
  if (raw?.format !== 'ekko-farm') return damaged('it is not a farm bundle')
  const version = Number(raw.version)
  if (!(version in CONTENT_STEPS) && version !== BUNDLE_VERSION)
    return refuse('bundle-version', 'bundle', { version: String(raw.version), reads: BUNDLE_VERSION })
  if (digestOf(raw.content ?? null) !== raw.digest) return damaged('its content does not match its digest')
  const unheld = unheldIn(raw.content)
  if (unheld) return { ok: false, issues: [fault(unheld.join('.'), 'it holds a sign that cannot be kept')] }
  const head = kindFormsSchema.partial().safeParse(raw.kinds ?? {})
  if (!head.success) return damaged('its head does not say which kinds of record it holds')
  const strange = strangeForms(head.data)
  if (strange.length > 0) return { ok: false, issues: strange.slice(0, MOST_FAULTS) }
  let content: Record<string, unknown>
  try {
    content = broughtUp(raw.content as Record<string, unknown>, version, CONTENT_STEPS)
    kindsUp(content, head.data)
  } catch {
    return damaged(`it has not the form of a bundle of version ${version}`)
  }
  const out = bundleSchema.safeParse({
    format: 'ekko-farm',
    version: BUNDLE_VERSION,
    kinds: NO_FORMS,
    digest: String(raw.digest),
    content,
  })
  if (!out.success)
    return {
      ok: false,
      issues: out.error.issues
        .slice(0, MOST_FAULTS)
        .map((i) => fault(i.path.slice(1).join('.') || 'content', i.message)),
    }
  const issues = faultsIn(out.data.content)
  if (issues.length > 0) return { ok: false, issues: issues.slice(0, MOST_FAULTS) }
  // Ids in capitals were read as small letters: what is kept is what was read.
  const read = out.data.content
  return { ok: true, value: { ...out.data, kinds: formsIn(read), digest: digestOf(read) } }
}

type Content = Bundle['content']

/** Rows with an id that another row of their kind has. */
function twice(ids: [where: string, id: string][]): Issue[] {
  const seen = new Set<string>()
  return ids.flatMap(([where, id]) => {
    if (!seen.has(id)) return seen.add(id) && []
    return [fault(where, `another has the id ${id.slice(0, 8)}…`)]
  })
}

function faultsIn(content: Content): Issue[] {
  const { lots, plans, sheets, packEvents, papers, own, anatomies, attachments } = content
  const pins = new Map<string, Anatomy>()
  const each = <T>(rows: readonly T[], name: string, id: (row: T) => string) =>
    rows.map((row, i): [string, string] => [`${name}.${i}`, id(row)])
  const inLots = (list: 'weighings' | 'packs' | 'commands' | 'facts' | 'groups') =>
    lots.flatMap((l, i) => l[list].map((row, k): [string, string] => [`lots.${i}.${list}.${k}`, row.id]))
  const lotIds = new Set(lots.map((l) => l.id))
  return [
    ...Object.entries(anatomies).flatMap(([hash, body]) => {
      const where = `anatomies.${hash.slice(0, 8)}`
      if (digestOf(body) !== hash) return [fault(where, 'it was altered')]
      const read = readAnatomy(body, ANATOMIES)
      if (!read.ok) return read.issues.map((i) => fault(where, sayIssue(i)))
      pins.set(hash, read.value.anatomy)
      return []
    }),
    ...twice(each(lots, 'lots', (l) => l.id)),
    ...twice(each(plans, 'plans', (p) => p.id)),
    ...twice(each(sheets, 'sheets', (s) => s.id)),
    ...twice(each(papers, 'papers', (p) => p.id)),
    ...twice(each(packEvents, 'packEvents', (e) => e.id)),
    ...twice(each(own, 'own', (o) => `${o.body.species} ${o.version}`)),
    ...(['weighings', 'packs', 'commands', 'facts', 'groups'] as const).flatMap((l) => twice(inLots(l))),
    ...Object.entries(attachments).flatMap(([hash, bytes]) =>
      hashOfBytes(Buffer.from(bytes, 'base64')) === hash
        ? []
        : [fault(`attachments.${hash.slice(0, 8)}`, 'it was altered')],
    ),
    ...numberFaults(content),
    ...papers.flatMap((p, i) => [
      ...(lotIds.has(p.lot) ? [] : [fault(`papers.${i}`, 'it names a lot that is not in the bundle')]),
      ...(readPaper(p).error?.issues ?? [])
        .slice(0, 1)
        .map((x) => fault(`papers.${i}`, `it is no ${p.kind}: ${x.path.join('.')}`)),
    ]),
    ...plans.flatMap((p, i) => planFault(content, [...pins.values()], p.body, `plans.${i}`)),
    ...lots.flatMap((lot, i) =>
      lotFaults(lot, pins, new Set([...Object.keys(attachments), ...(content.lost ?? [])]), `lots.${i}`),
    ),
  ]
}

/** No two packs have one number; what was opened, voided or put away was made, and by its own lot. */
function numberFaults({ lots, packEvents }: Content): Issue[] {
  const made = new Set<number>()
  const all = lots.map((l) => unitsOf(l.packs, l.facts).map((u) => u.number))
  return [
    ...lots.flatMap((lot, i) => {
      const own = new Set(all[i])
      const again = all[i]!.filter((n) => made.has(n) || !made.add(n))
      const unmade = lot.packs.flatMap((p, k) => {
        const at = `lots.${i}.packs.${k}`
        const isNumbered = (p.packs > 0 && p.stands) === (p.number !== null)
        const strange = p.outOf?.find((n) => !own.has(n))
        return [
          ...(isNumbered ? [] : [fault(at, 'it has no number, or one too many')]),
          ...(strange === undefined
            ? []
            : [fault(at, `it was made of pack ${strange}, which its lot has not`)]),
        ]
      })
      const voided = lot.facts.flatMap(({ fact }, k) =>
        fact.kind === 'void' && !own.has(fact.pack)
          ? [fault(`lots.${i}.facts.${k}`, `its lot has no pack ${fact.pack}`)]
          : [],
      )
      return [
        ...again.slice(0, 1).map((n) => fault(`lots.${i}.packs`, `another pack has the number ${n}`)),
        ...unmade,
        ...voided,
      ]
    }),
    ...packEvents.flatMap((e, i) =>
      made.has(e.number) ? [] : [fault(`packEvents.${i}`, `there is no pack ${e.number}`)],
    ),
  ]
}

/** A plan may be older than today's figures: some animal of its species, ours, the farm's own or one that hangs, has what it names. */
function planFault(
  content: Content,
  pins: readonly Anatomy[],
  body: Content['plans'][number]['body'],
  where: string,
): Issue[] {
  const ours = ANATOMIES[body.species]
  const own = content.own.flatMap((o) => {
    const extended = o.body.species === body.species ? extendAnatomy(ours, o.body) : null
    return extended?.ok ? [extended.value] : []
  })
  const hung = pins.filter((a) => a.species === body.species)
  let least: Issue[] | null = null
  for (const anatomy of [ours, ...own, ...hung]) {
    const strangers = strangersIn(anatomy, body)
    if (strangers.length === 0) return []
    if (!least || strangers.length < least.length) least = strangers
  }
  return (least ?? []).map((issue) => fault(`${where}.${issue.field}`, sayIssue(issue)))
}

function lotFaults(
  lot: Lot,
  pins: ReadonlyMap<string, Anatomy>,
  attachments: ReadonlySet<string>,
  where: string,
): Issue[] {
  const found = anatomiesOf(lot).map((hash) => pins.get(hash))
  const known = found.flatMap((a) => a ?? [])
  if (known.length < found.length) return [fault(where, `it names an anatomy that is not in the bundle`)]
  const other = known.find((a) => a.species !== lot.species)
  if (other) return [fault(where, `a ${lot.species} with the anatomy of a ${other.species}`)]
  const now = pins.get(readBy(lot))!
  const cuts = new Set(now.cuts.map((c) => c.id))
  return [
    ...groupFaults(lot, where),
    ...revisionFaults(lot, where),
    ...weightFaults(lot.weighings, `${where}.weighings`),
    ...weightFaults(lot.packs, `${where}.packs`),
    ...lot.packs.flatMap((p, k) =>
      cuts.has(p.cut) ? [] : [fault(`${where}.packs.${k}`, `its animal has no cut “${p.cut}”`)],
    ),
    ...decisionFaults(lot, pins, `${where}.commands`),
    ...factFaults(lot, now, attachments, `${where}.facts`),
  ]
}

/** One group that is all of the lot; what it was split into is all of it, what was put together is all of those. */
function groupFaults({ groups, count, facts }: Lot, where: string): Issue[] {
  const at = `${where}.groups`
  const tops = groups.filter((g) => g.parent === null)
  if (tops.length !== 1 || tops[0]!.animals !== count || tops[0]!.half)
    return [fault(at, 'they are not the lot')]
  const ids = new Map(groups.map((g) => [g.id, g]))
  const joined = groups.flatMap((g) => g.joins)
  const sum = (of: readonly Group[]) => of.reduce((n, g) => n + animalsIn(g), 0)
  // What was lost of a group before it was split is in none of those it became.
  const lost = (g: Group) =>
    sum([g]) - sum([{ ...livingOf([{ ...g, parent: null, joins: [] }], facts)[0]!, half: g.half }])
  return groups.flatMap((g) => {
    const named = [...(g.parent === null ? [] : [g.parent]), ...g.joins]
    const children = childrenOf(groups, g.id)
    const parts = constituentsOf(groups, g)
    const isWhole =
      named.every((id) => (ids.get(id)?.rev ?? g.rev) < g.rev) &&
      new Set(joined).size === joined.length &&
      (children.length === 0 || sum(children) === animalsIn(g) - lost(g)) &&
      (parts.length === 0 || sum(parts) - parts.reduce((n, x) => n + lost(x), 0) === animalsIn(g))
    return isWhole ? [] : [fault(at, `a group of ${g.animals} that does not add up`)]
  })
}

/** Every record has a revision of its own, in the order of its list, and none is above the lot's; its group is the lot's. */
function revisionFaults(lot: Lot, where: string): Issue[] {
  const seen = new Set<number>()
  const groups = new Set(lot.groups.map((g) => g.id))
  return (['weighings', 'packs', 'commands', 'facts'] as const).flatMap((list) => {
    let last = 0
    return lot[list].flatMap((row, k) => {
      const wrong = row.rev <= last || row.rev > lot.rev || seen.has(row.rev)
      last = row.rev
      seen.add(row.rev)
      const at = `${where}.${list}.${k}`
      return [
        ...(wrong ? [fault(at, 'its number is not above the one before, or another has it')] : []),
        ...(groups.has(row.group) ? [] : [fault(at, 'it names a group the lot has not')]),
      ]
    })
  })
}

/** A correction after what it corrects, and only one. */
function correctionFaults(rows: readonly Correctable[], where: string): Issue[] {
  const standing = new Set<string>()
  return rows.flatMap((row, k) => {
    const wrong =
      row.corrects !== null && !standing.delete(row.corrects)
        ? [fault(`${where}.${k}`, 'it corrects a row that is not there, or was corrected before')]
        : []
    standing.add(row.id)
    return wrong
  })
}

/** Weights as they could have been kept: grams as shown. */
const weightFaults = (rows: Lot['weighings'] | Lot['packs'], where: string): Issue[] => [
  ...correctionFaults(rows, where),
  ...rows.flatMap((row, k) =>
    gramsOf(row.shown) === row.grams
      ? []
      : [fault(`${where}.${k}`, `${row.shown.value} ${row.shown.unit} is not ${row.grams} g`)],
  ),
]

function factFaults(lot: Lot, anatomy: Anatomy, attachments: ReadonlySet<string>, where: string): Issue[] {
  const subjects = new Map(lot.facts.map((f) => [f.id, subjectOf(f.fact)]))
  return [
    ...correctionFaults(lot.facts, where),
    ...lot.facts.flatMap(({ fact, corrects, stands }, k) => {
      const at = `${where}.${k}`
      const issue = stands ? unknownFact(anatomy, fact) : null
      const stray = corrects !== null && subjects.get(corrects) !== subjectOf(fact)
      const bare = picturesOf(fact).some((p) => !attachments.has(p.hash))
      return [
        ...(issue ? [fault(at, sayIssue(issue))] : []),
        ...(stray ? [fault(at, 'it corrects a fact about something else')] : []),
        ...(bare ? [fault(at, 'its bytes are not in the bundle')] : []),
      ]
    }),
  ]
}

/** Each decision by the anatomy that the lot was read by when it was taken. */
function decisionFaults(lot: Lot, pins: ReadonlyMap<string, Anatomy>, where: string): Issue[] {
  const batches = new Set<string>()
  return lot.commands.flatMap((c, k) => {
    const at = `${where}.${k}`
    const then = readBy({ anatomy: lot.anatomy, commands: lot.commands.slice(0, k) })
    const wrong = checkDecisions(pins.get(then)!, NO_LOG, [c.decision], true).map((i) =>
      fault(at, sayIssue(i)),
    )
    const other = c.undoes ?? c.redoes
    if (other !== null && !batches.has(other))
      wrong.push(fault(at, 'it takes back a batch that is not there'))
    if (c.undoes !== null && c.redoes !== null)
      wrong.push(fault(at, 'it takes a batch back and brings one back'))
    batches.add(c.batch)
    return wrong
  })
}
