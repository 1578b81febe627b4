import { v7 as uuid } from 'uuid'
import { DEVICE_HEADER, type FarmChange, type Lot } from '#contracts'
import { minor, priceOf } from '#core/measure'
import { usualDesign } from '#core/papers'
import type {
  Allergen,
  Decision,
  Equipment,
  FactBody,
  Finish,
  PackingItem,
  PackingSheet,
  Sheet,
  Species,
  Station,
} from '#core/records'
import { jobs, others } from './others.ts'
import {
  hang,
  cost,
  costs,
  feed,
  start,
  path,
  dressed,
  route,
  killed,
  animal,
  measured,
  line,
  lot,
  downgraded,
  FLOCK_DAY,
  lost,
  phase,
  sample,
  scalded,
  signed,
  temp,
  timed,
  type Post,
} from './said.ts'

const FARM: FarmChange = {
  base: 0,
  name: 'Fallowmere',
  currency: 'USD',
  massUnit: 'lb',
  nameSet: 'american',
  zone: 'America/New_York',
  mince: priceOf(595, 'lb'),
  hour: 0,
  address: 'Fallow Hill Road 3\nUpper Mere',
  telephone: '555 0117',
  minces: {
    lamb: priceOf(675, 'lb'),
    steer: priceOf(695, 'lb'),
    broiler: priceOf(625, 'lb'),
    goat: priceOf(850, 'lb'),
    calf: priceOf(895, 'lb'),
    turkey: priceOf(650, 'lb'),
    duck: priceOf(850, 'lb'),
    rabbit: priceOf(950, 'lb'),
  },
  pack: { value: 1, unit: 'lb' },
}
/** The device that the demo was entered on. */
const DEVICE = '01a20000-0000-7000-8000-00000000fa11'

const FEES: FactBody[] = [
  { kind: 'fee', fee: 'kill', amount: 8500, per: 'head', basis: null },
  { kind: 'fee', fee: 'cut-wrap', amount: 98, per: 'lb', basis: 'hot' },
  { kind: 'fee', fee: 'pack', amount: 35, per: 'pack', basis: null },
]
/** What is done to a cut, its goods and extra in cents a pound. */
const finish = (cut: string, { goods, extra, change = 0, allergens = [], ...how }: SaidFinish): Decision => ({
  field: 'finish',
  target: cut,
  side: 'animal',
  value: [{ ...how, change, allergens, goods: priceOf(goods, 'lb'), extra: priceOf(extra, 'lb') }],
})
type SaidFinish = Pick<Finish, 'finish' | 'minutes'> &
  Partial<Pick<Finish, 'change' | 'allergens'>> & { goods: number; extra: number }
const price = (cut: string, minor: number): Decision => ({
  field: 'price',
  target: cut,
  side: 'animal',
  value: priceOf(minor, 'lb'),
})

/** Three hogs, two lambs, a steer and two flocks: on the hoof, hanging, half packed or packed, cut in different schools. */
export async function loadFallowmere(address: string): Promise<void> {
  const post: Post = async (path, body) => send('POST', path, body)
  const send = async (method: string, path: string, body: unknown) => {
    const res = await fetch(`${address}/api${path}`, {
      method,
      headers: { 'content-type': 'application/json', [DEVICE_HEADER]: DEVICE },
      body: JSON.stringify(body),
    })
    if (!res.ok)
      throw new Error(`The demo farm could not be loaded: ${path} answered ${res.status} ${await res.text()}`)
    return (await res.json()) as Lot
  }
  await send('PUT', '/farm', FARM)

  const juniper = await hang(post, 'Juniper')
  await juniper.weigh('live', 236, { source: 'tape', day: '2026-12-01' })
  await juniper.say(
    ...costs(
      '2026-07-04',
      '2026-12-01',
      ['Feeder pig', 9500],
      ['Feed so far', 27400],
      ['Feed to come', 9000],
      ['Own labour', 11000],
    ),
    ...FEES,
  )

  const bramble = await hang(post, 'Bramble')
  await bramble.weigh('live', 268, { source: 'scale', day: '2026-11-23' })
  await bramble.weigh('hot', 189, { day: '2026-11-24' })
  await bramble.say(route('inspected'), animal('commercial'), ...killed('FM 0412', '2026-11-24'))
  await bramble.say(
    cost('Feeder pig', 9500, { of: 'animal', day: '2026-06-20' }),
    feed('Grower', 430, 55, '2026-07-04'),
    feed('Finisher', 390, 54, '2026-09-12'),
    cost('Bedding and vet', 2600, { day: '2026-08-20' }),
    cost('Haulage', 4000, { day: '2026-11-24' }),
  )
  await bramble.say(
    cost('Own labour', 12000, { of: 'labour', unpaid: true, day: '2026-11-24' }),
    start(52, '2026-06-20'),
  )
  await bramble.say(...FEES, { field: 'target', ...lot, value: 15000 })
  await bramble.say(...path('loin', 'loin-boneless-chops', 'right'))
  await bramble.say(...path('leg', 'leg-smoked', 'left'))
  await bramble.say(
    finish('butt-roast', { finish: 'tied', minutes: 2, goods: 6, extra: 60 }),
    finish('spare-ribs', {
      ...{ finish: 'spiced', minutes: 0.5, change: 0.02, goods: 45, extra: 150 },
      allergens: ['mustard'],
    }),
  )

  const clover = await hang(post, 'Clover')
  await clover.weigh('live', 254, { source: 'scale', day: '2026-11-18' })
  await clover.weigh('hot', 178, { day: '2026-11-19' })
  await clover.weigh('hanging', 173, { basis: 'aged', day: '2026-11-22' })
  await clover.say(route('inspected'), ...killed('FM 0409', '2026-11-19'))
  await clover.say(
    ...costs(
      '2026-06-06',
      '2026-11-19',
      ['Feeder pig', 9000],
      ['Feed', 32800],
      ['Bedding and vet', 2600],
      ['Haulage', 4000],
      ['Own labour', 12000],
    ),
  )
  await clover.say(
    temp('2026-11-19', 4, 'deep', 21.3),
    temp('2026-11-19', 4, 'surface', 5.4),
    temp('2026-11-19', 22, 'deep', 4.6),
    temp('2026-11-19', 22, 'surface', 2.1),
  )
  await clover.say(...FEES, { field: 'target', ...lot, value: 12000 })
  await clover.say(...line('shoulder-line', '4|5'), ...line('leg-line', 'lumbar'))
  await clover.say(...path('loin', 'loin-boneless-chops'), ...path('spare-ribs', 'ribs-squared'))
  await clover.say(
    price('boneless-chop', 1049),
    price('back-ribs', 899),
    price('tenderloin', 1349),
    price('bacon', 999),
    price('butt-roast', 649),
    price('picnic-roast', 479),
    price('fresh-ham', 599),
    price('ground-pork', 649),
  )
  await clover.pack('boneless-chop', 7.1, 8, { wrap: 'vacuum', place: 'Chest 1', pieces: 2 })
  await clover.pack('boneless-chop', 6.8, 8, { wrap: 'vacuum', place: 'Chest 1', pieces: 2 })
  await clover.pack('tenderloin', 1.9, 2, { wrap: 'vacuum', place: 'Chest 1' })
  await clover.pack('back-ribs', 2.6, 2, { wrap: 'vacuum', place: 'Chest 1' })
  await clover.pack('butt-roast', 15.4, 4, { wrap: 'vacuum', place: 'Chest 1' })
  await clover.pack('ground-pork', 12, 12, { wrap: 'vacuum', place: 'Chest 1' })
  await clover.pack('bones', 6.1, 1, { wrap: 'zip', place: 'Chest 2' })
  await clover.say(
    { kind: 'tick', what: 'cut', of: 'tenderloin', side: 'animal' },
    { kind: 'tick', what: 'cut', of: 'boneless-chop', side: 'animal' },
    { kind: 'tick', what: 'cut', of: 'back-ribs', side: 'animal' },
  )
  await clover.say(
    ...timed('leg', '2026-11-22T14:00:00Z', 31, 24),
    ...timed('belly', '2026-11-22T14:40:00Z', 16, 12),
    signed('glands', 'glands'),
    signed('swept', 'loin', 'left'),
    {
      ...{
        kind: 'fault',
        of: 'loin',
        side: 'left',
        what: 'Chops cut thin',
        cut: null,
        to: null,
        shown: null,
      },
      ...{ cause: 'no stop at the table', lesson: 'Set the stop before the first chop', lost: 640 },
    },
  )

  await room((body) => send('PUT', `/sheets/${uuid()}`, { base: 0, body, withdrawn: false }))
  await lambs(post)
  await steer(post)
  await flocks(post)
  await others(post)
  await jobs(post)
}

const CURE = 'salt, sugar, curing salt (nitrite)'
const BREAD = 'bread crumbs, onion, egg, thyme, salt'
/** What goes into what is made here, as the labels name it. */
const HOLDS: [Species, string, string, ...Allergen[]][] = [
  ['hog', 'sausage', 'salt, pepper, sage, water'],
  ...['bacon', 'bacon-rind', 'back-bacon', 'hock-smoked', 'cured-ham', 'ham-boneless', 'picnic-smoked'].map(
    (cut): [Species, string, string] => ['hog', cut, CURE],
  ),
  ['hog', 'jowl-cured', 'salt, pepper, bay'],
  ['steer', 'brisket-cured', CURE],
  ['lamb', 'sausage', 'salt, paprika, cumin, garlic, water'],
  ['lamb', 'breast-rolled', BREAD, 'wheat', 'egg'],
  ['calf', 'breast-stuffed', BREAD, 'wheat', 'egg'],
]

/** What the cutting room has, and how hogs are cut here. */
async function room(keep: (body: Sheet) => Promise<unknown>) {
  const thing = (name: string, station: Station, more: Partial<Equipment> = {}): Equipment => ({
    ...{ format: 'ekko-equipment', version: 1, name, station, makes: true },
    ...{ kgPerMinute: null, sharpened: null, fault: null, borrowed: null, ...more },
  })
  const counted = (item: PackingItem, per100: number, count: number): PackingSheet['lines'][number] => ({
    ...{ item, per100: minor(per100) },
    counted: { count, at: '2026-11-18T06:00:00.000Z' },
  })
  await keep(thing('Rail in the cooler', 'rail', { places: 8 }))
  await keep(thing('Band saw', 'saw', { sharpened: '2026-10-30' }))
  await keep(thing('Bench grinder, ½ hp', 'grinder', { kgPerMinute: 1.8, sharpened: '2026-11-14' }))
  await keep(thing('Boning knives', 'table', { sharpened: '2026-11-20' }))
  await keep(thing('Vacuum sealer', 'table', { makes: false, borrowed: 'Mill Lane' }))
  await keep({
    ...{ format: 'ekko-packing', version: 1, name: 'Packing', usual: 'vacuum' },
    cuts: [
      { species: 'hog', cut: 'bones', wrap: 'zip' },
      { species: 'steer', cut: 'soup-bones', wrap: 'zip' },
      { species: 'hog', cut: 'fresh-ham', wrap: 'shrink' },
    ],
    lines: [
      counted({ is: 'wrap', wrap: 'vacuum', upTo: 0.5 }, 1400, 240),
      counted({ is: 'wrap', wrap: 'vacuum', upTo: 1 }, 2100, 60),
      counted({ is: 'wrap', wrap: 'vacuum', upTo: 2 }, 3200, 35),
      counted({ is: 'label' }, 350, 500),
      { item: { is: 'twine' }, per100: 620, counted: null },
    ],
  })
  await keep({
    ...usualDesign(),
    holds: HOLDS.map(([species, cut, says, ...allergens]) => ({ species, cut, says, allergens })),
  })
  await keep({
    ...{ format: 'ekko-school', version: 1, name: 'Fallowmere hogs', species: 'hog' },
    ...{ order: ['belly', 'spare-ribs', 'loin', 'leg'], stations: [] },
    schools: [{ of: 'saw', way: 'knife-then-saw' }],
  })
}

/** One left whole for a saddle with racks of eight ribs; one split, its racks of seven. */
async function lambs(post: Post) {
  const thistle = await hang(post, 'Thistle', 'lamb')
  await thistle.weigh('live', 118, { source: 'scale', day: '2026-11-23' })
  await thistle.weigh('hot', 58.5, { day: '2026-11-24' })
  await thistle.say(route('inspected'), dressed('split', false))
  await thistle.say(
    ...costs(
      '2026-04-06',
      '2026-11-24',
      ['Ewe’s share', 7000],
      ['Grazing and hay', 6400],
      ['Own labour', 4500],
    ),
  )
  await thistle.say(
    { kind: 'fee', fee: 'kill', amount: 4500, per: 'head', basis: null },
    { kind: 'fee', fee: 'cut-wrap', amount: 125, per: 'lb', basis: 'hot' },
    { field: 'target', ...lot, value: 6000 },
  )
  await thistle.say(...path('loin', 'loin-saddle'), ...path('neck', 'neck-whole-slices'))
  await thistle.say(...path('liver', 'liver-kept', 'animal'), ...path('breast', 'breast-rolled'))

  const teasel = await hang(post, 'Teasel', 'lamb')
  await teasel.weigh('live', 104, { source: 'tape', day: '2026-12-01' })
  await teasel.say(
    animal('small'),
    ...line('shoulder-line', '5|6'),
    ...path('leg', 'leg-seven-meals', 'left'),
  )
  await teasel.say(
    ...costs(
      '2026-04-09',
      '2026-12-01',
      ['Ewe’s share', 7000],
      ['Grazing and hay', 5200],
      ['Own labour', 4500],
    ),
    {
      kind: 'fee',
      fee: 'kill',
      amount: 4500,
      per: 'head',
      basis: null,
    },
  )
}

/** A steer whose left side is cut on the saw, bone in, and whose right side is boned with a knife. */
async function steer(post: Post) {
  const alder = await hang(post, 'Alder', 'steer')
  await alder.weigh('live', 1120, { source: 'scale', day: '2026-11-11' })
  await alder.weigh('hot', 668, { day: '2026-11-12' })
  await alder.say(...killed('FM 1071', '2026-11-12'))
  await alder.say(route('inspected'), animal('grain'), measured('fat-depth', 11), measured('eye-area', 84), {
    field: 'days',
    ...lot,
    value: 16,
  })
  await alder.say(
    {
      ...{ kind: 'acceptance', hungAt: '2026-11-12T13:00:00.000Z' },
      ...{ left: { value: 336, unit: 'lb' }, right: { value: 332, unit: 'lb' } },
      ...{ colour: 'bright', marbling: 'some', cover: 'even' },
      ...{ condition: 'a small bruise on the left round', condemned: 'liver' },
    },
    temp('2026-11-12', 9, 'deep', 24.1),
    temp('2026-11-12', 9, 'surface', 6.2),
    temp('2026-11-12', 23, 'deep', 13.4),
    temp('2026-11-12', 23, 'surface', 2.6),
    temp('2026-11-12', 40, 'deep', 5.8),
  )
  await alder.say(
    ...costs(
      '2025-05-20',
      '2026-11-12',
      ['Calf', 92000],
      ['Hay and grazing', 78000],
      ['Grain', 41000],
      ['Haulage', 9000],
      ['Own labour', 40000],
    ),
  )
  await alder.say(
    { kind: 'fee', fee: 'kill', amount: 12500, per: 'head', basis: null },
    { kind: 'fee', fee: 'cut-wrap', amount: 105, per: 'lb', basis: 'hanging' },
    { field: 'target', ...lot, value: 60000 },
  )
  await alder.say(
    ...path('rib', 'rib-roast', 'left'),
    ...path('rib', 'rib-eye', 'right'),
    ...path('short-loin', 'loin-tbone', 'left'),
    ...path('short-loin', 'loin-strip', 'right'),
    ...path('chuck', 'chuck-blade-roasts', 'left'),
    ...path('hanger', 'hanger-steak', 'animal'),
    ...path('tail', 'tail-kept', 'animal'),
  )
}

/** A flock sold whole with its giblets, and one parted. */
async function flocks(post: Post) {
  const exempt = route('poultry-exempt')
  const first = await hang(post, 'Flock 1', 'broiler', 64)
  await first.say(
    start(5.9, '2026-10-06'),
    lost(2, '2026-10-09', 'weather'),
    lost(1, '2026-10-27', 'predator'),
    lost(1, '2026-11-11', 'found-dead'),
    sample('2026-11-10', 3.3, 3.6, 2.9, 3.5, 3.8, 3.1, 3.4, 3.2, 3.7, 3.4, 3.0, 3.5),
    sample('2026-11-24', 5.9, 6.4, 5.2, 6.1, 6.7, 5.5, 6.0, 5.8, 6.3, 6.0, 5.4, 6.2),
  )
  await first.weigh('live', 372, { source: 'scale', day: '2026-12-01' })
  await first.say(exempt, dressed('giblets', true), ...FLOCK_DAY)
  await first.say(
    cost('Chicks', 15000, { day: '2026-10-06' }),
    phase('starter', 150, 60, '2026-10-06'),
    phase('grower', 420, 48, '2026-10-27'),
    phase('finisher', 402, 47, '2026-11-11'),
    cost('Bedding and brooding', 4500, { day: '2026-10-06' }),
    cost('Own labour and helpers', 52000, { day: '2026-12-02' }),
    cost('Ice, bags and scalder', 12000, { day: '2026-12-01' }),
  )

  const second = await hang(post, 'Flock 2', 'broiler', 40)
  await second.weigh('live', 252, { source: 'scale', day: '2026-11-03' })
  await second.weigh('hot', 171, { day: '2026-11-04' })
  await second.say(exempt, ...path('bird', 'bird-parts', 'animal'))
  await second.say(
    ...path('wing', 'wing-three', 'animal'),
    ...path('loose-giblets', 'loose-giblets-kept', 'animal'),
  )
  await second.say(
    ...costs(
      '2026-09-08',
      '2026-11-04',
      ['Chicks', 10000],
      ['Feed', 33500],
      ['Bedding and brooding', 3000],
      ['Own labour and helpers', 42000],
      ['Ice, bags and scalder', 9000],
    ),
  )
  const packed: [cut: string, lb: number, packs: number][] = [
    ['breast-boneless', 39.6, 20],
    ['tenders', 8.1, 8],
    ['thigh', 31.9, 16],
    ['drumstick', 24, 16],
    ['drumette', 8.2, 8],
    ['wing-flat', 7.3, 8],
    ['ground', 1.5, 2],
    ['giblets', 8.6, 9],
    ['bird-fat', 1.4, 1],
    ['frames', 42.6, 4],
  ]
  for (const [cut, lb, packs] of packed)
    await second.pack(cut, lb, packs, { wrap: 'vacuum', place: cut === 'frames' ? 'Chest 2' : 'Chest 1' })
  await second.say(
    scalded('2026-11-04T13:10:00Z', 63.5, 80, 'over'),
    scalded('2026-11-04T13:30:00Z', 59, 75),
    scalded('2026-11-04T13:50:00Z', 59.5, 70),
    downgraded('over-scald', 2, 700, 'Read the thermometer before the first load, not after.'),
    downgraded('bile', 1, 350, 'Finger behind the gizzard before pulling.'),
  )
  await second.say(...packed.map(([of]): FactBody => ({ kind: 'tick', what: 'cut', of, side: 'animal' })))
}
