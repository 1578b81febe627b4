import { TEMP_WORDS, type Acceptance, type Icing, type Temperature } from '#core/records'
import { knowsAll, shownAs, type ReadsFact } from './reads.ts'

export const temperature: ReadsFact<Temperature> = {
  unknownIn: knowsAll,
  into: (facts, fact, { id }) => void facts.temperatures.push({ ...fact, id }),
  say: ({ where, c }) => ({ what: `Temperature, ${TEMP_WORDS[where]}`, value: `${c} °C` }),
}

export const acceptance: ReadsFact<Acceptance> = {
  unknownIn: knowsAll,
  into: (facts, fact) => void (facts.acceptance = fact),
  say: ({ condition, condemned }) => ({ what: 'Acceptance', value: condition ?? condemned ?? 'as found' }),
}

export const icing: ReadsFact<Icing> = {
  unknownIn: knowsAll,
  into: (facts, fact, { id }) => void facts.icings.push({ ...fact, id }),
  say: ({ shown, at }) => ({ what: 'Ice filled up', value: shown ? shownAs(shown) : at }),
}
