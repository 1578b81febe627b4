import {
  commandSchema,
  factSchema,
  formUp,
  groupSchema,
  lotHeadSchema,
  packSchema,
  weighingSchema,
  type Command,
  type Fact,
  type Group,
  type LotHead,
  type PackWeighing,
  type Weighing,
} from '#core/records'
import { correction, entry, instant, shown, type Row } from '../store/tx.ts'

export const weighingOf = (r: Row): Weighing =>
  weighingSchema.parse({
    ...entry(r),
    ...correction(r),
    stage: r.stage,
    basis: r.basis,
    source: r.source,
    shown: shown(r),
    grams: Number(r.grams),
    day: r.weighed_on ?? undefined,
  })

const outOf = (numbers: readonly (string | number)[]) =>
  numbers.length > 0 ? numbers.map(Number) : undefined

export const packOf = (r: Row): PackWeighing =>
  packSchema.parse({
    ...entry(r),
    ...correction(r),
    cut: r.cut,
    shown: shown(r),
    grams: Number(r.grams),
    packs: r.packs,
    number: r.number === null ? null : Number(r.number),
    pieces: r.pieces ?? undefined,
    wrap: r.wrap ?? undefined,
    place: r.place ?? undefined,
    said: r.said ?? undefined,
    outOf: outOf(r.out_of as (string | number)[]),
  })

const asBody = (value: unknown) => value as Record<string, unknown>

export const commandOf = (r: Row): Command =>
  commandSchema.parse({
    ...entry(r),
    batch: r.batch,
    undoes: r.undoes,
    redoes: r.redoes,
    decision: formUp('decision', String(asBody(r.decision).field), asBody(r.decision), Number(r.form)),
  })

export const factOf = (r: Row): Fact =>
  factSchema.parse({
    ...entry(r),
    ...correction(r),
    fact: formUp('fact', String(r.kind), asBody(r.fact), Number(r.form)),
  })

export const groupOf = (r: Row): Group =>
  groupSchema.parse({
    id: r.id,
    rev: Number(r.rev),
    at: instant(r.at),
    device: r.device,
    person: r.person,
    parent: r.parent,
    joins: r.joins,
    animals: r.animals,
    half: r.half,
    name: r.name,
  })

export const lotHeadOf = (r: Row): LotHead =>
  lotHeadSchema.parse({
    id: r.id,
    tag: r.tag,
    species: r.species,
    count: r.count,
    anatomy: r.anatomy,
    createdAt: instant(r.created_at),
    device: r.device,
    person: r.person,
    rev: Number(r.rev),
  })
