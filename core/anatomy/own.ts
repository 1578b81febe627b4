import { z } from 'zod'
import type { Issue } from '#core/measure'
import { figureSchema, keySchema as anyId, lineSchema, textSchema } from '#core/records'
import { SPECIES, TOOLS, type Anatomy, type Part, type Path } from './types.ts'
import { validateAnatomy } from './validate.ts'

const id = z
  .string()
  .regex(/^own-[a-z0-9]+(?:-[a-z0-9]+)*$/, 'starts with “own-” and has only small letters, digits and dashes')
  .max(60)
const names = z.object({
  american: lineSchema(80),
  commonwealth: lineSchema(80),
})
const share = figureSchema(0, 1)
const destination = z.enum(['R', 'T', 'B', 'G', 'C', 'N', 'F', 'O', 'X'])
/** How a cut is divided, within what a bench can do. */
export const portionSchema = z.discriminatedUnion('kind', [
  z.object({
    kind: z.literal('sawn'),
    thicknessMm: figureSchema(3, 400),
    kerfMm: figureSchema(0, 5),
    perPack: z.number().int().min(1).max(50),
  }),
  z.object({ kind: z.literal('snapped'), perPack: z.number().int().min(1).max(50) }),
  z.object({
    kind: z.literal('roast'),
    kg: figureSchema(0.01, 50),
    perPack: z.number().int().min(1).max(50),
  }),
  z.object({ kind: z.literal('pack'), kg: figureSchema(0.01, 20), lb: figureSchema(0.01, 50) }),
  z.object({
    kind: z.literal('whole'),
    perSide: z.number().int().min(1).max(50),
    perPack: z.number().int().min(1).max(50),
  }),
])

/**
 * A farm's own cuts, parts and ways to cut, for one species (docs/own-cuts.md). Own ids start with `own-`, so that
 * they never meet ours. Shares are of each tissue of the part, 0 to 1, and close to 1.
 */
export const ownAdditionsSchema = z.object({
  species: z.enum(SPECIES),
  cuts: z
    .array(
      z.object({
        id,
        names,
        destination,
        kind: z.enum(['product', 'by-product']),
        index: figureSchema(0, 50),
        portion: portionSchema.nullable(),
      }),
    )
    .max(100),
  parts: z.array(z.object({ id, names, fallback: id })).max(40),
  paths: z
    .array(
      z.object({
        id,
        part: anyId,
        names,
        destination,
        minutes: figureSchema(0, 600),
        tool: z.enum(TOOLS),
        steps: textSchema(500),
        needs: z.array(anyId).max(5).optional(),
        outputs: z
          .array(
            z.object({
              cut: anyId.optional(),
              part: anyId.optional(),
              lean: share,
              fat: share,
              bone: share,
              skin: share,
              process: z
                .object({
                  inflows: z.array(z.object({ name: lineSchema(40), share: figureSchema(0, 3) })).max(8),
                  yield: figureSchema(0.05, 4),
                })
                .optional(),
            }),
          )
          .min(1)
          .max(20),
      }),
    )
    .max(100),
})
export type OwnAdditions = z.infer<typeof ownAdditionsSchema>

/**
 * The anatomy with a farm's own additions, checked like our own data: closure of every tissue, no circle, no unknown
 * part, cut or convention. Refused with what is wrong and by how much; the anatomy itself is never changed.
 */
export function extendAnatomy(
  anatomy: Anatomy,
  own: OwnAdditions,
): { ok: true; value: Anatomy } | { ok: false; issues: Issue[] } {
  if (own.species !== anatomy.species)
    return {
      ok: false,
      issues: [
        {
          code: 'own-unsound',
          field: 'species',
          figures: { where: own.species, what: `is not the ${anatomy.names.american.toLowerCase()}` },
        },
      ],
    }
  const extended: Anatomy = {
    ...anatomy,
    cuts: [...anatomy.cuts, ...own.cuts],
    parts: [...anatomy.parts, ...own.parts.map((p): Part => ({ ...p, scope: ownScope(anatomy, own, p.id) }))],
    paths: [...anatomy.paths, ...(own.paths as Path[])],
  }
  const faults = validateAnatomy(extended)
  if (faults.length === 0) return { ok: true, value: extended }
  return {
    ok: false,
    issues: faults.map(({ where, what }) => ({
      code: 'own-unsound',
      field: fieldOf(own, where),
      figures: { where, what },
    })),
  }
}

/** An own part has sides when what it comes out of has. */
function ownScope(anatomy: Anatomy, own: OwnAdditions, id: string, seen: string[] = []): Part['scope'] {
  const parents = own.paths.filter((p) => p.outputs.some((o) => o.part === id)).map((p) => p.part)
  const sided = parents.some((p) => {
    const known = anatomy.parts.find((x) => x.id === p)
    if (known) return known.scope === 'side'
    return !seen.includes(p) && ownScope(anatomy, own, p, [...seen, id]) === 'side'
  })
  return sided ? 'side' : 'animal'
}

function fieldOf(own: OwnAdditions, where: string): string {
  for (const list of ['paths', 'parts', 'cuts'] as const) {
    const i = own[list].findIndex((x) => x.id === where)
    if (i >= 0) return `${list}.${i}`
  }
  return 'paths'
}
