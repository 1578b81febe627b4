<script setup lang="ts">
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { kg } from '#core/measure'
import { heldMass, type StageFigure } from '#core/reading'
import { useLot } from '../state/lot.ts'
import { useWords } from '../state/words.ts'
import CoverFlag from './CoverFlag.vue'

const STEPS: { id: StageFigure['id']; word: string; station: string; empty: string }[] = [
  { id: 'live', word: 'Live', station: 'hang', empty: 'not weighed' },
  { id: 'hot', word: 'Hot', station: 'hang', empty: 'not weighed' },
  { id: 'hanging', word: 'Hanging', station: 'hang', empty: 'not weighed' },
  { id: 'cut', word: 'Cut', station: 'block', empty: 'nothing to cut' },
  { id: 'packed', word: 'Packed', station: 'pack', empty: 'nothing packed' },
]
const route = useRoute()
const { reading, hangs, isDrawn } = useLot()
/** Only a whole animal was weighed alive; a part that came in a box never hung. */
const has = (id: StageFigure['id']) => {
  if (id === 'live') return hangs.value.as === 'whole'
  if (id === 'hot')
    return (
      hangs.value.as === 'whole' ||
      (hangs.value.as !== 'part' && reading.value?.stages.some((s) => s.id === 'hot'))
    )
  return (reading.value?.plan.verdict.food ?? true) || id === 'hanging'
}
const words = useWords()
const stages = computed(() =>
  STEPS.filter((step) => has(step.id)).map((step) => ({
    ...step,
    word: step.id === 'hanging' && hangs.value.as === 'part' ? 'As it came' : step.word,
    figure: reading.value?.stages.find((s) => s.id === step.id) ?? null,
  })),
)
const full = computed(() =>
  Math.max(0, ...(reading.value?.stages.flatMap((s) => [s.kg, s.range?.high ?? 0]) ?? [])),
)
const at = (kg: number) => `${(100 * kg) / full.value}%`
const spoken = (s: (typeof stages.value)[number]) =>
  s.figure
    ? `${words.known(s.figure.kg, s.figure.range)}, ${s.figure.weighed ? 'weighed' : `estimate${s.figure.range ? `, likely ${words.massRange(s.figure.range)}` : ''}`}`
    : s.empty
const held = computed(() => (reading.value ? heldMass(reading.value) : kg(0)))
/** How a figure is known: weighed, or how far it may lie off, which takes a moment to draw. */
const known = ({ range, weighed }: StageFigure): string => {
  if (weighed) return 'weighed'
  if (range) return words.massRange(range)
  return isDrawn.value ? 'estimate' : 'likely range…'
}
/** Below a step: how it is known, and what of the cut is held. */
const under = (s: (typeof stages.value)[number]) =>
  [s.figure ? known(s.figure) : '', s.id === 'cut' && held.value > 0 ? `${words.mass(held.value)} held` : '']
    .filter(Boolean)
    .join(' · ')
/** Notches: what went between a step and the one before it. */
const lost = (i: number) => {
  const [before, now] = [stages.value[i - 1]?.figure, stages.value[i]?.figure]
  if (!before || !now || stages.value[i]!.id === 'packed') return ''
  const percent = 100 * (now.kg / before.kg - 1)
  return `${percent > 0 ? '+' : '−'}${Math.abs(percent).toFixed(1)} %`
}
</script>

<template>
  <nav class="stair" aria-label="Weights and stations" :style="{ '--stops': stages.length }">
    <RouterLink
      v-for="(s, i) in stages"
      :key="s.id"
      :to="{ name: s.station }"
      class="step"
      tabindex="-1"
      :class="{ here: route.name === s.station, weighed: s.figure?.weighed, none: !s.figure }"
      :title="`${s.word}: ${spoken(s)}`"
      :data-stage="s.id"
    >
      <span class="word">{{ s.word }} <small v-if="lost(i)" class="notch">{{ lost(i) }}</small></span>
      <span v-if="s.figure" class="weight"
        ><span :class="{ estimate: !s.figure.weighed }">{{
          words.known(s.figure.kg, s.figure.range)
        }}</span></span
      >
      <span v-else class="muted">{{ s.empty }}</span>
      <span class="track">
        <span v-if="s.figure" class="bar" :style="{ width: at(s.figure.kg) }" />
        <span
          v-if="s.figure?.range"
          class="whisker"
          :style="{ left: at(s.figure.range.low), width: at(s.figure.range.high - s.figure.range.low) }"
        />
      </span>
      <small class="under muted">{{ under(s) }}</small>
    </RouterLink>
    <CoverFlag />
  </nav>
</template>

<style scoped>
.stair {
  display: grid;
  grid-template-columns: repeat(var(--stops), minmax(0, 1fr)) minmax(190px, 1.15fr);
  border-bottom: 1px solid var(--rule-strong);
  background: var(--sheet);
}
.step {
  display: grid;
  grid-template-rows: auto 1.75rem 13px 1.2rem;
  padding: 0.3rem 0.7rem 0.1rem;
  color: var(--ink);
  text-decoration: none;
  border-right: 1px solid var(--rule);
  min-width: 0;
}
.step:hover {
  background: #fff;
}
.word {
  font-weight: 600;
  font-size: 0.92rem;
  display: flex;
  justify-content: space-between;
}
.notch {
  font-weight: 400;
  color: var(--muted);
}
.weight {
  font-size: 1.25rem;
  white-space: nowrap;
}
.track {
  position: relative;
  background: linear-gradient(var(--rule), var(--rule)) bottom / 100% 1px no-repeat;
}
.bar {
  position: absolute;
  left: 0;
  top: 1px;
  bottom: 1px;
  background: #eaddc6;
  border: 1px dashed #8a7452;
  transition: width 0.2s;
}
.weighed .bar {
  background: var(--ink);
  border: 1px solid var(--ink);
}
.whisker {
  position: absolute;
  top: 6px;
  height: 2px;
  background: var(--accent);
}
.whisker::before,
.whisker::after {
  content: '';
  position: absolute;
  top: -3px;
  height: 8px;
  width: 2px;
  background: var(--accent);
}
.whisker::after {
  right: 0;
}
.under {
  font-size: 0.8rem;
  white-space: nowrap;
  overflow: hidden;
}
@media (max-width: 900px) {
  .stair {
    grid-template-columns: repeat(5, minmax(0, 1fr));
  }
  .step {
    padding: 0.25rem 0.45rem 0.1rem;
  }
  .weight {
    font-size: 1.05rem;
  }
  .notch {
    display: none;
  }
  .under {
    font-size: 0.72rem;
  }
}
@media (max-width: 560px) {
  .stair {
    grid-template-columns: repeat(5, auto) minmax(3.4rem, 1fr);
  }
  .step {
    grid-template-rows: auto auto;
    padding: 0.1rem 0.25rem;
  }
  .word {
    font-size: 0.72rem;
  }
  .weight,
  .step > .muted {
    font-size: 0.86rem;
  }
  .track,
  .under {
    display: none;
  }
}
</style>
