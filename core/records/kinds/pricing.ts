import { z } from 'zod'
import { amountSchema, figureSchema } from '../figures.ts'
import { ENDINGS } from '../lists.ts'
import { unitPriceSchema } from '../prices.ts'
import { aimSchema, ownUseSchema } from '../aims.ts'
import { decision } from './kind.ts'
import { of, ofLot, onCut } from './targets.ts'

const money = { hangsOn: 'lot', moves: 'money', right: 'price' } as const
const share = figureSchema(0, 1)

export const index = decision(of('index', { ...onCut, value: figureSchema(0, 50) }), money)
export const price = decision(of('price', { ...onCut, value: unitPriceSchema }), money)
export const lock = decision(of('lock', { ...onCut, value: z.boolean() }), money)
export const floor = decision(of('floor', { ...onCut, value: unitPriceSchema }), money)
export const ceiling = decision(of('ceiling', { ...onCut, value: unitPriceSchema }), money)
export const sold = decision(of('sold', { ...onCut, value: share }), money)
/** Share of its price that what does not sell at it still brings. */
export const rest = decision(of('rest', { ...onCut, value: share }), money)
/** Share of it that is kept for the own table, and what that counts as; at its price where no other is said. */
export const own = decision(of('own', { ...onCut, value: ownUseSchema }), money)
/** Share of it that is given for help. */
export const given = decision(of('given', { ...onCut, value: share }), money)
export const target = decision(of('target', { ...ofLot, value: amountSchema }), money)
/** Whether the family’s own work counts as a cost. */
export const unpaid = decision(of('unpaid', { ...ofLot, value: z.boolean() }), money)
export const aim = decision(of('aim', { ...ofLot, value: aimSchema }), money)
export const ending = decision(of('ending', { ...ofLot, value: z.enum(ENDINGS) }), money)
export const sharePrice = decision(of('sharePrice', { ...ofLot, value: unitPriceSchema }), money)
