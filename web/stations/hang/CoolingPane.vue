<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { computed, ref } from 'vue'
import { kg } from '#core/measure'
import { coldLogOf } from '#core/plan'
import { FACTS, TEMP_PLACES, type TempPlace, TEMP_WORDS } from '#core/records'
import { cautionAt, coolingOf, tooWarmToFreeze } from '#core/rules'
import CautionNote from '../../pieces/CautionNote.vue'
import PickField from '../../pieces/PickField.vue'
import FieldIssues from '../../pieces/FieldIssues.vue'
import { issuesOf } from '../../state/api.ts'
import { asInstant, asLocal, nowLocal } from '../../state/deviceTime.ts'
import { useInstruments } from '../../state/instruments.ts'
import { useReading } from '../../state/lot.ts'
import { useForm } from '../../state/form.ts'
import { useTyped } from '../../state/typed.ts'
import RuleList from './RuleList.vue'

/** Temperatures, typed or by the probe, against the rules of cooling. */
const { read, body, note, withdraw, state } = useReading()
const { typedLater } = useTyped()
const { hasProbe, readProbe } = useInstruments()
const species = computed(() => body.value.anatomy.species)
const log = computed(() => coldLogOf(read.value.plan))
const each = computed(() => kg((read.value.weights?.hot ?? 0) / read.value.count))
const cooling = computed(() => coolingOf(species.value, each.value, log.value.readings))
const warm = computed(() => tooWarmToFreeze(log.value.readings))
const places = TEMP_PLACES.map((v) => ({ v, w: TEMP_WORDS[v] }))
const {
  typed: temp,
  issues,
  at,
  keep,
} = useForm(
  'temperature',
  FACTS.temperature.fields,
  () => ({ c: '', where: 'deep' as TempPlace, at: nowLocal() }),
  { stays: ['where', 'at'] },
)
const source = ref<'typed' | 'probe'>('typed')
async function ask() {
  issues.value = []
  const since = log.value.hungAt ? (Date.now() - Date.parse(log.value.hungAt)) / 3_600_000 : 0
  const answer = await readProbe(Math.min(400, Math.max(0, since)), Math.max(0.5, each.value / 2))
  if (answer.kind !== 'ok') return void (issues.value = issuesOf(answer))
  temp.c = String(answer.body[temp.where])
  temp.at = nowLocal()
  source.value = 'probe'
}
const keepTemp = keep(({ c, at: when }) => {
  note({ ...{ kind: 'temperature', where: temp.where, c }, source: source.value, at: asInstant(when) })
  source.value = 'typed'
})
const rows = computed(() => read.value.plan.temperatures.toSorted((a, b) => (a.at < b.at ? 1 : -1)))
</script>

<template>
  <div class="pane-head"><h2>How it cools</h2></div>
  <p v-if="!log.hungAt" class="muted">
    Say when it was hung, or the day of its kill: the rules count from there.
  </p>
  <RuleList v-else :rules="cooling" data-testid="cooling" />
  <p v-if="log.assumed && log.readings.length > 0" class="muted">
    Counted from noon of {{ read.plan.killed }}: write down the hour it was hung, and they are exact.
  </p>
  <p v-if="warm" class="caution" role="note">
    <i class="pi pi-exclamation-triangle" aria-hidden="true" />
    <span>Its middle is at {{ warm.c }} °C: too warm to freeze. Freeze it at 7 °C (45 °F) or less.</span>
  </p>
  <CautionNote>{{ cautionAt('chill', species) }}</CautionNote>
  <form class="temps" novalidate aria-label="A temperature" @submit.prevent="keepTemp">
    <div class="field">
      <label for="temp-c">Temperature</label>
      <InputText
        id="temp-c"
        v-model="temp.c"
        autocomplete="off"
        :invalid="at('c').length > 0"
        @input="source = 'typed'"
      />
    </div>
    <PickField id="temp-where" v-model="temp.where" label="Where" :options="places" />
    <div class="field">
      <label for="temp-at">When</label>
      <input id="temp-at" v-model="temp.at" type="datetime-local" class="p-inputtext p-component" />
    </div>
    <div class="row">
      <Button type="submit" label="Write it down" />
      <Button v-if="hasProbe" outlined label="Read the probe" @click="ask" />
    </div>
  </form>
  <FieldIssues :issues="issues" />
  <table v-if="rows.length > 0" class="plain" data-testid="temps">
    <tbody>
      <tr v-for="t in rows" :key="t.id">
        <td class="nowrap">{{ asLocal(t.at).replace('T', ' ') }}</td>
        <td class="right nowrap">
          <b>{{ t.c }} °C</b>
        </td>
        <td>
          {{ TEMP_WORDS[t.where]
          }}<template v-if="typedLater(t.id, t.at)"
            ><br /><small class="muted">written down {{ typedLater(t.id, t.at) }}</small></template
          >
        </td>
        <td class="muted">
          {{ t.source === 'probe' ? 'by probe' : 'typed' }}
        </td>
        <td>
          <Button
            text
            size="small"
            label="Withdraw"
            :aria-label="`Withdraw ${t.c} °C`"
            @click="withdraw(...state!.facts.filter((f) => f.id === t.id))"
          />
        </td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
.temps {
  display: grid;
  grid-template-columns: 7rem 1fr 1fr;
  gap: 0.5rem;
  align-items: end;
}
.temps .row {
  grid-column: 1 / -1;
}
@media (max-width: 900px) {
  .temps {
    grid-template-columns: 1fr 1fr;
  }
}
</style>
