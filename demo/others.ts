import { hang, costs, path, dressed, route, animal, killFee, cutFee, hungAs, of, type Post } from './said.ts'

/** The other animals of the farm: a goat in cubes, a calf for veal, turkeys, ducks, rabbits. */
export async function others(post: Post) {
  const sorrel = await hang(post, 'Sorrel', 'goat')
  await sorrel.weigh('live', 88, { source: 'scale', day: '2026-11-23' })
  await sorrel.weigh('hot', 40.5, { day: '2026-11-24' })
  await sorrel.say(
    route('inspected'),
    ...costs(
      '2026-04-20',
      '2026-11-24',
      ['Doe’s share', 6500],
      ['Browse and hay', 8400],
      ['Own labour', 4500],
    ),
  )
  await sorrel.say(
    killFee(4500),
    cutFee(75),
    ...['leg', 'shoulder', 'neck', 'breast', 'foreshank'].flatMap((p) => path(p, `${p}-cubed`)),
    ...path('liver', 'liver-kept', 'animal'),
  )

  const bracken = await hang(post, 'Bracken', 'calf')
  await bracken.weigh('live', 420, { source: 'scale', day: '2026-11-11' })
  await bracken.weigh('hot', 238, { day: '2026-11-12' })
  await bracken.say(
    route('inspected'),
    animal('milk'),
    ...costs('2026-06-25', '2026-11-12', ['Cow’s share and milk', 92000], ['Hay', 17500]),
  )
  await bracken.say(
    ...costs('2026-06-25', '2026-11-12', ['Own labour', 18000]),
    killFee(9500),
    cutFee(110),
    ...path('rib', 'rib-rack'),
    ...path('plate', 'plate-stuffed'),
    ...path('chuck', 'chuck-rolled'),
    ...path('top-round', 'top-round-escalopes'),
    ...path('spleen', 'spleen-sweetbreads', 'animal'),
  )

  const bronze = await hang(post, 'Bronze', 'turkey', 14)
  await bronze.weigh('live', 262, { source: 'scale', day: '2026-11-22' })
  await bronze.say(route('poultry-exempt'), animal('standard'), dressed('giblets', true))
  await bronze.say(
    ...costs(
      '2026-06-09',
      '2026-11-23',
      ['Poults', 15400],
      ['Feed', 54000],
      ['Bedding and brooding', 4200],
      ['Own labour and helpers', 28000],
    ),
  )

  const pond = await hang(post, 'Pond ducks', 'duck', 20)
  await pond.weigh('live', 148, { source: 'scale', day: '2026-11-03' })
  await pond.say(route('poultry-exempt'), ...path('bird', 'bird-parts', 'animal'))
  await pond.say(
    ...path('breast', 'breast-boneless-skin', 'animal'),
    ...path('leg', 'leg-whole', 'animal'),
    ...path('fat', 'fat-rendered', 'animal'),
    ...path('back', 'back-sold', 'animal'),
  )
  await pond.say(
    ...costs(
      '2026-09-14',
      '2026-11-04',
      ['Ducklings', 17000],
      ['Feed', 22000],
      ['Own labour and helpers', 32000],
      ['Ice and wax', 4800],
    ),
  )

  const third = await hang(post, 'Flock 3', 'broiler', 36)
  await third.weigh('live', 228, { source: 'scale', day: '2026-11-17' })
  await third.weigh('hot', 158, { source: 'scale', day: '2026-11-18' })
  await third.say(
    route('poultry-exempt'),
    ...path('loose-giblets', 'loose-giblets-kept', 'animal'),
    ...costs('2026-09-22', '2026-11-18', ['Chicks', 9000], ['Feed', 29500], ['Bedding and brooding', 2800]),
  )
  await third.say(
    ...costs('2026-09-22', '2026-11-18', ['Own labour and helpers', 34000], ['Ice, bags and scalder', 7600]),
  )
  const [parted] = await third.split(12, 'Parted', 'Whole')
  await third.sayFor(
    parted!,
    ...path('bird', 'bird-parts', 'animal'),
    ...path('breast', 'breast-boneless-on', 'animal'),
    ...path('wing', 'wing-two', 'animal'),
  )

  const hutch = await hang(post, 'Hutch 3', 'rabbit', 12)
  await hutch.weigh('live', 66, { source: 'scale', day: '2026-11-24' })
  await hutch.weigh('hot', 35.5, { day: '2026-11-25' })
  await hutch.say(
    route('state'),
    animal('fryer'),
    ...path('rabbit', 'rabbit-six', 'animal'),
    ...path('liver', 'liver-kept', 'animal'),
  )
  await hutch.say(
    ...costs(
      '2026-09-05',
      '2026-11-25',
      ['Does’ share', 4800],
      ['Pellets and hay', 9600],
      ['Own labour', 12000],
    ),
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
  await half.weigh('hanging', 298, { basis: 'cold', day: '2026-11-14' })
  await half.say(
    ...costs('2026-11-14', '2026-11-24', ['The half, at $4.60 a pound', 137080], ['Own labour', 16000]),
  )
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
  await hind.weigh('hanging', 158, { basis: 'aged', source: 'scale', day: '2026-11-27' })
  await hind.say(...costs('2026-11-26', '2026-11-28', ['A quarter of the lot', 76000], ['Own labour', 8000]))
  await hind.say(...path('short-loin', 'loin-tbone', 'right'))

  const loins = await hang(post, 'Two loins', 'hog', 2)
  await loins.say(hungAs({ as: 'part', part: 'loin' }), of('the plant at Mere Bridge'), route('inspected'))
  await loins.weigh('hanging', 44, { basis: 'boxed', day: '2026-11-24' })
  await loins.say(
    ...costs('2026-11-24', '2026-11-24', ['The loins, at $4.35 a pound', 19100], ['Own labour', 5500]),
  )
  await loins.say(...path('loin', 'loin-boneless-chops', 'left'))

  const legs = await hang(post, 'Three legs', 'lamb', 3)
  await legs.say(hungAs({ as: 'part', part: 'leg' }), of('Upper Mere’s lambs'), route('inspected'))
  await legs.weigh('hanging', 24.6, { basis: 'boxed', source: 'scale', day: '2026-11-20' })
  await legs.say(...costs('2026-11-20', '2026-11-21', ['The legs', 12800], ['Own labour', 3000]))
  await legs.say(...path('leg', 'leg-three-ways', 'left'))

  const backs = await hang(post, 'Box of backs', 'broiler', 36)
  await backs.say(hungAs({ as: 'part', part: 'back' }), of('Flock 2'), route('poultry-exempt'))
  await backs.weigh('hanging', 30, { basis: 'boxed', source: 'scale', day: '2026-11-04' })
  await backs.say(
    ...path('back', 'back-sold', 'animal'),
    ...costs('2026-11-04', '2026-11-05', ['Backs from the flock', 3000], ['Own labour', 800]),
  )

  const fern = await hang(post, 'Fern', 'lamb')
  await fern.say({ kind: 'observation', what: 'end', value: 'died' })
  await fern.say(...costs('2026-04-06', '2026-11-14', ['Ewe’s share', 7000], ['Hay and vet', 3850]))
  await fern.say({ kind: 'observation', what: 'vet', value: 'seen 14 November: bloat' })
  await fern.say({ kind: 'observation', what: 'disposal', value: 'composted 15 November' })

  const wild = await hang(post, 'Copse boar', 'hog')
  await wild.say(
    { kind: 'observation', what: 'end', value: 'hunted' },
    animal('wild'),
    dressed('skin', false),
    route('household'),
  )
  await wild.weigh('hot', 92, { source: 'scale', day: '2026-11-21' })
  await wild.say(
    ...costs('2026-11-21', '2026-11-22', ['Own labour', 6000]),
    ...path('leg', 'leg-seamed'),
    ...path('loin', 'loin-roasts'),
    ...path('belly', 'belly-grind'),
  )
}
