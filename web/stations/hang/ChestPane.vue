<script setup lang="ts">
import Button from 'primevue/button'
import Checkbox from 'primevue/checkbox'
import { computed } from 'vue'
import { FACTS } from '#core/records'
import { coldLogOf } from '#core/plan'
import { chestOf } from '#core/rules'
import TextField from '../../pieces/TextField.vue'
import { asInstant, asLocal, nowLocal } from '../../state/deviceTime.ts'
import { useReading } from '../../state/lot.ts'
import { useForm } from '../../state/form.ts'
import RuleList from './RuleList.vue'

/** No cooler: cut with no days hung, or quartered in drained chests, where ice is filled up and written down each time. */
const { read, note, withdraw, decide, state } = useReading()
const {
  typed: ice,
  at,
  keep,
} = useForm('icing', FACTS.icing.fields, () => ({ at: nowLocal(), mass: '', drained: true }), {
  stays: ['drained'],
})
const chilled = computed(() => read.value.plan.acceptance?.chilled ?? 'cooler')
const rows = computed(() => read.value.plan.icings.toSorted((a, b) => (a.at < b.at ? 1 : -1)))
const isChest = computed(() => chilled.value === 'chest' || rows.value.length > 0)
/** Until it is cut it is judged now. */
const rules = computed(() => {
  const { hungAt, icings } = coldLogOf(read.value.plan)
  if (!hungAt) return []
  const first = state.value!.packs.map((p) => Date.parse(p.at)).toSorted((a, b) => a - b)[0] ?? Date.now()
  return chestOf(icings, Math.max(0, (first - Date.parse(hungAt)) / 3_600_000))
})
const fill = keep(({ at: when, mass }) => {
  note({ kind: 'icing', at: asInstant(when), shown: mass, drained: ice.drained })
})
</script>

<template>
  <details class="ice" :open="isChest">
    <summary><b>No cooler?</b></summary>
    <p>
      Cut as soon as body heat is gone, with zero days hung; or quarter it into drained chests, ice over and
      between, and fill ice up twice a day: two to four days. Below 4 °C (40 °F) in the middle, or it is not
      kept.
    </p>
    <p class="row">
      <Button
        outlined
        size="small"
        label="No days hung"
        @click="decide({ field: 'days', target: 'lot', side: 'animal', value: 0 })"
      />
    </p>
    <h3>In iced chests</h3>
    <RuleList v-if="isChest && rules.length > 0" :rules="rules" data-testid="chest" />
    <form class="fill" novalidate aria-label="Ice filled up" @submit.prevent="fill">
      <TextField id="ice-at" v-model="ice.at" type="datetime-local" label="Filled up at" :issues="at('at')" />
      <TextField id="ice-mass" v-model="ice.mass" label="Ice, if weighed" :issues="at('mass')" />
      <label class="tick"
        ><Checkbox v-model="ice.drained" binary input-id="ice-drained" /> water let off</label
      >
      <Button type="submit" outlined label="Ice filled up" />
    </form>
    <table v-if="rows.length > 0" class="plain" data-testid="icings">
      <tbody>
        <tr v-for="t in rows" :key="t.id">
          <td class="nowrap">{{ asLocal(t.at).replace('T', ' ') }}</td>
          <td>{{ t.shown ? `${t.shown.value} ${t.shown.unit}` : 'not weighed' }}</td>
          <td>{{ t.drained ? 'water let off' : 'water left in' }}</td>
          <td>
            <Button
              text
              size="small"
              label="Withdraw"
              :aria-label="`Withdraw the ice of ${asLocal(t.at).replace('T', ' ')}`"
              @click="withdraw(...state!.facts.filter((f) => f.id === t.id))"
            />
          </td>
        </tr>
      </tbody>
    </table>
  </details>
</template>

<style scoped>
summary {
  cursor: pointer;
  min-height: 44px;
  padding: 0.5rem 0;
}
h3 {
  margin: 0.8rem 0 0.4rem;
}
.fill {
  display: grid;
  grid-template-columns: 1.4fr 1fr;
  gap: 0.5rem;
  align-items: end;
  margin: 0.5rem 0;
}
</style>
