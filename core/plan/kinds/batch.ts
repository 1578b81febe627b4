import { minor } from '#core/measure'
import type { Downgrade, Loss, Passed, Sample, Scald, Stopped } from '#core/records'
import { knowsAll, type ReadsFact } from './reads.ts'

export const loss: ReadsFact<Loss> = {
  unknownIn: knowsAll,
  into: (facts, fact, { id }) => void facts.losses.push({ ...fact, id }),
  say: ({ animals, day }) => ({ what: 'Lost', value: `${animals} on ${day}` }),
}

export const sample: ReadsFact<Sample> = {
  unknownIn: knowsAll,
  into: (facts, fact, { id }) => void facts.samples.push({ ...fact, id }),
  say: ({ shown, day }) => ({ what: 'A sample weighed', value: `${shown.length} on ${day}` }),
}

export const scald: ReadsFact<Scald> = {
  unknownIn: knowsAll,
  into: (facts, fact, { id }) => void facts.scalds.push({ ...fact, id }),
  say: ({ birds, c }) => ({ what: 'A load scalded', value: `${birds} at ${c} °C` }),
}

export const downgrade: ReadsFact<Downgrade> = {
  unknownIn: knowsAll,
  into: (facts, fact, { id }) => void facts.downgrades.push({ ...fact, id }),
  say: ({ animals, lost }, { says }) => ({
    what: 'Worth less',
    value: `${animals}, ${says.money(minor(lost))}`,
  }),
}

export const passed: ReadsFact<Passed> = {
  unknownIn: knowsAll,
  into: (facts, fact, { id }) => void facts.passed.push({ ...fact, id }),
  say: ({ animals, station }) => ({ what: 'Through', value: `${animals}, ${station}` }),
}

export const stopped: ReadsFact<Stopped> = {
  unknownIn: knowsAll,
  into: (facts, fact, { id }) => void facts.stopped.push({ ...fact, id }),
  say: ({ station, why }) => ({ what: 'Stood still', value: `${station}: ${why}` }),
}
