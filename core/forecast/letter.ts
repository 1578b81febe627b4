import type { Names, NameSet } from '#core/anatomy'
import { fromKg, formatPercent, massDigits, roundToSum, type MassUnit } from '#core/measure'
import { whereItGoes } from './losses.ts'
import type { Reckoning } from './reckon.ts'

export const SHARES = [1, 2, 4] as const
/** How much of the animal a buyer takes: all, a half, a quarter. */
export type Share = (typeof SHARES)[number]
const SHARE_WORD: Record<Share, string> = { 1: 'whole animal', 2: 'half', 4: 'quarter' }

/** The letter a share buyer gets before the meat: what to expect, and why it is less than what hung. */
export interface Letter {
  kind: 'letter'
  farm: string
  lot: string
  date: string
  what: string
  share: string
  hanging: string
  takeHome: string
  mince: string
  rows: { name: string; weight: string; likely: string; packs: string }[]
  total: string
  losses: { name: string; weight: string }[]
  words: string[]
}

const LOSS_WORD: Partial<Record<string, string>> = {
  cooler: 'dries in the cooler',
  bone: 'bones',
  fat: 'fat and skin trimmed off',
  discard: 'glands and discards',
  saw: 'saw dust, drip and smoke',
  added: 'cure and seasoning added',
}

/** Take-home letter for a share. Weights of the cuts add up to the share's part of what the plan shows. */
export function letter(
  read: Reckoning,
  count: number,
  share: Share,
  unit: MassUnit,
  names: NameSet,
  head: { farm: string; lot: string; date: string; hanging: string; words: string[] },
): Letter {
  const { anatomy } = read.flow
  const word = (n: Names) => n[names]
  const parts = count * share
  const digits = massDigits(unit)
  const show = (x: number) => `${x.toFixed(digits)} ${unit}`
  const mass = (kg: number) => show(fromKg(kg / parts, unit))
  const products = read.cuts.filter((c) => c.cut.kind === 'product' && c.kg > 1e-6)
  const all = products.reduce((s, c) => s + c.kg, 0)
  const total = Number(fromKg(all / parts, unit).toFixed(digits))
  const figures = roundToSum(
    products.map((c) => fromKg(c.kg / parts, unit)),
    digits,
    total,
  )
  const ground = products.reduce((s, c) => (c.cut.destination === 'G' ? s + c.kg : s), 0)
  const cut = read.stages.find((s) => s.id === 'cut')
  const likely = (range: { low: number; high: number } | null) =>
    range
      ? `${fromKg(range.low / parts, unit).toFixed(digits)}–${show(fromKg(range.high / parts, unit))}`
      : ''
  return {
    kind: 'letter',
    farm: head.farm,
    lot: head.lot,
    date: head.date,
    what: word(anatomy.names).toLowerCase(),
    share: SHARE_WORD[share],
    hanging: `${head.hanging}${parts > 1 ? `; your part of it about ${mass(read.weights?.aged ?? 0)}` : ''}`,
    takeHome: `about ${show(total)}${cut?.range ? `, likely ${likely(cut.range)}` : ''}`,
    mince: formatPercent(all > 0 ? ground / all : 0),
    rows: products.map((c, i) => ({
      name: word(c.cut.names),
      weight: show(figures[i]!),
      likely: c.done ? '' : likely(c.range),
      packs: c.packs > 0 ? `about ${Math.max(1, Math.round(c.packs / parts))}` : '',
    })),
    total: show(total),
    losses: whereItGoes(read)
      .filter((l) => LOSS_WORD[l.id])
      .map((l) => ({ name: LOSS_WORD[l.id]!, weight: l.kg < 0 ? `+${mass(-l.kg)}` : mass(l.kg) })),
    words: head.words,
  }
}
