import { z } from 'zod'
import { askedPaperSchema, issuedPaperSchema } from '#core/papers'
import {
  cutPlanSchema,
  decisionSchema,
  farmSchema,
  idSchema,
  keptFarmSchema,
  lineSchema,
  lotSchema,
  newFactSchema,
  newLotSchema,
  newPackSchema,
  newWeighingSchema,
  ownAdditionsSchema,
  ownVersionSchema,
  revisionSchema,
  storedPlanSchema,
  type Decision,
  type FactBody,
  type KeptFarm,
  type LotHead,
  type StoredPlan,
} from '#core/records'
import type { Species } from '#core/anatomy'
import type { Progress } from '#core/reading'

export {
  authorSchema,
  farmSchema,
  hashSchema,
  newFactSchema,
  newLotSchema,
  newPackSchema,
  newWeighingSchema,
} from '#core/records'
export type {
  Author,
  Fact,
  Farm,
  KeptFarm,
  Lot,
  NewFact,
  NewLot,
  NewPack,
  NewWeighing,
  OwnVersion,
  StoredPlan,
} from '#core/records'
export { lotChangeSchema } from './change.ts'
export { BUILD_HEADER, DEVICE_HEADER, joined } from './wire.ts'
export type { LotChange, Rung } from './change.ts'
export { askedPaperSchema } from '#core/papers'
export type { AskedPaper, IssuedPaper } from '#core/papers'

/** What is changed in place is sent with the revision it was changed from: another's change is never lost. */
export const farmChangeSchema = farmSchema.extend({ base: revisionSchema })
export type FarmChange = z.input<typeof farmChangeSchema>

/** A batch of decisions: `base` is the revision of the lot the page had heard of. */
export const appendSchema = z
  .object({
    batch: idSchema,
    base: revisionSchema,
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

/** Facts that belong together: kept all or not at all. */
export const factsSchema = z
  .object({ facts: z.array(newFactSchema).min(1).max(200) })
  .refine(({ facts }) => new Set(facts.map((f) => f.id)).size === facts.length, {
    path: ['facts'],
    message: 'Two of these facts have one id.',
  })
export type Facts = z.infer<typeof factsSchema>

/** A lot is split into groups of so many animals each; together they are all of it. */
export const splitSchema = z.object({
  group: idSchema,
  into: z
    .array(z.object({ id: idSchema, animals: z.number().int().min(1).max(2000) }))
    .min(2)
    .max(20),
})
export type Split = z.infer<typeof splitSchema>

/** Additions as they are sent: `base` is the newest version the page had heard of. */
export const ownChangeSchema = z.object({ base: revisionSchema, body: ownAdditionsSchema })
export type OwnChange = z.infer<typeof ownChangeSchema>

export const planChangeSchema = z.object({
  base: revisionSchema,
  body: cutPlanSchema,
  withdrawn: z.boolean(),
})
export type PlanChange = z.infer<typeof planChangeSchema>

/** A lot as it hangs on the rail: what it is and how far it has come, worked out where the records are. */
export interface LotCard extends LotHead {
  withdrawn: boolean
  progress: Progress
}
/** What a page opens with. The records of a lot are asked for when it is opened. */
export interface Home {
  farm: KeptFarm | null
  lots: LotCard[]
  plans: StoredPlan[]
  /** By species, the anatomy a lot hung now would be read by. */
  today: Record<Species, string>
}

export const BUNDLE_VERSION = 4
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
    papers: z.array(issuedPaperSchema),
    /** Bytes of what is attached, in base64, by their hash. */
    attachments: z.record(z.string(), z.base64()),
  }),
})
export type Bundle = z.infer<typeof bundleSchema>

/** Something said of the same thing twice: here, and elsewhere meanwhile. */
export interface Clash {
  mine: Decision | FactBody | null
  theirs: Decision | FactBody | null
  /** The fact to correct for who keeps theirs; null for decisions. */
  id: string | null
}

/** What records come to, to be held against others. */
export interface Held {
  farm: string | null
  lots: number
  weighings: number
  decisions: number
  facts: number
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
  conflicts?: Clash[]
}

/** Every address of the API, below /api, with the form of what it is sent: what a test that tries them all goes by. */
export const ROUTES: { method: 'get' | 'post' | 'put' | 'delete'; path: string; body?: z.ZodType }[] = [
  { method: 'get', path: '/home' },
  { method: 'get', path: '/events' },
  { method: 'get', path: '/standing' },
  { method: 'put', path: '/farm', body: farmChangeSchema },
  { method: 'post', path: '/lots', body: newLotSchema },
  { method: 'get', path: '/lots/:id' },
  { method: 'get', path: '/lots/:id/card' },
  { method: 'post', path: '/lots/:id/weighings', body: newWeighingSchema },
  { method: 'post', path: '/lots/:id/packs', body: newPackSchema },
  { method: 'post', path: '/lots/:id/decisions', body: appendSchema },
  { method: 'post', path: '/lots/:id/facts', body: factsSchema },
  { method: 'post', path: '/lots/:id/groups', body: splitSchema },
  { method: 'get', path: '/anatomies/:hash' },
  { method: 'put', path: '/attachments/:hash' },
  { method: 'get', path: '/attachments/:hash' },
  { method: 'put', path: '/plans/:id', body: planChangeSchema },
  { method: 'get', path: '/own/:species' },
  { method: 'post', path: '/own', body: ownChangeSchema },
  { method: 'post', path: '/lots/:id/papers', body: askedPaperSchema },
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
