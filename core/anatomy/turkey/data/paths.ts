import { birdPaths } from '../../poultry/data/birds.ts'

/**
 * How a turkey is parted, by tissue, % lean/fat/bone/skin: breast 41, thighs 17, drumsticks 14, wings 12 and back 16 % of
 * a middle bird (docs/sources.md: turkey-paths).
 */
export const paths = birdPaths(
  {
    'bird-parts': '> breast 51.2/17.5/19.6/25; > leg 30.8/31.5/30.9/30.5; > wing 8.6/4.8/18.3/23.3; > back 8.7/45.7/30.7/20.7',
    'bird-parts-oyster': '> breast 51.2/17.5/19.6/25; > leg 28.4/31/30.9/30.5; > wing 8.6/4.8/18.3/23.3; > back 11.1/46.2/30.7/20.7',
    'bird-quarters': 'leg-quarter 38.8/54.6/49.8/42.4; breast-quarter 60.2/44.4/49.2/56.6',
    'bird-spatchcock': 'spatchcock 94.6/86/86/92.5; > back 4.4/12/13/6.5',
    'bird-eight': 'eight-pieces 90.6/53.7/68.4/78.5; > back 8.4/44.3/30.6/20.5',
    'bird-first-bone': 'breast-first-bone 46/11.6/7.5/28.2; > tenders 7.4; > leg 30.8/31.5/30.9/30.5; wing-flat 3.9/2.7/7.4/11.5; wing-tips 0.7/0.8/3.6/2.7; > back 10.5/52.9/50.1/26.6',
    'leg-parted': 'thigh 55.8/84.2/41/62.9; drumstick 43.2/13.8/57.5/36.1',
    'leg-boneless': 'thigh-boneless 52.8/25/0/0; drumstick 43.2/13.8/57.5/36.1',
    'breast-boneless': 'breast-boneless 82; > tenders 14.5',
    'breast-boneless-skin': 'breast-boneless-on 97/70/0/92',
  },
  {
    pace: 0.9,
    giblets: ['livers 38; hearts-gizzards 58', 'livers 36; hearts-gizzards 52'],
    more: ({ way, of }) => [
      ...of('breast',
        way('breast-rolled', 'R', 4, 'knife', 'Boned, rolled and netted', 'breast-rolled 96/60/0/88', 'Off the keel, tenders left in, rolled skin outward, netted.'),
        way('breast-steaks', 'T', 4, 'knife', 'Boned, cut across in steaks', 'breast-steak 81; > tenders 14.5', 'Off the keel, skin off, cut 20 mm across the grain.'),
      ),
      ...of('leg', way('leg-rolled', 'R', 6, 'knife', 'Thighs boned, rolled and netted; drumsticks', 'thigh-rolled 54/50/0/58; drumstick 43.2/13.8/57.5/36.1', 'Thigh bone followed with the point, sinew out, rolled skin outward, netted.')),
    ],
  },
)
