import { lookup, type Anatomy } from '#core/anatomy'
import { gramsOf, issueOf, kgOf, type Issue } from '#core/measure'
import {
  CHECK_WORDS,
  KIT_IDS,
  type Check,
  type Closing,
  type Fault,
  type Tick,
  type Work,
} from '#core/records'
import { isTask } from '../tasks.ts'
import { called, knowsAll, unknown, type ReadsFact } from './reads.ts'

const unknownTask = (anatomy: Anatomy, { of }: { of: string }): Issue | null =>
  isTask(anatomy, of) ? null : unknown('of', 'step', of)

export const tick: ReadsFact<Tick> = {
  unknownIn: (anatomy, { what, of }) => {
    const known =
      what === 'cut'
        ? lookup(anatomy).cut(of)
        : ['break', ...KIT_IDS.map((id) => `kit-${id}`)].includes(of) || isTask(anatomy, of)
    return known ? null : unknown('of', what, of)
  },
  into: (facts, { what, of, side }) => {
    if (what === 'cut') facts.done.add(of)
    else facts.steps.set(of, side, true)
  },
  say: ({ of }, saying) => ({ what: `${called(of, saying)}: done`, value: 'yes' }),
}

export const check: ReadsFact<Check> = {
  unknownIn: unknownTask,
  into: (facts, fact, { id, at }) => void facts.checks.push({ ...fact, id, at }),
  say: ({ of, check: point, by }, saying) => ({
    what: `${called(of, saying)}: ${CHECK_WORDS[point]}`,
    value: `signed ${by}`,
  }),
}

function unknownInFault(anatomy: Anatomy, { of, cut, to, shown }: Fault): Issue | null {
  const find = lookup(anatomy)
  if (!isTask(anatomy, of)) return unknown('of', 'step', of)
  if ((cut === null) !== (shown === null)) return issueOf('fault-half', 'shown', {})
  const isMade = (id: string) => find.cut(id) !== undefined || find.part(id) !== undefined
  if (cut !== null && !isMade(cut)) return unknown('cut', 'cut', cut)
  return to === null || isMade(to) ? null : unknown('to', 'cut', to)
}

export const fault: ReadsFact<Fault> = {
  unknownIn: unknownInFault,
  into: (facts, fact, { id, at }) => {
    const { of: part, side, cut, to, shown } = fact
    facts.faults.push({ ...fact, id, at })
    if (cut !== null && shown) facts.spoilt.push({ part, side, cut, to, kg: kgOf(gramsOf(shown)) })
  },
  say: ({ of, what, lesson, cause }, saying) => ({
    what: `${called(of, saying)}: ${what}`,
    value: lesson ?? cause,
  }),
}

export const work: ReadsFact<Work> = {
  unknownIn: unknownTask,
  into: (facts, fact, { id }) => void facts.work.push({ ...fact, id }),
  say: ({ of, did, by }, saying) => ({ what: `${called(of, saying)}: ${did}`, value: by }),
}

export const closing: ReadsFact<Closing> = {
  unknownIn: knowsAll,
  into: (facts, fact) => void (facts.closing = fact),
  say: ({ by }) => ({ what: 'The block card', value: `closed by ${by}` }),
}
