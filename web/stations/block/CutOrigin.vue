<script setup lang="ts">
import Popover from 'primevue/popover'
import { computed, ref, useTemplateRef } from 'vue'
import { originOfCut } from '#core/reading'
import { useReading } from '../../state/lot.ts'
import { useWords } from '../../state/words.ts'

/** Where a cut's weight comes from, beside the figure that was pressed. */
const { read } = useReading()
const words = useWords()
const popover = useTemplateRef('popover')
const cut = ref<string | null>(null)
const origin = computed(() =>
  cut.value === null ? null : originOfCut(read.value, cut.value, words.says.value),
)
function ask(event: Event, id: string) {
  cut.value = id
  popover.value?.toggle(event)
}
defineExpose({ ask })
</script>

<template>
  <Popover ref="popover" aria-label="Where this figure comes from">
    <ul v-if="origin" class="origin" data-testid="origin">
      <li v-for="s in origin.sentences" :key="s">{{ s }}</li>
    </ul>
  </Popover>
</template>

<style scoped>
.origin {
  max-width: 26rem;
  margin: 0;
  padding: 0 0 0 1.1rem;
  display: grid;
  gap: 0.3rem;
}
</style>
