<script setup lang="ts">
import { computed } from 'vue'

/** Cover as a bar: 100 % is a mark, the target a second one; never longer than its box. */
const { cover, target } = defineProps<{ cover: number | null; target: number | null }>()
const full = computed(() => 1.12 * Math.max(1.2, cover ?? 0, target ?? 0))
const at = (ratio: number) => `${(ratio / full.value) * 100}%`
</script>

<template>
  <span
    class="bar"
    :class="{ none: cover === null, covered: cover !== null && cover >= 1 }"
    aria-hidden="true"
  >
    <span v-if="cover !== null" class="fill" :style="{ width: at(cover) }" />
    <span class="mark" :style="{ left: at(1) }" />
    <span v-if="target" class="mark goal" :style="{ left: at(target) }" />
  </span>
</template>

<style scoped>
.bar {
  display: block;
  position: relative;
  height: 7px;
  background: #e9dfcd;
  border: 1px solid var(--ink);
  overflow: hidden;
}
.bar.none {
  border-style: dashed;
  background: transparent;
}
.fill {
  position: absolute;
  inset: 0 auto 0 0;
  background: #b98d55;
  transition: width 0.2s;
}
.covered .fill {
  background: var(--covered);
}
.mark {
  position: absolute;
  top: 0;
  bottom: 0;
  width: 2px;
  background: var(--ink);
}
.goal {
  width: 0;
  border-left: 2px dotted var(--ink);
  background: none;
}
</style>
