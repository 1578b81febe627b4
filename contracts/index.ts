import { z } from 'zod'
import { ownAdditionsSchema, SPECIES } from '#core/anatomy'
import { commandSchema, cutPlanSchema, decisionSchema } from '#core/plan'
import {
  currencySchema,
  idSchema,
  instantSchema,
  keySchema,
  lineSchema,
  rateSchema,
  shownMassSchema,
  zoneSchema,
} from '#core/records'

export const farmSchema = z.object({
  name: lineSchema(80),
  currency: currencySchema,
  massUnit: z.enum(['kg', 'lb']),
  nameSet: z.enum(['american', 'commonwealth']),
  zone: zoneSchema,
  /** Price of mince per kg, minor units: what price indices are relative to until prices are set. */
  mincePerKg: rateSchema,
})
export type Farm = z.infer<typeof farmSchema>

/** How often a thing that is changed in place has been changed; 0 before the first time. */
const revision = z.number().int().min(0)
/** What is changed in place is sent with the revision it was changed from: another's change is never lost. */
export const farmChangeSchema = farmSchema.extend({ base: revision })
export type FarmChange = z.infer<typeof farmChangeSchema>
export const keptFarmSchema = farmSchema.extend({ revision: revision.min(1) })
export type KeptFarm = z.infer<typeof keptFarmSchema>

export const newLotSchema = z.object({
  id: idSchema,
  tag: lineSchema(80),
  species: z.enum(SPECIES),
  count: z.number().int().min(1).max(2000),
})
export type NewLot = z.infer<typeof newLotSchema>

/** SHA-256 in hex. */
export const hashSchema = z.string().regex(/^[0-9a-f]{64}$/)

export const stageSchema = z.enum(['live', 'shrunk', 'hot', 'hanging'])
export const basisSchema = z.enum(['hot', 'hot×0.98', 'hot×0.975', 'cold', 'aged'])
export const sourceSchema = z.enum(['scale', 'plant', 'tape', 'guess'])

const hasItsBasis = (w: { stage: string; basis: string | null }) =>
  (w.stage === 'hanging') === (w.basis !== null)
const BASIS = { path: ['basis'], message: 'A hanging weight has a basis; other weights have none.' }
const withdrawsSomething = (w: { stands: boolean; corrects: string | null }) =>
  w.stands || w.corrects !== null
const WITHDRAWS = { path: ['stands'], message: 'Only a correction can withdraw a figure.' }

/** A weighing as it is sent. Grams are worked out where it is kept; `confirmed` keeps an unusual figure. */
export const newWeighingSchema = z
  .object({
    id: idSchema,
    stage: stageSchema,
    basis: basisSchema.nullable(),
    source: sourceSchema,
    shown: shownMassSchema,
    corrects: idSchema.nullable(),
    stands: z.boolean(),
    confirmed: z.boolean(),
  })
  .refine(hasItsBasis, BASIS)
  .refine(withdrawsSomething, WITHDRAWS)
export type NewWeighing = z.infer<typeof newWeighingSchema>

export const newPackSchema = z
  .object({
    id: idSchema,
    cut: keySchema,
    shown: shownMassSchema,
    packs: z.number().int().min(0).max(5000),
    corrects: idSchema.nullable(),
    stands: z.boolean(),
  })
  .refine(withdrawsSomething, WITHDRAWS)
export type NewPack = z.infer<typeof newPackSchema>

/** A batch of decisions: `base` is the last sequence number the page had heard of this lot. */
export const appendSchema = z
  .object({
    batch: idSchema,
    base: z.number().int().min(0),
    /** Batches this page took itself since `base`: it cannot be in conflict with itself. */
    own: z.array(idSchema).max(400),
    undoes: idSchema.nullable(),
    redoes: idSchema.nullable(),
    commands: z
      .array(z.object({ id: idSchema, decision: decisionSchema }))
      .min(1)
      .max(400),
  })
  .refine((a) => a.undoes === null || a.redoes === null, {
    path: ['redoes'],
    message: 'A batch takes one batch back or brings one back, not both.',
  })
  .refine((a) => new Set(a.commands.map((c) => c.id)).size === a.commands.length, {
    path: ['commands'],
    message: 'Two decisions of this batch have one id.',
  })
export type Append = z.infer<typeof appendSchema>

const kept = {
  id: idSchema,
  grams: z.number().int().positive(),
  shown: shownMassSchema,
  corrects: idSchema.nullable(),
  stands: z.boolean(),
  at: instantSchema,
}
export const weighingSchema = z
  .object({ ...kept, stage: stageSchema, basis: basisSchema.nullable(), source: sourceSchema })
  .refine(hasItsBasis, BASIS)
  .refine(withdrawsSomething, WITHDRAWS)
export const packSchema = z
  .object({ ...kept, cut: keySchema, packs: z.number().int().min(0).max(5000) })
  .refine(withdrawsSomething, WITHDRAWS)

export const lotSchema = z.object({
  id: idSchema,
  tag: lineSchema(80),
  species: z.enum(SPECIES),
  count: z.number().int().min(1),
  anatomy: hashSchema,
  createdAt: instantSchema,
  weighings: z.array(weighingSchema),
  commands: z.array(commandSchema),
  packs: z.array(packSchema),
})
export type Lot = z.infer<typeof lotSchema>

/** A version of a farm's own parts and ways to cut; the newest of its species is what a new lot is pinned to. */
export const ownVersionSchema = z.object({
  version: z.number().int().min(1),
  body: ownAdditionsSchema,
  at: instantSchema,
})
export type OwnVersion = z.infer<typeof ownVersionSchema>
/** Additions as they are sent: `base` is the newest version the page had heard of. */
export const ownChangeSchema = z.object({ base: revision, body: ownAdditionsSchema })
export type OwnChange = z.infer<typeof ownChangeSchema>

/** A named plan as kept. */
export const storedPlanSchema = z.object({
  id: idSchema,
  body: cutPlanSchema,
  at: instantSchema,
  withdrawn: z.boolean(),
  revision: revision.min(1),
})
export type StoredPlan = z.infer<typeof storedPlanSchema>
export const planChangeSchema = z.object({ base: revision, body: cutPlanSchema, withdrawn: z.boolean() })
export type PlanChange = z.infer<typeof planChangeSchema>

export const paperKindSchema = z.enum(['price-list', 'cut-sheet', 'block-card', 'letter'])
/** `share` is for letters: the whole animal, a half, a quarter. */
const share = z.union([z.literal(1), z.literal(2), z.literal(4)])
export const newPaperSchema = z.object({ id: idSchema, kind: paperKindSchema, share: share.default(1) })
export type NewPaper = z.infer<typeof newPaperSchema>
export const paperSchema = z.object({
  id: idSchema,
  lot: idSchema,
  kind: paperKindSchema,
  share,
  data: z.record(z.string(), z.unknown()),
  issuedAt: instantSchema,
})
export type Paper = z.infer<typeof paperSchema>

/** What a lot figures as on the wire beside the page that asks for it. */
export const homeSchema = z.object({
  farm: keptFarmSchema.nullable(),
  lots: z.array(lotSchema),
  plans: z.array(storedPlanSchema),
})
export type Home = z.infer<typeof homeSchema>

export const BUNDLE_VERSION = 3
/** The whole farm in one file (docs/bundle.md). `digest` is the SHA-256 of `content` as JSON. */
export const bundleSchema = z.object({
  format: z.literal('ekko-farm'),
  version: z.literal(BUNDLE_VERSION),
  digest: z.string(),
  content: z.object({
    farm: keptFarmSchema.nullable(),
    anatomies: z.record(z.string(), z.record(z.string(), z.unknown())),
    own: z.array(ownVersionSchema),
    plans: z.array(storedPlanSchema),
    lots: z.array(lotSchema),
    papers: z.array(paperSchema),
  }),
})
export type Bundle = z.infer<typeof bundleSchema>

/** What records come to, to be held against others. */
export interface Held {
  farm: string | null
  lots: number
  weighings: number
  decisions: number
  packs: number
  papers: number
  /** Instant of the newest record. */
  newest: string | null
}
/** Copies of the records that lie on this machine and at the second place. */
export interface CopiesKept {
  folder: string
  freeBytes: number
  dbBytes: number
  low: boolean
  copies: { name: string; at: string; proven: string | null; why: 'checkpoint' | 'schema' | 'opening' }[]
  bundles: {
    name: string
    kind: 'day' | 'week' | 'month' | 'restore'
    at: string
    digest: string
    bytes: number
    held: Held
  }[]
  second: {
    folder: string | null
    state: 'none' | 'away' | 'there' | 'failed'
    bundles: string[]
    why: string | null
  }
  /** What was brought back at the last start after a cut: everything acknowledged until then. */
  recovered: { to: string; aside: string | null } | null
}
/** A bundle brought back beside the present records; nothing is changed until it is taken. */
export interface Rehearsal {
  id: string
  name: string | null
  held: Held
  present: Held
}
/** How the records stand: what a page says before anything else. */
export interface Standing {
  recovered: CopiesKept['recovered']
  /** What is wrong without harm to the records: no room for a copy, a disk nearly full. */
  warning: string | null
}
export interface Copies extends CopiesKept {
  busy: boolean
  warning: string | null
  upToDate: boolean
  rehearsal: Rehearsal | null
}
export const secondPlaceSchema = z.object({ folder: lineSchema(1000).nullable() })
const passphrase = z.string().min(8, 'A passphrase has at least eight signs.').max(200)
export const sealSchema = z.object({ passphrase })
export const rehearsalSchema = z.object({
  place: z.enum(['here', 'second']),
  name: z.string().min(1).max(100),
  passphrase: z.string().max(200).nullable(),
})

/** RFC 9457 problem details, with the fields they belong to. */
export interface Problem {
  type: string
  title: string
  status: number
  detail?: string
  errors?: { field: string; detail: string; code?: string; confirmable?: boolean }[]
  /** Of two things under one id or revision: what is kept, and what was sent. */
  held?: unknown
  sent?: unknown
  conflicts?: { mine: z.infer<typeof decisionSchema>; theirs: z.infer<typeof decisionSchema>; seq: number }[]
}

/** Every address of the API, below /api, with the form of what it is sent: what a test that tries them all goes by. */
export const ROUTES: { method: 'get' | 'post' | 'put' | 'delete'; path: string; body?: z.ZodType }[] = [
  { method: 'get', path: '/home' },
  { method: 'get', path: '/events' },
  { method: 'get', path: '/standing' },
  { method: 'put', path: '/farm', body: farmChangeSchema },
  { method: 'post', path: '/lots', body: newLotSchema },
  { method: 'get', path: '/lots/:id' },
  { method: 'post', path: '/lots/:id/weighings', body: newWeighingSchema },
  { method: 'post', path: '/lots/:id/packs', body: newPackSchema },
  { method: 'post', path: '/lots/:id/decisions', body: appendSchema },
  { method: 'get', path: '/anatomies/:hash' },
  { method: 'put', path: '/plans/:id', body: planChangeSchema },
  { method: 'get', path: '/own/:species' },
  { method: 'post', path: '/own', body: ownChangeSchema },
  { method: 'post', path: '/lots/:id/papers', body: newPaperSchema },
  { method: 'get', path: '/papers/:name' },
  { method: 'get', path: '/bundle' },
  { method: 'post', path: '/bundle/sealed', body: sealSchema },
  { method: 'get', path: '/bundles/:name' },
  { method: 'get', path: '/copies' },
  { method: 'post', path: '/copies' },
  { method: 'put', path: '/copies/second', body: secondPlaceSchema },
  { method: 'post', path: '/rehearsals', body: rehearsalSchema },
  { method: 'post', path: '/rehearsals/sent' },
  { method: 'post', path: '/rehearsals/:id/restore' },
  { method: 'delete', path: '/rehearsals/:id' },
]
