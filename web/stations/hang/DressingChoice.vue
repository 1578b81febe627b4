<script setup lang="ts">
import { sayIssue } from '#core/measure'
import InputText from 'primevue/inputtext'
import SelectButton from 'primevue/selectbutton'
import { computed, ref } from 'vue'
import { chainUnder } from '#core/carcass'
import { conventionsOf } from '#core/plan'
import FieldIssues from '../../pieces/FieldIssues.vue'
import type { FieldIssue } from '../../state/api.ts'
import { useReading } from '../../state/lot.ts'
import { useWords } from '../../state/words.ts'

/** How the animal was dressed: each is a door, and moves the dressing; what was not said is as usual. */
const { read, decide, note, body } = useReading()
const words = useWords()
const lot = { target: 'lot', side: 'animal' } as const
const anatomy = computed(() => body.value.anatomy)
const conventions = computed(() => conventionsOf(anatomy.value, read.value.plan.conventions))
const dressing = computed(
  () => chainUnder(anatomy.value, read.value.plan.conventions, read.value.plan.type).dressing,
)
const issues = ref<FieldIssue[]>([])
const kind = computed(() => words.name(anatomy.value.names).toLowerCase())

function say(target: string, value: boolean | null) {
  if (value !== null) note({ kind: 'observation', what: 'dressing', of: target, value })
}
/** Reads a whole number in a field, or says at the field what would be right. */
function whole(event: Event, field: 'days' | 'ribs', low: number, high: number, usual: string, now: number) {
  const typed = (event.target as HTMLInputElement).value.trim()
  const value = Number(typed)
  const right = typed !== '' && Number.isInteger(value) && value >= low && value <= high
  issues.value = right
    ? []
    : [{ field, detail: `“${typed}” is not a number from ${low} to ${high}. ${usual}`, confirmable: false }]
  if (!right || value === now) return
  if (field === 'ribs') note({ kind: 'observation', what: 'ribs', value })
  else decide({ field, ...lot, value })
}
/** A way that today's figures no longer have is said by its id: a name is all it has lost. */
const wayName = (id: string) => {
  const path = anatomy.value.paths.find((p) => p.id === id)
  return path ? words.name(path.names) : id
}
const dropped = computed(() =>
  read.value.plan.dropped.map((d) => ({
    ...d,
    name: words.name(anatomy.value.parts.find((p) => p.id === d.part)!.names),
    way: wayName(d.path),
    reason: sayIssue(d.issue, words.says.value),
  })),
)
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
        <small v-if="is !== c.usual" class="muted says">{{ c.says }}</small>
      </div>
    </template>
    <label for="days">Days hung</label>
    <InputText
      id="days"
      :model-value="String(read.plan.days)"
      size="small"
      inputmode="numeric"
      style="width: 4rem"
      @change="
        whole(
          $event,
          'days',
          0,
          60,
          `A ${kind} usually hangs ${anatomy.chain.days.low} to ${anatomy.chain.days.high}.`,
          read.plan.days,
        )
      "
    />
    <template v-if="anatomy.ribs">
      <label for="ribs">Ribs counted</label>
      <span class="row">
        <InputText
          id="ribs"
          :model-value="String(read.plan.ribs ?? anatomy.ribs.usual)"
          size="small"
          inputmode="numeric"
          style="width: 4rem"
          @change="
            whole(
              $event,
              'ribs',
              anatomy.ribs.low,
              anatomy.ribs.high,
              'Count again from the first rib.',
              read.plan.ribs ?? anatomy.ribs.usual,
            )
          "
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
  <div v-for="d in dropped" :key="d.part + d.side" class="caution">
    <i class="pi pi-info-circle" aria-hidden="true" />
    <span
      >{{ d.name }} ({{ d.side }}): “{{ d.way }}” can no longer be had. {{ d.reason }} It goes back to the
      usual way.</span
    >
  </div>
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
