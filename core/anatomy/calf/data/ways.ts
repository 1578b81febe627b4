import { cutOf, packs, roasts, snapped, waysIn, whole } from '../../notation.ts'
import type { Cut, Path } from '../../types.ts'

const { way, of } = waysIn({
  pace: 0.75,
  rest: { lean: '> trim', fat: '> fat', bone: '> bones', skin: 'inedible' },
  loss: 'cutting-loss',
  processes: { 'breast-stuffed': { inflows: [{ name: 'stuffing', share: 0.2 }], yield: 1.2 } },
})
const product = cutOf('product')

/** Ways of veal that beef has not. Shares our own working figures (docs/sources.md: calf-paths). */
export const more: { cuts: Cut[]; paths: Path[] } = {
  cuts: [
    product('rib-chop', 'Veal rib chops | Veal cutlets, bone in', 'T', 2.3, snapped(2)),
    product('rack', 'Frenched rack of veal', 'R', 2.4, whole()),
    product('breast-stuffed', 'Breast of veal, stuffed', 'R', 1.1, whole()),
    product('escalope', 'Veal cutlets, thin | Escalopes', 'T', 2.2, packs),
    product('shoulder-rolled', 'Rolled shoulder of veal', 'R', 1.25, roasts(1.4)),
  ],
  paths: [
    ...of('rib',
      way('rib-chops', 'T', 5, 'saw', 'Rib chops | Cutlets, bone in', 'rib-chop 62/8/58; > trim 30', 'Chine off, one chop to a rib.'),
      way('rib-rack', 'R', 8, 'saw', 'Frenched rack', 'rack 60/6/48; > trim 32', 'Chine off, rib ends frenched; the trim goes to the grinder.'),
    ),
    ...of('plate', way('plate-stuffed', 'R', 10, 'knife', 'Breast, boned and stuffed', 'breast-stuffed 84/20', 'Boned in one sheet, pocketed, filled cold, sewn.', { caution: 'Fill and chill at once: a warm filling inside raw meat is unsafe.' })),
    ...of('chuck', way('chuck-rolled', 'R', 16, 'knife', 'Shoulder boned, rolled in roasts', 'shoulder-rolled 70/18; > trim 24; > bones 0/0/99; inedible 1/3', 'Boned, glands out, rolled and tied from the middle.')),
    ...(['top-round', 'bottom-round', 'knuckle'] as const).flatMap((m) =>
      of(m, way(`${m}-escalopes`, 'T', 6, 'knife', 'Thin cutlets | Escalopes', 'escalope 90/10', 'Silver skin off, sliced thin across the grain, flattened.')),
    ),
  ],
}
/** Of a steer's ways, what a calf is too small for. A calf is under 30 months. */
export const without = {
  conventions: ['under30'],
  paths: ['neck-bones-out', 'bones-no-spine', ...['top-round', 'bottom-round', 'eye-round', 'knuckle', 'rump'].map((m) => `${m}-jerky`)],
  cuts: ['jerky'],
}
