import MiniSearch from 'minisearch'
import type { Anatomy, Names } from './types.ts'
import type { Farm, Species } from '#core/records'

/** Something that has a name: a cut, a part, or a way to open one. */
export interface Called {
  species: Species
  kind: 'cut' | 'part' | 'way'
  id: string
  names: Names
  /** The part a way opens. */
  part: string | null
}

const words = (text: string): string[] =>
  text
    .toLowerCase()
    .normalize('NFD')
    .replaceAll(/[\p{M}’']/gu, '')
    .split(/[^\p{L}\p{N}]+/u)
    .filter((w) => w !== '')
/** One word for one and several: chops and chop, loaves are not meat. */
const single = (word: string) => (word.length > 3 ? word.replace(/(?<=[^s])s$/, '') : word)
/** Words and every two that follow each other, joined: "rib eye", "rib-eye" and "ribeye" are the same. */
function terms(text: string): string[] {
  const each = words(text).map(single)
  return [...each, ...each.slice(1).map((w, i) => each[i]! + w)]
}

/** Best first. What scores less than this share of the best is something else. */
const NEAR = 0.25
const BOOST = { names: 3, also: 2 }

/**
 * Finds cuts, parts and ways of all the anatomies by what anyone calls them: both sets of names and other regions' words, with
 * hyphens, spaces, plurals and slips of the pen forgiven; `aliases` are the farm's own words. `prefer` comes first where a name is as good.
 */
export function finderOf(
  anatomies: readonly Anatomy[],
  aliases: NonNullable<Farm['aliases']> = [],
): (text: string, prefer?: Species) => Called[] {
  const all: Called[] = anatomies.flatMap((a): Called[] => [
    ...a.cuts
      .filter((c) => c.kind !== 'loss' && !c.uncut)
      .map((c) => ({ species: a.species, kind: 'cut' as const, id: c.id, names: c.names, part: null })),
    ...a.parts.map((p) => ({
      species: a.species,
      kind: 'part' as const,
      id: p.id,
      names: p.names,
      part: null,
    })),
    ...a.paths.map((p) => ({
      species: a.species,
      kind: 'way' as const,
      id: p.id,
      names: p.names,
      part: p.part,
    })),
  ])
  const own = ({ species, id }: Called) =>
    aliases.flatMap((a) => (a.species === species && a.id === id ? [a.word] : [])).join(' ')
  const also = new Map(anatomies.map((a) => [a.species, a.also]))
  const index = new MiniSearch<{ id: number; names: string; also: string }>({
    fields: ['names', 'also'],
    tokenize: terms,
    processTerm: (term) => term,
  })
  index.addAll(
    all.map((c, id) => ({
      id,
      names: `${c.names.american} ${c.names.commonwealth}`,
      also: c.kind === 'way' ? '' : `${also.get(c.species)?.[c.id] ?? ''} ${own(c)}`,
    })),
  )
  const KIND = { cut: 1.15, part: 1, way: 0.6 }
  return (text, prefer) => {
    if (words(text).length === 0) return []
    const found = index.search(text, {
      boost: BOOST,
      prefix: (term) => term.length > 1,
      fuzzy: (term) => (term.length > 7 ? 0.25 : term.length > 3 ? 0.2 : false),
      boostDocument: (id) => {
        const c = all[id as number]!
        return KIND[c.kind] * (c.species === prefer ? 1.5 : 1)
      },
    })
    const best = found[0]?.score ?? 0
    return found.filter((f) => f.score >= NEAR * best).map((f) => all[f.id as number]!)
  }
}
