import { readFileSync } from 'node:fs'
import { type Anatomy, type Species } from '#core/anatomy'
import { ANATOMIES } from '#core/species'
import { compile } from '#core/carcass'
import { cutAs, sumOf, type CutAs, type CutUpAs, type Sum } from './compare.ts'

/** A piece of the yield list (docs/sources.md): its band, and how it is cut here. % of cold carcass. */
export interface YieldRow {
  species: Species
  name: string
  low: number
  high: number
}
export interface Found extends YieldRow {
  found: number
}

/** How far outside its band, as a share of the nearer end; 0 inside. */
export const offBand = ({ found, low, high }: Pick<Found, 'found' | 'low' | 'high'>): number =>
  found < low ? found / low - 1 : found > high ? found / high - 1 : 0

type Ways = Record<string, string>
interface Plan {
  ways?: Ways
  lines?: Ways
  conventions?: Record<string, boolean>
}
type How = readonly [plan: string, of: Sum]
interface List {
  carcassKg: number
  plans: Record<string, Plan>
  how: Record<string, How>
}

const held = (...parts: string[]): Sum => ({ parts })
const made = (part: string | string[], ...to: string[]): Sum => ({ parts: [part].flat(), to })
const also = (...sums: Sum[]): Sum => ({ parts: [], also: sums })

const BEEF_BONED: Ways = {
  foreshank: 'foreshank-grind',
  'hind-shank': 'hind-shank-grind',
  'chuck-ribs': 'chuck-ribs-grind',
  rib: 'rib-eye',
  plate: 'plate-grind',
  'short-loin': 'loin-strip',
}
const HOG_BONED: Ways = {
  leg: 'leg-seamed',
  loin: 'loin-roasts',
  belly: 'belly-slices',
  'spare-ribs': 'ribs-grind',
  butt: 'butt-boned',
  picnic: 'picnic-boned',
  'fore-hock': 'fore-hock-boned',
  'hind-hock': 'hind-hock-boned',
}
const LAMB_BONED: Ways = {
  neck: 'neck-grind',
  shoulder: 'shoulder-rolled',
  foreshank: 'foreshank-grind',
  rack: 'rack-rolled',
  breast: 'breast-grind',
  loin: 'loin-boneless',
  leg: 'leg-butterflied',
}

/** What comes of a lamb or a kid that is all boned. */
const LAMB_PIECES_BONED: Record<string, How> = {
  tenderloins: ['boned', made('tenderloin', 'tenderloin')],
  'all meat, all boned': [
    'boned',
    also(
      made(
        ['shoulder', 'rack', 'loin', 'leg', 'tenderloin'],
        'shoulder-rolled',
        'noisettes',
        'loin-boneless',
        'leg-butterflied',
        'tenderloin',
      ),
      held('trim'),
    ),
  ],
  'bones, all boned': ['boned', held('bones')],
  'fat trimmed off, all boned': ['boned', held('fat', 'kidney-fat')],
}
const GOAT_CUBED: Ways = Object.fromEntries(
  ['leg', 'shoulder', 'neck', 'rack', 'loin', 'breast', 'foreshank'].map((p) => [p, `${p}-cubed`]),
)
const VEAL_BONED: Ways = {
  ...BEEF_BONED,
  rib: 'rib-eye-only',
  flank: 'flank-grind',
  brisket: 'brisket-grind',
}
const VEAL_PARTS = [
  'chuck',
  'clod',
  'chuck-roll',
  'rib',
  'short-loin',
  'short-loin-rear',
  'sirloin',
  'tenderloin',
  'top-round',
  'bottom-round',
  'eye-round',
  'knuckle',
  'rump',
  'round',
  'hanger',
  'skirts',
]
const VEAL_MEAT = [
  'clod-roast',
  'chuck-roast',
  'mock-tender',
  'rib-eye',
  'strip',
  'top-sirloin',
  'tri-tip',
  'ball-tip',
  'flap',
  'tenderloin',
  'top-roast',
  'bottom-roast',
  'eye-roast',
  'tip-roast',
  'rump-roast',
  'hip-oyster',
  'hanger',
  'skirt-inside',
  'skirt-outside',
]
/** Birds are parted alike, whatever the bird. */
const BIRD_PLANS: List['plans'] = {
  parts: { ways: { bird: 'bird-parts', wing: 'wing-three' } },
  boned: { ways: { bird: 'bird-parts', leg: 'leg-boneless' } },
  quarters: { ways: { bird: 'bird-quarters' } },
  stuffed: { conventions: { giblets: true } },
}
const BIRD_PARTS: List['how'] = {
  'breast, bone in': ['parts', held('breast')],
  wings: ['parts', held('wing')],
  back: ['parts', held('back')],
}
const BIRD_PIECES: List['how'] = {
  ...BIRD_PARTS,
  thighs: ['parts', made('leg', 'thigh')],
  drumsticks: ['parts', made('leg', 'drumstick')],
  'boneless breast with tenders': ['parts', made('breast', 'breast-boneless', 'tenders')],
  'first wing bones': ['parts', made('wing', 'drumette')],
  'thigh, boned and skinned': ['boned', made('leg', 'thigh-boneless')],
  'neck and giblets, with them': ['stuffed', held('neck', 'giblets')],
}

const LISTS: Partial<Record<Species, List>> = {
  steer: {
    carcassKg: 320,
    plans: {
      bone: { ways: { rib: 'rib-roast', 'short-loin': 'loin-tbone', plate: 'plate-pieces' } },
      seamed: { ways: { clod: 'clod-parted', rib: 'rib-eye', 'short-loin': 'loin-strip' } },
      parted: { ways: { brisket: 'brisket-split' } },
      boned: { ways: BEEF_BONED },
    },
    how: {
      'chuck with neck': ['bone', held('chuck')],
      foreshank: ['bone', held('foreshank')],
      'brisket, bone in': ['bone', held('brisket')],
      'plate with skirts': ['bone', held('plate', 'skirts')],
      rib: ['bone', held('rib')],
      'short loin': ['bone', held('short-loin', 'short-loin-rear')],
      sirloin: ['bone', held('sirloin', 'tenderloin')],
      flank: ['bone', held('flank')],
      'round with shank': ['bone', held('round', 'hind-shank')],
      'kidney fat and hanger': ['bone', held('suet', 'hanger')],
      'shoulder clod': ['seamed', held('clod')],
      'chuck roll': ['seamed', held('chuck-roll')],
      'mock tender': ['seamed', made('chuck', 'mock-tender')],
      'flat iron': ['seamed', made('clod', 'flat-iron')],
      'shoulder tender': ['seamed', made('clod', 'shoulder-tender')],
      'chuck short ribs': ['seamed', made('chuck-ribs', 'chuck-short-ribs')],
      'whole brisket, deckle off': ['seamed', made('brisket', 'brisket')],
      'brisket flat': ['parted', made('brisket', 'brisket-flat')],
      'brisket point': ['parted', made('brisket', 'brisket-point')],
      'shank cuts, fore and hind': ['bone', made(['foreshank', 'hind-shank'], 'shank-cut')],
      'rib roast, bone in': ['bone', made('rib', 'rib-roast')],
      'rib-eye': ['seamed', made('rib', 'rib-eye')],
      'back ribs': ['seamed', made('rib', 'back-ribs')],
      'short ribs of rib and plate': ['bone', made(['rib', 'plate'], 'short-rib-pieces')],
      'inside skirt': ['seamed', made('skirts', 'skirt-inside')],
      'outside skirt': ['seamed', made('skirts', 'skirt-outside')],
      hanger: ['seamed', made('hanger', 'hanger')],
      'T-bones': ['bone', made('short-loin', 'tbone')],
      strip: ['seamed', made(['short-loin', 'short-loin-rear'], 'strip')],
      tenderloin: ['seamed', made('tenderloin', 'tenderloin')],
      'top sirloin': ['seamed', made('sirloin', 'top-sirloin')],
      'tri-tip': ['seamed', made('sirloin', 'tri-tip')],
      'ball tip': ['seamed', made('sirloin', 'ball-tip')],
      flap: ['seamed', made('sirloin', 'flap')],
      'flank steak': ['seamed', made('flank', 'flank-steak')],
      'top round': ['seamed', made('top-round', 'top-roast')],
      'flat with its rump end': ['seamed', made(['bottom-round', 'rump'], 'bottom-roast', 'rump-roast')],
      'eye of round': ['seamed', made('eye-round', 'eye-roast')],
      knuckle: ['seamed', made('knuckle', 'tip-roast')],
      'trim, all boned': ['boned', held('trim')],
      'bones, all boned': ['boned', also(held('bones'), made('rib', 'back-ribs'))],
      'fat trimmed off, all boned': ['boned', held('fat', 'suet')],
    },
  },
  hog: {
    carcassKg: 85,
    plans: {
      bone: {},
      boned: { ways: HOG_BONED },
      five: { lines: { 'shoulder-line': '5|6' } },
    },
    how: {
      'leg with hock': ['bone', held('leg', 'hind-hock')],
      'loin with back fat': ['bone', held('loin', 'rib-end', 'sirloin', 'tenderloin')],
      'belly and ribs': ['bone', held('belly', 'spare-ribs')],
      'butt and neck bones': ['bone', held('butt', 'neck-bones')],
      'picnic with hock': ['bone', held('picnic', 'fore-hock')],
      jowl: ['bone', held('jowl')],
      'feet and tail': ['bone', held('fore-foot', 'hind-foot', 'tail')],
      leaf: ['bone', held('leaf-fat')],
      'butt, bone in': ['bone', made('butt', 'butt-roast')],
      'picnic, bone in, with hock': ['bone', also(made('picnic', 'picnic-roast'), made('fore-hock', 'hock'))],
      'chops, rind off': ['bone', made('loin', 'bone-in-chop')],
      'belly, ribs off': ['bone', held('belly')],
      'spare ribs': ['bone', made('spare-ribs', 'spare-ribs')],
      tenderloin: ['boned', made('tenderloin', 'tenderloin')],
      'boneless loin': ['boned', made('loin', 'loin-roast')],
      'back ribs': ['boned', made('loin', 'back-ribs')],
      'neck bones': ['boned', held('neck-bones')],
      'leg muscles, boned': ['boned', held('leg-topside', 'leg-silverside', 'leg-knuckle')],
      'shoulder of five ribs: butt': ['five', held('butt')],
      'shoulder of five ribs: picnic': ['five', held('picnic', 'fore-hock')],
      'trim, all boned': ['boned', held('trim')],
      'bones, all boned': ['boned', also(held('bones'), made('loin', 'back-ribs'))],
      'skin, all off': ['boned', held('skin')],
      'fat trimmed off, all boned': ['boned', held('back-fat', 'leaf-fat')],
    },
  },
  lamb: {
    carcassKg: 20,
    plans: { bone: { ways: { loin: 'loin-chops' } }, boned: { ways: LAMB_BONED } },
    how: {
      legs: ['bone', held('leg')],
      'shoulders and neck': ['bone', held('shoulder', 'neck')],
      racks: ['bone', held('rack')],
      loins: ['bone', held('loin', 'tenderloin')],
      'breasts and flanks': ['bone', held('breast')],
      foreshanks: ['bone', held('foreshank')],
      'kidneys and their fat': ['bone', held('kidneys', 'kidney-fat')],
      'legs, trimmed': ['bone', made('leg', 'leg-whole')],
      'shoulders and neck, bone in': [
        'bone',
        also(made('shoulder', 'shoulder-whole'), made('neck', 'neck-slices')),
      ],
      'two frenched racks': ['bone', made('rack', 'rack')],
      'loin chops': ['bone', made('loin', 'loin-chop')],
      shanks: ['bone', made('foreshank', 'shank')],
      ...LAMB_PIECES_BONED,
    },
  },
  broiler: {
    carcassKg: 2,
    plans: BIRD_PLANS,
    how: {
      ...BIRD_PIECES,
      'leg quarters': ['quarters', made('bird', 'leg-quarter')],
      tenders: ['parts', made('breast', 'tenders')],
      'boneless breast': ['parts', made('breast', 'breast-boneless')],
    },
  },
  turkey: { carcassKg: 9, plans: BIRD_PLANS, how: BIRD_PIECES },
  duck: {
    carcassKg: 2.2,
    plans: {
      ...BIRD_PLANS,
      skinned: { ways: { bird: 'bird-parts', breast: 'breast-boneless', leg: 'leg-grind' } },
      filleted: { ways: { bird: 'bird-parts', breast: 'breast-boneless-skin' } },
    },
    how: {
      ...BIRD_PARTS,
      legs: ['parts', held('leg')],
      'boneless breast, skin on': ['filleted', made('breast', 'breast-boneless-on')],
      'skin and fat of the whole bird': [
        'parts',
        also({ parts: ['bird'], tissue: 'skin' }, { parts: ['bird'], tissue: 'fat' }),
      ],
    },
  },
  rabbit: {
    carcassKg: 1.4,
    plans: {
      parts: { ways: { rabbit: 'rabbit-parts' } },
      boned: {
        ways: {
          rabbit: 'rabbit-parts',
          hind: 'hind-boneless',
          loin: 'loin-boneless',
          fore: 'fore-grind',
          rib: 'rib-grind',
          pelvis: 'pelvis-grind',
        },
      },
    },
    how: {
      'hind legs': ['parts', held('hind')],
      'loin, bone in': ['parts', held('loin')],
      forelegs: ['parts', held('fore')],
      'rib section': ['parts', held('rib')],
      flaps: ['parts', held('flap')],
      'pelvis and neck': ['parts', held('pelvis')],
      'boneless loins': ['boned', made('loin', 'loin-boneless')],
      'bones, all boned': ['boned', held('frames')],
    },
  },
  goat: {
    carcassKg: 18,
    plans: { bone: {}, boned: { ways: LAMB_BONED }, cubed: { ways: GOAT_CUBED } },
    how: {
      legs: ['bone', held('leg')],
      shoulders: ['bone', held('shoulder')],
      neck: ['bone', held('neck')],
      racks: ['bone', held('rack')],
      loins: ['bone', held('loin', 'tenderloin')],
      'breasts and flanks': ['bone', held('breast')],
      foreshanks: ['bone', held('foreshank')],
      'kidneys and their fat': ['bone', held('kidneys', 'kidney-fat')],
      ...LAMB_PIECES_BONED,
      'all cubed on the saw': ['cubed', made(Object.keys(GOAT_CUBED), 'bone-in-cubes')],
    },
  },
  calf: {
    carcassKg: 110,
    plans: { bone: {}, boned: { ways: VEAL_BONED } },
    how: {
      leg: ['bone', held('round', 'hind-shank', 'sirloin')],
      loin: ['bone', held('short-loin', 'short-loin-rear', 'tenderloin')],
      rack: ['bone', held('rib')],
      'shoulder and neck': ['bone', held('chuck')],
      'breast and flank': ['bone', held('brisket', 'plate', 'skirts', 'flank')],
      foreshank: ['bone', held('foreshank')],
      'kidney fat': ['bone', held('suet')],
      'bones, all boned': ['boned', held('bones')],
      'trim and named meat, all boned': ['boned', also(held('trim'), made(VEAL_PARTS, ...VEAL_MEAT))],
    },
  },
}

const SECTIONS: Record<string, Species> = {
  Beef: 'steer',
  Hog: 'hog',
  Lamb: 'lamb',
  Bird: 'broiler',
  Goat: 'goat',
  Calf: 'calf',
  Turkey: 'turkey',
  Duck: 'duck',
  Rabbit: 'rabbit',
}

/** The list as it is written in docs/sources.md. Throws on a piece that is not cut here, or a cut that is not listed. */
export function yieldList(text = readFileSync('docs/sources.md', 'utf8')): YieldRow[] {
  const list = text.slice(text.indexOf('## Yield list'))
  const rows = list
    .split(/^### /m)
    .slice(1)
    .flatMap((section) => {
      const species = SECTIONS[/^\w+/.exec(section)![0]]!
      return [...section.matchAll(/^\| ([^|]+?)\*? \| ([\d.]+)–([\d.]+) \|$/gm)].map(
        ([, name, low, high]) => ({ species, name: name!, low: Number(low), high: Number(high) }),
      )
    })
  const listed = rows.map((r) => `${r.species}: ${r.name}`)
  const cut = Object.entries(LISTS).flatMap(([s, l]) => Object.keys(l.how).map((name) => `${s}: ${name}`))
  const odd = [...listed.filter((n) => !cut.includes(n)), ...cut.filter((n) => !listed.includes(n))]
  if (odd.length > 0) throw new Error(`not both listed and cut: ${odd.join('; ')}`)
  return rows
}

/** An anatomy cut by every plan of its list. */
export function cutForList(species: Species, anatomy: Anatomy = ANATOMIES[species]): Record<string, CutUpAs> {
  const { carcassKg, plans } = LISTS[species]!
  const flow = compile(anatomy)
  const as = ({ ways = {}, lines = {}, conventions = {} }: Plan): CutAs => ({
    carcassKg,
    trim: 'standard',
    conventions,
    lines,
    mm: {},
    left: ways,
    right: ways,
    ...(!anatomy.ribs && { animal: ways }),
  })
  return Object.fromEntries(Object.entries(plans).map(([id, plan]) => [id, cutAs(flow, as(plan))]))
}

/** What a species gives of each piece of the list, beside its band. */
export function findYields(
  species: Species,
  rows: readonly YieldRow[],
  cut: Record<string, CutUpAs> = cutForList(species),
): Found[] {
  const { carcassKg, how } = LISTS[species]!
  return rows
    .filter((r) => r.species === species)
    .map((row) => {
      const [plan, of] = how[row.name]!
      return { ...row, found: (sumOf(cut[plan]!.cutting, of) / carcassKg) * 100 }
    })
}
