import {
  TISSUES,
  type Destination,
  type Path,
  type PathOutput,
  type Tissue,
  type TissueShares,
} from '../../types.ts'

type Shares = [lean: number, fat: number, bone: number, skin: number]
interface Opened {
  /** Product → tissue shares, in the order lean, fat, bone, skin. */
  to: Record<string, Shares>
  process?: Record<string, PathOutput['process']>
  /** Where what is left of each tissue goes. */
  rest?: Partial<Record<Tissue, string>>
  loss?: Shares
  more?: Partial<Path>
}

const KNIFE: Shares = [0.012, 0.008, 0.004, 0]
const SAW: Shares = [0.02, 0.014, 0.045, 0]
const REST: Record<Tissue, string> = { lean: 'ground-pork', fat: 'back-fat', bone: 'bones', skin: 'rind' }

const shares = ([lean, fat, bone, skin]: Shares): TissueShares => ({ lean, fat, bone, skin })

function outputsOf({ to, process = {}, rest = {}, loss = KNIFE }: Opened): PathOutput[] {
  const rows = new Map<string, PathOutput>()
  const row = (cut: string) => {
    let found = rows.get(cut)
    if (!found)
      rows.set(
        cut,
        (found = { cut, lean: 0, fat: 0, bone: 0, skin: 0, ...(process[cut] && { process: process[cut] }) }),
      )
    return found
  }
  for (const [cut, given] of Object.entries(to)) Object.assign(row(cut), shares(given))
  const lost = shares(loss)
  for (const t of TISSUES) {
    const left =
      1 - lost[t] - [...rows.values()].reduce((s, r) => s + (r.cut === 'cutting-loss' ? 0 : r[t]), 0)
    if (left > 1e-12) row({ ...REST, ...rest }[t])[t] += left
    row('cutting-loss')[t] += lost[t]
  }
  return [...rows.values()]
}

const path = (
  id: string,
  part: string,
  american: string,
  commonwealth: string,
  destination: Destination,
  minutes: number,
  steps: string,
  opened: Opened,
): Path => ({
  id,
  part,
  names: { american, commonwealth },
  destination,
  minutes,
  steps,
  outputs: outputsOf(opened),
  ...opened.more,
})

const HAND = 'Glove on the off hand; cut away from the body.'
const SAW_CARE = 'Band saw: guard down, push plate, nobody beside the blade. Scrape bone dust off every face.'
const CURE =
  'Weigh curing salt for this meat and product; excess nitrite is dangerous. Follow a tested recipe and the local limit.'
const BONES_STAY = 'their bones stay in the chops'

/**
 * Shares of each part by tissue. Our own working figures for trim level standard (6 mm), from memory
 * (docs/sources.md: hog-paths). Columns close by construction; what is not named goes to grind, back fat, bones or skin.
 */
export const paths: Path[] = [
  path(
    'shoulder-whole',
    'shoulder',
    'Whole, bone in, slow roast',
    'Whole, bone in, slow roast',
    'R',
    5,
    'Neck bones lifted off, glands out, rind scored; left whole.',
    {
      to: {
        'shoulder-whole': [0.93, 0.72, 0.66, 0.9],
        inedible: [0.012, 0.02, 0, 0],
        'ground-pork': [0.045, 0.08, 0, 0],
      },
      more: { caution: HAND },
    },
  ),
  path(
    'shoulder-butt-picnic',
    'shoulder',
    'Butt and picnic roasts',
    'Neck-end and hand joints',
    'R',
    9,
    'Neck bones off; parted just under the blade neck; rind off the butt, fat to 6 mm; each sawn into roasts.',
    {
      to: {
        'butt-roast': [0.49, 0.25, 0.2, 0],
        'picnic-roast': [0.4, 0.2, 0.42, 0.45],
        inedible: [0.012, 0.02, 0, 0],
        'ground-pork': [0.08, 0.1, 0, 0],
      },
      loss: [0.016, 0.01, 0.025, 0],
      more: { caution: SAW_CARE },
    },
  ),
  path(
    'shoulder-steaks',
    'shoulder',
    'Blade steaks, picnic to grind',
    'Shoulder steaks, hand to mince',
    'T',
    14,
    'Butt sawn across the blade into 25 mm steaks; picnic boned for the grinder.',
    {
      to: {
        'blade-steak': [0.47, 0.3, 0.24, 0],
        inedible: [0.015, 0.02, 0, 0],
        'ground-pork': [0.49, 0.3, 0, 0],
      },
      loss: SAW,
      more: { caution: SAW_CARE },
    },
  ),
  path(
    'shoulder-collar',
    'shoulder',
    'Boned and rolled, rest to grind',
    'Boned collar, rest to mince',
    'R',
    20,
    'Blade tunnelled out along the seam, collar rolled and tied from the middle; the arm boned for the grinder.',
    {
      to: {
        'collar-roast': [0.46, 0.2, 0, 0],
        inedible: [0.015, 0.02, 0, 0],
        'ground-pork': [0.5, 0.2, 0, 0],
      },
      more: { caution: 'Hidden hand when tunnel boning: stop the knife before the off hand moves.' },
    },
  ),
  path(
    'shoulder-grind',
    'shoulder',
    'All to sausage',
    'All to sausages',
    'G',
    18,
    'Boned, glands out by hand, cubed cold; seasoned and filled.',
    {
      to: { sausage: [0.965, 0.68, 0, 0], inedible: [0.02, 0.03, 0, 0] },
      process: { sausage: { name: 'seasoning and water', added: 0.05, yield: 1.045 } },
      more: {
        caution:
          'Grinder: stomper only, never a hand. Keep the meat near freezing: warm fat smears and is unsafe.',
      },
    },
  ),
  path(
    'loin-chops',
    'loin',
    'Bone-in chops, tenderloin left in',
    'Bone-in chops, fillet left in',
    'T',
    12,
    'Chine cracked, rind and back fat to 6 mm; sawn 25 mm from the rib end; tenderloin stays in the back half.',
    {
      to: { 'bone-in-chop': [0.925, 0.3, 0.9, 0], 'ground-pork': [0.05, 0.04, 0, 0] },
      loss: SAW,
      more: {
        caution: SAW_CARE,
        shutsOut: [
          {
            cut: 'tenderloin',
            reason: 'it is sawn into the back chops; only the butt end stays behind, in the leg',
          },
          { cut: 'back-ribs', reason: BONES_STAY },
        ],
      },
    },
  ),
  path(
    'loin-chops-pulled',
    'loin',
    'Tenderloin pulled, then bone-in chops',
    'Fillet pulled, then bone-in chops',
    'T',
    14,
    'Tenderloin freed from the butt end forward before any sawing; then chined and sawn 25 mm.',
    {
      to: { 'bone-in-chop': [0.92, 0.3, 0.9, 0], 'ground-pork': [0.05, 0.04, 0, 0] },
      loss: SAW,
      more: {
        caution: SAW_CARE,
        extracts: ['tenderloin'],
        shutsOut: [{ cut: 'back-ribs', reason: BONES_STAY }],
      },
    },
  ),
  path(
    'loin-boneless-chops',
    'loin',
    'Boneless chops and back ribs',
    'Loin steaks and loin ribs',
    'T',
    20,
    'Tenderloin out; back ribs sheeted off leaving meat between the bones; loin off the feather bones, cut 25 mm.',
    {
      to: {
        'boneless-chop': [0.76, 0.18, 0, 0],
        'back-ribs': [0.11, 0.07, 0.42, 0],
        'ground-pork': [0.112, 0.08, 0, 0],
      },
      more: {
        caution: HAND,
        extracts: ['tenderloin'],
        shutsOut: [{ cut: 'bone-in-chop', reason: 'the bones come off as back ribs' }],
      },
    },
  ),
  path(
    'loin-roasts',
    'loin',
    'Boneless roasts and back ribs',
    'Boned joints and loin ribs',
    'R',
    18,
    'As boneless chops, but tied and cut into roasts for three or four.',
    {
      to: {
        'loin-roast': [0.79, 0.22, 0, 0],
        'back-ribs': [0.11, 0.07, 0.42, 0],
        'ground-pork': [0.085, 0.06, 0, 0],
      },
      more: {
        caution: HAND,
        extracts: ['tenderloin'],
        shutsOut: [{ cut: 'bone-in-chop', reason: 'the bones come off as back ribs' }],
      },
    },
  ),
  path(
    'loin-grind',
    'loin',
    'Tenderloin and back ribs kept, rest to grind',
    'Fillet and ribs kept, rest to mince',
    'G',
    17,
    'Tenderloin out, ribs off, everything else boned for the grinder.',
    {
      to: { 'back-ribs': [0.11, 0.07, 0.42, 0], 'ground-pork': [0.875, 0.34, 0, 0] },
      more: { caution: HAND, extracts: ['tenderloin'] },
    },
  ),
  path(
    'tenderloin-whole',
    'tenderloin',
    'Whole',
    'Whole',
    'T',
    1,
    'Silver skin and side chain off, left whole.',
    {
      to: { tenderloin: [0.93, 0, 0, 0] },
      more: { caution: HAND },
    },
  ),
  path(
    'tenderloin-medallions',
    'tenderloin',
    'Medallions',
    'Medallions',
    'T',
    4,
    'Trimmed and cut across into eight.',
    {
      to: { medallions: [0.87, 0, 0, 0] },
      more: { caution: HAND },
    },
  ),
  path(
    'belly-bacon',
    'belly',
    'Cured and smoked as bacon',
    'Cured and smoked streaky',
    'C',
    12,
    'Rind off, squared; ragged edges and flank end to the grinder; cured, smoked, sliced.',
    {
      to: { bacon: [0.8, 0.76, 0, 0], 'ground-pork': [0.185, 0.11, 0, 0] },
      process: { bacon: { name: 'cure and smoke', added: 0.03, yield: 0.92 } },
      more: { caution: CURE, shutsOut: [{ cut: 'belly-slab', reason: 'the belly goes to the smokehouse' }] },
    },
  ),
  path(
    'belly-slab',
    'belly',
    'Fresh slabs, rind on',
    'Fresh joints, rind on',
    'R',
    4,
    'Squared, rind scored, cut into slabs for a small oven.',
    {
      to: { 'belly-slab': [0.92, 0.9, 0, 0.95], 'ground-pork': [0.065, 0.06, 0, 0] },
      more: { caution: HAND, needs: 'skin', shutsOut: [{ cut: 'bacon', reason: 'the belly is sold fresh' }] },
    },
  ),
  path(
    'belly-slices',
    'belly',
    'Fresh slices, rind off',
    'Fresh rashers, rind off',
    'T',
    9,
    'Rind off, chilled firm, sliced 12 mm across the grain.',
    {
      to: { 'belly-slices': [0.9, 0.76, 0, 0], 'ground-pork': [0.085, 0.08, 0, 0] },
      more: { caution: HAND, shutsOut: [{ cut: 'bacon', reason: 'the belly is sold fresh' }] },
    },
  ),
  path(
    'belly-sausage',
    'belly',
    'All to sausage',
    'All to sausages',
    'G',
    8,
    'Rind off, cubed cold, ground; seasoned and filled.',
    {
      to: { sausage: [0.985, 0.93, 0, 0] },
      process: { sausage: { name: 'seasoning and water', added: 0.05, yield: 1.045 } },
      more: {
        caution: 'Grinder: stomper only, never a hand. Keep the meat near freezing.',
        shutsOut: [{ cut: 'bacon', reason: 'the belly is ground' }],
      },
    },
  ),
  path(
    'ribs-full',
    'spare-ribs',
    'Full sheet',
    'Full sheet',
    'B',
    4,
    'Lifted off the belly 25 mm clear of the cartilage; membrane peeled from the backbone end.',
    {
      to: { 'spare-ribs': [0.97, 0.9, 0.99, 0] },
      more: { caution: HAND },
    },
  ),
  path(
    'ribs-squared',
    'spare-ribs',
    'Squared, tips apart',
    'Squared, tips apart',
    'B',
    7,
    'Brisket bone off along the joints as rib tips; skirt and flap to the grinder.',
    {
      to: {
        'squared-ribs': [0.6, 0.55, 0.7, 0],
        'rib-tips': [0.2, 0.25, 0.27, 0],
        'ground-pork': [0.18, 0.12, 0, 0],
      },
      more: {
        caution: HAND,
        shutsOut: [{ cut: 'spare-ribs', reason: 'the sheet is squared and its tips sold apart' }],
      },
    },
  ),
  path(
    'ribs-on-belly',
    'spare-ribs',
    'Left on the belly',
    'Left on the belly',
    'R',
    1,
    'Not lifted: the slab is sold with its ribs.',
    {
      to: { 'belly-slab': [0.985, 0.985, 0.99, 0] },
      more: {
        needs: 'skin',
        excludes: ['belly-bacon', 'belly-slices', 'belly-sausage'].map((id) => ({
          path: id,
          reason:
            'Ribs stay on only under a fresh belly slab: bacon, slices and sausage need them lifted first.',
        })),
        shutsOut: [{ cut: 'spare-ribs', reason: 'they are sold on the belly' }],
      },
    },
  ),
  path(
    'ribs-grind',
    'spare-ribs',
    'Boned to grind',
    'Boned to mince',
    'G',
    9,
    'Meat stripped from between the bones; bones to stock.',
    {
      to: { 'ground-pork': [0.9, 0.5, 0, 0] },
      more: { caution: HAND, shutsOut: [{ cut: 'spare-ribs', reason: 'they are stripped for the grinder' }] },
    },
  ),
  path(
    'leg-halves',
    'leg',
    'Fresh ham, halves, bone in',
    'Leg halves, bone in',
    'R',
    7,
    'Aitch bone and glands out, rind and fat to 6 mm, sawn once across into butt and shank halves.',
    {
      to: {
        'fresh-ham': [0.93, 0.4, 0.72, 0.2],
        inedible: [0.01, 0.02, 0, 0],
        'ground-pork': [0.045, 0.06, 0, 0],
      },
      loss: [0.014, 0.01, 0.02, 0],
      more: { caution: SAW_CARE },
    },
  ),
  path(
    'leg-smoked',
    'leg',
    'Cured and smoked ham',
    'Smoked gammon',
    'C',
    10,
    'Aitch bone out, squared; brined, smoked, cut into pieces for the oven.',
    {
      to: {
        'cured-ham': [0.9, 0.44, 0.72, 0.15],
        inedible: [0.01, 0.02, 0, 0],
        'ground-pork': [0.075, 0.14, 0, 0],
      },
      process: { 'cured-ham': { name: 'brine and smoke', added: 0.1, yield: 0.96 } },
      more: { caution: CURE, shutsOut: [{ cut: 'fresh-ham', reason: 'the leg is cured' }] },
    },
  ),
  path(
    'leg-seamed',
    'leg',
    'Seamed roasts and cutlets',
    'Seamed joints and escalopes',
    'R',
    24,
    'Boned and parted along the seams: topside, silverside, knuckle; topside sliced as cutlets.',
    {
      to: {
        'leg-roast': [0.55, 0.2, 0, 0],
        cutlets: [0.22, 0.03, 0, 0],
        inedible: [0.018, 0.03, 0, 0],
        'ground-pork': [0.19, 0.16, 0, 0],
      },
      more: { caution: HAND, shutsOut: [{ cut: 'fresh-ham', reason: 'the leg is boned and seamed' }] },
    },
  ),
  path(
    'leg-grind',
    'leg',
    'All to grind',
    'All to mince',
    'G',
    16,
    'Boned, glands out by hand, cubed for the grinder.',
    {
      to: { inedible: [0.018, 0.03, 0, 0], 'ground-pork': [0.965, 0.55, 0, 0] },
      more: { caution: HAND, shutsOut: [{ cut: 'fresh-ham', reason: 'the leg is ground' }] },
    },
  ),
  path(
    'fore-hock-whole',
    'fore-hock',
    'Hock, whole',
    'Hock, whole',
    'B',
    1,
    'Sawn off above the knee joint.',
    { to: { hock: [0.985, 0.98, 0.97, 1] } },
  ),
  path(
    'fore-hock-boned',
    'fore-hock',
    'Boned to grind',
    'Boned to mince',
    'G',
    5,
    'Tendon off, boned for the grinder.',
    { to: { inedible: [0.1, 0, 0, 0], 'ground-pork': [0.88, 0.6, 0, 0] } },
  ),
  path(
    'hind-hock-whole',
    'hind-hock',
    'Hock, whole',
    'Hock, whole',
    'B',
    1,
    'Sawn off above the hock joint.',
    { to: { hock: [0.985, 0.98, 0.97, 1] } },
  ),
  path(
    'hind-hock-boned',
    'hind-hock',
    'Boned to grind',
    'Boned to mince',
    'G',
    5,
    'Tendon off, boned for the grinder.',
    { to: { inedible: [0.1, 0, 0, 0], 'ground-pork': [0.88, 0.6, 0, 0] } },
  ),
  path('fore-foot-kept', 'fore-foot', 'Kept', 'Kept', 'N', 1, 'Off through the knee joint, toes cleaned.', {
    to: { trotter: [0.98, 0.98, 0.98, 1] },
  }),
  path(
    'fore-foot-stock',
    'fore-foot',
    'To the bone bin',
    'To the bone bin',
    'N',
    0.5,
    'Off through the knee joint.',
    { to: { bones: [0.985, 0.985, 0.99, 1] } },
  ),
  path('hind-foot-kept', 'hind-foot', 'Kept', 'Kept', 'N', 1, 'Off through the hock joint, toes cleaned.', {
    to: { trotter: [0.98, 0.98, 0.98, 1] },
  }),
  path(
    'hind-foot-stock',
    'hind-foot',
    'To the bone bin',
    'To the bone bin',
    'N',
    0.5,
    'Off through the hock joint.',
    { to: { bones: [0.985, 0.985, 0.99, 1] } },
  ),
  path(
    'jowl-ground',
    'jowl',
    'To grind',
    'To mince',
    'G',
    4,
    'Rind and every gland off by hand; diced for the grinder.',
    { to: { inedible: [0.09, 0.09, 0, 0], 'ground-pork': [0.89, 0.5, 0, 0] } },
  ),
  path('jowl-cured', 'jowl', 'Cured', 'Cured', 'C', 4, 'Squared, every gland off, salted and dried.', {
    to: { 'jowl-cured': [0.74, 0.86, 0, 0.9], inedible: [0.09, 0.09, 0, 0] },
    process: { 'jowl-cured': { name: 'dry salt', added: 0.03, yield: 0.78 } },
    more: { caution: CURE, needs: 'skin' },
  }),
  path(
    'leaf-fat-kept',
    'leaf-fat',
    'Kept for lard',
    'Kept for lard',
    'F',
    2,
    'Pulled out by hand before anything is sawn; the best lard.',
    { to: { 'leaf-lard': [0, 0.98, 0, 0] } },
  ),
  path('leaf-fat-bin', 'leaf-fat', 'Not kept', 'Not kept', 'X', 1, 'Pulled out and discarded.', {
    to: { inedible: [0, 0.99, 0, 0] },
  }),
  path('kidney-kept', 'kidney', 'Kept', 'Kept', 'O', 1, 'Split, core out, rinsed.', {
    to: { kidney: [0.95, 0, 0, 0] },
    rest: { lean: 'inedible' },
  }),
  path('kidney-bin', 'kidney', 'Not kept', 'Not kept', 'X', 0.5, 'Discarded.', {
    to: { inedible: [0.988, 0, 0, 0] },
  }),
  path('tail-kept', 'tail', 'Kept', 'Kept', 'B', 1, 'Off at the second joint.', {
    to: { tail: [0.98, 0.98, 0.98, 1] },
  }),
  path('tail-bones', 'tail', 'To the bone bin', 'To the bone bin', 'N', 0.5, 'Off at the second joint.', {
    to: { bones: [0.98, 0.98, 0.98, 1] },
  }),
  path('head-whole', 'head', 'Whole', 'Whole', 'B', 5, 'Eyes and ear canals out, washed, left whole.', {
    to: { head: [0.965, 0.965, 0.965, 0.95], inedible: [0.02, 0.02, 0.025, 0.05] },
  }),
  path(
    'head-cheeks',
    'head',
    'Cheeks out, rest to bones',
    'Cheeks out, rest to bones',
    'B',
    8,
    'Cheeks cut out, glands off; the rest to the bone bin.',
    {
      to: { cheeks: [0.4, 0.1, 0, 0], inedible: [0.05, 0.05, 0.02, 0.05], bones: [0.53, 0.84, 0.97, 0.95] },
    },
  ),
]
