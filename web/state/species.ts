import { shallowReactive } from 'vue'
import { loadAbout, loadAnatomy, SPECIES, type About, type Anatomy, type Species } from '#core/anatomy'

/** Held once loaded; whoever shows one before sees nothing of it, and is drawn again when it is there. */
function loadedWhenAsked<T>(load: (species: Species) => Promise<T>) {
  const held = shallowReactive(new Map<Species, T>())
  const asked = new Set<Species>()
  return (species: Species): T | null => {
    if (!asked.has(species)) {
      asked.add(species)
      load(species).then(
        (found) => held.set(species, found),
        () => asked.delete(species),
      )
    }
    return held.get(species) ?? null
  }
}

/** What is said of a species, and its figures: each comes with the first page that needs it. */
export const aboutOf = loadedWhenAsked<About>(loadAbout)
export const figuresOfSpecies = loadedWhenAsked<Anatomy>(loadAnatomy)
/** Every animal there is, those of them that are loaded. */
export const allAbout = (): { species: Species; about: About }[] =>
  SPECIES.flatMap((species) => {
    const about = aboutOf(species)
    return about ? [{ species, about }] : []
  })

const every: Partial<Record<Species, Anatomy>> = {}
/** The figures of every species, for pages that look through all of them: such a page opens when they are there. */
export const withEverySpecies = async <T>(page: Promise<T>): Promise<T> => {
  await Promise.all(SPECIES.map(async (s) => (every[s] ??= await loadAnatomy(s))))
  return page
}
export const everySpecies = (): Record<Species, Anatomy> => every as Record<Species, Anatomy>
