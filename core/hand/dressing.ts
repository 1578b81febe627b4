import { SCHOOL_WORDS, schoolOf } from '#core/plan'
import type { Reckoning } from '#core/reading'
import { CLASS_OF, type AnimalClass, type SchoolId } from '#core/records'

/** One thing of dressing an animal at home, in its order; `school` is the way of working that it follows. */
export interface Dressing {
  word: string
  how: string
  school: SchoolId | null
  caution?: string
}

const of = (word: string, how: string, school: SchoolId | null = null, caution?: string): Dressing => ({
  ...{ word, how, school },
  ...(caution === undefined ? {} : { caution }),
})

const SCALD_CAUTION = 'Scalding water: boots, long gloves, children away; never carried by one.'
/** Birds, in the order of the line (common practice). */
const BIRDS: Dressing[] = [
  of('Scald', 'Held by the feet, moved up and down, thermometer in the water.', 'scald', SCALD_CAUTION),
  of(
    'Pluck',
    'Straight from the water; pin feathers after, against the grain.',
    'load',
    'Never a hand in a running plucker.',
  ),
  of('Oil gland out', 'A deep scoop from behind it down to the bone: yellow all gone.', 'tail'),
  of('Feet off', 'Bend the hock and cut through where it opens.', 'feet'),
  of('Crop and windpipe free', 'Loosened with the fingers down to the chest.', 'crop'),
  of(
    'Open the vent',
    'A shallow cut, the gut held away; round it and out.',
    'vent',
    'Gut or gall cut: wash the bird at once, cut away what it touched.',
  ),
  of(
    'Draw it',
    'All in one handful, lungs last; the heart and liver looked at.',
    'kidneys',
    'Spots, swelling, a bad smell: the bird is not food. Ask a vet.',
  ),
  of('Chill', 'Ice water to 4 °C (40 °F) within the hours your rule gives; the probe checked in ice water.'),
]
/** Four-footed animals, what of it this farm chooses (common practice). */
const BEASTS: Dressing[] = [
  of(
    'Hide or hair off',
    'The knife only opens; fist and weight take the hide, nothing of it rolls onto the meat.',
    'hide',
    'Hoist and hooks are tested before they carry.',
  ),
  of(
    'Draw it',
    'Vent tied, bag and gut down in one, gall away from the liver; heart opened and drained.',
    null,
    'The point up and away from the gut. Spots, swelling, pus: stop, and ask a vet.',
  ),
  of('Tripe', 'Emptied and rinsed apart from the meat.', 'tripe'),
  of('Wash and trim', 'Hair and dirt are cut off, not washed about.', 'stamp'),
  of(
    'Chill',
    'To 4 °C (40 °F) in the deepest muscle; not under 10 °C in the first ten hours of lamb and beef.',
  ),
]
const BY_CLASS: Partial<Record<AnimalClass, readonly Dressing[]>> = {
  poultry: BIRDS,
  swine: BEASTS.filter((d) => d.school !== 'tripe'),
  sheep: BEASTS,
  goats: BEASTS,
  cattle: BEASTS,
}

/**
 * How it is dressed, where that is still to be done at home: only the live weight is known, and the route is one of the own
 * farm. A plant's work is the plant's.
 */
export function dressingOf(read: Reckoning): Dressing[] {
  const { route, hangs } = read.plan
  const isHome = route === 'household' || route === 'poultry-exempt'
  const isDressed = read.evidence.some((e) => e.stage !== 'live' && e.stage !== 'shrunk')
  if (!isHome || isDressed || hangs.as !== 'whole') return []
  return (BY_CLASS[CLASS_OF[read.flow.anatomy.species]] ?? []).map((d) => {
    if (!d.school) return d
    const way = SCHOOL_WORDS[d.school].ways[schoolOf(read.plan.schools, d.school)]!
    return { ...d, how: `${d.how} Here: ${way.word}. ${way.says}` }
  })
}
