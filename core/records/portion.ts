import { z } from 'zod'
import { figureSchema } from './figures.ts'

const perPack = z.number().int().min(1).max(50)
/**
 * How a cut is divided, within what a bench can do: sawn to a thickness, snapped at every vertebra, split to a target
 * weight, filled into packs, or left whole. `even`: the gauge is set near that thickness so that nothing is left over.
 * `ends`: end pieces go in with the last pack, or are opened for the trim. `kg`/`lb` are the pack or piece sizes usual in
 * each unit.
 */
export const portionSchema = z.discriminatedUnion('kind', [
  z.object({
    kind: z.literal('sawn'),
    thicknessMm: figureSchema(3, 400),
    kerfMm: figureSchema(0, 5),
    perPack,
    even: z.boolean().optional(),
    ends: z.enum(['pack', 'trim']).optional(),
  }),
  z.object({ kind: z.literal('snapped'), perPack }),
  z.object({ kind: z.literal('roast'), kg: figureSchema(0.01, 50), perPack }),
  z.object({ kind: z.literal('pack'), kg: figureSchema(0.01, 20), lb: figureSchema(0.01, 50) }),
  z.object({ kind: z.literal('whole'), perSide: z.number().int().min(1).max(50), perPack }),
])
/** The pack of mince that is usual in each unit (common practice): a farm says which it fills. */
export const USUAL_PACK = { kg: 0.5, lb: 1 }
export type Portion = z.infer<typeof portionSchema>
