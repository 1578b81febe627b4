<script setup lang="ts">
import { computed, useId } from 'vue'
import type { ActionId } from '#core/hand'
import { DRAWINGS, type Stroke } from './actionDrawings.ts'

/** A line drawing of an action, where words explain it badly. */
const { action } = defineProps<{ action: ActionId }>()
const strokes = computed(() => DRAWINGS[action] ?? null)
const marked = (s: Stroke) => (s.of === 'move' ? `url(#${tip})` : undefined)
const tip = useId()
</script>

<template>
  <svg v-if="strokes" viewBox="0 0 120 80" class="drawing" aria-hidden="true" :data-drawing="action">
    <defs>
      <marker :id="tip" viewBox="0 0 8 8" refX="6" refY="4" markerWidth="6" markerHeight="6" orient="auto">
        <path d="M0 0L8 4L0 8Z" />
      </marker>
    </defs>
    <template v-for="(s, i) in strokes" :key="i">
      <g
        v-if="s.of === 'knife'"
        :transform="`translate(${s.at[0]} ${s.at[1]}) rotate(${s.turn})`"
        class="knife"
      >
        <path d="M0 0C-14 -5 -26 -6 -40 -5V3H-8C-4 3 -2 2 0 0Z" />
        <path d="M-40 -5H-58V3H-40Z" class="grip" />
      </g>
      <g
        v-else-if="s.of === 'saw'"
        :transform="`translate(${s.at[0]} ${s.at[1]}) rotate(${s.turn})`"
        class="knife"
      >
        <path
          d="M-6 -4H58V0l-3 3l-3 -3l-3 3l-3 -3l-3 3l-3 -3l-3 3l-3 -3l-3 3l-3 -3l-3 3l-3 -3l-3 3l-3 -3l-3 3l-3 -3l-3 3l-3 -3l-3 3l-3 -3H-6Z"
        />
      </g>
      <text v-else-if="s.of === 'word'" :x="s.at[0]" :y="s.at[1]">{{ s.says }}</text>
      <path v-else-if="'d' in s" :d="s.d" :class="s.of" :marker-end="marked(s)" />
    </template>
  </svg>
</template>

<style scoped>
.drawing {
  width: 180px;
  height: 120px;
  display: block;
  background: #fff;
  border: 1px solid var(--rule);
  margin-top: 0.3rem;
}
path {
  stroke: var(--ink);
  stroke-width: 1.4;
  stroke-linejoin: round;
  stroke-linecap: round;
  fill: none;
}
.meat {
  fill: #f0dcd0;
}
.bone {
  fill: #fff;
  stroke-width: 1.8;
}
.skin {
  fill: #fbf3e2;
}
.hint {
  stroke-dasharray: 3 3;
}
.move {
  stroke: var(--accent);
  stroke-width: 2;
}
marker path {
  fill: var(--accent);
  stroke: none;
}
.twine {
  stroke-width: 2;
}
.knife path {
  fill: #cfd3d4;
}
.knife .grip {
  fill: var(--ink);
}
text {
  font: 700 9px var(--body);
  fill: var(--ink);
}
</style>
