import { cutOf, packs, plucked, waysIn, whole } from '../../notation.ts'
import type { Cut, Part, Path } from '../../types.ts'

/** What is no carcass of sheep and goats and can be kept: share of fasted live weight, %, by what lies in it. */
export const pluck = (of: { head: number; feet: number; spleen: number; sweetbreads: number; tract: number; testicles: number }): Part[] => [
  plucked('head', 'Head: tongue, cheeks and meat', 'head-left', of.head, '22/6/72'),
  plucked('feet', 'Feet', 'feet-left', of.feet, '8/4/58/30'),
  plucked('spleen', 'Spleen', 'spleen-left', of.spleen),
  plucked('sweetbreads', 'Sweetbreads', 'sweetbreads-left', of.sweetbreads),
  plucked('tract', 'Tripe and intestines', 'tract-left', of.tract),
  plucked('testicles', 'Testicles, or udder', 'testicles-left', of.testicles),
]

const product = cutOf('product')
/** Price indices, mince = 1 (docs/sources.md: price-index). */
export const pluckCuts: Cut[] = [
  product('tongue', 'Tongues', 'O', 0.8, whole(1, 4)),
  product('cheeks', 'Cheeks', 'B', 1.1, whole(2, 8)),
  product('head-meat', 'Head meat', 'G', 0.6, packs),
  product('feet', 'Feet, scalded', 'N', 0.4, whole(4, 4)),
  product('spleen', 'Spleens', 'O', 0.3, packs),
  product('sweetbreads', 'Sweetbreads', 'O', 1.6, packs),
  product('tripe', 'Tripe', 'O', 0.6, packs),
  product('casings', 'Casings', 'O', 1.2, packs),
  product('testicles', 'Testicles', 'O', 0.9, packs),
  product('udder', 'Udder', 'O', 0.3, packs),
]

/** Keeping, selling or leaving it. */
export function pluckWays({ way, of }: ReturnType<typeof waysIn>): Path[] {
  const left = { leaves: true, loss: '0' }
  const only = { rest: { lean: 'inedible', fat: 'inedible', bone: 'inedible', skin: 'inedible' } }
  const notKept = (id: string, says = 'Left at the plant.') =>
    way(`${id}-left`, 'X', 0, 'none', 'Not kept', 'inedible 100/100/100/100', says, left)
  return [
    ...of('head',
      notKept('head'),
      way('head-tongue', 'O', 4, 'knife', 'Tongue kept', 'tongue 30/10', 'Tongue out at the root, tonsils off.', { ...only, caution: 'Tonsils are never food. Skull and brain of older sheep and goats are not food in some countries.' }),
      way('head-all', 'O', 16, 'knife', 'Tongue, cheeks and head meat', 'tongue 30/10; cheeks 20/8; head-meat 34/30', 'Tongue, cheeks, then the rest picked; glands out.', { ...only, caution: 'Tonsils are never food. Skull and brain of older sheep and goats are not food in some countries.' }),
    ),
    ...of('feet',
      notKept('feet', 'Off at the joint.'),
      way('feet-kept', 'N', 12, 'knife', 'Kept, scalded', 'feet 90/90/92/75', 'Scalded, scraped, hoof off.', { ...only, loss: '2/2/4/2', caution: 'Scald burns: water at 63–65 °C, lid on, nobody behind you.' }),
    ),
    ...of('spleen', notKept('spleen'), way('spleen-kept', 'O', 2, 'knife', 'Kept', 'spleen 90', 'Passed by the inspector; not of older sheep and goats in some countries.', only)),
    ...of('sweetbreads', notKept('sweetbreads'), way('sweetbreads-kept', 'O', 6, 'knife', 'Kept', 'sweetbreads 75', 'From the neck and the heart, soaked and peeled.', only)),
    ...of('tract',
      notKept('tract'),
      way('tract-tripe', 'O', 40, 'none', 'Tripe kept, cleaned', 'tripe 30; inedible 70/100/100/100', 'Emptied away from the meat, scalded, scraped, rinsed until clear.', { loss: '0', caution: 'Gut contents contaminate: clean away from the meat, and throw away what cannot be made clean.' }),
      way('tract-all', 'O', 60, 'none', 'Tripe and casings kept', 'tripe 30; casings 5; inedible 65/100/100/100', 'As for tripe; small intestine stripped, turned, salted as casing.', { loss: '0', caution: 'Gut contents contaminate: clean away from the meat, and throw away what cannot be made clean.' }),
    ),
    ...of('testicles', notKept('testicles', 'None on a wether; left at the plant.'), way('testicles-kept', 'O', 3, 'knife', 'Testicles kept, skinned', 'testicles 80', 'Of a male only: both skins off.', only),
      way('udder-kept', 'O', 8, 'knife', 'Udder kept', 'udder 75', 'Of a female only, passed by the inspector: cut open, emptied of milk, soaked and rinsed until clear.', { ...only, caution: 'An udder that is hot, hard or lumpy is condemned.' })),
  ]
}
