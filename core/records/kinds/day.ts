import { z } from 'zod'
import { crewSchema, orderSchema } from '../bench.ts'
import { birdDaySchema, classesSchema, raiseSchema } from '../birds.ts'
import { SCHOOL_IDS, SCHOOLS, STATIONS } from '../lists.ts'
import { keySchema } from '../text.ts'
import { daySchema } from '../time.ts'
import { decision } from './kind.ts'
import { of, ofLot, onCut } from './targets.ts'

const ofGroup = { hangsOn: 'group', moves: 'nothing', right: 'plan' } as const
const lotWide = { ...ofGroup, hangsOn: 'lot' } as const
const side = z.literal('animal')

/** The order that steps are wanted in; where one is done; which stations are not to be had. */
export const order = decision(of('order', { ...ofLot, value: orderSchema }), ofGroup)
export const station = decision(of('station', { ...onCut, value: z.enum(STATIONS) }), ofGroup)
export const closed = decision(of('closed', { target: z.enum(STATIONS), side, value: z.boolean() }), ofGroup)
/** A way of working: one of `SCHOOLS`. What the saw takes is of it. */
export const school = decision(
  of('school', { target: z.enum(SCHOOL_IDS), side, value: keySchema }).refine(
    ({ target, value }) => value === null || (SCHOOLS[target] as readonly string[]).includes(value),
    { path: ['value'], message: 'There is no such way of working.' },
  ),
  { ...lotWide, moves: 'mass' },
)
/** The day of cutting, and who is there. */
export const cuttingDay = decision(of('cuttingDay', { ...ofLot, value: daySchema }), lotWide)
export const crew = decision(of('crew', { ...ofLot, value: crewSchema }), lotWide)
/** The day birds are killed; what a batch is raised to; where size classes part. */
export const birdDay = decision(of('birdDay', { ...ofLot, value: birdDaySchema }), lotWide)
export const raise = decision(of('raise', { ...ofLot, value: raiseSchema }), lotWide)
export const classes = decision(of('classes', { ...ofLot, value: classesSchema }), lotWide)
