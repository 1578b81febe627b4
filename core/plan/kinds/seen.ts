import { lookup, UNSURE, type Anatomy } from '#core/anatomy'
import { canHang } from '#core/carcass'
import { gramsOf, issueOf, kgOf, type Issue } from '#core/measure'
import { END_WORDS, type Observation } from '#core/records'
import { routesFor, ruleOf } from '#core/rules'
import type { FactsDraft } from './draft.ts'
import { hungWords } from '../hungWords.ts'
import { called, knowsAll, shownAs, unknown, wrongSide, type ReadsFact } from './reads.ts'

type Seen<W extends Observation['what']> = Extract<Observation, { what: W }>

const animalOf = (anatomy: Anatomy) => anatomy.names.american.toLowerCase()
/** Whether a part is of the carcass as it hangs: one that comes out of another is weighed with that. */
export const hangs = (anatomy: Anatomy, part: string): boolean =>
  anatomy.bands.some((b) => b.spans.some((s) => s.part === part || s.below?.part === part))

/** A line or a day that was written down, under its word. */
const written = <W extends 'mark' | 'plant' | 'mother' | 'vet' | 'disposal' | 'killed' | 'born'>(
  what: W,
  word: string,
): ReadsFact<Seen<W>> => ({
  unknownIn: knowsAll,
  into: (facts: Pick<FactsDraft, W>, { value }: { value: string }) => void (facts[what] = value),
  say: ({ value }: { value: string }) => ({ what: word, value }),
})

function unknownPart(anatomy: Anatomy, { of, side }: Seen<'part' | 'cut-away'>): Issue | null {
  const part = lookup(anatomy).part(of)
  return part ? wrongSide(part, side) : unknown('of', 'part', of)
}

/** What can be seen of an animal, each as it is read. */
export const SEEN_READ: { [W in Observation['what']]: ReadsFact<Seen<W>> } = {
  route: {
    unknownIn: (anatomy, { value }) =>
      routesFor(anatomy.species).some((r) => r.id === value)
        ? null
        : unknown('value', `route for a ${animalOf(anatomy)}`, value),
    into: (facts, { value }) => void (facts.route = value),
    say: ({ value }) => ({ what: 'How it is slaughtered', value: ruleOf(value)!.label }),
  },
  type: {
    unknownIn: (anatomy, { value }) =>
      value === UNSURE || anatomy.types.some((t) => t.id === value)
        ? null
        : unknown('value', `type of ${animalOf(anatomy)}`, value),
    into: (facts, { value }) => void (facts.type = value),
    say: ({ value }, saying) => {
      const name = called(value, saying)
      return { what: 'What animal it is', value: name === value ? 'not sure' : name }
    },
  },
  dressing: {
    unknownIn: (anatomy, { of }) =>
      anatomy.conventions.some((c) => c.id === of) ? null : unknown('of', 'way of dressing', of),
    into: (facts, { of, value }) => void (facts.conventions[of] = value),
    say: ({ of, value }, saying) => {
      const c = saying.anatomy?.conventions.find((x) => x.id === of)
      return { what: called(of, saying), value: (value ? c?.on : c?.off) ?? String(value) }
    },
  },
  measure: {
    unknownIn: (anatomy, fact) => {
      const m = anatomy.measures.find((x) => x.id === fact.of)
      if (!m) return unknown('of', 'carcass measurement', fact.of)
      const { low, high, unit } = m
      return fact.value < low || fact.value > high
        ? issueOf('measure-impossible', 'value', { what: m.names, typed: fact.value, unit, low, high })
        : null
    },
    into: (facts, { of, value }) => void (facts.measured[of] = value),
    say: ({ of, value }, saying) => ({ what: called(of, saying), value: String(value) }),
  },
  ribs: {
    unknownIn: ({ ribs, names }, { value }) =>
      ribs && value >= ribs.low && value <= ribs.high
        ? null
        : issueOf('ribs-impossible', 'value', {
            what: names,
            typed: value,
            low: ribs?.low ?? 0,
            high: ribs?.high ?? 0,
          }),
    into: (facts, { value }) => void (facts.ribs = value),
    say: ({ value }) => ({ what: 'Ribs counted', value: String(value) }),
  },
  mark: written('mark', 'Tag or ear number'),
  plant: written('plant', 'Where it is killed'),
  mother: written('mother', 'What it is of'),
  vet: written('vet', 'Vet'),
  disposal: written('disposal', 'Where it went'),
  killed: written('killed', 'Day of kill'),
  born: written('born', 'Born'),
  end: {
    unknownIn: knowsAll,
    into: (facts, { value }) => void (facts.end = value),
    say: ({ value }) => ({ what: 'How it came to its end', value: END_WORDS[value] }),
  },
  hangs: {
    unknownIn: (anatomy, { value }) =>
      canHang(anatomy, value) ? null : issueOf('not-hung', 'value', { what: anatomy.names, as: value.as }),
    into: (facts, { value }) => void (facts.hangs = value),
    say: ({ value }, { anatomy, says }) => {
      const hung = anatomy && hungWords(anatomy, value)
      return { what: 'What hangs', value: hung ? says.name(hung) : value.as }
    },
  },
  start: {
    unknownIn: knowsAll,
    into: (facts, { shown, day, animals, sexed }) =>
      void (facts.start = {
        kg: kgOf(gramsOf(shown)),
        day,
        animals: animals ?? null,
        sexed: sexed ?? null,
      }),
    say: ({ shown, day }) => ({ what: 'Weighed when it came', value: `${shownAs(shown)} on ${day}` }),
  },
  part: {
    unknownIn: (anatomy, fact) =>
      unknownPart(anatomy, fact) ??
      (hangs(anatomy, fact.of) ? null : unknown('of', 'part that hangs on the carcass', fact.of)),
    into: (facts, { of, side, shown }) => void facts.parts.set(of, side, kgOf(gramsOf(shown))),
    say: ({ of, shown }, saying) => ({ what: `${called(of, saying)}: weighed`, value: shownAs(shown) }),
  },
  'cut-away': {
    unknownIn: unknownPart,
    into: (facts, { of, side, shown }) => void facts.cutAway.set(of, side, kgOf(gramsOf(shown))),
    say: ({ of, shown }, saying) => ({ what: `${called(of, saying)}: cut away`, value: shownAs(shown) }),
  },
}
