<script setup lang="ts">
import { computed } from 'vue'
import type { Species } from '#core/anatomy'
import { aboutOf } from '../state/species.ts'

/** The animal a lot is of, in our own outline. */
const { of, height = 20 } = defineProps<{ of: Species; height?: number }>()
const about = computed(() => aboutOf(of))
</script>

<template>
  <svg
    viewBox="0 0 48 28"
    aria-hidden="true"
    class="mark"
    :style="{ width: `${height * 1.714}px`, height: `${height}px` }"
  >
    <path v-if="about" :d="about.mark" fill="currentColor" />
  </svg>
</template>

<style scoped>
.mark {
  display: block;
}
</style>
