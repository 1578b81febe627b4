<script setup lang="ts">
import SelectButton from 'primevue/selectbutton'
import { computed } from 'vue'
import type { Species } from '#core/anatomy'
import SpeciesMark from '../../pieces/SpeciesMark.vue'
import { allAbout } from '../../state/species.ts'
import { useWords } from '../../state/words.ts'

/** Which animal the page is about. */
const species = defineModel<Species>({ required: true })
const words = useWords()
const kinds = computed(() => allAbout().map(({ species: v, about }) => ({ v, w: words.name(about.names) })))
</script>

<template>
  <SelectButton
    v-model="species"
    :options="kinds"
    option-label="w"
    option-value="v"
    :allow-empty="false"
    aria-label="Species"
  >
    <template #option="{ option }"
      ><span class="kind"><SpeciesMark :of="option.v" />{{ option.w }}</span></template
    >
  </SelectButton>
</template>

<style scoped>
.kind {
  display: inline-flex;
  align-items: center;
  gap: 0.4rem;
}
</style>
