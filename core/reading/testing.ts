import type { Species } from '#core/anatomy'
import { gramsOf, minor, priceOf } from '#core/measure'
import { NO_LOG, tried, type Said } from '#core/plan'
import type { WeighedStage } from '#core/records'
import type { FarmFigures, LotState, PackRow } from './index.ts'

/** Live weight of a usual lot, lb: one animal, or a flock. */
const LIVE_LB: Record<Species, number> = { hog: 260, lamb: 115, steer: 1150, broiler: 240 }

/** A farm that counts no labour by the plan. */
export const FARM: FarmFigures = { massUnit: 'lb', mince: priceOf(1300, 'kg'), hour: minor(0) }

/** A lot with one weight, as decided and seen; nothing packed. */
export function lotOf(
  species: Species,
  said: readonly Said[] = [],
  stage: WeighedStage = 'live',
  lb = LIVE_LB[species],
): LotState {
  const shown = { value: lb, unit: 'lb' } as const
  return {
    count: species === 'broiler' ? 40 : 1,
    weighings: [
      {
        id: 'w',
        stage,
        basis: null,
        source: 'scale',
        shown,
        grams: gramsOf(shown),
        corrects: null,
        stands: true,
        at: '',
      },
    ],
    ...tried(NO_LOG, said),
    packs: [],
  }
}

/** Packs of a cut as they were weighed, lb. */
export const packOf = (cut: string, lb: number, packs = 1, more: Partial<PackRow> = {}): PackRow => {
  const shown = { value: lb, unit: 'lb' } as const
  return {
    id: `p ${cut} ${lb} ${packs}`,
    cut,
    shown,
    grams: gramsOf(shown),
    packs,
    corrects: null,
    stands: true,
    at: '',
    ...more,
  }
}
