import { hang, cost, path, dressed, route, animal, killFee, cutFee, hungAs, of, type Post } from './said.ts'

/** The other animals of the farm: a goat in cubes, a calf for veal, turkeys, ducks, rabbits. */
export async function others(post: Post) {
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

  const third = await hang(post, 'Flock 3', 'broiler', 36)
  await third.weigh('live', 228, { source: 'scale' })
  await third.weigh('hot', 158, { source: 'scale' })
  await third.say(
    route('poultry-exempt'),
    ...path('loose-giblets', 'loose-giblets-kept', 'animal'),
    cost('Chicks', 9000),
    cost('Feed', 29500),
    cost('Bedding and brooding', 2800),
  )
  await third.say(cost('Own labour and helpers', 34000), cost('Ice, bags and scalder', 7600))
  const [parted] = await third.split(12, 'Parted', 'Whole')
  await third.sayFor(
    parted!,
    ...path('bird', 'bird-parts', 'animal'),
    ...path('breast', 'breast-boneless-on', 'animal'),
    ...path('wing', 'wing-two', 'animal'),
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
export async function jobs(post: Post) {
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
