import { birdPaths } from '../../poultry/data/birds.ts'

/**
 * How a bird is parted, by tissue, % lean/fat/bone/skin: breast 37, thighs 18, drumsticks 13.5, wings 10.5 and back 21 %
 * of a fast bird (docs/sources.md: broiler-paths).
 */
export const paths = birdPaths({
  'bird-parts': '> breast 49.4/15.4/18.3/24; > leg 32.4/31/31.4/32; > wing 7.1/3.6/14.7/19.2; > back 10.4/49.5/35.1/24.3',
  'bird-parts-oyster': '> breast 49.4/15.4/18.3/24; > leg 29.9/30.5/31.4/32; > wing 7.1/3.6/14.7/19.2; > back 12.9/50/35.1/24.3',
  'bird-quarters': 'leg-quarter 42/56/53/46; breast-quarter 57/43/46/53',
  'bird-spatchcock': 'spatchcock 93.7/85/84/91.5; > back 5.3/13/15/7.5',
  'bird-eight': 'eight-pieces 89/50/64/75; > back 10/48/35/24',
  'bird-first-bone': 'breast-first-bone 42.9/10/6/26; > tenders 8.1; > leg 32.4/31/31.4/32; wing-flat 3.2/2/6/9.5; wing-tips 0.6/0.6/2.9/2.2; > back 10.4/55.9/53.2/29.8',
  'leg-parted': 'thigh 57/84/42/64; drumstick 42/14/56.5/35',
  'leg-boneless': 'thigh-boneless 54/25/0/0; drumstick 42/14/56.5/35',
  'breast-boneless': 'breast-boneless 80; > tenders 16.5',
  'breast-boneless-skin': 'breast-boneless-on 97/70/0/92',
})
