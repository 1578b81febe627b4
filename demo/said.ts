import { v7 as uuid } from 'uuid'
import type { Append, Facts, Lot, NewPack, NewWeighing, Split } from '#contracts'
import type { Species } from '#core/anatomy'
import type {
  CheckId,
  Cost,
  Decision,
  DowngradeId,
  FactBody,
  FeedPhase,
  Hangs,
  LossCause,
  Route,
  SideName,
  TempPlace,
} from '#core/records'
import { kindOf } from '#core/ledger'
import type { Said } from '#core/plan'

/** What is told of a lot of the demo, in short: each as a page would send it. */

export type Post = (path: string, body: unknown) => Promise<Lot>

export async function hang(post: Post, tag: string, species: Species = 'hog', count = 1) {
  const id = uuid()
  let held = await post('/lots', { id, tag, species, count })
  return {
    weigh: async (stage: NewWeighing['stage'], value: number, more: Partial<NewWeighing> = {}) => {
      held = await post(`/lots/${id}/weighings`, {
        id: uuid(),
        stage,
        basis: null,
        source: 'plant',
        shown: { value, unit: 'lb' },
        corrects: null,
        stands: true,
        confirmed: false,
        ...more,
      } satisfies NewWeighing)
    },
    /** Splits it in two: so many under a name, and the rest; the ids of both. */
    split: async (animals: number, name: string, rest: string) => {
      const into = [
        { id: uuid(), animals, name },
        { id: uuid(), animals: count - animals, name: rest },
      ]
      held = await post(`/lots/${id}/groups`, { group: id, half: false, into } satisfies Split)
      return into.map((g) => g.id)
    },
    /** What is decided for one group of it. */
    sayFor: async (group: string, ...decisions: Decision[]) => {
      held = await post(`/lots/${id}/decisions`, batchOf(held.rev, decisions, group))
    },
    /** What is so, then what is decided. */
    say: async (...said: Said[]) => {
      const facts = said.flatMap((fact) =>
        'kind' in fact ? [{ id: uuid(), corrects: null, stands: true, fact }] : [],
      )
      const decisions = said.flatMap((decision) => ('field' in decision ? [decision] : []))
      if (facts.length > 0) held = await post(`/lots/${id}/facts`, { facts } satisfies Facts)
      if (decisions.length > 0) held = await post(`/lots/${id}/decisions`, batchOf(held.rev, decisions))
    },
    pack: (cut: string, value: number, packs: number, more: Partial<NewPack> = {}) =>
      post(`/lots/${id}/packs`, {
        id: uuid(),
        cut,
        shown: { value, unit: 'lb' },
        packs,
        corrects: null,
        stands: true,
        ...more,
      } satisfies NewPack),
  }
}

const batchOf = (base: number, decisions: readonly Decision[], group?: string): Append => ({
  batch: uuid(),
  ...(group !== undefined && { group }),
  base,
  own: [],
  undoes: null,
  redoes: null,
  commands: decisions.map((decision) => ({ id: uuid(), decision })),
})

export const lot = { target: 'lot', side: 'animal' } as const
export const cost = (label: string, amount: number, more: Partial<Cost> = {}): FactBody => ({
  ...{ kind: 'cost', label, amount },
  ...more,
})
/**
 * What was paid for an animal, each on the day it would have been: itself when it came, feed and keep half-way, haulage,
 * the day's goods and hands when it was killed.
 */
export const costs = (
  came: string,
  killed: string,
  ...lines: [label: string, amount: number][]
): FactBody[] =>
  lines.map(([label, amount]) => {
    const kind = kindOf({ label })
    const half = new Date((Date.parse(came) + Date.parse(killed)) / 2).toISOString().slice(0, 10)
    const day = kind === 'animal' ? came : kind === 'feed' || kind === 'bedding' ? half : killed
    return cost(label, amount, { day })
  })
/** Feed by weight, lb at so many cents each. */
export const feed = (label: string, pounds: number, each: number, day: string): FactBody =>
  cost(label, Math.round(pounds * each), { of: 'feed', day, quantity: { value: pounds, unit: 'lb' } })
export const start = (pounds: number, day: string): FactBody => ({
  ...{ kind: 'observation', what: 'start', day },
  shown: { value: pounds, unit: 'lb' },
})
export const path = (target: string, value: string, ...sides: ('left' | 'right' | 'animal')[]): Decision[] =>
  (sides.length > 0 ? sides : (['left', 'right'] as const)).map((side) => ({
    field: 'path',
    target,
    side,
    value,
  }))
export const dressed = (of: string, value: boolean): FactBody => ({
  kind: 'observation',
  what: 'dressing',
  of,
  value,
})
export const route = (value: Route): FactBody => ({
  kind: 'observation',
  what: 'route',
  value,
})
/** A temperature as it was read, so many hours after noon of a day. */
export const temp = (day: string, hours: number, where: TempPlace, c: number): FactBody => ({
  kind: 'temperature',
  at: new Date(Date.parse(`${day}T12:00:00Z`) + hours * 3_600_000).toISOString(),
  where,
  c,
  source: 'probe',
})
/** Tag, day of kill and plant. */
export const killed = (mark: string, day: string): FactBody[] => [
  { kind: 'observation', what: 'mark', value: mark },
  { kind: 'observation', what: 'killed', value: day },
  { kind: 'observation', what: 'plant', value: 'the plant at Mere Bridge' },
]
export const animal = (value: string): FactBody => ({ kind: 'observation', what: 'type', value })
export const measured = (of: 'fat-depth' | 'eye-area', value: number): FactBody => ({
  kind: 'observation',
  what: 'measure',
  of,
  value,
})
export const line = (target: string, value: string): Decision[] =>
  (['left', 'right'] as const).map((side) => ({ field: 'line', target, side, value }))
export const killFee = (cents: number): FactBody => ({
  kind: 'fee',
  fee: 'kill',
  amount: cents,
  per: 'head',
  basis: null,
})
export const cutFee = (cents: number): FactBody => ({
  kind: 'fee',
  fee: 'cut-wrap',
  amount: cents,
  per: 'lb',
  basis: 'hanging',
})
export const hungAs = (value: Hangs): FactBody => ({ kind: 'observation', what: 'hangs', value })
export const of = (value: string): FactBody => ({ kind: 'observation', what: 'mother', value })

/** A step timed from its start to its end, minutes; `usual` is what the model had for it. */
export const timed = (of: string, from: string, minutes: number, usual: number): FactBody[] => {
  const body = { kind: 'work', of, by: 'AF', usual } as const
  const until = new Date(Date.parse(from) + minutes * 60_000).toISOString()
  return [
    { ...body, did: 'started', when: from },
    { ...body, did: 'done', when: until },
  ]
}
export const signed = (check: CheckId, of: string, side: SideName = 'animal'): FactBody => ({
  ...{ kind: 'check', check, of, side, by: 'AF' },
})

/** Of a batch: what was lost, some weighed one by one alive, feed of a phase by weight, a load scalded, birds worth less. */
export const lost = (animals: number, day: string, cause: LossCause): FactBody => ({
  ...{ kind: 'loss', day, animals, cause },
})
export const sample = (day: string, ...pounds: number[]): FactBody => ({
  ...{ kind: 'sample', day, of: 'live', shown: pounds.map((value) => ({ value, unit: 'lb' })) },
})
export const phase = (of: FeedPhase, pounds: number, each: number, day: string): FactBody =>
  cost(
    of.replace(/^./, (c) => c.toUpperCase()),
    Math.round(pounds * each),
    {
      ...{ of: 'feed', phase: of, day, quantity: { value: pounds, unit: 'lb' } },
    },
  )
export const scalded = (when: string, c: number, seconds: number, how?: 'over'): FactBody => ({
  ...{ kind: 'scald', when, school: 'medium', target: 59, c, seconds, birds: 2 },
  sign: how ? 'clock' : 'both',
})
export const downgraded = (what: DowngradeId, animals: number, cents: number, lesson: string): FactBody => ({
  ...{ kind: 'downgrade', what, animals, shown: null, lost: cents, lesson },
})
/** The day of a flock: four who are there, ice, who fetches. */
export const FLOCK_DAY: Decision[] = [
  {
    field: 'crew',
    ...lot,
    value: [
      { name: 'Ada', skill: 'skilled', from: '07:00', until: '18:00' },
      { name: 'Finn', skill: 'practised', from: '07:00', until: '18:00' },
      { name: 'Ruth', skill: 'practised', from: '07:00', until: '18:00' },
      { name: 'Sam', skill: 'beginner', from: '07:00', until: '13:00' },
    ],
  },
  {
    field: 'birdDay',
    ...lot,
    value: {
      ...{ day: '2026-12-02', begins: '07:30', birds: null, freezer: 400, also: null },
      stations: [
        { id: 'draw', who: ['Ada', 'Finn'] },
        { id: 'scald', who: ['Ruth', 'Finn'] },
        { id: 'pluck', who: ['Ruth', 'Finn', 'Sam'] },
      ],
      chill: {
        how: 'moving',
        water: { value: 300, unit: 'lb' },
        waterC: 13,
        ice: { value: 280, unit: 'lb' },
      },
      pickups: [
        { at: '11:00', who: 'Mere Bridge share', birds: 12 },
        { at: '12:00', who: 'Hollin House', birds: 20 },
      ],
    },
  },
]
