import { CLASS_OF, type LineStationId, type Species } from '#core/records'

/** A station of a day of birds as it usually is. */
export interface UsualStation {
  id: LineStationId
  word: string
  /** What it is worth to look at, and what can hurt. */
  watch: string
  caution: string | null
  kit: readonly string[]
  /** Minutes a load takes a skilled hand, or takes by itself, for a bird of `PER_KG` alive; and how far they lie apart. */
  minutes: number
  cv: number
  load: number
  places: number
  room: number
  hand: boolean
  /** What one more of it is called, where it is a thing that can be had twice. */
  machine: string | null
}

/** Minutes are those of a table bird so heavy; of a bigger one hands take longer, by its weight^0.35 (our own; docs/sources.md: line-minutes). */
export const USUAL_KG = 2.8
const GROWS = 0.35
export const sizeFactor = (kg: number): number => (kg / USUAL_KG) ** GROWS

const hand = { hand: true, load: 1, places: 4, room: 8, cv: 0.3, machine: null, caution: null } as const
const alone = { ...hand, hand: false, cv: 0.1, room: Infinity } as const
const WATCH_DEAD = 'One that came dead, or is sick, goes nowhere near the line: it is counted as lost.'

/** Bleed 1.5, scald 1, pluck 0.5, draw 2.5 minutes are of the trade, the rest our own (docs/sources.md: line-minutes). */
const BIRDS: readonly UsualStation[] = [
  {
    ...hand,
    id: 'catch',
    word: 'Catch',
    minutes: 0.3,
    room: Infinity,
    watch: WATCH_DEAD,
    kit: ['crates', 'gloves'],
  },
  {
    ...hand,
    id: 'cone',
    word: 'Cone',
    minutes: 0.4,
    watch: 'Both arteries, beside the jaw; the windpipe stays whole.',
    caution: 'Knife: the off hand holds the head from behind, away from the edge.',
    kit: ['cones', 'sticking knife', 'steel'],
  },
  {
    ...alone,
    id: 'bleed',
    word: 'Bleed',
    minutes: 1.5,
    places: 6,
    room: 0,
    watch: 'Until it drips no more and lies still.',
    machine: 'two more cones',
    kit: ['blood tub'],
  },
  {
    ...hand,
    id: 'scald',
    word: 'Scald',
    minutes: 1,
    cv: 0.15,
    load: 2,
    places: 1,
    watch: 'Ready when a wing or tail feather pulls easily and toe skin slips.',
    caution: 'Hot water scalds: lower birds by the feet, children away.',
    machine: 'a second scalder',
    kit: ['scalder', 'thermometer'],
  },
  {
    ...hand,
    id: 'pluck',
    word: 'Pluck',
    minutes: 0.5,
    cv: 0.2,
    load: 2,
    places: 1,
    watch: 'Stop early and finish by hand: skin tears when it runs on.',
    caution: 'Wet floor and electricity: hands out of the drum until it stands.',
    machine: 'a second plucker',
    kit: ['plucker', 'hose'],
  },
  {
    ...hand,
    id: 'feet',
    word: 'Head, feet, oil gland',
    minutes: 0.5,
    watch: 'Through the joint, not the bone; all of the yellow gland off.',
    kit: ['shears or knife', 'tub for feet'],
  },
  {
    ...hand,
    id: 'draw',
    word: 'Draw',
    minutes: 2.5,
    cv: 0.35,
    watch: 'By the gizzard, without breaking gut or gall. Bile on meat: cut and wash away at once.',
    caution: 'The hand inside cannot see the knife: only one bird, one knife, at one place.',
    kit: ['short knife', 'tubs: hearts, livers, gizzards', 'gut bucket'],
  },
  {
    ...hand,
    id: 'check',
    word: 'Check and rinse',
    minutes: 0.5,
    watch:
      'Lungs out, crop out, no feathers, no spots on the liver. What looks sick is set aside for who knows.',
    kit: ['clean water', 'light'],
  },
  {
    ...alone,
    id: 'chill',
    word: 'Chill',
    minutes: 90,
    cv: 0.12,
    places: 500,
    watch: 'Under the ice, not on it; the middle of the biggest is read.',
    machine: null,
    kit: ['tubs', 'ice', 'probe'],
  },
  {
    ...alone,
    id: 'drain',
    word: 'Drain',
    minutes: 10,
    places: 40,
    watch: 'Hung or on a rack, cold: water that drips in the bag is sold as bird.',
    kit: ['rack'],
  },
  {
    ...hand,
    id: 'cut',
    word: 'Cut',
    minutes: 3,
    watch: 'Rested cold: cut before about six hours, breast toughens.',
    caution: 'Glove on the off hand; cut away from the body.',
    kit: ['boning knife', 'board', 'glove'],
    room: Infinity,
  },
  {
    ...hand,
    id: 'weigh',
    word: 'Weigh',
    minutes: 0.3,
    places: 1,
    watch: 'The weight goes on the bag, for the cook.',
    machine: 'a second scale',
    kit: ['scale'],
    room: Infinity,
  },
  {
    ...hand,
    id: 'bag',
    word: 'Bag and label',
    minutes: 0.8,
    watch: 'Bone points padded; the lot number on every bag.',
    kit: ['bags', 'labels'],
    room: Infinity,
  },
]
/** What a rabbit has in place of a bird’s station; null where it passes it by. */
const OF_RABBITS: Partial<Record<LineStationId, Partial<UsualStation> | null>> = {
  scald: null,
  cone: { word: 'Stun and bleed', watch: 'Stunned, hung, bled at once.', kit: ['hooks', 'knife'] },
  pluck: {
    ...hand,
    id: 'skin',
    word: 'Skin',
    minutes: 2,
    cv: 0.35,
    watch: 'The pelt comes off like a sleeve; no hair on the meat.',
    caution: 'Gloves: rabbits carry diseases that people catch.',
    kit: ['hooks', 'skinning knife', 'gloves'],
  },
  feet: { word: 'Head and feet', watch: 'Through the joint.' },
  draw: { minutes: 1.5, watch: 'White spots on the liver, swollen nodes: stop and ask a vet.' },
}
const RABBITS = BIRDS.flatMap((s): UsualStation[] => {
  const own = OF_RABBITS[s.id]
  return own === null ? [] : [{ ...s, ...own }]
})
/** Down and pin feathers: ducks are scalded longer, then waxed. */
const DUCKS = BIRDS.map((s) =>
  s.id === 'scald'
    ? { ...s, minutes: 2.5, watch: 'Longer than other birds, with soap; then wax.' }
    : s.id === 'pluck'
      ? {
          ...s,
          minutes: 3,
          cv: 0.3,
          watch: 'Then into hot wax, into cold water, and peeled.',
          kit: [...s.kit, 'wax and its pot'],
        }
      : s,
)
/** One at a time in scald and drum. */
const TURKEYS = BIRDS.map((s) =>
  s.id === 'scald' || s.id === 'pluck'
    ? { ...s, load: 1 }
    : s.id === 'bleed'
      ? { ...s, minutes: 2.5, places: 3 }
      : s,
)

/** The stations of a species that goes through a line, in order; none of any other. */
export function usualStations(species: Species): readonly UsualStation[] {
  if (species === 'duck') return DUCKS
  if (species === 'turkey') return TURKEYS
  const of = CLASS_OF[species]
  return of === 'poultry' ? BIRDS : of === 'rabbits' ? RABBITS : []
}

/** Hours without feed before the first is taken, water always there (common practice). */
const WITHDRAW: Readonly<Record<'poultry' | 'rabbits', readonly [number, number]>> = {
  poultry: [8, 12],
  rabbits: [6, 12],
}
/** When feed is taken away before a first bird at `start`, minutes of its day (below zero the evening before), and the hours that is. */
export function feedAway(species: Species, start: number) {
  const [least, most] = WITHDRAW[CLASS_OF[species] === 'rabbits' ? 'rabbits' : 'poultry']
  return { from: start - most * 60, until: start - least * 60, least, most }
}
