import { birdCuts } from '../../poultry/data/birds.ts'

export const cuts = birdCuts('chicken')
