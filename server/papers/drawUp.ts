import type { Farm, Lot, Paper } from '#contracts'
import type { Anatomy, SideName } from '#core/anatomy'
import { compile, slotKey, type Weighing } from '#core/carcass'
import {
  blockCard,
  letter,
  reckon,
  type BlockCard,
  type Letter,
  type PackWeighing,
  type Share,
} from '#core/forecast'
import { priceList, type PriceList } from '#core/ledger'
import { formatMass, formatMassRange, type Issue } from '#core/measure'
import { cutSheet, type CutSheet } from '#core/plan'
import { cautionAt, ruleOf } from '#core/rules'

/** A day as the farm's calendar has it. */
export const localDate = (at: Date, zone: string) =>
  new Intl.DateTimeFormat('en-CA', { timeZone: zone, dateStyle: 'short' }).format(at)

/** Document data of a paper, or why it may not be issued. What is issued is stored as this data. */
export function drawUp(
  kind: Paper['kind'],
  farm: Farm,
  lot: Lot,
  anatomy: Anatomy,
  at: Date,
  share: Share = 1,
): { data: PriceList | CutSheet | BlockCard | Letter } | { issues: Issue[] } {
  const read = reckon(
    compile(anatomy),
    {
      count: lot.count,
      weighings: lot.weighings as Weighing[],
      commands: lot.commands,
      packs: lot.packs as PackWeighing[],
    },
    { massUnit: farm.massUnit, mincePerKg: farm.mincePerKg },
  )
  const rule = ruleOf(read.plan.route)
  const date = localDate(at, farm.zone)
  const hanging = read.stages.find((s) => s.id === 'hanging')
  if (kind !== 'price-list') {
    const present = (part: string, side: SideName) => {
      const slot = read.flow.slotIndex.get(slotKey(part, side))!
      return read.slotKg.slice(slot * 4, slot * 4 + 4).some((kg) => kg > 0)
    }
    if (!hanging) return { issues: [{ code: 'mass-empty', field: 'live' }] }
    const words = hanging.weighed
      ? `${formatMass(hanging.kg, farm.massUnit)} (weighed, as hung on the day of cutting)`
      : `about ${formatMass(hanging.kg, farm.massUnit)}, likely ${formatMassRange(hanging.range!, farm.massUnit)} (aged ${read.plan.days} days; estimate)`
    const head = {
      farm: farm.name,
      lot: lot.tag,
      count: lot.count,
      date,
      hanging: words,
      route: rule ? `${rule.label}. ${rule.says}` : 'Route not stated yet',
    }
    if (kind === 'block-card') return { data: blockCard(read, lot.count, farm.massUnit, farm.nameSet, head) }
    if (kind === 'letter') {
      const said = [cautionAt('labels', anatomy.species), ...(rule ? [rule.says] : [])]
      return { data: letter(read, lot.count, share, farm.massUnit, farm.nameSet, { ...head, words: said }) }
    }
    return { data: cutSheet(anatomy, read.plan, farm.nameSet, head, present) }
  }

  if (rule?.sale !== 'by-the-piece') {
    const reason = rule
      ? `${rule.label}: ${rule.says}`
      : 'Say under Hang how the animal is slaughtered first: until then Ekko does not know what may be sold.'
    return { issues: [{ code: 'not-for-sale-by-cut', field: 'route', figures: { reason } }] }
  }
  const head = {
    farm: farm.name,
    lot: lot.tag,
    date,
    currency: farm.currency,
    words: [rule.says, cautionAt('labels', anatomy.species)],
  }
  const rows = read.cuts
    .filter((c) => c.kg > 1e-6)
    .map((c) => ({
      cut: c.cut.id,
      name: c.cut.names[farm.nameSet],
      price: c.price,
      pack: c.packs > 0 ? `about ${formatMass(c.kg / c.packs, farm.massUnit)}` : '',
      value: c.value,
    }))
  return { data: priceList(head, rows) }
}
