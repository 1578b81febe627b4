import type { SideName } from '#core/anatomy'
import { milli, mm } from '#core/measure'
import type { Decision, FactBody, Half, MeasureId, Observation, Route } from '#core/records'

/** Decisions and facts in short, as a test says them. */
type Of<F extends Decision['field']> = Extract<Decision, { field: F }>
type OfLot = 'hands' | 'trim' | 'lean' | 'target' | 'ending' | 'sharePrice' | 'days'
type OfCut = 'portion' | 'index' | 'price' | 'lock' | 'floor' | 'ceiling' | 'sold'

export const way = (part: string, path: string | null, side: SideName = 'left'): Of<'path'> => ({
  field: 'path',
  target: part,
  side,
  value: path,
})
export const splitAt = (part: string, at: number | null, path = '', side: Half = 'left'): Of<'split'> => ({
  field: 'split',
  target: part,
  side,
  value: at === null ? null : { at, path },
})
export const lineAt = (line: string, setting: string | null, side: Half = 'left'): Of<'line'> => ({
  field: 'line',
  target: line,
  side,
  value: setting,
})
export const longAt = (line: string, from: number | null, side: Half = 'left'): Of<'mm'> => ({
  field: 'mm',
  target: line,
  side,
  value: from === null ? null : mm(from),
})
export const down = (tool: Of<'without'>['target'], value: boolean | null = true): Of<'without'> => ({
  field: 'without',
  target: tool,
  side: 'animal',
  value,
})
export const onLot = <F extends OfLot>(field: F, value: Of<F>['value']) =>
  ({ field, target: 'lot', side: 'animal', value }) as Of<F>
export const onCut = <F extends OfCut>(field: F, cut: string, value: Of<F>['value']) =>
  ({ field, target: cut, side: 'animal', value }) as Of<F>
export const perLb = (cents: number) => ({ milli: milli(cents * 1000), per: 'lb' as const })

type Seen<W extends Observation['what']> = Extract<Observation, { what: W }>
type Noted<K extends FactBody['kind']> = Extract<FactBody, { kind: K }>
const seen = { kind: 'observation' } as const

export const dressed = (of: string, value: boolean): Seen<'dressing'> => ({
  ...seen,
  what: 'dressing',
  of,
  value,
})
export const typed = (value: string): Seen<'type'> => ({ ...seen, what: 'type', value })
export const routed = (value: Route): Seen<'route'> => ({ ...seen, what: 'route', value })
export const ribs = (value: number): Seen<'ribs'> => ({ ...seen, what: 'ribs', value })
export const measured = (of: MeasureId, value: number): Seen<'measure'> => ({
  ...seen,
  what: 'measure',
  of,
  value,
})
export const ticked = (of: string, side: SideName = 'left'): Noted<'tick'> => ({
  kind: 'tick',
  what: 'step',
  of,
  side,
})
export const cutDone = (of: string): Noted<'tick'> => ({ kind: 'tick', what: 'cut', of, side: 'animal' })
export const paid = (amount: number, label = 'Feed'): Noted<'cost'> => ({ kind: 'cost', label, amount })
