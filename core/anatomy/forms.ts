import { refuse, type Outcome } from '#core/measure'
import { broughtUp } from '#core/records'
import { anatomy as hog } from './hog/index.ts'
import type { Anatomy, Graded, MapShape, SidesMap, Species } from './types.ts'
import { withUncut } from './uncut.ts'
import { validateAnatomy } from './validate.ts'

/** The form anatomies are pinned in today. A pin is kept as it was written and brought up whenever it is read. */
export const ANATOMY_FORM = 6

type Loose = Record<string, unknown>
const list = (value: unknown): Loose[] => (Array.isArray(value) ? (value as Loose[]) : [])

/** The first form had no doors, the second no number. */
function formOf(body: Loose): number {
  if (typeof body.form === 'number') return body.form
  return Array.isArray(body.conventions) ? 2 : 1
}

const NEEDS: Record<string, string[]> = { skin: ['skin'], feet: ['skin'], head: ['head'] }
const needsUp = (x: Loose) => (x.needs === undefined ? {} : { needs: NEEDS[String(x.needs)] })

/** Lines lay at a number of segments from the head end. */
function linesUp(body: Loose): Loose[] {
  const axis = list(body.axis)
  const landmark = (at: number) => (at === 0 ? 'start' : at >= axis.length ? 'end' : String(axis[at - 1]!.id))
  return list(body.lines).map((l) => ({
    ...l,
    kind: 'across',
    settings: list(l.settings).map((s) => ({ ...s, at: landmark(Number(s.at)) })),
  }))
}

/** Bands hung or not by the need of the part they belong to: a head or a hide takes its own off. */
function conventionsUp(body: Loose) {
  const needs = new Map(list(body.parts).map((p) => [p.id, p.needs]))
  const bandsOf = (need: string) =>
    list(body.bands)
      .filter((b) => needs.get(list(b.spans)[0]!.part) === need)
      .map((b) => String(b.id))
  const skin = hog.conventions.find((c) => c.id === 'skin')!
  const head = hog.conventions.find((c) => c.id === 'head')!
  return [
    {
      ...skin,
      removes: [
        { bands: 'all', tissues: ['skin'], share: 1 },
        { bands: ['outer'], tissues: ['fat'], share: 0.07 },
        { bands: bandsOf('feet'), tissues: 'all', share: 1 },
      ],
    },
    { ...head, removes: [{ bands: bandsOf('head'), tissues: 'all', share: 1 }] },
  ]
}

interface OldProcess {
  name: string
  added: number
  yield: number
}
const processUp = ({ name, added, yield: left }: OldProcess) => ({
  inflows: [{ name, share: added }],
  yield: left,
})

function pathsUp(body: Loose): Loose[] {
  return list(body.paths).map(({ extracts, ...p }) => ({
    ...p,
    ...needsUp(p),
    tool: 'none',
    ...(Array.isArray(extracts) && { extracts: extracts.map((part: string) => ({ part })) }),
    outputs: list(p.outputs).map((o) =>
      o.process ? { ...o, process: processUp(o.process as OldProcess) } : o,
    ),
  }))
}

/** Today's drawing of a hog, on the lines and parts there were. */
function mapUp(parts: ReadonlySet<unknown>): SidesMap {
  const LINES: Record<string, string> = { 'sirloin-line': 'leg-line', 'rib-end-line': 'shoulder-line' }
  const today = hog.map as SidesMap
  const moved = (value: unknown): unknown => {
    if (typeof value !== 'object' || value === null) return value
    const { line } = value as { line?: string }
    if (line === 'belly-line') return { from: 'eye', to: 'belly', share: 0.2 }
    if (line !== undefined) return { ...value, line: LINES[line] ?? line }
    return Object.fromEntries(Object.entries(value).map(([k, v]) => [k, moved(v)]))
  }
  const shapes = today.shapes
    .filter((s) => s.parts.some((p) => parts.has(p)))
    .map((s) => ({
      ...s,
      from: moved(s.from),
      to: moved(s.to),
      left: moved(s.left),
      right: moved(s.right),
      ...(s.label && { label: moved(s.label) }),
    }))
  return { ...today, shapes: shapes as MapShape[] }
}

/** The first hog: no doors but skin and head, no trim levels, lines by number, every way from every span. */
function fromFirst(body: Loose): Loose {
  const { dressings, ...chain } = body.chain as Loose
  const usual = list(dressings).find((d) => d.skin && !d.head)!
  return {
    ...body,
    chain: {
      ...chain,
      dressing: { mean: usual.mean, sd: usual.sd },
      days: hog.chain.days,
      tapeDivisor: hog.chain.tapeDivisor,
    },
    ribs: null,
    lines: linesUp(body),
    parts: list(body.parts).map((p) => ({ ...p, ...needsUp(p) })),
    paths: pathsUp(body),
    conventions: conventionsUp(body),
    live: [],
    measures: [],
    trim: hog.trim,
    roles: { fat: 'back-fat', trim: 'ground-pork', discard: 'inedible', loss: 'cutting-loss' },
    map: mapUp(new Set(list(body.parts).map((p) => p.id))),
    sources: {},
  }
}

type Shares = Record<string, number>
const seamed = (shares: Shares): Shares => ({ ...shares, seam: shares.lean! })

/** Form 3 knew one kind of fat: it lies outside, and what would follow the lean is none. */
function fromThird(body: Loose): Loose {
  const trim = Object.entries(body.trim as Record<string, Shares>).map(([level, t]) => [
    level,
    { ...t, seam: 0, hard: 0 },
  ])
  return {
    ...body,
    form: 4,
    types: [],
    chain: { ...(body.chain as Loose), common: { shrink: 0, dressing: 0, chill: 0 } },
    spread: { ...(body.spread as Shares), place: 0.04 },
    trim: Object.fromEntries(trim) as Loose,
    bands: list(body.bands).map((b) => ({
      ...b,
      tissue: { ...(b.tissue as Shares), seam: 0 },
      along: { ...(b.along as Record<string, number[]>), seam: (b.along as Record<string, number[]>).fat },
    })),
    parts: list(body.parts).map((p) => {
      const off = p.offCarcass as { share: number; tissue: Shares } | undefined
      return off ? { ...p, offCarcass: { ...off, tissue: { ...off.tissue, seam: 0 } } } : p
    }),
    paths: list(body.paths).map((p) => ({ ...p, outputs: list(p.outputs).map((o) => seamed(o as Shares)) })),
  }
}

/** Until form 5 knife and grade stood in the program, by species. */
const KNIFE: Record<string, { toTrim: number; besideMm: number }> = {
  steer: { toTrim: 0.11, besideMm: 6 },
  hog: { toTrim: 0.105, besideMm: 5 },
  lamb: { toTrim: 0.075, besideMm: 4 },
  broiler: { toTrim: 0.09, besideMm: 3 },
}
const GRADED: Record<string, Graded> = {
  hog: { by: 'pork', lb: [120, 300] },
  steer: { by: 'beef', lb: [450, 1100] },
  lamb: { by: 'lamb', lb: [30, 110] },
}
const fromFourth =
  (today: Today) =>
  (body: Loose): Loose => {
    const species = body.species as Species
    const { house, also, quarters } = today[species]
    const up = {
      ...body,
      form: 5,
      spread: { ...(body.spread as Shares), ...KNIFE[species] },
      graded: GRADED[species] ?? null,
      quarters,
      house,
      also,
    }
    return withUncut(up as unknown as Anatomy) as unknown as Loose
  }

/** What of today's anatomies an older one is read with: plans and words, no figures. */
export type Today = Readonly<Record<Species, Pick<Anatomy, 'house' | 'also' | 'quarters'>>>

const stepsUp = (today: Today) => ({
  1: fromFirst,
  2: (body: Loose) => ({ ...body, form: 3 }),
  3: fromThird,
  4: fromFourth(today),
  // Form 5 knew stretches by shares only, and one chill for every weight: what it says is as it was.
  5: (body: Loose) => ({ ...body, form: 6 }),
})

/**
 * An anatomy from outside or from long ago, in today's form and sound, or what is wrong with it. Kilograms per cut
 * under a plan are those it gave when it was written; pieces, intervals and minutes follow today's rules.
 */
export function readAnatomy(body: unknown, today: Today): Outcome<{ anatomy: Anatomy; form: number }> {
  const unfit = (what: string) => refuse('own-unsound', 'anatomy', { where: 'anatomy', what })
  try {
    const form = formOf(body as Loose)
    if (form > ANATOMY_FORM) return unfit(`is of form ${form}, and this Ekko reads ${ANATOMY_FORM}`)
    const anatomy = broughtUp(body as Loose, form, stepsUp(today)) as unknown as Anatomy
    const found = validateAnatomy(anatomy)[0]
    return found ? unfit(`${found.where} ${found.what}`) : { ok: true, value: { anatomy, form } }
  } catch {
    return unfit('has not the form of an anatomy')
  }
}
