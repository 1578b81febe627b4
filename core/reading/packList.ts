import Papa from 'papaparse'
import { finderOf, type Anatomy } from '#core/anatomy'
import { parseMass, sayIssue, type MassUnit, type TypedMass } from '#core/measure'

/** What a column of a processor's list may hold. */
export const LIST_COLUMNS = ['cut', 'weight', 'packs', 'label'] as const
export type ListColumn = (typeof LIST_COLUMNS)[number]
export type ColumnsAs = Partial<Record<ListColumn, string>>

/** Headings by what they are likely called (common practice). */
const LIKELY: Record<ListColumn, RegExp> = {
  cut: /cut|item|product|description|name/i,
  weight: /weight|wt|lbs?\b|kg|net/i,
  packs: /packs?|pkgs?|packages|pieces|qty|quantity|count/i,
  label: /label|number|serial|barcode|id\b/i,
}

export interface RawList {
  headings: string[]
  rows: Record<string, string>[]
}
/** A row of the list as packs: of which cut (null where no name of ours fits), how heavy, how many; or why it cannot be read. */
export interface ListedPack {
  /** As a spreadsheet counts. */
  row: number
  said: string
  cut: string | null
  shown: TypedMass | null
  packs: number
  label: string | null
  why: string | null
}

/** More than any animal has packs; what comes after is not read. */
export const MOST_ROWS = 5000

/** Reads a table with a heading, whatever its columns are called: as many rows as an animal may have, and one more where there are more. */
export function readList(text: string): RawList {
  // By place and not by name: a column may be called as something is inside an object.
  const { data } = Papa.parse<string[]>(text.trim(), { skipEmptyLines: 'greedy', preview: MOST_ROWS + 2 })
  const [first = [], ...rest] = data
  const columns = first.map((h, at) => ({ heading: h.trim(), at })).filter(({ heading }) => heading !== '')
  return {
    headings: columns.map((c) => c.heading),
    rows: rest.map((cells) =>
      Object.fromEntries(columns.map(({ heading, at }) => [heading, (cells[at] ?? '').trim()])),
    ),
  }
}

/** Which columns are likely meant, each once. */
export function likelyColumns({ headings }: RawList): ColumnsAs {
  const taken = new Set<string>()
  const out: ColumnsAs = {}
  for (const column of LIST_COLUMNS) {
    const found = headings.find((h) => !taken.has(h) && LIKELY[column].test(h))
    if (found !== undefined) {
      out[column] = found
      taken.add(found)
    }
  }
  return out
}

/** The unit a heading names: "net weight (kg)". */
const unitIn = (heading: string, usual: MassUnit): MassUnit =>
  /kg|kilo/i.test(heading) ? 'kg' : /lb|pound/i.test(heading) ? 'lb' : usual

/**
 * Rows of a list as packs of this animal, by the columns that were matched; `as` says which cut a name of theirs is, where a
 * person said so. A name is looked for among ours in every set of words; what is not sure is left for a person.
 */
export function packsOfList(
  { rows }: RawList,
  columns: ColumnsAs,
  anatomy: Anatomy,
  unit: MassUnit,
  as: Readonly<Record<string, string>> = {},
): ListedPack[] {
  const find = finderOf([anatomy])
  const { cut, weight, packs, label } = columns
  const found = new Map<string, string | null>()
  const known = (said: string) => {
    if (!found.has(said)) found.set(said, foundFor(said))
    return found.get(said)!
  }
  const foundFor = (said: string) => {
    if (Object.hasOwn(as, said)) return as[said]!
    const exact = anatomy.cuts.find((c) =>
      [c.names.american, c.names.commonwealth, c.id].some((n) => n.toLowerCase() === said.toLowerCase()),
    )
    return exact?.id ?? find(said).find((c) => c.kind === 'cut')?.id ?? null
  }
  return rows.map((cells, i): ListedPack => {
    const said = cut === undefined ? '' : (cells[cut] ?? '')
    const of = { row: i + 2, said, label: (label && cells[label]) || null }
    const typed = weight === undefined ? null : parseMass(cells[weight] ?? '', unitIn(weight, unit), 'weight')
    const count = packs === undefined || (cells[packs] ?? '') === '' ? 1 : Number(cells[packs])
    const shown = typed?.ok ? typed.value : null
    const id = said === '' ? null : known(said)
    const why = !shown
      ? typed && !typed.ok
        ? typed.issues.map((x) => sayIssue(x)).join(' ')
        : 'Say which column is the weight.'
      : !Number.isInteger(count) || count < 1 || count > 5000
        ? `“${cells[packs!] ?? ''}” is not a number of packs.`
        : id === null
          ? `No cut of ours is called “${said}”: choose which it is.`
          : null
    return { ...of, cut: id, shown, packs: why && !Number.isInteger(count) ? 1 : count, why }
  })
}
