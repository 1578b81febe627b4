import { broiler } from './broiler/index.ts'
import { hog } from './hog/index.ts'
import { lamb } from './lamb/index.ts'
import { steer } from './steer/index.ts'
import type { Anatomy, Species } from './types.ts'

/** Today's anatomy of every species: what a new lot is pinned to. */
export const ANATOMIES: Record<Species, Anatomy> = { hog, lamb, steer, broiler }
