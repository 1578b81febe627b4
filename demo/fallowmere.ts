import { v7 as uuid } from 'uuid'
import {
  DEVICE_HEADER,
  type Append,
  type Facts,
  type FarmChange,
  type Lot,
  type NewPack,
  type NewWeighing,
} from '#contracts'
import { priceOf } from '#core/measure'
import type { Species } from '#core/anatomy'
import type { Decision, FactBody, Hangs, Route } from '#core/records'
import type { Said } from '#core/plan'

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

type Post = (path: string, body: unknown) => Promise<Lot>

async function hang(post: Post, tag: string, species: Species = 'hog', count = 1) {
  const id = uuid()
  let held = await post('/lots', { id, tag, species, count })
  return {
    weigh: async (stage: NewWeighing['stage'], value: number, more: Partial<NewWeighing> = {}) => {
      held = await post(`/lots/${id}/weighings`, {
        id: uuid(),
        stage,
        basis: null,
        source: 'plant',
        shown: { value, unit: 'lb' },
        corrects: null,
        stands: true,
        confirmed: false,
        ...more,
      } satisfies NewWeighing)
    },
    /** What is so, then what is decided. */
    say: async (...said: Said[]) => {
      const facts = said.flatMap((fact) =>
        'kind' in fact ? [{ id: uuid(), corrects: null, stands: true, fact }] : [],
      )
      const commands = said.flatMap((decision) => ('field' in decision ? [{ id: uuid(), decision }] : []))
      if (facts.length > 0) held = await post(`/lots/${id}/facts`, { facts } satisfies Facts)
      if (commands.length > 0)
        held = await post(`/lots/${id}/decisions`, {
          batch: uuid(),
          base: held.rev,
          own: [],
          undoes: null,
          redoes: null,
          commands,
        } satisfies Append)
    },
    pack: (cut: string, value: number, packs: number) =>
      post(`/lots/${id}/packs`, {
        id: uuid(),
        cut,
        shown: { value, unit: 'lb' },
        packs,
        corrects: null,
        stands: true,
      } satisfies NewPack),
  }
}

const lot = { target: 'lot', side: 'animal' } as const
const cost = (label: string, amount: number): FactBody => ({ kind: 'cost', label, amount })
const path = (target: string, value: string, ...sides: ('left' | 'right' | 'animal')[]): Decision[] =>
  (sides.length > 0 ? sides : (['left', 'right'] as const)).map((side) => ({
    field: 'path',
    target,
    side,
    value,
  }))
const dressed = (of: string, value: boolean): FactBody => ({
  kind: 'observation',
  what: 'dressing',
  of,
  value,
})
const route = (value: Route): FactBody => ({
  kind: 'observation',
  what: 'route',
  value,
})
/** Tag, day of kill and plant. */
const killed = (mark: string, day: string): FactBody[] => [
  { kind: 'observation', what: 'mark', value: mark },
  { kind: 'observation', what: 'killed', value: day },
  { kind: 'observation', what: 'plant', value: 'the plant at Mere Bridge' },
]
const animal = (value: string): FactBody => ({ kind: 'observation', what: 'type', value })
const measured = (of: 'fat-depth' | 'eye-area', value: number): FactBody => ({
  kind: 'observation',
  what: 'measure',
  of,
  value,
})
const line = (target: string, value: string): Decision[] =>
  (['left', 'right'] as const).map((side) => ({ field: 'line', target, side, value }))
const FEES: FactBody[] = [
  { kind: 'fee', fee: 'kill', amount: 8500, per: 'head', basis: null },
  { kind: 'fee', fee: 'cut-wrap', amount: 98, per: 'lb', basis: 'hot' },
  { kind: 'fee', fee: 'pack', amount: 35, per: 'pack', basis: null },
]
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
  await juniper.weigh('live', 236, { source: 'tape' })
  await juniper.say(
    cost('Feeder pig', 9500),
    cost('Feed so far', 27400),
    cost('Feed to come', 9000),
    cost('Own labour', 11000),
    ...FEES,
  )

  const bramble = await hang(post, 'Bramble')
  await bramble.weigh('live', 268, { source: 'scale' })
  await bramble.weigh('hot', 189)
  await bramble.say(route('inspected'), animal('commercial'), ...killed('FM 0412', '2026-11-24'))
  await bramble.say(
    cost('Feeder pig', 9500),
    cost('Feed', 44850),
    cost('Bedding and vet', 2600),
    cost('Haulage', 4000),
    cost('Own labour', 12000),
  )
  await bramble.say(...FEES, { field: 'target', ...lot, value: 15000 })
  await bramble.say(...path('loin', 'loin-boneless-chops', 'right'))
  await bramble.say(...path('leg', 'leg-smoked', 'left'))

  const clover = await hang(post, 'Clover')
  await clover.weigh('live', 254, { source: 'scale' })
  await clover.weigh('hot', 178)
  await clover.weigh('hanging', 173, { basis: 'aged' })
  await clover.say(route('inspected'), ...killed('FM 0409', '2026-11-19'))
  await clover.say(
    cost('Feeder pig', 9000),
    cost('Feed', 32800),
    cost('Bedding and vet', 2600),
    cost('Haulage', 4000),
    cost('Own labour', 12000),
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
  await clover.pack('boneless-chop', 7.1, 8)
  await clover.pack('boneless-chop', 6.8, 8)
  await clover.pack('tenderloin', 1.9, 2)
  await clover.pack('back-ribs', 2.6, 2)
  await clover.pack('butt-roast', 15.4, 4)
  await clover.pack('ground-pork', 12, 12)
  await clover.pack('bones', 6.1, 1)
  await clover.say(
    { kind: 'tick', what: 'cut', of: 'tenderloin', side: 'animal' },
    { kind: 'tick', what: 'cut', of: 'boneless-chop', side: 'animal' },
    { kind: 'tick', what: 'cut', of: 'back-ribs', side: 'animal' },
  )

  await lambs(post)
  await steer(post)
  await flocks(post)
  await others(post)
  await jobs(post)
}

/** One left whole for a saddle with racks of eight ribs; one split, its racks of seven. */
async function lambs(post: Post) {
  const thistle = await hang(post, 'Thistle', 'lamb')
  await thistle.weigh('live', 118, { source: 'scale' })
  await thistle.weigh('hot', 58.5)
  await thistle.say(route('inspected'), dressed('split', false))
  await thistle.say(cost('Ewe’s share', 7000), cost('Grazing and hay', 6400), cost('Own labour', 4500))
  await thistle.say(
    { kind: 'fee', fee: 'kill', amount: 4500, per: 'head', basis: null },
    { kind: 'fee', fee: 'cut-wrap', amount: 125, per: 'lb', basis: 'hot' },
    { field: 'target', ...lot, value: 6000 },
  )
  await thistle.say(...path('loin', 'loin-saddle'), ...path('neck', 'neck-whole-slices'))
  await thistle.say(...path('liver', 'liver-kept', 'animal'), ...path('breast', 'breast-rolled'))

  const teasel = await hang(post, 'Teasel', 'lamb')
  await teasel.weigh('live', 104, { source: 'tape' })
  await teasel.say(
    animal('small'),
    ...line('shoulder-line', '5|6'),
    ...path('leg', 'leg-seven-meals', 'left'),
  )
  await teasel.say(cost('Ewe’s share', 7000), cost('Grazing and hay', 5200), cost('Own labour', 4500), {
    kind: 'fee',
    fee: 'kill',
    amount: 4500,
    per: 'head',
    basis: null,
  })
}

/** A steer whose left side is cut on the saw, bone in, and whose right side is boned with a knife. */
async function steer(post: Post) {
  const alder = await hang(post, 'Alder', 'steer')
  await alder.weigh('live', 1120, { source: 'scale' })
  await alder.weigh('hot', 668)
  await alder.say(...killed('FM 1071', '2026-11-12'))
  await alder.say(route('inspected'), animal('grain'), measured('fat-depth', 11), measured('eye-area', 84), {
    field: 'days',
    ...lot,
    value: 16,
  })
  await alder.say(
    cost('Calf', 92000),
    cost('Hay and grazing', 78000),
    cost('Grain', 41000),
    cost('Haulage', 9000),
    cost('Own labour', 40000),
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
  const first = await hang(post, 'Flock 1', 'broiler', 60)
  await first.weigh('live', 372, { source: 'scale' })
  await first.say(exempt, dressed('giblets', true))
  await first.say(
    cost('Chicks', 15000),
    cost('Feed', 48000),
    cost('Bedding and brooding', 4500),
    cost('Own labour and helpers', 52000),
    cost('Ice, bags and scalder', 12000),
  )

  const second = await hang(post, 'Flock 2', 'broiler', 40)
  await second.weigh('live', 252, { source: 'scale' })
  await second.weigh('hot', 171)
  await second.say(exempt, ...path('bird', 'bird-parts', 'animal'))
  await second.say(
    ...path('wing', 'wing-three', 'animal'),
    ...path('loose-giblets', 'loose-giblets-kept', 'animal'),
  )
  await second.say(
    cost('Chicks', 10000),
    cost('Feed', 33500),
    cost('Bedding and brooding', 3000),
    cost('Own labour and helpers', 42000),
    cost('Ice, bags and scalder', 9000),
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
  for (const [cut, lb, packs] of packed) await second.pack(cut, lb, packs)
  await second.say(...packed.map(([of]): FactBody => ({ kind: 'tick', what: 'cut', of, side: 'animal' })))
}

const killFee = (cents: number): FactBody => ({
  kind: 'fee',
  fee: 'kill',
  amount: cents,
  per: 'head',
  basis: null,
})
const cutFee = (cents: number): FactBody => ({
  kind: 'fee',
  fee: 'cut-wrap',
  amount: cents,
  per: 'lb',
  basis: 'hanging',
})
const hungAs = (value: Hangs): FactBody => ({ kind: 'observation', what: 'hangs', value })
const of = (value: string): FactBody => ({ kind: 'observation', what: 'mother', value })

/** The other animals of the farm: a goat in cubes, a calf for veal, turkeys, ducks, rabbits. */
async function others(post: Post) {
  const sorrel = await hang(post, 'Sorrel', 'goat')
  await sorrel.weigh('live', 88, { source: 'scale' })
  await sorrel.weigh('hot', 40.5)
  await sorrel.say(
    route('inspected'),
    cost('Doe’s share', 6500),
    cost('Browse and hay', 8400),
    cost('Own labour', 4500),
  )
  await sorrel.say(
    killFee(4500),
    cutFee(75),
    ...['leg', 'shoulder', 'neck', 'breast', 'foreshank'].flatMap((p) => path(p, `${p}-cubed`)),
    ...path('liver', 'liver-kept', 'animal'),
  )

  const bracken = await hang(post, 'Bracken', 'calf')
  await bracken.weigh('live', 420, { source: 'scale' })
  await bracken.weigh('hot', 238)
  await bracken.say(
    route('inspected'),
    animal('milk'),
    cost('Cow’s share and milk', 92000),
    cost('Hay', 17500),
  )
  await bracken.say(
    cost('Own labour', 18000),
    killFee(9500),
    cutFee(110),
    ...path('rib', 'rib-rack'),
    ...path('plate', 'plate-stuffed'),
    ...path('chuck', 'chuck-rolled'),
    ...path('top-round', 'top-round-escalopes'),
    ...path('spleen', 'spleen-sweetbreads', 'animal'),
  )

  const bronze = await hang(post, 'Bronze', 'turkey', 14)
  await bronze.weigh('live', 262, { source: 'scale' })
  await bronze.say(route('poultry-exempt'), animal('standard'), dressed('giblets', true))
  await bronze.say(
    cost('Poults', 15400),
    cost('Feed', 54000),
    cost('Bedding and brooding', 4200),
    cost('Own labour and helpers', 28000),
  )

  const pond = await hang(post, 'Pond ducks', 'duck', 20)
  await pond.weigh('live', 148, { source: 'scale' })
  await pond.say(route('poultry-exempt'), ...path('bird', 'bird-parts', 'animal'))
  await pond.say(
    ...path('breast', 'breast-boneless-skin', 'animal'),
    ...path('leg', 'leg-whole', 'animal'),
    ...path('fat', 'fat-rendered', 'animal'),
    ...path('back', 'back-sold', 'animal'),
  )
  await pond.say(
    cost('Ducklings', 17000),
    cost('Feed', 22000),
    cost('Own labour and helpers', 32000),
    cost('Ice and wax', 4800),
  )

  const hutch = await hang(post, 'Hutch 3', 'rabbit', 12)
  await hutch.weigh('live', 66, { source: 'scale' })
  await hutch.weigh('hot', 35.5)
  await hutch.say(
    route('state'),
    animal('fryer'),
    ...path('rabbit', 'rabbit-six', 'animal'),
    ...path('liver', 'liver-kept', 'animal'),
  )
  await hutch.say(
    cost('Does’ share', 4800),
    cost('Pellets and hay', 9600),
    cost('Own labour', 12000),
    killFee(300),
  )
}

/** Less than an animal: a bought half, a hind quarter, two loins, three legs, a box of backs; one that died, one that was hunted. */
async function jobs(post: Post) {
  const half = await hang(post, 'Long Acre half', 'steer')
  await half.say(
    hungAs({ as: 'side', side: 'left' }),
    of('Long Acre, the neighbour’s Galloway'),
    animal('grass'),
    route('inspected'),
  )
  await half.weigh('hanging', 298, { basis: 'cold' })
  await half.say(cost('The half, at $4.60 a pound', 137080), cost('Own labour', 16000))
  await half.say(
    ...path('rib', 'rib-eye', 'left'),
    ...path('short-loin', 'loin-strip', 'left'),
    ...path('brisket', 'brisket-split', 'left'),
  )

  const hind = await hang(post, 'Alder’s hind', 'steer')
  await hind.say(
    hungAs({ as: 'quarter', side: 'right', quarter: 'hind' }),
    of('Alder'),
    animal('grain'),
    route('inspected'),
  )
  await hind.weigh('hanging', 158, { basis: 'aged', source: 'scale' })
  await hind.say(cost('A quarter of the lot', 76000), cost('Own labour', 8000))
  await hind.say(...path('short-loin', 'loin-tbone', 'right'))

  const loins = await hang(post, 'Two loins', 'hog', 2)
  await loins.say(hungAs({ as: 'part', part: 'loin' }), of('the plant at Mere Bridge'), route('inspected'))
  await loins.weigh('hanging', 44, { basis: 'boxed' })
  await loins.say(cost('The loins, at $4.35 a pound', 19100), cost('Own labour', 5500))
  await loins.say(...path('loin', 'loin-boneless-chops', 'left'))

  const legs = await hang(post, 'Three legs', 'lamb', 3)
  await legs.say(hungAs({ as: 'part', part: 'leg' }), of('Upper Mere’s lambs'), route('inspected'))
  await legs.weigh('hanging', 24.6, { basis: 'boxed', source: 'scale' })
  await legs.say(cost('The legs', 12800), cost('Own labour', 3000))
  await legs.say(...path('leg', 'leg-three-ways', 'left'))

  const backs = await hang(post, 'Box of backs', 'broiler', 36)
  await backs.say(hungAs({ as: 'part', part: 'back' }), of('Flock 2'), route('poultry-exempt'))
  await backs.weigh('hanging', 30, { basis: 'boxed', source: 'scale' })
  await backs.say(
    ...path('back', 'back-sold', 'animal'),
    cost('Backs from the flock', 3000),
    cost('Own labour', 800),
  )

  const fern = await hang(post, 'Fern', 'lamb')
  await fern.say({ kind: 'observation', what: 'end', value: 'died' })
  await fern.say(cost('Ewe’s share', 7000), cost('Hay and vet', 3850))
  await fern.say({ kind: 'observation', what: 'vet', value: 'seen 14 November: bloat' })
  await fern.say({ kind: 'observation', what: 'disposal', value: 'composted 15 November' })

  const wild = await hang(post, 'Copse boar', 'hog')
  await wild.say(
    { kind: 'observation', what: 'end', value: 'hunted' },
    animal('wild'),
    dressed('skin', false),
    route('household'),
  )
  await wild.weigh('hot', 92, { source: 'scale' })
  await wild.say(
    cost('Own labour', 6000),
    ...path('leg', 'leg-seamed'),
    ...path('loin', 'loin-roasts'),
    ...path('belly', 'belly-grind'),
  )
}
