import type { FeeBasis } from '#core/records'

/** Weights a processor bills on, as a person says them. */
export const BASIS_SAYS: Record<FeeBasis, string> = {
  live: 'live weight',
  hot: 'hot weight',
  rebate: 'hot weight less 2 %',
  cold: 'cold weight',
  hanging: 'weight as cut',
  packed: 'packed weight',
}
