import { names } from '../names.ts'
import type { About } from '../types.ts'

export const about: About = {
  names: names('Broiler | Table bird'),
  one: 'Chickens',
  many: 'birds',
  stem: 'Flock',
  young: names('Chicks'),
  tall: 0.26,
  usual: 40,
  mark: 'M13 10c-3-1.600-6-4.400-7.600-7C9 4 12.600 5.600 15.600 8c4-1.200 8-1.200 11.400.2.6-3 2.600-5 5-5.200l.8-1.600 1 1.600 1.400-1-.2 2c1.400.6 2.200 1.800 2.400 3.200l2.600 1.200-2.400 1.200c-.8 4.800-3.600 8.800-8 10.800L29 26h3v1.600h-5.600l.8-6.400h-3L23.800 26h2.800v1.600h-5.200l.6-6.600C17 20 13.600 16.400 13 10Z',
}
