import { knowsAll, type ReadsFacts } from './reads.ts'

/** What is voided is read with the packs (core/records/units.ts). */
const voided: ReadsFacts['void'] = {
  unknownIn: knowsAll,
  into: () => undefined,
  say: ({ pack, why }) => ({ what: `Pack ${pack}: voided`, value: why }),
}
export { voided as void }
