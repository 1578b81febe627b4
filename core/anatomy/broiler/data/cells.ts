import { birdAxis, birdBands, birdParts } from '../../poultry/data/birds.ts'
import type { Line } from '../../types.ts'

export const axis = birdAxis(260)
export const lines: Line[] = []

/**
 * Mass of each band as a share (%) of the ready-to-cook bird without neck and giblets; those are what they add when
 * left in. Our own working figures, from memory (docs/sources.md: broiler-cells).
 */
export const bands = birdBands(axis, '57.4/5.2/22.9/14.5', '1.3/0.2/1/0.5', '5.4')
export const parts = birdParts({ neck: 2.3, giblets: 4, feet: 4 })
