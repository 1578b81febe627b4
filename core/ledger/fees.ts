import type { MassUnit } from '#core/measure'
import { FEE_IDS, type Fee, type FeeId } from '#core/records'

/** A kind of fee: what it is called on the sum and on the fee sheet, by what it is asked for, and whether a weight matters. */
export interface FeeKind {
  id: FeeId
  bill: string
  asks: (unit: MassUnit) => string
  per: (unit: MassUnit) => Fee['per']
  onWeight: boolean
}

const KINDS: Record<FeeId, Omit<FeeKind, 'id'>> = {
  kill: { bill: 'Kill fee', asks: () => 'Kill, per head', per: () => 'head', onWeight: false },
  'cut-wrap': {
    bill: 'Cut and wrap',
    asks: (unit) => `Cut and wrap, per ${unit}`,
    per: (unit) => unit,
    onWeight: true,
  },
  pack: { bill: 'Packing', asks: () => 'Packing, per pack', per: () => 'pack', onWeight: false },
}
export const FEE_KINDS: FeeKind[] = FEE_IDS.map((id) => ({ id, ...KINDS[id] }))
const isKind = (id: string): id is FeeId => id in KINDS
/** What a fee is called on the sum. */
export const feeLabel = ({ fee, label }: Pick<Fee, 'fee' | 'label'>): string =>
  label ?? (isKind(fee) ? KINDS[fee].bill : fee)
