import { createHash } from 'node:crypto'
import { ANATOMIES } from '#core/species'
import { BUNDLE_VERSION, type Bundle, type Lot } from '#contracts'
import { gramsOf } from '#core/measure'
import { UNNAMED, type FactBody } from '#core/records'
import { digestOf } from '../store/outcomes.ts'
import { FARM } from '../testing.ts'

const AT = '2026-11-01T08:00:00.000Z'
const id = (n: number) => `01890a5d-ac96-774b-bcce-${String(n).padStart(12, '0')}`
const BY = { device: UNNAMED, person: UNNAMED }
const entry = (n: number, rev: number) => ({ id: id(n), group: id(1), rev, at: AT, ...BY })
const row = (n: number, rev: number, value: number) => {
  const shown = { value, unit: 'lb' as const }
  return { ...entry(n, rev), shown, grams: gramsOf(shown), corrects: null as string | null, stands: true }
}
/** Bytes of a slip, as they lie beside the database. */
export const SLIP = Buffer.from('hung 182 lb')
const SLIP_HASH = createHash('sha256').update(SLIP).digest('hex')

/** A letter of the form before papers had a number. */
const LETTER = {
  kind: 'letter',
  farm: 'Fallowmere',
  lot: 'Bracken',
  date: '2026-11-01',
  what: 'hog',
  share: 'half',
  hanging: '182 lb',
  takeHome: 'about 60 lb',
  mince: '20 %',
  rows: [],
  total: '60 lb',
  losses: [],
  words: [],
}

/** A small farm as a bundle: a hog with weights, packs and decisions, a paper and a plan. */
export function smallContent() {
  const { base, ...farm } = FARM
  const anatomy = ANATOMIES.hog as unknown as Record<string, unknown>
  const hash = digestOf(anatomy)
  const command = (n: number, rev: number, value: string) => ({
    ...entry(n, rev),
    batch: id(n + 50),
    undoes: null as string | null,
    redoes: null as string | null,
    decision: { field: 'path' as const, target: 'loin', side: 'left' as const, value },
  })
  const fact = (n: number, rev: number, said: FactBody, corrects: string | null = null) => ({
    ...entry(n, rev),
    corrects,
    stands: true,
    fact: said,
  })
  const route = (value: 'custom' | 'inspected') => ({ kind: 'observation', what: 'route', value }) as const
  const lot: Lot = {
    id: id(1),
    tag: 'Bracken',
    species: 'hog',
    count: 1,
    anatomy: hash,
    createdAt: AT,
    ...BY,
    rev: 8,
    groups: [
      { id: id(1), parent: null, joins: [], animals: 1, half: false, name: '', rev: 0, at: AT, ...BY },
    ],
    weighings: [
      { ...row(10, 1, 206), stage: 'live', basis: null, source: 'scale' },
      { ...row(11, 2, 260), stage: 'live', basis: null, source: 'scale', corrects: id(10) },
    ],
    commands: [command(20, 3, 'loin-roasts'), command(21, 4, 'loin-grind')],
    facts: [
      fact(70, 5, route('custom')),
      fact(71, 6, route('inspected'), id(70)),
      fact(72, 7, {
        kind: 'attachment',
        name: 'slip.pdf',
        type: 'application/pdf',
        bytes: SLIP.length,
        hash: SLIP_HASH,
      }),
    ],
    packs: [{ ...row(30, 8, 9), cut: 'bacon', packs: 9, number: 1 }],
  }
  return {
    farm: { ...farm, revision: base + 1 },
    anatomies: { [hash]: anatomy },
    own: [] as Bundle['content']['own'],
    sheets: [],
    packEvents: [],
    plans: [
      {
        id: id(40),
        at: AT,
        withdrawn: false,
        revision: 1,
        body: {
          format: 'ekko-plan' as const,
          version: 1 as const,
          species: 'hog' as const,
          name: 'Usual',
          says: '',
          trim: 'standard' as const,
          lines: [],
          mm: [],
          paths: [{ part: 'loin', side: 'left' as const, path: 'loin-roasts' }],
          portions: [],
        },
      },
    ],
    lots: [lot],
    attachments: { [SLIP_HASH]: SLIP.toString('base64') } as Record<string, string>,
    papers: [
      {
        id: id(60),
        lot: id(1),
        kind: 'letter' as const,
        share: 2 as const,
        data: { ...LETTER } as Record<string, unknown>,
        issuedAt: AT,
      },
    ],
  }
}
export type SmallContent = ReturnType<typeof smallContent>

/** A bundle whose digest agrees with its content, whatever that is. */
export const sealedAs = (content: unknown, version: number = BUNDLE_VERSION) =>
  JSON.stringify({ format: 'ekko-farm', version, digest: digestOf(content), content })
