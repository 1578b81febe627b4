<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue'
import { useRoute } from 'vue-router'
import type { PackTrace } from '#contracts'
import PlaceHead from '../../frame/PlaceHead.vue'
import { ask, sayProblem } from '../../state/api.ts'
import TraceOf from './TraceOf.vue'

/** One pack by its number: what became of it, and the animal it is of. */
const route = useRoute()
const number = computed(() => String(route.params.number))
const found = shallowRef<PackTrace | null>(null)
const failed = ref('')
async function load() {
  found.value = null
  failed.value = ''
  const answer = await ask<PackTrace>('GET', `/packs/${number.value}`)
  if (answer.kind === 'ok') found.value = answer.body
  else
    failed.value =
      answer.kind === 'unreachable'
        ? 'The server does not answer. Try again in a moment.'
        : answer.problem.status === 404
          ? `There is no pack ${number.value}. Look at the number on the label again.`
          : sayProblem(answer.problem)
}
watch(number, () => void load(), { immediate: true })
</script>

<template>
  <PlaceHead :title="`Pack ${number}`"><RouterLink :to="{ name: 'store' }">All packs</RouterLink></PlaceHead>
  <main id="main" class="trace">
    <p v-if="failed" class="field-issue" role="alert">{{ failed }}</p>
    <p v-else-if="!found" class="muted" role="status">Looking it up…</p>
    <TraceOf v-else :key="found.pack.number" :trace="found" @changed="load" />
  </main>
</template>

<style scoped>
.trace {
  padding: 1rem 1.5rem;
}
</style>
