import { USUAL_PACK } from '#core/records'
import { names } from './names.ts'
import {
  NAMED_TISSUES,
  TISSUES,
  withSeam,
  type AnimalType,
  type Band,
  type CompositionRow,
  type Cut,
  type CutKind,
  type Destination,
  type NamedShares,
  type Part,
  type Path,
  type PathOutput,
  type Portion,
  type Process,
  type Segment,
  type Span,
  type Tissue,
  type TissueShares,
  type Tool,
} from './types.ts'

export { names } from './names.ts'

/** How species data is written, so that a row of the trade is a row of the file. */

/** `lean/fat/bone/skin` in percent; what is left out is 0. `lean:seam` where seam fat is not as the lean. */
export function percents(text: string): TissueShares {
  const figures = text.split('/').map((x) => x.split(':').map((y) => Number(y) / 100))
  const named = Object.fromEntries(NAMED_TISSUES.map((t, i) => [t, figures[i]?.[0] ?? 0]))
  return { ...withSeam(named as NamedShares), ...(figures[0]?.[1] !== undefined && { seam: figures[0][1] }) }
}

/** Tissue of cells, `lean/fat/bone/skin/seam` in percent of the carcass. */
export function cells(text: string): TissueShares {
  const figures = text.split('/').map((x) => Number(x) / 100)
  return Object.fromEntries(TISSUES.map((t, i) => [t, figures[i] ?? 0])) as TissueShares
}

export const segments = (id: string, count: number, mm: (i: number) => number): Segment[] =>
  Array.from({ length: count }, (_, i) => ({
    id: `${id} ${i + 1}`,
    mm: mm(i),
    ...(id === 'rib' && { rib: i + 1 }),
  }))

/** Mass per mm by region of the axis, as `rib 1 lumbar 0.9`; a region is a segment's id without its number. */
type Density = string
function densityOf(text: Density): (segment: Segment) => number {
  const figures = new Map([...text.matchAll(/([a-z][a-z ]*?) ([\d.]+)/g)].map((m) => [m[1]!, Number(m[2])]))
  return (segment) => figures.get(segment.id) ?? figures.get(segment.id.replace(/ \d+$/, '')) ?? 0
}

/** Bands on an axis. Spans are written `part < line, part < line, part`; `part < line (far < long line)` hands on, `(far < long line from rib 5)` only behind there. */
export function bandsOn(axis: readonly Segment[]) {
  const along = (density: Density) => {
    const weights = axis.map((s) => s.mm * densityOf(density)(s))
    const sum = weights.reduce((a, b) => a + b, 0)
    return weights.map((w) => w / sum)
  }
  const all = [...new Set(axis.map((s) => s.id.replace(/ \d+$/, '')))].map((id) => `${id} 1`).join(' ')
  return (
    id: string,
    tissue: string,
    spans: string,
    density: Density | Partial<Record<Tissue, Density>> = all,
    more: Pick<Band, 'fromMm' | 'toMm' | 'depot'> = {},
  ): Band => ({
    id,
    tissue: cells(tissue),
    along: Object.fromEntries(
      TISSUES.map((t) => [
        t,
        along(
          typeof density === 'string'
            ? density
            : (density[t] ?? (t === 'seam' ? density.fat : undefined) ?? density.lean!),
        ),
      ]),
    ) as Record<Tissue, number[]>,
    ...more,
    spans: spans.split(',').map((text): Span => {
      const m = /^\s*([\w-]+)(?: < ([\w-]+))?(?: \(([\w-]+) < ([\w-]+)(?: from ([\w ]+))?\))?\s*$/.exec(text)!
      const far = { part: m[3]!, line: m[4]! }
      return {
        ...{ part: m[1]!, until: m[2] ?? 'end' },
        ...(m[3] && (m[5] ? { spills: { ...far, from: m[5] } } : { below: far })),
      }
    }),
  })
}

export const part = (id: string, words: string, fallback: string, more: Partial<Part> = {}): Part => ({
  id,
  names: names(words),
  scope: 'side',
  fallback,
  ...more,
})
/** A part of the live animal that is no carcass: share of fasted live weight, in percent. */
export const plucked = (id: string, words: string, fallback: string, percent: number, tissue = '100') =>
  part(id, words, fallback, {
    scope: 'animal',
    offCarcass: { share: percent / 100, tissue: cells(tissue) },
  })

export const sawn = (thicknessMm: number, perPack = 2, kerfMm = 1.2): Portion => ({
  kind: 'sawn',
  thicknessMm,
  kerfMm,
  perPack,
})
/** About so thick: the gauge is set so that it comes out. */
export const evenly = (thicknessMm: number, perPack = 2): Portion =>
  ({ ...sawn(thicknessMm, perPack), even: true }) as Portion
export const snapped = (perPack = 2): Portion => ({ kind: 'snapped', perPack })
export const roasts = (kg: number): Portion => ({ kind: 'roast', kg, perPack: 1 })
export const whole = (perSide = 1, perPack = 1): Portion => ({ kind: 'whole', perSide, perPack })
export const packs: Portion = { kind: 'pack', ...USUAL_PACK }

export const cutOf =
  (kind: CutKind) =>
  (
    id: string,
    words: string,
    destination: Destination,
    index: number,
    portion: Portion | null = null,
  ): Cut => ({
    id,
    names: names(words),
    destination,
    kind,
    index,
    portion,
  })

/** What a tool costs every tissue it meets in drip and scraps (the saw's dust is laid by the cut), and the caution that goes with it. */
const TOOL: Record<Tool, { loss: string; caution: string | null }> = {
  knife: { loss: '1.2/0.8/0.4', caution: 'Glove on the off hand; cut away from the body.' },
  saw: {
    loss: '1.3/0.9/1.2',
    caution:
      'Band saw: guard down, push plate, nobody beside the blade. Scrape the bone dust off every face.',
  },
  grinder: {
    loss: '1.2/0.8/0.4',
    caution:
      'Grinder: stomper only, never a hand. Keep the meat near freezing: warm fat smears and is unsafe.',
  },
  cure: {
    loss: '1.2/0.8/0.4',
    caution:
      'Weigh curing salt for this meat and product; excess nitrite is dangerous. Follow a tested recipe and the local limit.',
  },
  none: { loss: '0', caution: null },
}

/** Where what a way does not name goes in this species, and what its cured or seasoned cuts go through. */
export interface Kitchen {
  /** Minutes of the ways are written for a careful hand; a skilled one takes this share of them. */
  pace?: number
  /** Seam fat goes with the lean. */
  rest: Record<keyof NamedShares, string>
  loss: string
  processes: Record<string, Process>
}

export interface WayMore extends Partial<
  Pick<
    Path,
    | 'needs'
    | 'perKg'
    | 'leanest'
    | 'pair'
    | 'leaves'
    | 'extracts'
    | 'together'
    | 'excludes'
    | 'shutsOut'
    | 'caution'
  >
> {
  loss?: string
  rest?: Partial<Kitchen['rest']>
  /** How far cutters lie apart in a cut of this way, log SD, where it is more than a knife misses of a piece of its size. */
  sds?: Record<string, number>
}

/** `0-50`: the front half of a part's length; `-110mm`: its last 110 mm; nothing: no length of its own. */
function stretch(text: string): Pick<PathOutput, 'along' | 'last'> {
  const last = /^-(\d+)mm$/.exec(text)
  if (last) return { last: Number(last[1]) }
  const [from, to] = text.split('-').map((x) => Number(x) / 100)
  return { along: text === '' ? null : [from!, to!] }
}

/** `cut 92/30/90; cut@0-50 44/6; > part 5/4; …`: shares per tissue, and the stretch it is cut from; the remainder of each tissue goes to the kitchen's rest. */
function outputsOf(text: string, lost: TissueShares, kitchen: Kitchen, rest: WayMore['rest']): PathOutput[] {
  const rows = new Map<string, PathOutput>()
  const row = (id: string): PathOutput => {
    const isPart = id.startsWith('>')
    const name = id.replace(/^>\s*/, '')
    const process = kitchen.processes[name]
    const fresh: PathOutput = {
      ...(isPart ? { part: name } : { cut: name }),
      ...percents('0'),
      ...(process && { process }),
    }
    if (!rows.has(id)) rows.set(id, fresh)
    return rows.get(id)!
  }
  for (const piece of text.split(';').filter((x) => x.trim())) {
    const [, id, along, figures] = /^\s*((?:>\s*)?[\w-]+)(@[\dm-]*)?\s+([\d./:]+)\s*$/.exec(piece)!
    const given = percents(figures!)
    for (const t of TISSUES) row(id!)[t] += given[t]
    if (along) Object.assign(row(id!), stretch(along.slice(1)))
  }
  for (const t of TISSUES) {
    const left = 1 - lost[t] - [...rows.values()].reduce((s, r) => s + r[t], 0)
    if (Math.abs(left) > 1e-12) row({ ...kitchen.rest, ...rest }[t === 'seam' ? 'lean' : t])[t] += left
  }
  for (const t of TISSUES) row(kitchen.loss)[t] += lost[t]
  return [...rows.values()]
}

/** Ways to open a part: `way(id, destination, minutes, tool, names, outputs, steps, more)`. */
export function waysIn(kitchen: Kitchen) {
  const way =
    (
      id: string,
      destination: Destination,
      minutes: number,
      tool: Tool,
      words: string,
      outputs: string,
      steps: string,
      { loss, rest, sds = {}, ...more }: WayMore = {},
    ) =>
    (part: string): Path => {
      const caution = more.caution ?? TOOL[tool].caution
      return {
        id,
        part,
        names: names(words),
        destination,
        minutes: Math.round(minutes * (kitchen.pace ?? 1) * 4) / 4,
        tool,
        steps,
        ...more,
        ...(caution && { caution }),
        outputs: outputsOf(outputs, percents(loss ?? TOOL[tool].loss), kitchen, rest).map((o) => {
          const sd = sds[o.cut ?? '']
          return sd === undefined ? o : { ...o, sd }
        }),
      }
    }
  const of = (part: string, ...ways: ((part: string) => Path)[]) => ways.map((w) => w(part))
  return { way, of }
}

/** A row of a type's composition, `kg lean/fat/bone/skin` in percent of cold carcass. */
function rowOf(text: string): CompositionRow {
  const [weight, shares] = text.trim().split(' ')
  const [lean = 0, fat = 0, bone = 0, skin = 0] = shares!.split('/').map(Number)
  return { kg: Number(weight), lean, fat, bone, skin }
}

/** A type of animal: its lightest and heaviest row, its fat `kg seam/kidney` in percent of all fat, its dressing in percent. */
export function animalType(
  id: string,
  words: string,
  says: string,
  rows: readonly [string, string],
  fat: string,
  dressing: readonly [mean: number, sd: number],
  more: Partial<Pick<AnimalType, 'common' | 'expects' | 'perMm' | 'builds' | 'hefts'>> = {},
): AnimalType {
  const [at, seam, kidney] = fat.split(/[ /]/).map(Number)
  return {
    id,
    names: names(words),
    says,
    rows: [rowOf(rows[0]), rowOf(rows[1])],
    depots: { kg: at!, seam: seam! / 100, kidney: kidney! / 100 },
    dressing: { mean: dressing[0] / 100, sd: dressing[1] / 100 },
    common: 0,
    expects: {},
    perMm: 0,
    ...more,
  }
}
