import { computed, ref } from 'vue'
import { leavesOf, type FactBody } from '#core/records'
import { useReading } from '../../state/lot.ts'
import { useLots } from '../../state/lots.ts'

/** What is said of birds of a lot in groups is said of one of them: of which, how many it has, and a way to say it. */
export function useOfGroup() {
  const { lot, read, groups, note } = useReading()
  const lots = useLots()
  const chosen = ref<string | null>(null)
  const options = computed(() => groups.value.map((g) => ({ v: g.id, w: g.name })))
  const group = computed({
    get: () => options.value.find((o) => o.v === chosen.value)?.v ?? options.value[0]?.v ?? null,
    set: (id: string | null) => (chosen.value = id),
  })
  /** Birds of it that are alive. */
  const alive = computed(
    () => read.value.groups.find((g) => g.id === group.value)?.read.count ?? read.value.count,
  )
  const say = (fact: FactBody) =>
    group.value === null ? note(fact) : lots.note(lot.value!.id, [fact], [], group.value)
  const rowOf = (id: string) => lot.value!.facts.find((f) => f.id === id)
  /** What was said before a split is in what all groups have been since: it stands. */
  const canTakeBack = (id: string) => leavesOf(lot.value!.groups).some((g) => g.id === rowOf(id)?.group)
  function takeBack(id: string) {
    const row = rowOf(id)
    if (row) lots.note(lot.value!.id, [], [row], row.group)
  }
  return { options, group, alive, say, canTakeBack, takeBack }
}
