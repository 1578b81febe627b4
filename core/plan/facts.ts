import { SidedMap, type Conventions, type Measured, type Sided, type Spoilt } from '#core/carcass'
import { gramsOf, kgOf, minor, type Kg, type Minor } from '#core/measure'
import {
  ALL_HANGS,
  inForce,
  type Acceptance,
  type Hangs,
  type Attachment,
  type Check,
  type Closing,
  type Cost,
  type End,
  type Fact,
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
import { verdictOf, type Verdict } from '#core/rules'

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

/** What reading needs of a fact. */
export type FactRow = Pick<Fact, 'id' | 'corrects' | 'stands' | 'fact' | 'at'>

const costOf = ({ kind: _, ...line }: Cost): Omit<Cost, 'kind'> => line

export function readFacts(rows: readonly FactRow[]): Facts {
  const conventions: Record<string, boolean> = {}
  const measured: Measured = {}
  const steps = new SidedMap<boolean>()
  const done = new Set<string>()
  const parts = new SidedMap<Kg>()
  const cutAway = new SidedMap<Kg>()
  const spoilt: Spoilt[] = []
  const medicines: Facts['medicines'] = []
  const animals: Facts['animals'] = []
  const fees: Record<string, Fee> = {}
  const out: Facts = {
    verdict: { food: true, sale: 'by-the-piece', reasons: [] },
    end: null,
    born: null,
    vet: null,
    disposal: null,
    medicines,
    animals,
    hangs: ALL_HANGS,
    mother: null,
    route: null,
    mark: null,
    plant: null,
    killed: null,
    type: null,
    conventions,
    measured,
    ribs: null,
    start: null,
    parts,
    cutAway,
    spoilt,
    costs: [],
    fees,
    steps,
    done,
    checks: [],
    faults: [],
    work: [],
    closing: null,
    temperatures: [],
    icings: [],
    losses: [],
    samples: [],
    scalds: [],
    downgrades: [],
    passed: [],
    stopped: [],
    acceptance: null,
    attachments: [],
    withdrawn: false,
  }
  for (const { id, at, fact } of inForce(rows)) {
    switch (fact.kind) {
      case 'observation':
        switch (fact.what) {
          case 'route':
            out.route = fact.value
            break
          case 'mark':
          case 'plant':
          case 'mother':
          case 'vet':
          case 'disposal':
          case 'born':
          case 'killed':
            out[fact.what] = fact.value
            break
          case 'end':
            out.end = fact.value
            break
          case 'hangs':
            out.hangs = fact.value
            break
          case 'type':
            out.type = fact.value
            break
          case 'dressing':
            conventions[fact.of] = fact.value
            break
          case 'measure':
            measured[fact.of] = fact.value
            break
          case 'ribs':
            out.ribs = fact.value
            break
          case 'start':
            out.start = {
              kg: kgOf(gramsOf(fact.shown)),
              day: fact.day,
              animals: fact.animals ?? null,
              sexed: fact.sexed ?? null,
            }
            break
          case 'part':
            parts.set(fact.of, fact.side, kgOf(gramsOf(fact.shown)))
            break
          case 'cut-away':
            cutAway.set(fact.of, fact.side, kgOf(gramsOf(fact.shown)))
            break
        }
        break
      case 'cost':
        out.costs.push({ ...costOf(fact), id, amount: minor(fact.carried ? -fact.amount : fact.amount) })
        break
      case 'animal':
        animals.push({ ...fact, id })
        break
      case 'medicine':
        medicines.push({ ...fact, id })
        break
      case 'fee':
        fees[fact.fee] = fact
        break
      case 'tick':
        if (fact.what === 'cut') done.add(fact.of)
        else steps.set(fact.of, fact.side, true)
        break
      case 'attachment':
        out.attachments.push({ ...fact, id, at })
        break
      case 'withdrawal':
        out.withdrawn = true
        break
      case 'check':
        out.checks.push({ ...fact, id, at })
        break
      case 'fault': {
        const { of: part, side, cut, to, shown } = fact
        out.faults.push({ ...fact, id, at })
        if (cut !== null && shown) spoilt.push({ part, side, cut, to, kg: kgOf(gramsOf(shown)) })
        break
      }
      case 'work':
        out.work.push({ ...fact, id })
        break
      case 'closing':
        out.closing = fact
        break
      case 'temperature':
        out.temperatures.push({ ...fact, id })
        break
      case 'icing':
        out.icings.push({ ...fact, id })
        break
      case 'loss':
        out.losses.push({ ...fact, id })
        break
      case 'sample':
        out.samples.push({ ...fact, id })
        break
      case 'scald':
        out.scalds.push({ ...fact, id })
        break
      case 'downgrade':
        out.downgrades.push({ ...fact, id })
        break
      case 'passed':
        out.passed.push({ ...fact, id })
        break
      case 'stopped':
        out.stopped.push({ ...fact, id })
        break
      case 'acceptance':
        out.acceptance = fact
        break
      // What is voided is read with the packs (core/records/units.ts).
      case 'void':
        break
    }
  }
  return { ...out, verdict: verdictOf(out) }
}
