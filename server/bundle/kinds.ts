import type { Bundle } from '#contracts'
import { issueOf, type Issue } from '#core/measure'
import { formOf, formUp, type Family, type Forms } from '#core/records'
import './issues.ts'

type Loose = Record<string, unknown>
const list = (value: unknown): Loose[] => (Array.isArray(value) ? (value as Loose[]) : [])

/** Where bodies of kinds lie in a bundle: the rows, the field of a row that is its body, and what in that names its kind. */
const PLACES: { family: Family; rows: (content: Loose) => Loose[]; body: string | null; kind: string }[] = [
  { family: 'fact', rows: (c) => list(c.lots).flatMap((l) => list(l.facts)), body: 'fact', kind: 'kind' },
  {
    family: 'decision',
    rows: (c) => list(c.lots).flatMap((l) => list(l.commands)),
    body: 'decision',
    kind: 'field',
  },
  { family: 'event', rows: (c) => list(c.packEvents), body: null, kind: 'what' },
  { family: 'sheet', rows: (c) => list(c.sheets), body: 'body', kind: 'format' },
]
const SHEET = 'ekko-'
const idOf = (family: Family, name: unknown): string =>
  family === 'sheet' ? String(name).replace(SHEET, '') : String(name)

/** The form of each kind that stands in a bundle written now. */
export function formsIn(content: Bundle['content']): Forms {
  const forms = Object.fromEntries(
    PLACES.map(({ family, rows, body, kind }) => {
      const ids = new Set(
        rows(content as Loose).map((r) => idOf(family, (body === null ? r : (r[body] as Loose))[kind])),
      )
      return [family, Object.fromEntries([...ids].sort().map((id) => [id, formOf(family, id)]))]
    }),
  )
  return forms as unknown as Forms
}

/** What of a bundle's head no one here can read: a kind that is not known, or a form of it that came later. */
export const strangeForms = (forms: Partial<Forms>): Issue[] =>
  PLACES.flatMap(({ family }) =>
    Object.entries(forms[family] ?? {}).flatMap(([id, form]) => {
      const reads = formOf(family, id)
      return form > (reads ?? 0) ? [issueOf('bundle-kind', 'kinds', { family, kind: id, form, reads })] : []
    }),
  )

/** Brings every body of a bundle up to the form of today; one without a head is of the first forms. */
export function kindsUp(content: Loose, forms: Partial<Forms>): void {
  for (const { family, rows, body, kind } of PLACES)
    for (const row of rows(content)) {
      const was = (body === null ? row : row[body]) as Loose | null
      if (typeof was !== 'object' || was === null) continue
      const id = idOf(family, was[kind])
      const form = forms[family]?.[id] ?? 1
      if (form === formOf(family, id)) continue
      const now = formUp(family, id, was, form)
      if (body === null) Object.assign(row, now)
      else row[body] = now
    }
}
