import { names } from '../names.ts'
import type { About } from '../types.ts'

export const about: About = {
  names: names('Lamb'),
  one: 'Lamb',
  many: 'lambs',
  stem: 'Lamb',
  young: names('Lamb'),
  tall: 0.48,
  usual: 1,
  mark: 'M8 13c-1-3 1-5 3.500-5 .5-2 3-3 5-2 1.500-1.800 4.500-1.800 6 0 1.800-1.200 4.600-.8 5.600 1 1.800-1 4.200-.4 5 1.200l2-2.800c1.200-1 3-1 4 0l3.600 3.400c.8.8.6 2-.4 2.600l-4 1.200c-.4 3-1.600 5-3.600 6L34 26h-2.600l-.6-6c-4 1-10 1-14.400 0L15.800 26h-2.600l-.6-6.600C9.600 18.600 8.200 16 8 13Zm-.4.600C6 14 5 15.600 5.400 17.200l1.800-.6Z',
}
