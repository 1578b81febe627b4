import { lookup } from '#core/anatomy'
import { issueOf, minor, type Issue } from '#core/measure'
import type { Cost, Fee } from '#core/records'
import { repeated } from '../repeats.ts'
import { unknown, type ReadsFact } from './reads.ts'

/** A cost that comes again needs a first day and a last one, and comes to all its times. */
function oddRepeats({ day, repeats, amount }: Cost): Issue | null {
  if (!repeats) return null
  if (day === undefined) return issueOf('repeats-undated', 'day', {})
  if (repeats.until < day) return issueOf('repeats-ended', 'until', { day, until: repeats.until })
  const all = repeated(repeats, day)
  return amount === all ? null : issueOf('repeats-amount', 'amount', { amount: minor(amount), all })
}

const lineOf = ({ kind: _, ...line }: Cost): Omit<Cost, 'kind'> => line

export const cost: ReadsFact<Cost> = {
  unknownIn: (_, fact) => oddRepeats(fact),
  into: (facts, fact, { id }) =>
    void facts.costs.push({ ...lineOf(fact), id, amount: minor(fact.carried ? -fact.amount : fact.amount) }),
  say: ({ label, amount }, { says }) => ({ what: 'A cost', value: `${label} ${says.money(minor(amount))}` }),
}

export const fee: ReadsFact<Fee> = {
  unknownIn: (anatomy, { on }) => {
    const ways = on && 'ways' in on ? on.ways : []
    const strange = ways.find((id) => !lookup(anatomy).path(id))
    return strange === undefined ? null : unknown('on', 'way', strange)
  },
  into: (facts, fact) => void (facts.fees[fact.fee] = fact),
  say: ({ fee: id, amount, per }, { says }) => ({
    what: `Fee: ${id}`,
    value: `${says.money(minor(amount))} per ${per}`,
  }),
}
