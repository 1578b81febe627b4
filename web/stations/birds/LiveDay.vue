<script setup lang="ts">
import Button from 'primevue/button'
import { computed, reactive } from 'vue'
import { sayClock } from '#core/clock'
import type { DayForecast, Likely } from '#core/line'
import type { LineStationId } from '#core/records'
import PickField from '../../pieces/PickField.vue'
import TextField from '../../pieces/TextField.vue'
import { fieldIssue, type FieldIssue } from '../../state/api.ts'
import { useFloorMode } from '../../state/floorMode.ts'
import { ref } from 'vue'
import { STILL_DOWN, type useBirdDay } from './birdDay.ts'

/** The day as it goes: birds ticked off as they are laid in the ice, a machine that stands still, one that came dead. Each tap tells the finish anew. */
const { day, told, finish } = defineProps<{
  day: ReturnType<typeof useBirdDay>
  told: DayForecast | null
  finish: Likely | null
}>()
const { line, counted, begun, iced, stops, note, correct, withdraw, state } = day
const { floor } = useFloorMode()
const left = computed(() => Math.max(0, line.value.birds - counted.value))
const now = () => new Date().toISOString()
const tick = (animals: number) => note({ kind: 'passed', station: 'chill', animals, when: now() })
/** Begun on another day than was planned, that day is the day. */
function begin() {
  if (!day.isToday.value) day.change({ day: day.today.value })
  note({ kind: 'passed', station: 'catch', animals: 1, when: now() })
}
const factOf = (id: string) => state.value!.facts.filter((f) => f.id === id)
const takeBack = () => withdraw(...factOf(iced.value.at(-1)!.id))
const down = computed(() => stops.value.filter((s) => s.until === null))
const wordOf = (id: string) => line.value.stations.find((s) => s.id === id)?.word ?? id
const fresh = reactive({ station: 'pluck' as LineStationId, why: '' })
const stations = computed(() =>
  line.value.stations.filter((s) => !s.off).map((s) => ({ v: s.id, w: s.word })),
)
const issues = ref<FieldIssue[]>([])
function stands() {
  issues.value = fresh.why.trim() ? [] : [fieldIssue('why', 'What is wrong with it? A word is enough.')]
  if (issues.value.length > 0) return
  note({ kind: 'stopped', station: fresh.station, from: now(), until: null, why: fresh.why.trim() })
  fresh.why = ''
}
function runsAgain(id: string) {
  const [row] = factOf(id)
  if (row?.fact.kind === 'stopped') correct(row, { ...row.fact, until: now() })
}
const came = () => note({ kind: 'loss', day: day.today.value, animals: 1, cause: 'arrived-dead' })
</script>

<template>
  <section class="live" :class="{ large: floor }" aria-label="The day as it goes" data-testid="live">
    <div v-if="begun === null && counted === 0" class="row">
      <Button size="large" label="We begin now" icon="pi pi-play" @click="begin" />
      <span class="muted"
        >planned for {{ line.plan.begins
        }}{{ day.isToday.value ? '' : ` on ${line.plan.day}: it becomes today` }}</span
      >
    </div>
    <template v-else>
      <p class="count" role="status">
        <b data-testid="counted">{{ counted }}</b> of {{ line.birds }} in the ice
      </p>
      <p v-if="finish && left > 0" class="when" data-testid="told-anew">
        last about <b class="estimate">{{ sayClock(finish.middle) }}</b
        ><span v-if="finish.range" class="muted"
          >, likely {{ sayClock(finish.range.low) }}–{{ sayClock(finish.range.high) }}</span
        >
      </p>
      <p v-else-if="left === 0" class="when good" data-testid="all-iced">
        <i class="pi pi-check-circle" aria-hidden="true" /> All are in the ice.
      </p>
      <div class="keys">
        <Button
          v-for="n in [1, 2, 5]"
          :key="n"
          :disabled="left < n"
          :label="`+${n} in the ice`"
          @click="tick(n)"
        />
        <Button outlined :disabled="iced.length === 0" label="Take the last back" @click="takeBack" />
        <Button outlined label="One came dead" @click="came" />
      </div>
      <p v-for="s in down" :key="s.id" class="caution" role="status">
        <i class="pi pi-exclamation-triangle" aria-hidden="true" />
        <span
          ><b>{{ wordOf(s.station) }} stands still</b> since {{ sayClock(s.minute) }}: {{ s.why }}. Counted as
          {{ STILL_DOWN }} minutes more. <Button size="small" label="Runs again" @click="runsAgain(s.id)"
        /></span>
      </p>
      <form class="fields" novalidate aria-label="A machine stands still" @submit.prevent="stands">
        <PickField id="stop-station" v-model="fresh.station" label="Stands still" :options="stations" />
        <TextField id="stop-why" v-model="fresh.why" class="wide" label="Why" :issues="issues" />
        <Button type="submit" outlined label="It stands still" />
      </form>
      <ul v-if="told && told.pickups.length > 0" class="muted">
        <li v-for="p in told.pickups" :key="p.who + p.at">
          {{ p.who }} at {{ sayClock(p.at) }}: {{ Math.round(100 * p.chance) }} % ready
        </li>
      </ul>
    </template>
  </section>
</template>

<style scoped>
.live {
  display: grid;
  gap: 0.6rem;
  padding: 0.7rem 0.9rem;
  background: var(--sheet);
  border: 1px solid var(--rule-strong);
}
.count b {
  font: 700 2.2rem var(--head);
}
.keys {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
}
.keys :deep(.p-button) {
  min-height: 56px;
}
.large .count b {
  font-size: 84px;
  line-height: 1;
}
.large .when {
  font-size: 1.6rem;
}
.large .keys {
  display: grid;
  grid-template-columns: repeat(3, 1fr);
}
.large .keys :deep(.p-button) {
  min-height: 84px;
  font-size: 1.3rem;
}
ul {
  margin: 0;
  padding-left: 1.1rem;
}
</style>
