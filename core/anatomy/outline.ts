import type { SidesMap } from './types.ts'

/**
 * How a half carcass is built, as twelve shares of its length from the hook to the end of the neck (docs/sources.md:
 * proportions): what tells a long lean hog from a deep steer at a glance.
 */
export interface Proportions {
  /** From the hook to where the leg begins, and how thick it is there. */
  shank: number
  shankWidth: number
  /** From there to the waist, and the leg at its widest. */
  leg: number
  legWidth: number
  /** Depth at the flank, and how far the back bends in there. */
  waist: number
  loinCurve: number
  /** Depth of the chest at its deepest, and where that is. */
  chest: number
  chestAt: number
  /** Depth at the point of the shoulder. */
  shoulder: number
  /** Length of the neck, and its width at its end. */
  neck: number
  neckWidth: number
  /** How far the fore shank hangs below the point of the shoulder. */
  foreShank: number
}

/** The box it is drawn in: the hook, the end of the neck, the line of the back, and where the shank hangs. */
const BOX = { top: 20, length: 780, back: 72, middle: 194 }
/** Where stations lie between two others, and how deep the eye lies of the depth there (our own drawing). */
const LEG = { swell: 0.2, widest: 0.55, below: 0.8, thick: 0.72 }
const EYE = { leg: 0.52, waist: 0.47, back: 0.32, neck: 0.45 }

type Row = SidesMap['outline'][number]

/** The outline of a hung half, back outward: stations from the hook down, between which the drawing runs smoothly. */
export function outlineOf(p: Proportions): Row[] {
  const y = (share: number) => Math.round(BOX.top + share * BOX.length)
  const px = (share: number) => share * BOX.length
  const row = (at: number, back: number, depth: number, eye: number): Row => ({
    at: y(at),
    back: Math.round(back),
    eye: Math.round(back + eye * depth),
    belly: Math.round(back + depth),
  })
  const centred = (at: number, width: number): Row => row(at, BOX.middle - width / 2, width, 0.5)
  const waistAt = p.shank + p.leg
  const [legBack, waistBack] = [BOX.back + px(0.012), BOX.back + px(p.loinCurve)]
  const shoulderAt = p.chestAt + 0.5 * (1 - p.neck - p.chestAt)
  const neckAt = 1 - p.neck
  const neckDepth = (p.shoulder + p.neckWidth) / 2
  const between = (a: number, b: number, share: number) => a + share * (b - a)
  const swell = px(between(p.shankWidth, p.legWidth, LEG.thick))
  return [
    centred(0, px(p.shankWidth) * 0.8),
    centred(p.shank * 0.55, px(p.shankWidth)),
    centred(p.shank, px(p.shankWidth) * 1.55),
    row(p.shank + LEG.swell * p.leg, between(BOX.middle - swell / 2, legBack, 0.42), swell, EYE.leg),
    row(p.shank + LEG.widest * p.leg, legBack, px(p.legWidth), EYE.leg),
    row(p.shank + LEG.below * p.leg, between(legBack, waistBack, 0.55), px(p.legWidth) * 0.98, EYE.leg),
    row(waistAt, waistBack, px(p.waist), EYE.waist),
    row(
      between(waistAt, p.chestAt, 0.45),
      between(waistBack, BOX.back, 0.5),
      px(between(p.waist, p.chest, 0.38)),
      EYE.back,
    ),
    row(p.chestAt, BOX.back, px(p.chest), EYE.back),
    row(shoulderAt, BOX.back + px(0.004), px(p.shoulder), EYE.back),
    row(neckAt, BOX.back + px(0.05), px(neckDepth) * 0.86, EYE.neck),
    row(1, BOX.middle - px(p.neckWidth) * 0.72, px(p.neckWidth), EYE.neck),
  ]
}

/** The fore shank as it hangs before the shoulder: broad where it joins, narrow at the joint. */
export function limbOf(p: Proportions): SidesMap['limb'] {
  const shoulderAt = p.chestAt + 0.5 * (1 - p.neck - p.chestAt)
  const right = BOX.back + p.shoulder * BOX.length * 0.985
  const width = p.shankWidth * BOX.length
  const at = (share: number, wide: number, out: number) => ({
    at: Math.round(BOX.top + (shoulderAt - 0.035 + share * (p.foreShank + 0.035)) * BOX.length),
    left: Math.round(right + out - wide),
    right: Math.round(right + out),
  })
  return [
    at(0, width * 2.1, -4),
    at(0.4, width * 1.6, 2),
    at(0.75, width * 1.15, 0),
    at(1.05, width * 1.05, 2),
  ]
}
