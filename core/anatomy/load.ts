import type { Species } from '#core/records'
import type { About, Anatomy } from './types.ts'

/** A species when it is first needed: what is said of it, and apart from that its figures. Every folder here holds both. */
export const loadAbout = async (species: Species): Promise<About> =>
  ((await import(`./${species}/about.ts`)) as { about: About }).about
export async function loadAnatomy(species: Species): Promise<Anatomy> {
  const [{ anatomy }, { withUncut }] = await Promise.all([
    import(`./${species}/index.ts`) as Promise<{ anatomy: Anatomy }>,
    import('./uncut.ts'),
  ])
  return withUncut(anatomy)
}
