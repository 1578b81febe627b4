import { lookup, type Anatomy } from '#core/anatomy'
import { minus, sumOf, type Minor } from '#core/measure'
import type { Plan } from '#core/plan'
import type { Fee, FeeSheet, DatedSheet, StoredSheet } from '#core/records'
import type { Billed } from './billed.ts'
import { feesOf } from './costs.ts'

/** What of a fee sheet is for this animal: fees of ways that it does not have are left out. */
export function feesFor(anatomy: Anatomy, sheet: FeeSheet): Fee[] {
  const { path } = lookup(anatomy)
  return sheet.fees.flatMap((f): Fee[] => {
    const fee: Fee = { kind: 'fee', ...f }
    if (!f.on || !('ways' in f.on)) return [fee]
    const ways = f.on.ways.filter((id) => path(id))
    return ways.length > 0 ? [{ ...fee, on: { ways } }] : []
  })
}

/** Of every processor, or place, the sheet that holds on a day: the last that began by then; one that begins later is not there yet. */
export function inForceOn<B extends DatedSheet>(
  sheets: readonly StoredSheet<B>[],
  day: string,
): StoredSheet<B>[] {
  const last = new Map<string, StoredSheet<B>>()
  for (const s of sheets) {
    const held = last.get(s.body.name)
    if (s.body.from <= day && (!held || held.body.from <= s.body.from)) last.set(s.body.name, s)
  }
  return sheets.filter((s) => last.get(s.body.name) === s)
}

/** What a processor would bill for the plan as it stands, and beside what is billed now. */
export function billedBy(
  anatomy: Anatomy,
  sheet: FeeSheet,
  billed: Billed,
  now: Plan['fees'],
): { amount: Minor; difference: Minor } {
  const fees = Object.fromEntries(feesFor(anatomy, sheet).map((f) => [f.fee, f]))
  const [amount, before] = [fees, now].map((of) => sumOf(feesOf(of, billed), (r) => r.amount)) as [
    Minor,
    Minor,
  ]
  return { amount, difference: minus(amount, before) }
}
