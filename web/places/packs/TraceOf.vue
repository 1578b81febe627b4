<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { v7 as uuid } from 'uuid'
import { computed, ref } from 'vue'
import type { PackTrace } from '#contracts'
import { formatMass, kgOf } from '#core/measure'
import { packsAbout, traceSections } from '#core/papers'
import { unitsOf } from '#core/records'
import { saysFor } from '#core/measure'
import FieldIssues from '../../pieces/FieldIssues.vue'
import SpeciesMark from '../../pieces/SpeciesMark.vue'
import { ask, fieldIssue, issuesOf, type FieldIssue } from '../../state/api.ts'
import { useFarm } from '../../state/farm.ts'
import { useLabels } from '../../state/labels.ts'
import { provideLot } from '../../state/lot.ts'
import { usePapers } from '../../state/papers.ts'
import { useWords } from '../../state/words.ts'

const { trace } = defineProps<{ trace: PackTrace }>()
const emit = defineEmits<{ changed: [] }>()
const farm = useFarm()
const words = useWords()
const { lot, central, state } = provideLot(
  () => trace.pack.lot,
  () => true,
)
const { labelsOf } = useLabels()
const { take, issues: paperIssues } = usePapers(
  () => trace.pack.lot,
  () => null,
)
const issues = ref<FieldIssue[]>([])
const place = ref('')
const STATES = {
  here: 'It is there.',
  corrected: 'It was weighed again: another label counts.',
  void: 'It is void.',
  opened: 'It was opened.',
} as const
const weight = computed(() => {
  const { shown, grams } = trace.pack
  return shown ? `${shown.value} ${shown.unit}` : formatMass(kgOf(grams), words.unit.value)
})
const weighIn = computed(() => lot.value?.packs.find((p) => p.id === trace.pack.weighIn) ?? null)
/** What was made of it, where it was opened. */
const into = computed(() =>
  (lot.value?.packs ?? []).filter((p) => p.outOf?.includes(trace.pack.number) && p.number !== null),
)
const why = computed(() => {
  const found = lot.value?.facts.findLast(
    (f) => f.fact.kind === 'void' && f.fact.pack === trace.pack.number && f.stands,
  )
  return found?.fact.kind === 'void' ? found.fact.why : ''
})
const sections = computed(() => {
  if (!central.value || !lot.value || !state.value || !farm.farm) return null
  const packs = packsAbout(lot.value, farm.farm.zone, [trace.pack.number])
  const of = { read: central.value, farm: farm.farm, lot: lot.value.tag, date: '', share: 1 as const }
  return traceSections({
    ...{ ...of, words: {}, says: saysFor(farm.farm), packs, design: null },
    weighings: state.value.weighings,
  })
})
const sisters = computed(() => {
  if (!lot.value) return 0
  return unitsOf(lot.value.packs, lot.value.facts).filter((u) => u.state === 'here').length
})
async function put() {
  const to = place.value.trim()
  issues.value = to ? [] : [fieldIssue('place', 'Say where it lies now.')]
  if (!to) return
  const answer = await ask('POST', '/packs/events', {
    events: [{ id: uuid(), number: trace.pack.number, what: 'put', place: to }],
  })
  issues.value = answer.kind === 'ok' ? [] : issuesOf(answer)
  if (answer.kind === 'ok') emit('changed')
}
const print = async () => {
  issues.value = await labelsOf(trace.pack.lot, [trace.pack.number])
  if (issues.value.length === 0) emit('changed')
}
</script>

<template>
  <div class="two">
    <section class="stack">
      <p class="what"><b>{{ weight }}</b> {{ words.name(trace.pack.names) }}</p>
      <p>
        <span class="lot"><SpeciesMark :of="trace.pack.species" /></span> of
        <RouterLink :to="{ name: 'pack', params: { id: trace.pack.lot } }">{{ trace.pack.tag }}</RouterLink>,
        one of {{ sisters }} packs that are there.
      </p>
      <p :class="{ bad: trace.pack.state !== 'here' }">
        {{ STATES[trace.pack.state] }}
        <template v-if="trace.pack.state === 'void' && why">{{ why }}.</template>
        <template v-for="p in into" :key="p.id">
          Of it came
          <RouterLink :to="{ name: 'trace', params: { number: p.number! } }"
            >{{ p.packs === 1 ? 'pack' : `${p.packs} packs from` }} {{ p.number }}</RouterLink
          >. </template
        ><template v-if="trace.pack.state === 'here'">{{
          trace.pack.place ? `It lies in ${trace.pack.place}.` : 'Nobody said where it lies.'
        }}</template>
      </p>
      <p v-if="weighIn?.outOf">
        Made of
        <template v-for="(n, i) in weighIn.outOf" :key="n"
          >{{ i > 0 ? ', ' : ''
          }}<RouterLink :to="{ name: 'trace', params: { number: n } }">pack {{ n }}</RouterLink></template
        >.
      </p>
      <template v-if="trace.pack.state === 'here'">
        <form class="row" novalidate @submit.prevent="put">
          <div class="field">
            <label for="put-place">Put it in</label>
            <InputText
              id="put-place"
              v-model="place"
              autocomplete="off"
              :invalid="issues.some((i) => i.field === 'place')"
            />
          </div>
          <Button type="submit" outlined label="It lies there now" />
        </form>
        <FieldIssues :issues="issues" />
        <div class="row">
          <Button outlined icon="pi pi-print" label="Label again" @click="print" />
          <Button
            v-if="!farm.isFloor"
            outlined
            icon="pi pi-file-pdf"
            label="Trace on paper"
            @click="take('trace', 'pdf', 1, { packs: [trace.pack.number] })"
          />
          <Button
            v-if="!farm.isFloor"
            text
            label="All packs of the animal, on paper"
            @click="take('trace', 'pdf')"
          />
        </div>
        <FieldIssues :issues="paperIssues" />
      </template>
      <template v-if="trace.events.length > 0">
        <h3>Since it was packed</h3>
        <ul>
          <li v-for="e in trace.events" :key="e.id">
            {{ e.at.slice(0, 10) }} {{ e.what === 'put' ? `put in ${e.place}` : 'label printed' }}
          </li>
        </ul>
      </template>
    </section>
    <section class="stack" data-testid="trace">
      <p v-if="!sections" class="muted" role="status">Reading the animal’s records…</p>
      <template v-for="s in sections ?? []" v-else :key="s.heading">
        <div class="pane-head">
          <h2>{{ s.heading }}</h2>
        </div>
        <dl>
          <template v-for="(r, i) in s.rows" :key="i">
            <dt>{{ r.name }}</dt>
            <dd>{{ r.says }}</dd>
          </template>
        </dl>
      </template>
    </section>
  </div>
</template>

<style scoped>
.two {
  display: grid;
  grid-template-columns: minmax(300px, 5fr) minmax(0, 7fr);
  gap: 2rem;
  align-items: start;
}
.what {
  font: 700 1.4rem var(--head);
  display: grid;
}
.what b {
  font-size: 3rem;
  line-height: 1.1;
}
.lot {
  display: inline-flex;
  vertical-align: middle;
}
.row {
  align-items: end;
  flex-wrap: wrap;
}
dl {
  display: grid;
  grid-template-columns: minmax(110px, max-content) minmax(0, 1fr);
  gap: 0.15rem 1rem;
  margin: 0;
}
dt {
  font-weight: 600;
}
dd {
  margin: 0;
}
ul {
  margin: 0;
  padding-left: 1.1rem;
}
@media (max-width: 900px) {
  .two {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
