/** Every list of the trade that a record may name a thing of: type, parser and the database's check come from here. */

/**
 * The animals a farm may raise, each with the class that rules and cautions go by. A new species is a line here and its
 * folder in core/anatomy.
 */
export const CLASS_OF = {
  hog: 'swine',
  lamb: 'sheep',
  steer: 'cattle',
  broiler: 'poultry',
  goat: 'goats',
  calf: 'cattle',
  turkey: 'poultry',
  duck: 'poultry',
  rabbit: 'rabbits',
} as const
export type Species = keyof typeof CLASS_OF
export type AnimalClass = (typeof CLASS_OF)[Species]
export const SPECIES = Object.keys(CLASS_OF) as [Species, ...Species[]]

export const HALVES = ['left', 'right'] as const
export type Half = (typeof HALVES)[number]
/** Which half a choice is for; `animal` for parts there is one of. */
export const SIDES = [...HALVES, 'animal'] as const
export type SideName = (typeof SIDES)[number]

export const QUARTERS = ['fore', 'hind'] as const
export type Quarter = (typeof QUARTERS)[number]

export const TOOLS = ['knife', 'saw', 'grinder', 'cure', 'none'] as const
export type Tool = (typeof TOOLS)[number]

/** What is laid ready before the first cut, and ticked. */
export const KIT_IDS = [
  'knife',
  'saw',
  'grinder',
  'cure',
  'tubs',
  'goes',
  'bags',
  'twine',
  'casing',
  'ice',
] as const
export type KitId = (typeof KIT_IDS)[number]

/** Where at the bench a thing is done; `house` is what needs heat, salt or days. */
export const STATIONS = ['rail', 'table', 'saw', 'grinder', 'house'] as const
export type Station = (typeof STATIONS)[number]

/** What is looked at and signed inside a step (docs/sources.md: check-points). */
export const CHECK_IDS = [
  'route',
  'fouled',
  'heart',
  'cavity',
  'glands',
  'cord',
  'membrane',
  'kneecap',
  'tendon',
  'swept',
  'dust',
  'even',
  'sealed',
  'cold',
] as const
export type CheckId = (typeof CHECK_IDS)[number]

/** What happens to a step of the card as the day goes on. */
export const WORK_EVENTS = ['started', 'paused', 'resumed', 'handed', 'skipped', 'done'] as const
export type WorkEvent = (typeof WORK_EVENTS)[number]

/** Ways of working that a farm chooses, and what there is to choose (common practice). */
export const SCHOOLS = {
  hand: ['right', 'left'],
  saw: ['hand-saw', 'band-saw', 'knife-then-saw'],
  aitch: ['boned', 'sawn'],
  blade: ['above', 'tunnelled'],
  roll: ['locked', 'middle'],
  rind: ['before', 'after'],
  membrane: ['backbone', 'cloth'],
  grind: ['twice', 'once'],
  stamp: ['left', 'trimmed'],
  hide: ['hoisted', 'cradle'],
  tripe: ['boiled', 'limed'],
  scald: ['cooler', 'hotter'],
  load: ['one', 'two'],
  vent: ['above', 'below'],
  crop: ['front', 'turned'],
  feet: ['knife', 'shears'],
  kidneys: ['left', 'scraped'],
  tail: ['on', 'stock'],
} as const
export type SchoolId = keyof typeof SCHOOLS
export const SCHOOL_IDS = Object.keys(SCHOOLS) as [SchoolId, ...SchoolId[]]

export const TRIM_LEVELS = ['generous', 'standard', 'close', 'strict'] as const
export type TrimLevel = (typeof TRIM_LEVELS)[number]

/** Where a cut goes: roast, steak or chop, braise, grind, cure, bone, fat, offal, loss. */
export const DESTINATIONS = ['R', 'T', 'B', 'G', 'C', 'N', 'F', 'O', 'X'] as const
export type Destination = (typeof DESTINATIONS)[number]

/** A measurement a grader or the plant gives. */
export const MEASURES = ['fat-depth', 'eye-area', 'kidney-fat'] as const
export type MeasureId = (typeof MEASURES)[number]

/** Weights a person may write down; the chain knows more stages. */
export const WEIGHED_STAGES = ['live', 'shrunk', 'hot', 'hanging'] as const
export type WeighedStage = (typeof WEIGHED_STAGES)[number]
/** What a "hanging weight" was printed on: hot rail weight, hot less a cooler rebate, cold, aged, or as it came in a box. */
export const HANGING_BASES = ['hot', 'hot×0.98', 'hot×0.975', 'cold', 'aged', 'boxed'] as const
export type HangingBasis = (typeof HANGING_BASES)[number]
export const SOURCES = ['scale', 'plant', 'tape', 'guess'] as const
export type Source = (typeof SOURCES)[number]

/** What a pack is wrapped in; how long it keeps goes by it. */
export const WRAPS = ['vacuum', 'shrink', 'zip', 'paper', 'jar', 'tub'] as const
export type Wrap = (typeof WRAPS)[number]

/** Bags and other wrappings are had in sizes: to so many kg of what goes in; what is heavier takes the last. */
export const PACK_SIZES = [0.5, 1, 2, 5, 20] as const

/** Where body heat goes: a cooler, drained chests with ice, or neither. */
export const CHILLED = ['cooler', 'chest', 'none'] as const
export type Chilled = (typeof CHILLED)[number]

/** Where a temperature is read: on the surface, deep in the thickest part, in the air of the cooler. */
export const TEMP_PLACES = ['deep', 'surface', 'air'] as const
export type TempPlace = (typeof TEMP_PLACES)[number]
/** What lean looks like, and how much fat is in it and over it, as it is accepted (common practice). */
export const LEAN_COLOURS = ['pale', 'bright', 'dark'] as const
export const MARBLINGS = ['none', 'little', 'some', 'much'] as const
export const COVERS = ['bare', 'thin', 'even', 'heavy'] as const

/** Labels: on a roll, one after another, or on a sheet of so many; mm. */
export const LABEL_SIZES = ['roll-58x40', 'roll-100x50', 'roll-100x75', 'a4-3x7', 'letter-2x5'] as const
export type LabelSize = (typeof LABEL_SIZES)[number]
/** What may stand on a label, in the usual order. */
export const LABEL_BLOCKS = [
  'cut',
  'weight',
  'price',
  'farm',
  'lot',
  'date',
  'not-for-sale',
  'exemption',
  'barcode',
  'contains',
  'cooking',
  'storage',
  'kitchen',
  'handling',
  'claims',
] as const
export type LabelBlock = (typeof LABEL_BLOCKS)[number]
/** How large a block is printed. */
export const BLOCK_SIZES = ['small', 'middle', 'large'] as const
export type BlockSize = (typeof BLOCK_SIZES)[number]

/** What became of a pack: it is there, its weighing was corrected, it was voided, or opened for others. */
export const UNIT_STATES = ['here', 'corrected', 'void', 'opened'] as const
export type UnitState = (typeof UNIT_STATES)[number]

/** Why an animal of a batch is gone: found dead, taken by a predator, cold, heat or wet, sick, culled, away, dead when it came to the day. */
export const LOSS_CAUSES = [
  'found-dead',
  'predator',
  'weather',
  'sick',
  'culled',
  'escaped',
  'arrived-dead',
] as const
export type LossCause = (typeof LOSS_CAUSES)[number]
/** Feeds of a batch, in the order they are fed. */
export const FEED_PHASES = ['starter', 'grower', 'finisher'] as const
export type FeedPhase = (typeof FEED_PHASES)[number]

/** Stations that birds and rabbits go through on their day, in order. */
export const LINE_STATIONS = [
  'catch',
  'cone',
  'bleed',
  'scald',
  'pluck',
  'skin',
  'feet',
  'draw',
  'check',
  'chill',
  'drain',
  'cut',
  'weigh',
  'bag',
] as const
export type LineStationId = (typeof LINE_STATIONS)[number]
/** How hot birds are scalded, and when they are ready (common practice). */
/** Of one sex only: cockerels, toms, drakes; pullets, hens. */
export const SEXES = ['males', 'females'] as const
export type Sex = (typeof SEXES)[number]

export const SCALD_SCHOOLS = ['soft', 'medium', 'hard'] as const
export type ScaldSchool = (typeof SCALD_SCHOOLS)[number]
export const READY_SIGNS = ['feather-pulls', 'toe-skin', 'both', 'clock', 'not-yet'] as const
export type ReadySign = (typeof READY_SIGNS)[number]
/** What makes a bird worth less than it was: scalded too long, torn, bile on it, bruised, a bone broken, feathers left, condemned. */
export const DOWNGRADES = [
  'over-scald',
  'torn-skin',
  'bile',
  'bruise',
  'broken',
  'feathers',
  'condemned',
] as const
export type DowngradeId = (typeof DOWNGRADES)[number]
/** What birds are chilled in: ice and water, a slush that is kept moving, or the air of a cooler. */
export const CHILLS = ['still', 'moving', 'air'] as const
export type Chill = (typeof CHILLS)[number]

/** How the animal is slaughtered, and so what of it may be sold. */
export const ROUTE_IDS = ['inspected', 'state', 'custom', 'poultry-exempt', 'household'] as const
export type Route = (typeof ROUTE_IDS)[number]

/** How it came to its end: slaughtered, shot as game or feral, dead by itself or put down, slaughtered while sick. */
export const END_IDS = ['slaughtered', 'hunted', 'died', 'sick'] as const
export type End = (typeof END_IDS)[number]

/** What money is spent on, in the order it is spent. */
export const COST_KINDS = [
  'animal',
  'feed',
  'bedding',
  'vet',
  'labour',
  'land',
  'equipment',
  'haulage',
  'processor',
  'packaging',
  'other',
] as const
export type CostKind = (typeof COST_KINDS)[number]
/** What a cost is counted in. */
export const COST_UNITS = ['kg', 'lb', 'h', 'head', 'day', 'piece'] as const
export type CostUnit = (typeof COST_UNITS)[number]
/** How often a cost comes again. */
export const COST_TIMES = ['day', 'week', 'month'] as const
export type CostTimes = (typeof COST_TIMES)[number]
/** How a cost of several lots is shared over them. */
export const COST_SHARES = ['head', 'head-days', 'weight', 'even'] as const
export type CostShare = (typeof COST_SHARES)[number]

/** Fees that every processor has; others have ids of their own. */
export const FEE_IDS = ['kill', 'cut-wrap', 'pack'] as const
export type FeeId = (typeof FEE_IDS)[number]
export const FEE_UNITS = ['head', 'kg', 'lb', 'pack'] as const
/** Weights an animal is dealt on: alive, hot, hot less a cooler rebate of 2 %, cold, and as it hangs on the day of cutting. */
export const DEAL_BASES = ['live', 'hot', 'rebate', 'cold', 'hanging'] as const
export type DealBasis = (typeof DEAL_BASES)[number]
/** Weights a processor bills on: those, and what is packed. */
export const FEE_BASES = [...DEAL_BASES, 'packed'] as const
export type FeeBasis = (typeof FEE_BASES)[number]
/** What a least is the least of: the whole bill of the lot, or each animal of it. */
export const LEAST_PER = ['lot', 'head'] as const

/** Whose hands cut: every day, a few times a year, for the first time. */
export const SKILLS = ['skilled', 'practised', 'beginner'] as const
export type Skill = (typeof SKILLS)[number]

/** What becomes of a part that is not cut today: uncut in the cold, frozen, sold, taken home, or cut another day as planned. */
export const HOLDS = ['chilled', 'frozen', 'sold', 'taken', 'later'] as const
export type Hold = (typeof HOLDS)[number]

/** What a price may end in: any minor unit, 5, 9, or 49/99. */
export const ENDINGS = ['exact', 'fives', 'nines', 'halves'] as const
export type Ending = (typeof ENDINGS)[number]

/** What can be done to a cut once it is cut, for more money. */
export const FINISH_IDS = [
  'bare-bone',
  'scored',
  'tied',
  'netted',
  'skewered',
  'marinated',
  'spiced',
  'stuffed',
  'rind-off',
] as const
export type FinishId = (typeof FINISH_IDS)[number]

/** What the day of a withdrawal is: the last of the wait, as long as nobody says otherwise, or the first after it. */
export const WAIT_MEANINGS = ['last', 'clear'] as const

/** What must be named on food because people react to it (docs/sources.md: allergens). */
export const ALLERGENS = [
  'wheat',
  'milk',
  'egg',
  'soy',
  'tree nuts',
  'peanuts',
  'sesame',
  'fish',
  'shellfish',
  'mustard',
  'celery',
  'sulphites',
  'lupin',
] as const
export type Allergen = (typeof ALLERGENS)[number]

/** How much of the animal a buyer takes: all, a half, a quarter. */
export const SHARES = [1, 2, 4] as const
export type Share = (typeof SHARES)[number]

/** What may be attached: a picture or a page, as a camera or a plant hands it over. */
export const ATTACHMENT_TYPES = ['image/jpeg', 'image/png', 'image/webp', 'application/pdf'] as const
export type AttachmentType = (typeof ATTACHMENT_TYPES)[number]
