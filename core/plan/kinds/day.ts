import { isTask } from '../tasks.ts'
import { knowsAll, shownAs, unknown, type ReadsDecisions } from './reads.ts'
import { formatPercent } from '#core/measure'

export const order: ReadsDecisions['order'] = {
  unknownIn: (anatomy, { value }) => {
    const strange = value?.find((id) => !isTask(anatomy, id))
    return strange === undefined ? null : unknown('value', 'step', strange)
  },
  into: (wanted, { value }) => void (wanted.lot.order = value),
  about: 'The order of steps',
  say: ({ value }) => `${value.length} steps put in order`,
}

export const station: ReadsDecisions['station'] = {
  unknownIn: (anatomy, { target }) => (isTask(anatomy, target) ? null : unknown('target', 'step', target)),
  into: (wanted, { target, value }) => void wanted.stations.set(target, value),
  say: ({ value }) => value,
}

export const closed: ReadsDecisions['closed'] = {
  unknownIn: knowsAll,
  into: (wanted, { target, value }) => {
    if (value) wanted.closed.add(target)
  },
  say: ({ value }) => String(value),
}

export const school: ReadsDecisions['school'] = {
  unknownIn: knowsAll,
  into: (wanted, { target, value }) => void wanted.schools.set(target, value),
  say: ({ value }) => value,
}

export const cuttingDay: ReadsDecisions['cuttingDay'] = {
  unknownIn: knowsAll,
  into: (wanted, { value }) => void (wanted.lot.cuttingDay = value),
  say: ({ value }) => value,
}

export const crew: ReadsDecisions['crew'] = {
  unknownIn: knowsAll,
  into: (wanted, { value }) => void (wanted.lot.crew = value),
  about: 'Who is there',
  say: ({ value }) => value.map((p) => `${p.name} ${p.from}–${p.until}`).join(', '),
}

export const birdDay: ReadsDecisions['birdDay'] = {
  unknownIn: knowsAll,
  into: (wanted, { value }) => void (wanted.lot.birdDay = value),
  about: 'The day',
  say: ({ value }) => `from ${value.begins}`,
}

export const raise: ReadsDecisions['raise'] = {
  unknownIn: knowsAll,
  into: (wanted, { value }) => void (wanted.lot.raise = value),
  about: 'Raised to',
  say: ({ value }) => `${shownAs(value.shown)}, ${formatPercent(value.share)} of them`,
}

export const classes: ReadsDecisions['classes'] = {
  unknownIn: knowsAll,
  into: (wanted, { value }) => void (wanted.lot.classes = value),
  about: 'Size classes',
  say: ({ value }) => value.map(shownAs).join(', '),
}
