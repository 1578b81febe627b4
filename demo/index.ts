/** Fallowmere, an invented hill farm: loaded through the same addresses a farmer's own figures take. */
export { loadFallowmere } from './fallowmere.ts'
