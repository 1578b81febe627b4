import { birdPaths } from '../../poultry/data/birds.ts'

/**
 * How a duck is parted, by tissue, % lean/fat/bone/skin: breast 33, legs 25, wings 13 and back 29 % of a middle bird
 * with the fat of the cavity, a quarter of what is loose, pulled out (docs/sources.md: duck-paths).
 */
export const paths = birdPaths(
  {
    'bird-parts': '> breast 42.6/15.8/20.9/34.3; > leg 30.3/21.4/21.7/20.5; > wing 9.8/3.7/15.1/18.1; > back 16.6/33.6/41.8/26.6',
    'bird-parts-oyster': '> breast 42.6/15.8/20.9/34.3; > leg 28/21.1/21.7/20.5; > wing 9.8/3.7/15.1/18.1; > back 18.9/33.9/41.8/26.6',
    'bird-quarters': 'leg-quarter 45.6/38/47.4/35.8; breast-quarter 53.4/35/51.6/63.2',
    'bird-spatchcock': 'spatchcock 91/63.5/81.5/91; > back 8/9.5/17.5/8',
    'bird-eight': 'eight-pieces 83.1/41.2/57.3/72.7; > back 15.9/31.8/41.7/26.3',
    'bird-first-bone': 'breast-first-bone 40.3/10.3/6.2/33.8; > tenders 5.3; > leg 30.3/21.4/21.7/20.5; wing-flat 4.4/2.1/6.1/9; wing-tips 0.8/0.6/3/2.1; > back 18.2/40.1/62.5/34.1',
    'leg-parted': 'thigh 57.7/85.2/42.9/64.6; drumstick 41.3/12.8/55.6/34.4',
    'leg-boneless': 'thigh-boneless 54.7/25/0/0; drumstick 41.3/12.8/55.6/34.4',
    'breast-boneless': 'breast-boneless 84; > tenders 12.5',
    'breast-boneless-skin': 'breast-boneless-on 97/50/0/85',
  },
  {
    pace: 0.6,
    // What lies on a back is worth more in the pot: its skin is pulled off with the fat.
    backs: 'backs 99/45/99/40',
    kitchen: { rest: { lean: '> trim', fat: '> fat', bone: '> frames', skin: '> fat' } },
    more: ({ way, of }) => [
      ...of('fat',
        way('fat-kept', 'F', 0, 'none', 'Kept as it is', 'bird-fat 100/100/100; skin 0/0/0/100', 'Kept cold, for rendering or nothing.', { loss: '0', rest: { lean: 'bird-fat', fat: 'bird-fat', bone: 'bird-fat', skin: 'skin' } }),
        way('fat-rendered', 'F', 3, 'none', 'Rendered', 'rendered-fat 20/88/0/62; skin 0/0/0/38', 'Cut small, rendered low with a little water, strained.', { perKg: 8, loss: '12/12/12', rest: { lean: 'inedible', fat: 'inedible', bone: 'inedible', skin: 'skin' }, caution: 'Hot fat burns: low heat, dry jars, nobody in the way when it is strained.' }),
      ),
    ],
  },
)
