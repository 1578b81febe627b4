import { ANATOMIES } from '#core/anatomy'
import { BUNDLE_VERSION, type Bundle, type Lot } from '#contracts'
import { gramsOf } from '#core/measure'
import { digestOf } from '../store/operations.ts'
import { FARM } from '../testing.ts'

const AT = '2026-11-01T08:00:00.000Z'
const id = (n: number) => `01890a5d-ac96-774b-bcce-${String(n).padStart(12, '0')}`
const row = (n: number, value: number) => {
  const shown = { value, unit: 'lb' as const }
  return { id: id(n), shown, grams: gramsOf(shown), corrects: null, stands: true, at: AT }
}

/** A small farm as a bundle: a hog with weights, packs and decisions, a paper and a plan. */
export function smallContent() {
  const { base, ...farm } = FARM
  const anatomy = ANATOMIES.hog as unknown as Record<string, unknown>
  const hash = digestOf(anatomy)
  const command = (n: number, seq: number, value: string) => ({
    id: id(n),
    seq,
    batch: id(n + 50),
    undoes: null as string | null,
    redoes: null as string | null,
    decision: { field: 'path' as const, target: 'loin', side: 'left' as const, value },
    at: AT,
  })
  const lot: Lot = {
    id: id(1),
    tag: 'Bracken',
    species: 'hog',
    count: 1,
    anatomy: hash,
    createdAt: AT,
    weighings: [
      { ...row(10, 206), stage: 'live', basis: null, source: 'scale' },
      { ...row(11, 260), stage: 'live', basis: null, source: 'scale', corrects: id(10) },
    ],
    commands: [command(20, 1, 'loin-roasts'), command(21, 2, 'loin-grind')],
    packs: [{ ...row(30, 9), cut: 'bacon', packs: 9 }],
  }
  return {
    farm: { ...farm, revision: base + 1 },
    anatomies: { [hash]: anatomy },
    own: [] as Bundle['content']['own'],
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
    papers: [
      {
        id: id(60),
        lot: id(1),
        kind: 'letter' as const,
        share: 2 as const,
        data: { kind: 'letter', lot: 'Bracken', share: 'half' } as Record<string, unknown>,
        issuedAt: AT,
      },
    ],
  }
}
export type SmallContent = ReturnType<typeof smallContent>

/** A bundle whose digest agrees with its content, whatever that is. */
export const sealedAs = (content: unknown, version: number = BUNDLE_VERSION) =>
  JSON.stringify({ format: 'ekko-farm', version, digest: digestOf(content), content })
