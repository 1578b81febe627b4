import type { z } from 'zod'
import type { FormFields } from '../form.ts'

/** A fact is corrected by a later one, a decision is undone, a sheet is replaced, an event is only added. */
export type Family = 'fact' | 'decision' | 'sheet' | 'event'
/** What has to be worked out anew where it was said. */
export type Moves = 'mass' | 'money' | 'nothing'
/** Of what it is said. */
export type HangsOn = 'farm' | 'lot' | 'group' | 'pack'
/** Who may write it: who plans, who weighs and follows the card, who prices, who keeps the records of the animal and the farm. */
export type Right = 'plan' | 'weigh' | 'price' | 'keep'

/** A body of an earlier form: nothing is known of it but that it is an object. */
export type Loose = Record<string, unknown>
export type Step = (body: Loose) => Loose

/** What every kind of record says of itself. `B` is its body as it is read. */
export interface KindOf<S extends z.ZodType, F extends FormFields = FormFields> {
  family: Family
  schema: S
  /** The form it is written in; what was written in an earlier one is brought up a step at a time. */
  form: number
  up: Readonly<Record<number, Step>>
  hangsOn(body: z.infer<S>): HangsOn
  /** What it is about: of one thing one is in force, and the next one corrects it. Null: any number of them. */
  subject(body: z.infer<S>): string | null
  moves: Moves
  right: Right
  /** Fields that name bytes by their hash, each with the field that says what they are of: they lie beside the database. */
  pictures: Readonly<Record<string, string>>
  /** How many animals are gone where it is said. */
  gone(body: z.infer<S>): number
  /** What of it is typed, and how that is read: limits are those of its schema. */
  fields: F
}

type Own<S extends z.ZodType, F extends FormFields> = Partial<
  Omit<KindOf<S>, 'family' | 'schema' | 'hangsOn' | 'moves' | 'right' | 'fields'>
> &
  Pick<KindOf<S>, 'moves' | 'right'> & {
    hangsOn: HangsOn | ((body: z.infer<S>) => HangsOn)
    fields?: (schema: S) => F
  }

const kind =
  <Y extends Family>(family: Y) =>
  <S extends z.ZodType, F extends FormFields = Record<string, never>>(
    schema: S,
    { hangsOn, fields, ...own }: Own<S, F>,
  ): KindOf<S, F> & { family: Y } => ({
    form: 1,
    up: {},
    subject: () => null,
    pictures: {},
    gone: () => 0,
    ...own,
    hangsOn: typeof hangsOn === 'function' ? hangsOn : () => hangsOn,
    fields: fields ? fields(schema) : ({} as F),
    family,
    schema,
  })

export const fact = kind('fact')
export const decision = kind('decision')
export const sheet = kind('sheet')
export const event = kind('event')

/** Brings a body from the form it was written in to the form of today, a step at a time. */
export function broughtUp(body: Loose, from: number, steps: Readonly<Record<number, Step>>): Loose {
  let now = body
  for (let form = from; form in steps; form++) now = steps[form]!(now)
  return now
}
