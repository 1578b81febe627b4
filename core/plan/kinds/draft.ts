import { SidedMap, type Conventions, type Measured, type Sided, type Spoilt } from '#core/carcass'
import type { Kg, Minor } from '#core/measure'
import {
  ALL_HANGS,
  type Acceptance,
  type Hangs,
  type Attachment,
  type Check,
  type Closing,
  type Cost,
  type End,
  type Fault,
  type Fee,
  type Medicine,
  type OneAnimal,
  type Route,
  type Downgrade,
  type Icing,
  type Loss,
  type Passed,
  type Sample,
  type Scald,
  type Sex,
  type Stopped,
  type Temperature,
  type Work,
} from '#core/records'
import type { Verdict } from '#core/rules'

/** A cost as it counts: below nothing where other lots bear it. */
export interface CostLine extends Omit<Cost, 'kind' | 'amount'> {
  id: string
  amount: Minor
}

/** What is so of a lot, read off its facts in force. */
export interface Facts {
  /** Whether it may be eaten and sold, and why not more. */
  verdict: Verdict
  end: End | null
  /** The day it was born; who saw it and where it went, of a casualty. */
  born: string | null
  vet: string | null
  disposal: string | null
  medicines: (Medicine & { id: string })[]
  /** The animals of a lot of several that were told apart. */
  animals: (OneAnimal & { id: string })[]
  /** What of the animal hangs; and the lot or farm it is of, where someone said. */
  hangs: Hangs
  mother: string | null
  route: Route | null
  /** Its tag or ear number, the plant, and the day it was killed (ISO 8601); null where nobody said. */
  mark: string | null
  plant: string | null
  killed: string | null
  /** What animal it is; null where nobody said: the usual one. */
  type: string | null
  conventions: Conventions
  measured: Measured
  /** Ribs counted on the animal; null for the usual number. */
  ribs: number | null
  /** What all of them weighed together when they came, and when. */
  start: { kg: Kg; day: string; animals: number | null; sexed: Sex | null } | null
  /** Temperatures as they were read, and how it was found when it was accepted. */
  temperatures: (Temperature & { id: string })[]
  /** Ice that was filled up in a chest. */
  icings: (Icing & { id: string })[]
  acceptance: Acceptance | null
  /** Parts that were weighed, and what was cut away of a part, bruised or condemned. */
  parts: Sided<Kg>
  cutAway: Sided<Kg>
  /** What of a cut was spoilt and went another way. */
  spoilt: readonly Spoilt[]
  costs: CostLine[]
  fees: Readonly<Record<string, Fee>>
  /** Steps of the block card ticked off: what was cut stays as it was planned then. */
  steps: Sided<boolean>
  /** Cuts of which all packs are weighed. */
  done: ReadonlySet<string>
  /** Check points signed; what went wrong; what happened to steps, in the order it was written; the card closed. */
  checks: (Check & { id: string; at: string })[]
  faults: (Fault & { id: string; at: string })[]
  work: (Work & { id: string })[]
  closing: Closing | null
  /** Of a batch: animals that are gone, samples weighed, loads scalded, downgrades, birds ticked off, stations that stood still. */
  losses: (Loss & { id: string })[]
  samples: (Sample & { id: string })[]
  scalds: (Scald & { id: string })[]
  downgrades: (Downgrade & { id: string })[]
  passed: (Passed & { id: string })[]
  stopped: (Stopped & { id: string })[]
  attachments: (Attachment & { id: string; at: string })[]
  withdrawn: boolean
}

/** Facts while they are read, one after another. */
export type FactsDraft = ReturnType<typeof noFacts>
export const noFacts = () => ({
  verdict: { food: true, sale: 'by-the-piece', reasons: [] } as Verdict,
  end: null as End | null,
  born: null as string | null,
  vet: null as string | null,
  disposal: null as string | null,
  medicines: [] as Facts['medicines'],
  animals: [] as Facts['animals'],
  hangs: ALL_HANGS,
  mother: null as string | null,
  route: null as Route | null,
  mark: null as string | null,
  plant: null as string | null,
  killed: null as string | null,
  type: null as string | null,
  conventions: {} as Record<string, boolean>,
  measured: {} as { -readonly [M in keyof Measured]: Measured[M] },
  ribs: null as number | null,
  start: null as Facts['start'],
  temperatures: [] as Facts['temperatures'],
  icings: [] as Facts['icings'],
  acceptance: null as Acceptance | null,
  parts: new SidedMap<Kg>(),
  cutAway: new SidedMap<Kg>(),
  spoilt: [] as Spoilt[],
  costs: [] as CostLine[],
  fees: {} as Record<string, Fee>,
  steps: new SidedMap<boolean>(),
  done: new Set<string>(),
  checks: [] as Facts['checks'],
  faults: [] as Facts['faults'],
  work: [] as Facts['work'],
  closing: null as Closing | null,
  losses: [] as Facts['losses'],
  samples: [] as Facts['samples'],
  scalds: [] as Facts['scalds'],
  downgrades: [] as Facts['downgrades'],
  passed: [] as Facts['passed'],
  stopped: [] as Facts['stopped'],
  attachments: [] as Facts['attachments'],
  withdrawn: false,
})
