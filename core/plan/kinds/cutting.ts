import { lookup, type Anatomy } from '#core/anatomy'
import { issueOf, mm as millimetres, type Issue } from '#core/measure'
import { finishKind } from '../finishes.ts'
import { canBeHeld } from '../holding.ts'
import { sayPortion } from '../portioning.ts'
import { knowsAll, knowsCut, unknown, wrongSide, type ReadsDecisions, type Saying, onLot } from './reads.ts'

const wayName = (id: string, { anatomy, says }: Saying): string => {
  const way = anatomy?.paths.find((p) => p.id === id)
  return way ? says.name(way.names) : id
}
/** A way that is none of the part's. */
const strangeWay = ({ paths }: Anatomy, part: string, way: string | undefined): Issue | null =>
  way === undefined || paths.some((p) => p.id === way && p.part === part)
    ? null
    : unknown('value', 'path', way)

export const path: ReadsDecisions['path'] = {
  unknownIn: (anatomy, { target, side, value }) => {
    const part = lookup(anatomy).part(target)
    if (!part) return unknown('target', 'part', target)
    return wrongSide(part, side) ?? strangeWay(anatomy, target, value ?? undefined)
  },
  into: (wanted, { target, side, value }) => void wanted.paths.set(target, side, value),
  say: ({ value }, saying) => wayName(value, saying),
}

export const line: ReadsDecisions['line'] = {
  unknownIn: (anatomy, { target, value }) => {
    const found = anatomy.lines.find((l) => l.id === target)
    if (found?.kind !== 'across') return unknown('target', 'line', target)
    return value && !found.settings.some((s) => s.id === value)
      ? unknown('value', 'line setting', value)
      : null
  },
  into: (wanted, { target, side, value }) => void wanted.lines.set(target, side, value),
  say: ({ value }) => value,
}

export const mm: ReadsDecisions['mm'] = {
  unknownIn: (anatomy, { target, value }) => {
    const found = anatomy.lines.find((l) => l.id === target)
    if (found?.kind !== 'along') return unknown('target', 'long line', target)
    const { low, high } = found.mm
    return value !== null && (value < low || value > high)
      ? issueOf('line-out-of-range', 'value', {
          line: found.names,
          typed: value,
          low: millimetres(low),
          high: millimetres(high),
        })
      : null
  },
  into: (wanted, { target, side, value }) => void wanted.mm.set(target, side, value),
  say: ({ value }) => String(value),
}

export const held: ReadsDecisions['held'] = {
  unknownIn: (anatomy, { target, side }) => {
    const part = lookup(anatomy).part(target)
    if (!part || !canBeHeld(anatomy, target)) return unknown('target', 'part that may be held', target)
    return wrongSide(part, side)
  },
  into: (wanted, { target, side, value }) => void wanted.held.set(target, side, value),
  say: ({ value }) => value,
}

export const split: ReadsDecisions['split'] = {
  unknownIn: (anatomy, { target, value }) => {
    const part = lookup(anatomy).part(target)
    if (part?.scope !== 'side' || part.offCarcass) return unknown('target', 'part of a side', target)
    return strangeWay(anatomy, target, value?.path)
  },
  into: (wanted, { target, side, value }) => void wanted.splits.set(target, side, value),
  say: ({ value }, saying) => `behind ${Math.round(value.at * 100)} %: ${wayName(value.path, saying)}`,
}

export const trim = onLot('trim', ({ value }) => value)

export const lean = onLot('lean', ({ value }) => String(value))

export const without: ReadsDecisions['without'] = {
  unknownIn: knowsAll,
  into: (wanted, { target, value }) => {
    if (value) wanted.without.add(target)
  },
  say: ({ value }) => String(value),
}

export const portion: ReadsDecisions['portion'] = {
  unknownIn: knowsCut,
  into: (wanted, { target, value }) => void wanted.portions.set(target, value),
  say: ({ value }, { says, pack }) => sayPortion(value, says, pack),
}

export const finish: ReadsDecisions['finish'] = {
  unknownIn: knowsCut,
  into: (wanted, { target, value }) => void wanted.finishes.set(target, value),
  say: ({ value }) => value.map((f) => finishKind(f.finish).word).join(', '),
}

export const hands = onLot('hands', ({ value }) => value)

export const days = onLot('days', ({ value }) => String(value))

export const anatomy: ReadsDecisions['anatomy'] = {
  unknownIn: knowsAll,
  // By which anatomy a lot is read is asked before anything else is read of it (core/records/lots.ts).
  into: () => undefined,
  about: 'Figures',
  usual: 'those it was hung with',
  say: () => 'newer ones',
}
