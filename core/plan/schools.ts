import type { Path } from '#core/anatomy'
import {
  CLASS_OF,
  SCHOOL_IDS,
  SCHOOLS,
  type AnimalClass,
  type ScaldSchool,
  type SchoolId,
  type Species,
  type Tool,
} from '#core/records'

/** Ways of working where they are not the usual. */
export type Schools = ReadonlyMap<SchoolId, string>

/** A way of working: what is chosen between, and for which animals; the first of its ways is the usual. */
export interface School {
  word: string
  on: readonly AnimalClass[]
  /** Each way: its word and what it changes; how much longer what is done with a tool takes, and of the usual dust, how much. */
  ways: Readonly<
    Record<string, { word: string; says: string; takes?: { tool: Tool; by: number }; dust?: number }>
  >
}

const CARCASSES: AnimalClass[] = ['swine', 'sheep', 'goats', 'cattle']
const FOWL: AnimalClass[] = ['poultry']
const ALL: AnimalClass[] = [...CARCASSES, 'rabbits', 'poultry']

/** A school of the scald: °C, seconds (common practice; docs/sources.md: scald-schools). */
export const SCALD: Readonly<
  Record<ScaldSchool, { c: readonly [number, number]; seconds: readonly [number, number] }>
> = {
  soft: { c: [52, 54], seconds: [90, 120] },
  medium: { c: [58, 60], seconds: [60, 90] },
  hard: { c: [63, 66], seconds: [45, 75] },
}
/** The cooler or the hotter half of the hard scald: cooler water takes longer. */
function sayHard(half: 'cooler' | 'hotter'): string {
  const { c, seconds } = SCALD.hard
  const [warm, time] = [(c[0] + c[1]) / 2, (seconds[0] + seconds[1]) / 2]
  return half === 'cooler'
    ? `${c[0]}–${warm} °C, ${time}–${seconds[1]} s`
    : `${warm}–${c[1]} °C, ${seconds[0]}–${time} s`
}

/** Common practice; what a saw or a second pass takes beside the usual is our own figure (docs/sources.md: schools). */
export const SCHOOL_WORDS: { readonly [S in SchoolId]: School } = {
  hand: {
    word: 'The knife hand',
    on: ALL,
    ways: {
      right: { word: 'right', says: 'The card says which hand holds and on which side a piece lies.' },
      left: { word: 'left', says: 'Every hand and side on the card is the other one.' },
    },
  },
  saw: {
    word: 'Through bone',
    on: CARCASSES,
    ways: {
      'hand-saw': { word: 'hand saw', says: 'At the table, the piece held by a block.' },
      'band-saw': {
        word: 'band saw',
        says: 'At the saw: less time, finer dust, guard down and no gloves.',
        takes: { tool: 'saw', by: 0.7 },
        dust: 0.8,
      },
      'knife-then-saw': {
        word: 'knife first, then saw',
        says: 'The knife through all meat, the saw through bone only: less dust, a little longer.',
        takes: { tool: 'saw', by: 1.1 },
        dust: 0.6,
      },
    },
  },
  aitch: {
    word: 'Legs apart',
    on: CARCASSES,
    ways: {
      boned: { word: 'round the aitch bone', says: 'The bone comes out whole, no saw.' },
      sawn: {
        word: 'sawn through the aitch bone',
        says: 'Quicker; dust on both faces, half the bone in each leg.',
      },
    },
  },
  blade: {
    word: 'Blade bone out',
    on: CARCASSES,
    ways: {
      above: {
        word: 'by its ball joint, from above',
        says: 'Opened along the ridge; the shoulder lies flat after.',
      },
      tunnelled: {
        word: 'tunnelled from inside',
        says: 'The outside stays whole: for rolling and stuffing.',
      },
    },
  },
  roll: {
    word: 'A log rolled',
    on: ALL,
    ways: {
      locked: {
        word: 'scored inside so that it locks, a guide string first',
        says: 'It stays shut where it is cut.',
      },
      middle: { word: 'rolled and tied from the middle', says: 'Quicker; ends are pulled in last.' },
    },
  },
  rind: {
    word: 'Rind and back fat off',
    on: ['swine'],
    ways: {
      before: { word: 'before chops are cut', says: 'In one sheet, for rind or lard.' },
      after: {
        word: 'after, chop by chop',
        says: 'The chops keep their shape under the saw; the rind comes in strips.',
      },
    },
  },
  membrane: {
    word: 'Membrane peeled',
    on: ['swine', 'sheep', 'goats'],
    ways: {
      backbone: { word: 'from the backbone side', says: 'A knife tip lifts the corner.' },
      cloth: { word: 'from any spot, with a cloth', says: 'A blunt handle under it, a dry cloth to pull.' },
    },
  },
  grind: {
    word: 'Ground',
    on: ALL,
    ways: {
      twice: { word: 'twice, coarse then fine', says: 'Lean and fat mixed evenly.' },
      once: {
        word: 'once, coarse',
        says: 'Open texture; less time and less warming.',
        takes: { tool: 'grinder', by: 0.6 },
      },
    },
  },
  stamp: {
    word: 'Stamp ink',
    on: CARCASSES,
    ways: {
      left: { word: 'left (it may be eaten)', says: 'The mark of inspection stays to be seen.' },
      trimmed: {
        word: 'trimmed off after it was seen',
        says: 'Shown to who signs first: it is the proof of inspection.',
      },
    },
  },
  hide: {
    word: 'Hide off',
    on: CARCASSES,
    ways: {
      hoisted: { word: 'hoisted', says: 'The hide never touches meat; two people for a steer.' },
      cradle: { word: 'on a cradle or a clean sheet', says: 'For the own table only: hard to keep clean.' },
    },
  },
  tripe: {
    word: 'Tripe',
    on: ['sheep', 'goats', 'cattle'],
    ways: {
      boiled: { word: 'scraped after boiling', says: 'Hot, not boiling, until the lining gives.' },
      limed: { word: 'limed', says: 'Food-grade lime, gloves, eyes covered; rinsed until clear.' },
    },
  },
  scald: {
    word: 'Scald',
    on: FOWL,
    ways: {
      cooler: {
        word: sayHard('cooler'),
        says: 'Until toe skin and a wing feather come: slower, the skin stays.',
      },
      hotter: {
        word: sayHard('hotter'),
        says: 'Until the tail feather comes: quick, and over-scald is near.',
      },
    },
  },
  load: {
    word: 'Birds in the plucker',
    on: FOWL,
    ways: {
      one: { word: 'one at a time', says: 'Fewer broken wings.' },
      two: { word: 'two at a time', says: 'Twice as many an hour where the drum holds them.' },
    },
  },
  vent: {
    word: 'Vent opened',
    on: FOWL,
    ways: {
      above: { word: 'nicked and cut from above', says: 'The gut is seen before the blade is near it.' },
      below: { word: 'from below', says: 'A smaller cut: the legs can be tucked in it.' },
    },
  },
  crop: {
    word: 'Crop freed',
    on: FOWL,
    ways: {
      front: { word: 'through a slit in front', says: 'Seen all the way.' },
      turned: {
        word: 'from inside the neck skin, blade turned away',
        says: 'The skin stays whole for roasting.',
      },
    },
  },
  feet: {
    word: 'Feet off',
    on: FOWL,
    ways: {
      knife: { word: 'by knife at the joint', says: 'A clean knob, no chips.' },
      shears: { word: 'knife, then shears', says: 'Skin and sinew by knife, the joint by shears.' },
    },
  },
  kidneys: {
    word: 'Kidneys of young birds',
    on: FOWL,
    ways: {
      left: {
        word: 'left for stock',
        says: 'They stay in the back of a young bird; a mature bird’s come out.',
      },
      scraped: { word: 'scraped out', says: 'A clear stock; one more minute.' },
    },
  },
  tail: {
    word: 'Tail',
    on: FOWL,
    ways: {
      on: { word: 'on, oil gland cut out', says: 'The gland goes into the waste, always.' },
      stock: { word: 'off, to stock', says: 'Oil gland out first: it spoils a pot.' },
    },
  },
}

/** What there is to choose for a species. */
export const schoolsFor = (species: Species): SchoolId[] =>
  SCHOOL_IDS.filter((id) => SCHOOL_WORDS[id].on.includes(CLASS_OF[species]))

/** The way of working that holds: chosen, or the usual. */
export const schoolOf = (schools: Schools, id: SchoolId): string => schools.get(id) ?? SCHOOLS[id][0]

/** How much longer than usual a way takes as this farm works. */
export const takesBy = (schools: Schools, { tool }: Pick<Path, 'tool'>): number =>
  [...schools].reduce((by, [id, way]) => {
    const takes = SCHOOL_WORDS[id].ways[way]?.takes
    return takes?.tool === tool ? by * takes.by : by
  }, 1)

/** Of the usual dust of a saw, what it makes as this farm works. */
export const dustBy = (schools: Schools): number =>
  [...schools].reduce((by, [id, way]) => by * (SCHOOL_WORDS[id].ways[way]?.dust ?? 1), 1)
