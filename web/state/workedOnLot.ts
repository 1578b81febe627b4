import { computed } from 'vue'
import { worked, type AskedLot, type Thread } from './figures.ts'
import { useReading } from './lot.ts'

/** What is worked out apart of a lot that has a weight and is cut in one way; of one that `fits`, where that is asked. */
export function workedOnLot<R>(
  work: (thread: Thread, asked: AskedLot) => Promise<R>,
  fits: () => boolean = () => true,
) {
  const { central, groups, by, flow, state, farmFigures } = useReading()
  const isSplit = computed(() => groups.value.length > 0)
  const done = worked(
    () =>
      central.value.weights && !isSplit.value && fits()
        ? { hash: by.value!, flow: flow.value!, state: state.value!, farm: farmFigures.value }
        : null,
    work,
  )
  return { found: done.found, work: done.state, isSplit }
}
