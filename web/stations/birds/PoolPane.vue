<script setup lang="ts">
import Button from 'primevue/button'
import { v7 as uuid } from 'uuid'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { carriedInto, judgeRun, pooled, poolParts, saidOfRun, takenUncut, type PoolPart } from '#core/batch'
import { kg, parseMass, sumOf } from '#core/measure'
import MassRange from '../../pieces/MassRange.vue'
import PickField from '../../pieces/PickField.vue'
import TextField from '../../pieces/TextField.vue'
import { type FieldIssue } from '../../state/api.ts'
import { wrongIn } from '../../state/form.ts'
import { saidFirst, useFarm } from '../../state/farm.ts'
import { useReading } from '../../state/lot.ts'
import { useLots } from '../../state/lots.ts'
import { useWords } from '../../state/words.ts'
import { packsWord } from './words.ts'

/** What is too little of one bird and enough of all: as it is packed here, or weighed into a run of its own that bears its share of the cost. */
const { read, central, lot, group } = useReading()
const farm = useFarm()
const lots = useLots()
const words = useWords()
const router = useRouter()
const cuts = computed(() => pooled(read.value))
const all = computed(() => kg(sumOf(cuts.value, (c) => c.kg)))
const parts = computed(() => poolParts(central.value))
/** What is to be pooled; while nobody chose, the heaviest. */
const picked = ref<string | null>(null)
const chosen = computed(
  () => parts.value.find((p) => p.part.id === picked.value) ?? parts.value.toSorted((a, b) => b.kg - a.kg)[0],
)
const options = computed(() =>
  parts.value.map((p) => ({ v: p.part.id, w: `${nameOf(p)}, about ${words.about(p.kg)}` })),
)
const typed = ref('')
const issues = ref<FieldIssue[]>([])
const nameOf = (p: PoolPart) => words.name(p.part.names)
async function pool(p: PoolPart) {
  const field = 'weighed'
  const parsed = parseMass(typed.value, words.unit.value, field)
  const wrong = parsed.ok ? judgeRun(central.value, p, parsed.value) : []
  const mass = wrong.length > 0 ? { ok: false as const, issues: wrong.map((w) => ({ ...w, field })) } : parsed
  issues.value = wrongIn(words.says.value, mass)
  if (!mass.ok) return
  const [run, press] = [uuid(), uuid()]
  const tag = `${nameOf(p)} of ${lot.value!.tag}`.slice(0, 80)
  const carried = carriedInto(p, tag)
  const wrongs = await farm.keepAll([
    { is: 'hung', lot: run, hung: { id: run, tag, species: lot.value!.species, count: p.count } },
    saidFirst(run, ...saidOfRun(p, lot.value!.tag, central.value.plan.route)),
    {
      ...{ is: 'weighing', lot: run },
      weighing: {
        ...{ id: uuid(), stage: 'hanging', basis: 'boxed', source: 'scale', shown: mass.value },
        ...{ corrects: null, stands: true, confirmed: false },
      },
    },
    ...p.of.flatMap((of) => {
      const from = central.value.groups.find((g) => g.id === of)?.read ?? central.value
      return lots.decided(lot.value!.id, takenUncut(from, p), of ?? group.value, press)
    }),
    ...(carried ? lots.noted(lot.value!.id, [carried], [], group.value) : []),
  ])
  if (wrongs.length > 0) return void (issues.value = wrongs.map((w) => ({ ...w, field })))
  await router.push(farm.queue.isHere(run) ? { name: 'rail' } : { name: 'block', params: { id: run } })
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
        <td class="right">{{ packsWord(c.packs) }}</td>
      </tr>
    </tbody>
  </table>
  <form
    v-if="chosen"
    class="fields"
    novalidate
    aria-label="A run of their own"
    @submit.prevent="pool(chosen)"
  >
    <PickField
      id="pool-part"
      class="wide"
      label="What"
      :model-value="chosen.part.id"
      :options="options"
      @update:model-value="(now) => (picked = now)"
    />
    <TextField id="pool-weighed" v-model="typed" label="Weighed, all of it" :issues="issues" />
    <Button type="submit" outlined label="A run of their own" />
  </form>
  <small v-if="chosen" class="muted"
    >A run is a lot with its own ways, packs and price; it names this flock.
    {{
      chosen.bears > 0
        ? `By what it would bring here it takes ${words.money(chosen.bears)} of the cost with it.`
        : 'It would bring nothing here, so it takes nothing of the cost with it.'
    }}</small
  >
</template>
