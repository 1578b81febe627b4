<script setup lang="ts">
import Select from 'primevue/select'
import { computed } from 'vue'
import { canBeHeld, holdPart, inOnePiece } from '#core/plan'
import { HOLD_WORDS } from '#core/reading'
import { HOLDS, type Hold } from '#core/records'
import { keepingOf } from '#core/rules'
import { useReading } from '../../state/lot.ts'
import { useWords } from '../../state/words.ts'

/** A part that is not cut today: left uncut, or kept for another day. */
const { body, central: read, part, sidesOf, decide } = useReading()
const words = useWords()

const TODAY = 'today'
const OPTIONS = [{ v: TODAY, w: 'cut today' }, ...HOLDS.map((v) => ({ v, w: HOLD_WORDS[v] }))]
const name = computed(() => words.name(body.value.anatomy.parts.find((p) => p.id === part.value)!.names))
const sides = computed(() => sidesOf(part.value))
const can = computed(
  () =>
    canBeHeld(body.value.anatomy, part.value) &&
    sides.value.some((side) => read.value.cutting.slot(part.value, side)?.holds),
)
const holds = computed(() => sides.value.map((side) => read.value.plan.held.get(part.value, side) ?? null))
const differ = computed(() => new Set(holds.value).size > 1)
const now = computed(() => (differ.value ? null : (holds.value[0] ?? TODAY)))
const keeping = computed(() => keepingOf(body.value.anatomy.species))
const isDone = computed(() => sides.value.some((side) => read.value.plan.steps.get(part.value, side)))
/** One side of what hangs unsplit is not held without the other. */
const isJoined = computed(
  () =>
    sides.value.length < 2 &&
    sides.value[0] !== 'animal' &&
    inOnePiece(body.value.anatomy, read.value.plan, part.value),
)
function take(value: Hold | typeof TODAY) {
  const { anatomy } = body.value
  decide(
    ...holdPart(
      anatomy,
      read.value.plan.choices.paths,
      part.value,
      sides.value,
      value === TODAY ? null : value,
    ),
  )
}
</script>

<template>
  <section v-if="can" class="hold" :aria-label="`When the ${name} is cut`">
    <b>When</b>
    <Select
      :model-value="now"
      :options="OPTIONS"
      option-label="w"
      option-value="v"
      placeholder="the sides differ"
      size="small"
      data-testid="hold"
      :disabled="isDone || isJoined"
      :aria-label="`When the ${name} is cut, or what becomes of it uncut`"
      @update:model-value="take($event)"
    />
    <small v-if="isDone" class="muted">It is ticked off as cut.</small>
    <small v-else-if="isJoined" class="muted"
      >The carcass hangs unsplit: both sides of it are held, or none.</small
    >
    <small v-else-if="now === 'chilled' || now === 'later'" class="care"
      >At or below 4 °C (40 °F); in a home refrigerator {{ keeping.chilled }}, then cut and eat or freeze
      it.</small
    >
    <small v-else-if="now === 'frozen'" class="care"
      >At or below −18 °C (0 °F); best within {{ keeping.frozen }}. It is thawed in the cold before it is
      cut.</small
    >
    <small v-else-if="now === 'taken'" class="muted">It brings no money; it bears its weight and cost.</small>
  </section>
</template>

<style scoped>
.hold {
  display: flex;
  flex-wrap: wrap;
  gap: 0.4rem;
  align-items: center;
  padding: 0.3rem 0;
  border-top: 1px solid var(--rule);
}
b {
  min-width: 7rem;
}
small {
  flex-basis: 100%;
}
.care {
  color: var(--caution);
  font-weight: 600;
}
</style>
