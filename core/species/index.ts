/** Today's anatomy of every species at once: what new lots are pinned to. A page loads the one it needs instead. */
import { loadAnatomy, SPECIES, type Anatomy, type Species } from '#core/anatomy'

export const ANATOMIES = Object.fromEntries(
  await Promise.all(SPECIES.map(async (s) => [s, await loadAnatomy(s)] as const)),
) as Record<Species, Anatomy>
