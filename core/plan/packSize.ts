import type { Portion } from '#core/anatomy'
import { kg, type Kg } from '#core/measure'
import { USUAL_PACK } from '#core/records'

/** What goes into a pack: the farm's own pack where the cut asks for the usual one. */
export const packSize = ({ kg: size, lb }: Extract<Portion, { kind: 'pack' }>, usual: Kg): Kg =>
  size === USUAL_PACK.kg && lb === USUAL_PACK.lb ? usual : kg(size)
