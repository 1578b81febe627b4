import { dayAfter } from '#core/measure'
import type { End, Medicine, Route, Species } from '#core/records'
import { ruleOf, type SaleRule } from './routes.ts'

/** What is known of an animal that decides whether it is food, and for whom. Days are ISO 8601. */
export interface Known {
  route: Route | null
  /** Slaughtered, while nobody said otherwise. */
  end: End | null
  killed: string | null
  medicines: readonly Wait[]
}
type Wait = Pick<Medicine, 'name' | 'until' | 'means' | 'hour' | 'animal'>

/** Why something may not be: the rule, the fact it rests on, and how that fact is changed where it is wrong. */
export interface Reason {
  rule: string
  fact: string
  change: string
}

/** Whether an animal may be eaten at all, how its meat may be sold, and why not more. */
export interface Verdict {
  food: boolean
  sale: SaleRule
  reasons: Reason[]
}

/**
 * The first day an animal may be killed after a medicine, with the hour where one was said; null where nobody knows. A day without
 * its meaning is the last of the wait.
 */
export const clearOn = ({ until, means = 'last', hour }: Wait): { day: string; hour: string | null } | null =>
  until === null ? null : { day: means === 'last' && !hour ? dayAfter(until, 1) : until, hour: hour ?? null }

/** Whether a medicine still holds an animal back on a day; on the very day it is clear from an hour on, nobody knows the hour of a kill. */
const holds = (m: Wait, day: string): boolean => {
  const clear = clearOn(m)
  return clear === null || clear.day > day || (clear.day === day && clear.hour !== null)
}
/** "clear from 4 June" as the records write days; what to do where nobody knows. */
export function sayClear(m: Wait): string {
  const clear = clearOn(m)
  if (!clear) return 'no day is known: ask the vet who gave it; until then it is not food'
  return `clear from ${clear.day}${clear.hour ? `, ${clear.hour}` : ''}`
}
/** Of several the later rules, and one of which nobody knows above all; null where none was given. */
export function lastOf<M extends Wait>(medicines: readonly M[]): M | null {
  const from = (m: M) => (clearOn(m) ? `${clearOn(m)!.day} ${clearOn(m)!.hour ?? ''}` : '~')
  return medicines.toSorted((a, b) => (from(a) < from(b) ? -1 : 1)).at(-1) ?? null
}

const AT_HANG = 'If that is wrong, correct it on Hang.'

/**
 * May it be sold, may it be eaten? The strictest of what is known decides: an animal that died otherwise than by slaughter
 * or was sick (9 CFR 309 and 21 USC 644), one killed under withdrawal (9 CFR 310.21), game without inspection (9 CFR 352),
 * then its route (core/rules/routes.ts). United States' usual rules, from memory; others differ, the local authority
 * decides.
 */
export function verdictOf({ route, end, killed, medicines }: Known): Verdict {
  const never = (reason: Reason): Verdict => ({ food: false, sale: 'never', reasons: [reason] })
  if (end === 'died')
    return never({
      rule: 'An animal that died otherwise than by slaughter is never food (United States: 21 USC 644, 9 CFR 309.3).',
      fact: 'It died by itself, or was put down.',
      change: AT_HANG,
    })
  if (end === 'sick')
    return never({
      rule: 'A sick or injured animal is food only where an inspector or vet passed it (United States: 9 CFR 309); Ekko plans none.',
      fact: 'It was sick when it was slaughtered.',
      change: AT_HANG,
    })
  const late = killed === null ? null : lastOf(medicines.filter((m) => holds(m, killed)))
  if (late)
    return never({
      rule: 'Meat of an animal killed before a medicine’s withdrawal period was over is not food (United States: 9 CFR 310.21).',
      fact: `${late.name}${late.animal ? ` (${late.animal})` : ''}: ${sayClear(late)}; killed ${killed!}.`,
      change: 'If a day is wrong, correct it on Hang; otherwise ask the vet who gave it.',
    })
  if (end === 'hunted')
    return {
      food: true,
      sale: 'never',
      reasons: [
        {
          rule: 'Hunted game and feral animals are not sold without inspection (United States: 9 CFR 352, and the state’s game law).',
          fact: 'It was hunted, or is feral.',
          change: 'For your own household only. If it was slaughtered under inspection, say so on Hang.',
        },
      ],
    }
  const rule = ruleOf(route)
  if (!rule || rule.sale === 'by-the-piece') return { food: true, sale: 'by-the-piece', reasons: [] }
  return {
    food: true,
    sale: rule.sale,
    reasons: [
      {
        rule: rule.says,
        fact: `It is slaughtered so: ${rule.label.toLowerCase()}.`,
        change: 'Choose another route on Hang.',
      },
    ],
  }
}

/** Medicines whose withdrawal is not over on a day: no slaughter before. */
export const heldBack = (medicines: Known['medicines'], day: string) => medicines.filter((m) => holds(m, day))

/** Birds a small producer may slaughter himself in a year without inspection (9 CFR 381.10, from memory). */
export const EXEMPT_BIRDS = { small: 1_000, large: 20_000 } as const

/** How many birds one counts for: a turkey four (9 CFR 381.10, from memory: 250 turkeys are the 1,000, 5,000 the 20,000). */
export const birdsOf = (species: Species): number => (species === 'turkey' ? 4 : 1)

/** What so many birds in a year mean under the exemption. */
export function exemptionOf(birds: number): { within: 'small' | 'large' | 'none'; says: string } {
  const count = birds.toLocaleString('en-US')
  if (birds <= EXEMPT_BIRDS.small)
    return {
      within: 'small',
      says: `${count} of 1,000 birds this year under the exemption; a turkey counts as four.`,
    }
  if (birds <= EXEMPT_BIRDS.large)
    return {
      within: 'large',
      says: `${count} birds this year: past 1,000 it needs a fit place and records, up to 20,000.`,
    }
  return {
    within: 'none',
    says: `${count} birds this year are more than the exemption allows, 20,000: the rest goes to an inspected plant.`,
  }
}
