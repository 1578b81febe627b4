import { names } from '../names.ts'
import type { About } from '../types.ts'

export const about: About = {
  names: names('Steer'),
  one: 'Steer',
  many: 'steers',
  stem: 'Steer',
  young: names('Calf'),
  tall: 1,
  usual: 1,
  mark: 'M6 9c4-2.400 10-3 16-2.600 4 .2 8-.2 11.600-1.200l1.600-2.600c.8 1.200 1 2 .8 3l2.600-.4 4.600 4.200c1 1 .8 2.400-.2 3l-3.800.8c-1.400 2.600-3 4.200-5.200 5.200L33.400 26h-2.600l-.8-7c-4.400.4-9 .4-12.600-.4L16.600 26H14l-.8-8.600C10 16.400 8.400 14.400 8 11.600 7 12 6.400 14 6.600 17l-1.400.4C4.400 13.600 4.600 10.600 6 9Z',
}
