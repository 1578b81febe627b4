<script setup lang="ts">
import SelectButton from 'primevue/selectbutton'
import { computed } from 'vue'
import type { SideName } from '#core/anatomy'
import { useReading, type Sides } from '../../state/lot.ts'
import { useWords } from '../../state/words.ts'
import HalfCarcass from './HalfCarcass.vue'
import PatternDefs from './PatternDefs.vue'
import { hangs } from './pathChoice.ts'

const { read, body, part, sides } = useReading()
const words = useWords()
const animalParts = computed(() =>
  body.value.anatomy.parts.filter((p) => p.scope === 'animal' && hangs(body.value, read.value, p.id)),
)
const hanging = computed(() => read.value.stages.find((s) => s.id === 'hanging'))
const CHOICES: { v: Sides; w: string }[] = [
  { v: 'left', w: 'Left' },
  { v: 'both', w: 'Both sides' },
  { v: 'right', w: 'Right' },
]
function select(id: string, side: SideName) {
  part.value = id
  if (side !== 'animal' && sides.value !== 'both') sides.value = side
}
</script>

<template>
  <section class="picture" aria-label="Two hung sides">
    <div class="row top">
      <span class="muted">{{ words.mass(hanging!.kg) }} hanging</span>
      <SelectButton
        v-model="sides"
        :options="CHOICES"
        option-label="w"
        option-value="v"
        :allow-empty="false"
        size="small"
        aria-label="Sides to decide for"
      />
    </div>
    <svg viewBox="0 0 800 830" class="carcass" role="group" aria-label="Half carcasses, ribs numbered">
      <PatternDefs />
      <rect x="40" y="6" width="720" height="9" fill="#241d16" />
      <HalfCarcass side="left" :origin="-4" @select="select" />
      <HalfCarcass side="right" :origin="804" mirrored @select="select" />
      <g
        v-for="(p, i) in animalParts"
        :key="p.id"
        class="centre"
        :class="{ chosen: part === p.id }"
        role="button"
        tabindex="0"
        :aria-label="`${words.name(p.names)}, whole animal`"
        :transform="`translate(400 ${90 + i * 60})`"
        @click="select(p.id, 'animal')"
        @keydown.enter="select(p.id, 'animal')"
      >
        <rect x="-34" y="-18" width="68" height="36" />
        <text y="6" text-anchor="middle">{{ words.name(p.names).split(',')[0] }}</text>
      </g>
    </svg>
  </section>
</template>

<style scoped>
.picture {
  background: var(--sheet);
  border: 1px solid var(--rule);
  display: flex;
  flex-direction: column;
}
.top {
  justify-content: space-between;
  padding: 0.35rem 0.6rem 0;
}
.carcass {
  width: 100%;
  height: max(560px, calc(100vh - 232px));
  display: block;
}
@media (max-width: 900px) {
  .carcass {
    height: 560px;
  }
}
.centre rect {
  fill: var(--paper);
  stroke: var(--ink);
  stroke-width: 1.5;
}
.centre text {
  font: 600 17px var(--body);
  fill: var(--ink);
}
.centre {
  cursor: pointer;
}
.centre.chosen rect {
  stroke: var(--accent);
  stroke-width: 4;
}
.centre:focus-visible {
  outline: none;
}
.centre:focus-visible rect {
  stroke: var(--accent);
  stroke-dasharray: 5 3;
  stroke-width: 3;
}
</style>
