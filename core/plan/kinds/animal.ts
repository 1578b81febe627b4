import type { Anatomy } from '#core/anatomy'
import { outsideKind } from '#core/carcass'
import { gramsOf, issueOf, kgOf, type Issue } from '#core/measure'
import type { Attachment, Medicine, Observation, OneAnimal } from '#core/records'
import { knowsAll, shownAs, type ReadsFact, type ReadsFacts } from './reads.ts'
import { SEEN_READ } from './seen.ts'

/** The half of what was seen, whichever that was. */
const seenBy = ({ what }: Observation) => SEEN_READ[what] as ReadsFact<Observation>

export const observation: ReadsFact<Observation> = {
  unknownIn: (anatomy, fact) => seenBy(fact).unknownIn(anatomy, fact),
  into: (facts, fact, row) => seenBy(fact).into(facts, fact, row),
  say: (fact, saying) => seenBy(fact).say(fact, saying),
}

/** What is wrong with the weights of one animal by itself: none of its kind weighs so, or its carcass outweighs it. */
function oddAnimal(anatomy: Anatomy, { mark, live, hot }: OneAnimal): Issue | null {
  for (const [field, shown] of [
    ['live', live],
    ['hot', hot],
  ] as const) {
    const odd = shown && outsideKind(anatomy, field, shown)
    if (odd) return odd
  }
  return live && hot && gramsOf(hot) >= gramsOf(live)
    ? issueOf('hot-above-live', 'hot', { mark, live: kgOf(gramsOf(live)), hot: kgOf(gramsOf(hot)) })
    : null
}

export const animal: ReadsFact<OneAnimal> = {
  unknownIn: oddAnimal,
  into: (facts, fact, { id }) => void facts.animals.push({ ...fact, id }),
  say: ({ mark, live, hot }) => {
    const weights = [live && `${shownAs(live)} live`, hot && `${shownAs(hot)} hot`]
    return { what: `Animal ${mark}`, value: weights.filter(Boolean).join(', ') || 'named' }
  },
}

export const medicine: ReadsFact<Medicine> = {
  unknownIn: (_, { name, given, until }) =>
    until !== null && until < given ? issueOf('withdrawal-before', 'until', { name, given, until }) : null,
  into: (facts, fact, { id }) => void facts.medicines.push({ ...fact, id }),
  say: ({ name, given, until }) => ({
    what: `Medicine: ${name}`,
    value: `given ${given}, withdrawal ${until === null ? 'not known' : `until ${until}`}`,
  }),
}

export const attachment: ReadsFact<Attachment> = {
  unknownIn: knowsAll,
  into: (facts, fact, { id, at }) => void facts.attachments.push({ ...fact, id, at }),
  say: ({ name }) => ({ what: 'Attached', value: name }),
}

export const withdrawal: ReadsFacts['withdrawal'] = {
  unknownIn: knowsAll,
  into: (facts) => void (facts.withdrawn = true),
  say: () => ({ what: 'The lot', value: 'taken off the rail' }),
}
