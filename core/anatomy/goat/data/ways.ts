import { cutOf, packs, waysIn } from '../../notation.ts'
import type { Cut, Path } from '../../types.ts'

const { way, of } = waysIn({
  rest: { lean: '> trim', fat: '> fat', bone: '> bones', skin: 'inedible' },
  loss: 'cutting-loss',
  processes: {},
})
const SAW = 'Sawn through in 40 mm cubes, bone and all; dust and chips washed off.'
const cubed = (part: string, minutes: number) =>
  of(part, way(`${part}-cubed`, 'B', minutes, 'saw', 'Cubed on the saw, bone in', 'bone-in-cubes 97.5/90/96', SAW, { loss: '1.5/1/3.5', caution: 'Band saw: guard down, push plate, nobody beside the blade. Chips of bone: say “contains bone” on every pack, and wash the dust off.' }))

/** Ways of the goat trade that a lamb has not. Shares our own working figures (docs/sources.md: lamb-paths). */
export const sawn: { cuts: Cut[]; paths: Path[] } = {
  cuts: [cutOf('product')('bone-in-cubes', 'Goat cubes, bone in | Curry goat, bone in', 'B', 0.95, packs)],
  paths: [
    ...cubed('leg', 4),
    ...cubed('shoulder', 4),
    ...cubed('neck', 2),
    ...cubed('rack', 2),
    ...cubed('loin', 2),
    ...cubed('breast', 3),
    ...cubed('foreshank', 1),
  ],
}
/** Of a lamb's ways, what nobody makes of a goat. */
export const without = { conventions: ['shorn'] } as const
