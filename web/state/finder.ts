import { finderOf, SPECIES } from '#core/anatomy'
import { everySpecies } from './species.ts'

let made: ReturnType<typeof finderOf> | null = null
/** Finds cuts, parts and ways of all animals by any name; indexed once for the page. */
export const useFinder = () => (made ??= finderOf(SPECIES.map((s) => everySpecies()[s])))
