import { bundleSchema, BUNDLE_VERSION, type Bundle, type Lot } from '#contracts'
import { ANATOMIES, extendAnatomy, validateAnatomy, type Anatomy } from '#core/anatomy'
import { gramsOf, refuse, sayIssue, type Issue, type Outcome } from '#core/measure'
import { checkDecisions, strangersIn } from '#core/plan'
import { unheldIn } from '#core/records'
import { digestOf } from './store/operations.ts'

const fault = (where: string, reason: string): Issue => ({
  code: 'bundle-damaged',
  field: where,
  figures: { where, reason },
})
const damaged = (reason: string) => refuse('bundle-damaged', 'bundle', { reason })
/** As many faults as a person reads; the first ones tell what kind of damage it is. */
const MOST_FAULTS = 20

/** What is wrong with an anatomy from outside, which may not even have an anatomy's form; null when sound. */
function faultOf(body: unknown): string | null {
  try {
    const found = validateAnatomy(body as Anatomy)[0]
    return found ? `${found.where} ${found.what}` : null
  } catch {
    return 'it has not the form of an anatomy'
  }
}

interface LooseContent {
  farm: object | null
  plans: object[]
  papers: { kind?: unknown; data?: { share?: unknown } }[]
}
const SHARE_OF_WORD: Record<string, number> = { half: 2, quarter: 4 }
/** Version 2 knew no revisions, and a letter's share only in its words. */
function fromVersion2(content: LooseContent): object {
  const first = { revision: 1 }
  return {
    ...content,
    farm: content.farm && { ...content.farm, ...first },
    plans: content.plans.map((p) => ({ ...p, ...first })),
    papers: content.papers.map((p) => ({
      ...p,
      share: (p.kind === 'letter' && SHARE_OF_WORD[String(p.data?.share)]) || 1,
    })),
  }
}

/**
 * Reads a farm bundle, all or nothing, or lists what is wrong with it: cut off, altered, of another version, or rows that
 * could never have been kept here. What a page may not send, a bundle may not hold.
 */
export function readBundle(text: string): Outcome<Bundle> {
  let raw: { format?: unknown; version?: unknown; digest?: unknown; content?: unknown }
  try {
    raw = JSON.parse(text) as typeof raw
  } catch {
    return damaged('it is not whole JSON, perhaps cut off')
  }
  if (raw?.format !== 'ekko-farm') return damaged('it is not a farm bundle')
  if (raw.version !== BUNDLE_VERSION && raw.version !== 2)
    return refuse('bundle-version', 'bundle', { version: String(raw.version), reads: BUNDLE_VERSION })
  if (digestOf(raw.content ?? null) !== raw.digest) return damaged('its content does not match its digest')
  const unheld = unheldIn(raw.content)
  if (unheld) return { ok: false, issues: [fault(unheld.join('.'), 'it holds a sign that cannot be kept')] }
  let content = raw.content
  try {
    if (raw.version === 2) content = fromVersion2(raw.content as LooseContent)
  } catch {
    return damaged('it has not the form of a bundle of version 2')
  }
  const out = bundleSchema.safeParse({
    format: 'ekko-farm',
    version: BUNDLE_VERSION,
    digest: raw.version === 2 ? digestOf(content) : raw.digest,
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
  return { ok: true, value: { ...out.data, digest: digestOf(out.data.content) } }
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
  const { lots, plans, papers, own, anatomies } = content
  const each = <T>(rows: readonly T[], name: string, id: (row: T) => string) =>
    rows.map((row, i): [string, string] => [`${name}.${i}`, id(row)])
  const inLots = <T>(list: 'weighings' | 'packs' | 'commands', id: (row: Lot[typeof list][number]) => T) =>
    lots.flatMap((l, i) => l[list].map((row, k): [string, T] => [`lots.${i}.${list}.${k}`, id(row)]))
  const lotIds = new Set(lots.map((l) => l.id))
  return [
    ...Object.entries(anatomies).flatMap(([hash, body]) => {
      const where = `anatomies.${hash.slice(0, 8)}`
      if (digestOf(body) !== hash) return [fault(where, 'it was altered')]
      const found = faultOf(body)
      return found ? [fault(where, found)] : []
    }),
    ...twice(each(lots, 'lots', (l) => l.id)),
    ...twice(each(plans, 'plans', (p) => p.id)),
    ...twice(each(papers, 'papers', (p) => p.id)),
    ...twice(each(own, 'own', (o) => `${o.body.species} ${o.version}`)),
    ...twice(inLots('weighings', (w) => w.id)),
    ...twice(inLots('packs', (p) => p.id)),
    ...twice(inLots('commands', (c) => c.id)),
    ...twice(inLots('commands', (c) => `number ${(c as Lot['commands'][number]).seq}`)),
    ...twice(
      lots.flatMap((l, i) =>
        [...new Set(l.commands.map((c) => c.batch))].map((b): [string, string] => [`lots.${i}.commands`, b]),
      ),
    ),
    ...papers.flatMap((p, i) => [
      ...(lotIds.has(p.lot) ? [] : [fault(`papers.${i}`, 'it names a lot that is not in the bundle')]),
      ...(p.data.kind === p.kind ? [] : [fault(`papers.${i}`, `it is no ${p.kind}`)]),
    ]),
    ...plans.flatMap((p, i) => planFault(content, p.body, `plans.${i}`)),
    ...lots.flatMap((lot, i) => lotFaults(lot, anatomies[lot.anatomy] as Anatomy | undefined, `lots.${i}`)),
  ]
}

/** A plan may be older than today's figures: some animal of its species, ours, the farm's own or one that hangs, has what it names. */
function planFault(content: Content, body: Content['plans'][number]['body'], where: string): Issue[] {
  const ours = ANATOMIES[body.species]
  const own = content.own.flatMap((o) => {
    const extended = o.body.species === body.species ? extendAnatomy(ours, o.body) : null
    return extended?.ok ? [extended.value] : []
  })
  const hung = (Object.values(content.anatomies) as unknown as Anatomy[]).filter(
    (a) => a.species === body.species,
  )
  let least: Issue[] | null = null
  for (const anatomy of [ours, ...own, ...hung]) {
    const strangers = strangersIn(anatomy, body)
    if (strangers.length === 0) return []
    if (!least || strangers.length < least.length) least = strangers
  }
  return (least ?? []).map((issue) => fault(`${where}.${issue.field}`, sayIssue(issue)))
}

function lotFaults(lot: Lot, anatomy: Anatomy | undefined, where: string): Issue[] {
  if (!anatomy) return [fault(where, `it names an anatomy that is not in the bundle`)]
  if (anatomy.species !== lot.species)
    return [fault(where, `a ${lot.species} with the anatomy of a ${anatomy.species}`)]
  const cuts = new Set(anatomy.cuts.map((c) => c.id))
  return [
    ...weightFaults(lot.weighings, `${where}.weighings`),
    ...weightFaults(lot.packs, `${where}.packs`),
    ...lot.packs.flatMap((p, k) =>
      cuts.has(p.cut) ? [] : [fault(`${where}.packs.${k}`, `its animal has no cut “${p.cut}”`)],
    ),
    ...decisionFaults(lot, anatomy, `${where}.commands`),
  ]
}

/** Weights as they could have been kept: grams as shown, a correction after what it corrects, and only one. */
function weightFaults(rows: Lot['weighings'] | Lot['packs'], where: string): Issue[] {
  const standing = new Set<string>()
  return rows.flatMap((row, k) => {
    const at = `${where}.${k}`
    const wrong =
      gramsOf(row.shown) !== row.grams
        ? [fault(at, `${row.shown.value} ${row.shown.unit} is not ${row.grams} g`)]
        : []
    if (row.corrects !== null && !standing.delete(row.corrects))
      wrong.push(fault(at, 'it corrects a row that is not there, or was corrected before'))
    standing.add(row.id)
    return wrong
  })
}

function decisionFaults(lot: Lot, anatomy: Anatomy, where: string): Issue[] {
  const batches = new Set<string>()
  let last = -1
  return lot.commands.flatMap((c, k) => {
    const at = `${where}.${k}`
    const wrong = checkDecisions(anatomy, [], [c.decision], true).map((i) => fault(at, sayIssue(i)))
    if (c.seq <= last) wrong.push(fault(at, 'its number is not above the one before'))
    last = c.seq
    const other = c.undoes ?? c.redoes
    if (other !== null && !batches.has(other))
      wrong.push(fault(at, 'it takes back a batch that is not there'))
    if (c.undoes !== null && c.redoes !== null)
      wrong.push(fault(at, 'it takes a batch back and brings one back'))
    batches.add(c.batch)
    return wrong
  })
}
