import type { Species } from '#core/records'
import type { About, Anatomy } from './types.ts'
import { withUncut } from './uncut.ts'

/** A species when it is first needed: what is said of it, and apart from that its figures. Every folder here holds both. */
export const loadAbout = async (species: Species): Promise<About> =>
  ((await import(`./${species}/about.ts`)) as { about: About }).about
export const loadAnatomy = async (species: Species): Promise<Anatomy> =>
  withUncut(((await import(`./${species}/index.ts`)) as { anatomy: Anatomy }).anatomy)
