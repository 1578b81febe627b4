import { names } from '../names.ts'
import type { About } from '../types.ts'

export const about: About = {
  names: names('Hog | Pig'),
  one: 'Hog',
  many: 'hogs',
  stem: 'Hog',
  young: names('Feeder pig | Weaner'),
  tall: 0.62,
  usual: 1,
  mark: 'M5 12c2-4 6-6 11-6 6-2 13-2 18 0 1-2 3-3 5-3l-.6 4c2 1.200 3.300 2.600 4 4.300l2.600.7c.7 1.600.6 3-.2 4l-4 1c-1.500 2-3.300 3-5 3.400L35 26h-3l-.8-5c-4 .8-9 .8-13 0L17 26h-3l-1.400-6C8 18.500 5.500 16 5 12Zm-.5 0c-1.500-.4-2.500-1.600-2.300-3 .1-1 .9-1.500 1.600-1.200.7.4.5 1.300-.2 1.300',
}
