<script setup lang="ts">
import Button from 'primevue/button'
import { v7 as uuid } from 'uuid'
import { computed, reactive, ref } from 'vue'
import { useRouter } from 'vue-router'
import { intoRun, pooled, poolParts, type PoolPart } from '#core/batch'
import { kg, parseMass, sumOf } from '#core/measure'
import type { FactBody } from '#core/records'
import MassRange from '../../pieces/MassRange.vue'
import TextField from '../../pieces/TextField.vue'
import { wrongIn, type FieldIssue } from '../../state/api.ts'
import { useFarm } from '../../state/farm.ts'
import { useReading } from '../../state/lot.ts'
import { useLots } from '../../state/lots.ts'
import { useWords } from '../../state/words.ts'

/** What is too little of one bird and enough of all: as it is packed here, or weighed into a run of its own that bears its share of the cost. */
const { read, central, lot, groups, decide, note } = useReading()
const farm = useFarm()
const lots = useLots()
const words = useWords()
const router = useRouter()
const cuts = computed(() => pooled(read.value))
const all = computed(() => kg(sumOf(cuts.value, (c) => c.kg)))
const parts = computed(() => (groups.value.length > 0 ? [] : poolParts(central.value)))
const typed = reactive<Record<string, string>>({})
const issues = ref<FieldIssue[]>([])
const nameOf = (p: PoolPart) => words.name(p.part.names)
async function run(p: PoolPart) {
  const field = p.part.id
  const mass = parseMass(typed[field] ?? '', words.unit.value, field)
  issues.value = wrongIn(words.says.value, mass)
  if (!mass.ok) return
  const [id, tag] = [uuid(), `${nameOf(p)} of ${lot.value!.tag}`.slice(0, 80)]
  const into = intoRun(central.value, p, tag)
  const said: FactBody[] = [
    { kind: 'observation', what: 'hangs', value: { as: 'part', part: p.part.id } },
    { kind: 'observation', what: 'mother', value: lot.value!.tag },
    ...(central.value.plan.route
      ? [{ kind: 'observation', what: 'route', value: central.value.plan.route } as const]
      : []),
    ...(p.bears > 0
      ? [{ kind: 'cost', of: 'animal', label: `From ${lot.value!.tag}`, amount: p.bears } as const]
      : []),
  ]
  const hung = await farm.hangLot({
    id,
    tag,
    species: lot.value!.species,
    count: Math.round(central.value.count),
  })
  const kept = hung.length > 0 ? hung : await lots.noteNow(id, ...said)
  const weighed =
    kept.length > 0
      ? kept
      : await lots.weigh(id, {
          ...{ id: uuid(), stage: 'hanging', basis: 'boxed', source: 'scale', shown: mass.value },
          ...{ corrects: null, stands: true, confirmed: false },
        })
  if (weighed.length > 0) return void (issues.value = weighed.map((w) => ({ ...w, field })))
  decide(...into.decisions)
  if (into.cost) note(into.cost)
  await router.push({ name: 'block', params: { id } })
}
</script>

<template>
  <div class="pane-head">
    <h2>Pooled over all</h2>
    <span class="muted">{{ words.mass(all) }}</span>
  </div>
  <p v-if="cuts.length === 0" class="muted">Nothing is pooled as planned.</p>
  <table v-else class="plain" data-testid="pooled">
    <tbody>
      <tr v-for="c in cuts" :key="c.cut.id">
        <th scope="row">{{ words.name(c.cut.names) }}</th>
        <td class="right nowrap"><MassRange :kg="c.kg" :range="c.range" inline /></td>
        <td class="right">{{ c.packs }} packs</td>
      </tr>
    </tbody>
  </table>
  <form
    v-for="p in parts"
    :key="p.part.id"
    class="fields"
    novalidate
    :aria-label="`${nameOf(p)} as a run`"
    :data-pool="p.part.id"
    @submit.prevent="run(p)"
  >
    <TextField
      :id="`pool-${p.part.id}`"
      v-model="typed[p.part.id]!"
      class="wide"
      :label="`${nameOf(p)} of all, weighed (about ${words.about(p.kg)})`"
      :issues="issues.filter((i) => i.field === p.part.id)"
    />
    <Button type="submit" outlined label="A run of their own" />
  </form>
  <small v-if="parts.length > 0" class="muted"
    >A run is a lot with its own ways, packs and price; it names this flock, and its share of the cost goes
    with it.</small
  >
</template>
