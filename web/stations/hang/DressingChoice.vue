<script setup lang="ts">
import { parseWhole } from '#core/measure'
import { sayIssue } from '#contracts/said'
import InputText from 'primevue/inputtext'
import SelectButton from 'primevue/selectbutton'
import { computed, ref } from 'vue'
import { chainUnder } from '#core/carcass'
import { conventionsOf } from '#core/plan'
import FieldIssues from '../../pieces/FieldIssues.vue'
import { fieldIssue, type FieldIssue } from '../../state/api.ts'
import { useReading } from '../../state/lot.ts'
import { useWords } from '../../state/words.ts'

/** How the animal was dressed: each is a door, and moves the dressing; what was not said is as usual. */
const { read, note, body } = useReading()
const words = useWords()
const anatomy = computed(() => body.value.anatomy)
const conventions = computed(() => conventionsOf(anatomy.value, read.value.plan.conventions))
const dressingAs = (conventions: Record<string, boolean>) =>
  chainUnder(anatomy.value, conventions, read.value.plan.type).dressing
const dressing = computed(() => dressingAs(read.value.plan.conventions))
/** What the other state of a door moves. */
const moves = (id: string, is: boolean) => {
  const by = 100 * (dressingAs({ ...read.value.plan.conventions, [id]: !is }).mean - dressing.value.mean)
  return Math.abs(by) < 0.05
    ? ''
    : `the other moves the dressing by ${words.change(Number(by.toFixed(1)), 'points')}`
}
const issues = ref<FieldIssue[]>([])

function say(target: string, value: boolean | null) {
  if (value !== null) note({ kind: 'observation', what: 'dressing', of: target, value })
}
/** Reads the number of ribs, or says at the field what would be right. */
function count(event: Event, low: number, high: number, now: number) {
  const out = parseWhole((event.target as HTMLInputElement).value, 'ribs', { low, high })
  issues.value = out.ok
    ? []
    : [fieldIssue('ribs', `${sayIssue(out.issues[0]!)} Count again from the first rib.`)]
  if (out.ok && out.value !== now) note({ kind: 'observation', what: 'ribs', value: out.value })
}
</script>

<template>
  <div class="grid">
    <template v-for="{ convention: c, is } in conventions" :key="c.id">
      <span>{{ words.name(c.names) }}</span>
      <div>
        <SelectButton
          :model-value="is"
          :options="[
            { v: c.usual, w: c.usual ? c.on : c.off },
            { v: !c.usual, w: c.usual ? c.off : c.on },
          ]"
          option-label="w"
          option-value="v"
          size="small"
          :aria-label="words.name(c.names)"
          @update:model-value="say(c.id, $event)"
        />
        <small class="muted says">{{ is === c.usual ? moves(c.id, is) : c.says }}</small>
      </div>
    </template>
    <template v-if="anatomy.ribs">
      <label for="ribs">Ribs counted</label>
      <span class="row">
        <InputText
          id="ribs"
          :model-value="String(read.plan.ribs ?? anatomy.ribs.usual)"
          size="small"
          inputmode="numeric"
          style="width: 4rem"
          @change="count($event, anatomy.ribs.low, anatomy.ribs.high, read.plan.ribs ?? anatomy.ribs.usual)"
        />
        <small class="muted"
          >{{ anatomy.ribs.low }} to {{ anatomy.ribs.high }} occur; count from the first one</small
        >
      </span>
    </template>
  </div>
  <FieldIssues :issues="issues" />
  <p class="muted">
    Dressing expected: {{ (dressing.mean * 100).toFixed(1) }} ± {{ (dressing.sd * 100).toFixed(1) }} % of
    fasted live weight.
  </p>
</template>

<style scoped>
.grid {
  display: grid;
  grid-template-columns: 7.5rem 1fr;
  gap: 0.5rem;
  align-items: center;
  font-weight: 600;
}
.says {
  display: block;
  font-weight: 400;
  margin-top: 0.2rem;
}
.grid small {
  font-weight: 400;
}
</style>
