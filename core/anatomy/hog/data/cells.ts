import {
  TISSUES,
  type Band,
  type Line,
  type Part,
  type Segment,
  type Tissue,
  type TissueShares,
} from '../../types.ts'

const RIBS = 14
const LUMBAR = 6

/** Vertebrae average 32 mm: 25–28 at the front, 35–38 lumbar (common practice; docs/sources.md: hog-axis). */
export const axis: Segment[] = [
  { id: 'neck', mm: 90 },
  ...Array.from({ length: RIBS }, (_, i) => ({
    id: `rib ${i + 1}`,
    mm: 26 + (8 * i) / (RIBS - 1),
    rib: i + 1,
  })),
  ...Array.from({ length: LUMBAR }, (_, i) => ({ id: `lumbar ${i + 1}`, mm: 36 })),
  { id: 'sacrum, front', mm: 63 },
  { id: 'sacrum, back', mm: 60 },
]

const afterRib = (n: number) => 1 + n
/** Commercial: across the sacrum 60–65 mm ahead of the aitch bone; the sirloin end stays on the loin. */
const LEG_LINE = 1 + RIBS + LUMBAR + 1

export const lines: Line[] = [
  {
    id: 'shoulder-line',
    names: { american: 'Shoulder line', commonwealth: 'Shoulder line' },
    settings: [
      {
        id: '2|3',
        label: '2|3',
        school: 'between ribs 2 and 3: common commercial standard',
        at: afterRib(2),
      },
      { id: '4|5', label: '4|5', school: 'between ribs 4 and 5: whole-animal cutters', at: afterRib(4) },
      {
        id: '5|6',
        label: '5|6',
        school: 'between ribs 5 and 6: the blade cartilage ends here, no blade bone in the first chop',
        at: afterRib(5),
      },
    ],
    fallback: '2|3',
  },
  {
    id: 'leg-line',
    names: { american: 'Leg line', commonwealth: 'Leg line' },
    settings: [
      {
        id: 'sacrum',
        label: 'sacrum',
        school: 'across the sacrum: the sirloin end stays on the loin',
        at: LEG_LINE,
      },
    ],
    fallback: 'sacrum',
  },
]

type Density = { neck: number; rib: number; lumbar: number; sacrumFront: number; sacrumBack: number }
const even: Density = { neck: 0, rib: 1, lumbar: 1, sacrumFront: 0, sacrumBack: 0 }

/** Shares per segment, proportional to length × density of the region. */
function spread(density: Density): number[] {
  const weights = axis.map((s) => {
    if (s.rib) return s.mm * density.rib
    if (s.id === 'neck') return s.mm * density.neck
    if (s.id.startsWith('lumbar')) return s.mm * density.lumbar
    return s.mm * (s.id === 'sacrum, front' ? density.sacrumFront : density.sacrumBack)
  })
  const sum = weights.reduce((a, b) => a + b, 0)
  return weights.map((w) => w / sum)
}

function band(
  id: string,
  tissue: Partial<TissueShares>,
  density: Density | Record<Tissue, Density>,
  spans: Band['spans'],
): Band {
  const of = (t: Tissue) => spread('lean' in density ? density[t] : density)
  return {
    id,
    tissue: { lean: 0, fat: 0, bone: 0, skin: 0, ...tissue },
    along: Object.fromEntries(TISSUES.map((t) => [t, of(t)])) as Record<Tissue, number[]>,
    spans,
  }
}

const whole = (id: string, part: string, tissue: Partial<TissueShares>) =>
  band(id, tissue, even, [{ part, until: 'end' }])
const sidePlates = (belly: string): Band['spans'] => [
  { part: 'shoulder', until: 'shoulder-line' },
  { part: belly, until: 'leg-line' },
  { part: 'leg', until: 'end' },
]
const backOut: Density = { neck: 0.8, rib: 1.05, lumbar: 0.95, sacrumFront: 1, sacrumBack: 0.7 }
const eye = {
  lean: { neck: 1.1, rib: 1, lumbar: 0.9, sacrumFront: 1.05, sacrumBack: 0 },
  fat: { neck: 1.3, rib: 1.1, lumbar: 0.7, sacrumFront: 0.9, sacrumBack: 0 },
  bone: { neck: 1.25, rib: 1, lumbar: 0.85, sacrumFront: 1.1, sacrumBack: 0.6 },
  skin: even,
}
const psoas: Density = { neck: 0, rib: 0.04, lumbar: 1, sacrumFront: 1.1, sacrumBack: 0.75 }
const bellyRows: Density = { neck: 0, rib: 1, lumbar: 1.05, sacrumFront: 0.25, sacrumBack: 0 }
const ribsOnly: Density = { neck: 0, rib: 1, lumbar: 0, sacrumFront: 0, sacrumBack: 0 }

/**
 * Mass of each band as a share (%) of the base carcass: scalded, head off, feet on, leaf fat and kidneys in.
 * Our own working figures, from memory (docs/sources.md: hog-cells); the head is what it adds when left on.
 */
export const bands: Band[] = [
  band('outer', { fat: 9.3, skin: 1.6 }, backOut, sidePlates('loin')),
  band('eye', { lean: 13.4, fat: 2.2, bone: 4.1 }, eye, sidePlates('loin')),
  band('psoas', { lean: 1.15 }, psoas, sidePlates('loin')),
  band('plate', { lean: 1.9, fat: 0.8, bone: 1.6 }, ribsOnly, sidePlates('spare-ribs')),
  band('ventral', { lean: 6.2, fat: 6.6, skin: 1.3 }, bellyRows, sidePlates('belly')),
  whole('fore', 'shoulder', { lean: 10.9, fat: 2.5, bone: 1.9, skin: 0.7 }),
  whole('fore shank', 'fore-hock', { lean: 0.75, fat: 0.15, bone: 0.5, skin: 0.2 }),
  whole('hind', 'leg', { lean: 16.3, fat: 3.6, bone: 2, skin: 0.8 }),
  whole('hind shank', 'hind-hock', { lean: 0.8, fat: 0.15, bone: 0.6, skin: 0.2 }),
  whole('fore foot', 'fore-foot', { lean: 0.1, fat: 0.1, bone: 0.5, skin: 0.25 }),
  whole('hind foot', 'hind-foot', { lean: 0.1, fat: 0.1, bone: 0.6, skin: 0.3 }),
  whole('cheek', 'jowl', { lean: 0.9, fat: 1.4, skin: 0.25 }),
  whole('flare', 'leaf-fat', { fat: 2 }),
  whole('kidneys', 'kidney', { lean: 0.35 }),
  whole('tail', 'tail', { lean: 0.08, fat: 0.08, bone: 0.1, skin: 0.05 }),
  whole('head', 'head', { lean: 1.9, fat: 1.4, bone: 2.8, skin: 0.6 }),
]

const part = (
  id: string,
  american: string,
  commonwealth: string,
  fallback: string,
  more: Partial<Part> = {},
): Part => ({
  id,
  names: { american, commonwealth },
  scope: 'side',
  fallback,
  ...more,
})

export const parts: Part[] = [
  part('leg', 'Leg (ham)', 'Leg', 'leg-halves'),
  part('hind-hock', 'Hind hock', 'Hind hock', 'hind-hock-whole'),
  part('hind-foot', 'Hind foot', 'Hind trotter', 'hind-foot-kept', { needs: 'feet' }),
  part('loin', 'Loin', 'Loin', 'loin-chops', { length: { from: 'shoulder-line', to: 'leg-line' } }),
  part('tenderloin', 'Tenderloin', 'Fillet', 'tenderloin-whole', { extraction: { band: 'psoas', order: 1 } }),
  part('belly', 'Belly', 'Belly', 'belly-bacon'),
  part('spare-ribs', 'Spare ribs', 'Belly ribs', 'ribs-full'),
  part('shoulder', 'Shoulder', 'Shoulder', 'shoulder-butt-picnic', {
    length: { from: 'start', to: 'shoulder-line' },
  }),
  part('fore-hock', 'Fore hock', 'Fore hock', 'fore-hock-whole'),
  part('fore-foot', 'Fore foot', 'Fore trotter', 'fore-foot-kept', { needs: 'feet' }),
  part('jowl', 'Jowl', 'Cheek and jowl', 'jowl-ground'),
  part('leaf-fat', 'Leaf fat', 'Flead', 'leaf-fat-kept'),
  part('kidney', 'Kidney', 'Kidney', 'kidney-kept'),
  part('tail', 'Tail', 'Tail', 'tail-kept', { scope: 'animal' }),
  part('head', 'Head', 'Head', 'head-whole', { scope: 'animal', needs: 'head' }),
]
