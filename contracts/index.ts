import { z } from 'zod'
import { ownAdditionsSchema, SPECIES } from '#core/anatomy'
import { commandSchema, cutPlanSchema, decisionSchema } from '#core/plan'

const massUnit = z.enum(['kg', 'lb'])
const shown = z.object({ value: z.number().positive().max(100_000), unit: massUnit })
const name = z.string().trim().min(1).max(80)

function isCurrency(code: string): boolean {
  try {
    new Intl.NumberFormat('en', { style: 'currency', currency: code })
    return true
  } catch {
    return false
  }
}

export const farmSchema = z.object({
  name,
  currency: z
    .string()
    .regex(/^[A-Z]{3}$/)
    .refine(isCurrency, 'not a currency'),
  massUnit,
  nameSet: z.enum(['american', 'commonwealth']),
  zone: z.string().min(1).max(60),
  /** Price of mince per kg, minor units: what price indices are relative to until prices are set. */
  mincePerKg: z.number().positive().max(1_000_000),
})
export type Farm = z.infer<typeof farmSchema>

export const newLotSchema = z.object({
  id: z.uuid(),
  tag: name,
  species: z.enum(SPECIES),
  count: z.number().int().min(1).max(2000),
})
export type NewLot = z.infer<typeof newLotSchema>

export const stageSchema = z.enum(['live', 'shrunk', 'hot', 'hanging'])
export const basisSchema = z.enum(['hot', 'hot×0.98', 'hot×0.975', 'cold', 'aged'])
export const sourceSchema = z.enum(['scale', 'plant', 'tape', 'guess'])

/** A weighing as it is sent. Grams are worked out where it is kept; `confirmed` keeps an unusual figure. */
export const newWeighingSchema = z
  .object({
    id: z.uuid(),
    stage: stageSchema,
    basis: basisSchema.nullable(),
    source: sourceSchema,
    shown,
    corrects: z.uuid().nullable(),
    stands: z.boolean(),
    confirmed: z.boolean(),
  })
  .refine((w) => (w.stage === 'hanging') === (w.basis !== null), {
    path: ['basis'],
    message: 'A hanging weight has a basis; other weights have none.',
  })
  .refine((w) => w.stands || w.corrects !== null, {
    path: ['stands'],
    message: 'Only a correction can withdraw a figure.',
  })
export type NewWeighing = z.infer<typeof newWeighingSchema>

export const newPackSchema = z
  .object({
    id: z.uuid(),
    cut: z.string().min(1).max(60),
    shown,
    packs: z.number().int().min(0).max(5000),
    corrects: z.uuid().nullable(),
    stands: z.boolean(),
  })
  .refine((w) => w.stands || w.corrects !== null, {
    path: ['stands'],
    message: 'Only a correction can withdraw a figure.',
  })
export type NewPack = z.infer<typeof newPackSchema>

/** A batch of decisions: `base` is the last sequence number the page had heard of this lot. */
export const appendSchema = z.object({
  batch: z.uuid(),
  base: z.number().int().min(0),
  /** Batches this page took itself since `base`: it cannot be in conflict with itself. */
  own: z.array(z.uuid()).max(400),
  undoes: z.uuid().nullable(),
  redoes: z.uuid().nullable(),
  commands: z
    .array(z.object({ id: z.uuid(), decision: decisionSchema }))
    .min(1)
    .max(400),
})
export type Append = z.infer<typeof appendSchema>

const instant = z.iso.datetime()
const kept = {
  id: z.uuid(),
  grams: z.number().int().positive(),
  shown,
  corrects: z.uuid().nullable(),
  stands: z.boolean(),
  at: instant,
}
export const weighingSchema = z.object({
  ...kept,
  stage: stageSchema,
  basis: basisSchema.nullable(),
  source: sourceSchema,
})
export const packSchema = z.object({ ...kept, cut: z.string(), packs: z.number().int() })

export const lotSchema = z.object({
  id: z.uuid(),
  tag: name,
  species: z.enum(SPECIES),
  count: z.number().int().min(1),
  anatomy: z.string().regex(/^[0-9a-f]{64}$/),
  createdAt: instant,
  weighings: z.array(weighingSchema),
  commands: z.array(commandSchema),
  packs: z.array(packSchema),
})
export type Lot = z.infer<typeof lotSchema>

/** A version of a farm's own parts and ways to cut; the newest of its species is what a new lot is pinned to. */
export const ownVersionSchema = z.object({
  version: z.number().int().min(1),
  body: ownAdditionsSchema,
  at: instant,
})
export type OwnVersion = z.infer<typeof ownVersionSchema>

/** A named plan as kept. */
export const storedPlanSchema = z.object({
  id: z.uuid(),
  body: cutPlanSchema,
  at: instant,
  withdrawn: z.boolean(),
})
export type StoredPlan = z.infer<typeof storedPlanSchema>
export const newPlanSchema = z.object({ body: cutPlanSchema, withdrawn: z.boolean() })
export type NewPlan = z.infer<typeof newPlanSchema>

export const paperKindSchema = z.enum(['price-list', 'cut-sheet', 'block-card', 'letter'])
/** `share` is for letters: the whole animal, a half, a quarter. */
export const newPaperSchema = z.object({
  id: z.uuid(),
  kind: paperKindSchema,
  share: z.union([z.literal(1), z.literal(2), z.literal(4)]).default(1),
})
export const paperSchema = z.object({
  id: z.uuid(),
  lot: z.uuid(),
  kind: paperKindSchema,
  data: z.record(z.string(), z.unknown()),
  issuedAt: instant,
})
export type Paper = z.infer<typeof paperSchema>

/** What a lot figures as on the wire beside the page that asks for it. */
export const homeSchema = z.object({
  farm: farmSchema.nullable(),
  lots: z.array(lotSchema),
  plans: z.array(storedPlanSchema),
})
export type Home = z.infer<typeof homeSchema>

export const BUNDLE_VERSION = 2
/** The whole farm in one file (docs/bundle.md). `digest` is the SHA-256 of `content` as JSON. */
export const bundleSchema = z.object({
  format: z.literal('ekko-farm'),
  version: z.literal(BUNDLE_VERSION),
  digest: z.string(),
  content: z.object({
    farm: farmSchema.nullable(),
    anatomies: z.record(z.string(), z.record(z.string(), z.unknown())),
    own: z.array(ownVersionSchema),
    plans: z.array(storedPlanSchema),
    lots: z.array(lotSchema),
    papers: z.array(paperSchema),
  }),
})
export type Bundle = z.infer<typeof bundleSchema>

/** RFC 9457 problem details, with the fields they belong to. */
export interface Problem {
  type: string
  title: string
  status: number
  detail?: string
  errors?: { field: string; detail: string; code?: string; confirmable?: boolean }[]
  conflicts?: { mine: z.infer<typeof decisionSchema>; theirs: z.infer<typeof decisionSchema>; seq: number }[]
}
