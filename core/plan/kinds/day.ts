import { isTask } from '../tasks.ts'
import { knowsAll, shownAs, unknown, type ReadsDecisions, onLot } from './reads.ts'
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

export const cuttingDay = onLot('cuttingDay', ({ value }) => value)

export const crew = onLot(
  'crew',
  ({ value }) => value.map((p) => `${p.name} ${p.from}–${p.until}`).join(', '),
  'Who is there',
)

export const birdDay = onLot('birdDay', ({ value }) => `from ${value.begins}`, 'The day')

export const raise = onLot(
  'raise',
  ({ value }) => `${shownAs(value.shown)}, ${formatPercent(value.share)} of them`,
  'Raised to',
)

export const classes = onLot('classes', ({ value }) => value.map(shownAs).join(', '), 'Size classes')
