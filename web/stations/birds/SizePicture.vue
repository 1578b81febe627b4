<script setup lang="ts">
import { computed } from 'vue'
import { spreadOfAll, thickness, type SizeClass, type Spreading } from '#core/batch'
import { useWords } from '../../state/words.ts'

/** How the flock spreads over its weights, a shape cut where one class ends and the next begins; as much of it as birds fall there. */
const { spread, classes } = defineProps<{ spread: Spreading; classes: readonly SizeClass[] }>()
const words = useWords()
const [W, H] = [100, 40]
const span = computed(() => {
  const by = Math.exp(3 * Math.max(0.04, spreadOfAll(spread)))
  return { low: spread.mean / by, high: spread.mean * by }
})
const x = (mass: number) =>
  Math.min(W, Math.max(0, (W * (mass - span.value.low)) / (span.value.high - span.value.low)))
/** The thickest of the flock is as tall as the picture. */
const most = computed(() => {
  const { low, high } = span.value
  const all = Array.from({ length: 80 }, (_, i) => thickness(spread, low + ((i + 0.5) * (high - low)) / 80))
  return Math.max(...all)
})
const tall = (mass: number) => H - (H - 4) * Math.min(1, thickness(spread, mass) / most.value)
const shapes = computed(() =>
  classes.map((c, i) => {
    const from = Math.max(span.value.low, c.from ?? 0)
    const to = Math.min(span.value.high, c.to ?? Infinity)
    const points = Array.from({ length: 61 }, (_, k) => from + (k * Math.max(0, to - from)) / 60)
    return {
      i,
      c,
      middle: x((from + Math.max(from, to)) / 2),
      points: [
        `${x(from)},${H}`,
        ...points.map((m) => `${x(m).toFixed(2)},${tall(m).toFixed(2)}`),
        `${x(to)},${H}`,
      ].join(' '),
    }
  }),
)
</script>

<template>
  <div
    class="sizes"
    role="img"
    :aria-label="classes.map((c) => `${c.animals} of about ${words.mass(c.each)}`).join(', ')"
    data-testid="size-picture"
  >
    <svg :viewBox="`0 0 ${W} ${H}`" preserveAspectRatio="none" aria-hidden="true">
      <polygon v-for="s in shapes" :key="s.i" :points="s.points" :class="{ odd: s.i % 2 === 1 }" />
    </svg>
    <span
      v-for="s in shapes"
      :key="s.i"
      class="tag"
      :style="{ left: `${Math.min(92, Math.max(8, s.middle))}%` }"
      ><b>{{ s.c.animals }}</b><br /><small class="nowrap">{{ words.mass(s.c.each) }}</small></span
    >
  </div>
</template>

<style scoped>
.sizes {
  position: relative;
  height: 190px;
  border-bottom: 1px solid var(--rule-strong);
}
svg {
  width: 100%;
  height: 100%;
  display: block;
}
polygon {
  fill: #d8c6a6;
  stroke: var(--sheet);
  stroke-width: 0.6;
}
polygon.odd {
  fill: #bfa77e;
}
.tag {
  position: absolute;
  bottom: 0.4rem;
  transform: translateX(-50%);
  text-align: center;
  line-height: 1.1;
}
.tag b {
  font: 700 1.4rem var(--head);
}
</style>
