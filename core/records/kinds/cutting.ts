import { z } from 'zod'
import { mm as millimetres } from '#core/measure'
import { figureSchema } from '../figures.ts'
import { finishesSchema } from '../finishes.ts'
import { HALVES, HOLDS, SIDES, SKILLS, TOOLS, TRIM_LEVELS } from '../lists.ts'
import { portionSchema } from '../portion.ts'
import { LEAN_BOUNDS, splitSchema } from '../split.ts'
import { hashSchema, keySchema as id } from '../text.ts'
import { decision } from './kind.ts'
import { of, ofLot, onCut } from './targets.ts'

const half = z.enum(HALVES)
const side = z.enum(SIDES)
/** How the animals of a group are cut. */
const ofGroup = { hangsOn: 'group', moves: 'mass', right: 'plan' } as const
/** What becomes of the whole lot: hands, days, finishes are its own. */
const lotWide = { ...ofGroup, hangsOn: 'lot' } as const

export const path = decision(of('path', { target: id, side, value: id }), ofGroup)
export const line = decision(of('line', { target: id, side: half, value: id }), ofGroup)
export const mm = decision(
  of('mm', { target: id, side: half, value: figureSchema(0, 1000).transform(millimetres) }),
  ofGroup,
)
export const held = decision(of('held', { target: id, side, value: z.enum(HOLDS) }), ofGroup)
export const split = decision(of('split', { target: id, side: half, value: splitSchema }), ofGroup)
export const trim = decision(of('trim', { ...ofLot, value: z.enum(TRIM_LEVELS) }), ofGroup)
export const lean = decision(
  of('lean', { ...ofLot, value: figureSchema(LEAN_BOUNDS.low, LEAN_BOUNDS.high) }),
  ofGroup,
)
export const without = decision(
  of('without', { target: z.enum(TOOLS), side: z.literal('animal'), value: z.boolean() }),
  ofGroup,
)
export const portion = decision(of('portion', { ...onCut, value: portionSchema }), ofGroup)
export const finish = decision(of('finish', { ...onCut, value: finishesSchema }), lotWide)
export const hands = decision(of('hands', { ...ofLot, value: z.enum(SKILLS) }), lotWide)
export const days = decision(of('days', { ...ofLot, value: z.number().int().min(0).max(60) }), lotWide)
/** The anatomy it is read by from here on; none is the one it was hung with. */
export const anatomy = decision(of('anatomy', { ...ofLot, value: hashSchema }), lotWide)
