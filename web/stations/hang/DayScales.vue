<script setup lang="ts">
import { computed } from 'vue'
import { inForce } from '#core/records'
import { cautionAt } from '#core/rules'
import CautionNote from '../../pieces/CautionNote.vue'
import { useReading } from '../../state/lot.ts'
import DaysHung from './DaysHung.vue'
import WeightEntry from './WeightEntry.vue'

/** The scales of the day in their order, hung from the rail, and what goes from each to the next. */
const { read, body, hangs, state } = useReading()
const isBird = computed(() => body.value.anatomy.map.kind === 'laid')
const hot = computed(() => (hangs.value.as === 'whole' ? 'Hot carcass weight' : 'Weight on the hook, hot'))
const PLATES = computed<{ stage: 'live' | 'hot' | 'hanging'; label: string }[]>(() => {
  if (hangs.value.as === 'part') return [{ stage: 'hanging', label: 'Weight as it came' }]
  return [
    ...(hangs.value.as === 'whole' ? [{ stage: 'live' as const, label: 'Live weight' }] : []),
    { stage: 'hot', label: isBird.value ? 'Weight after dressing' : hot.value },
    { stage: 'hanging', label: isBird.value ? 'Weight after chilling' : 'Hanging weight' },
  ]
})
const weighed = computed(() => new Set(inForce(state.value!.weighings).map((w) => w.stage)))
/** The first one after the last that was read; the first of all where none was. */
const now = computed(() => {
  const last = PLATES.value.findLastIndex((p) => weighed.value.has(p.stage))
  return PLATES.value[last + 1]?.stage ?? null
})
const at = (id: string) => read.value.stages.find((s) => s.id === id)
/** What the next scale shows less, and what it is that goes. */
const between = (i: number) => {
  const [a, b] = [at(PLATES.value[i]!.stage), at(PLATES.value[i + 1]?.stage ?? '')]
  if (!a || !b) return null
  const change = 100 * (b.kg / a.kg - 1)
  const what =
    PLATES.value[i]!.stage === 'live'
      ? 'fasting, blood, hide or feathers, guts'
      : change > 0
        ? 'water taken up'
        : 'drying'
  return { figure: `${change > 0 ? '+' : '−'}${Math.abs(change).toFixed(1)} %`, what }
}
</script>

<template>
  <section aria-label="The scales of the day">
    <div class="beam" aria-hidden="true" />
    <div class="plates" :style="{ '--plates': PLATES.length }">
      <template v-for="(p, i) in PLATES" :key="p.stage">
        <div class="stack">
          <WeightEntry :stage="p.stage" :label="p.label" :now="now === p.stage">
            <DaysHung v-if="p.stage === 'hanging' && hangs.as !== 'part'" />
          </WeightEntry>
          <CautionNote v-if="p.stage === 'live'">{{
            cautionAt('slaughter', body.anatomy.species)
          }}</CautionNote>
          <CautionNote v-if="p.stage === 'hot'">{{ cautionAt('chill', body.anatomy.species) }}</CautionNote>
        </div>
        <p v-if="i < PLATES.length - 1" class="loss">
          <template v-if="between(i)"
            ><b>{{ between(i)!.figure }}</b> <small class="muted">{{ between(i)!.what }}</small></template
          >
        </p>
      </template>
    </div>
  </section>
</template>

<style scoped>
.beam {
  height: 8px;
  background: var(--ink);
  margin-bottom: 16px;
}
.plates {
  display: grid;
  grid-template-columns: repeat(calc(var(--plates) - 1), minmax(0, 1fr) 7rem) minmax(0, 1fr);
  align-items: start;
}
.loss {
  display: grid;
  justify-items: center;
  text-align: center;
  padding: 1.6rem 0.4rem 0;
}
.loss b {
  font: 700 1.1rem var(--head);
}
@media (max-width: 760px) {
  .plates {
    grid-template-columns: minmax(0, 1fr);
    gap: 0.4rem;
  }
  .loss {
    padding: 0;
    justify-items: start;
    display: flex;
    gap: 0.5rem;
  }
}
</style>
