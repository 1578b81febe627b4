import type { Species } from '#core/anatomy'
import type { Weighing } from '#core/carcass'
import { gramsOf } from '#core/measure'
import { tried, type Decision } from '#core/plan'
import type { LotState } from './index.ts'

/** Live weight of a usual lot, lb: one animal, or a flock. */
const LIVE_LB: Record<Species, number> = { hog: 260, lamb: 115, steer: 1150, broiler: 240 }

/** A lot with one weight, as decided; nothing packed. */
export function lotOf(
  species: Species,
  decisions: readonly Decision[] = [],
  stage: Weighing['stage'] = 'live',
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
    commands: tried([], decisions),
    packs: [],
  }
}
