<script setup lang="ts">
import SelectButton from 'primevue/selectbutton'
import { ANATOMIES, SPECIES, type Species } from '#core/anatomy'
import SpeciesMark from '../../pieces/SpeciesMark.vue'
import { useWords } from '../../state/words.ts'

/** Which animal the page is about. */
const species = defineModel<Species>({ required: true })
const words = useWords()
const kinds = SPECIES.map((v) => ({ v, w: words.name(ANATOMIES[v].names) }))
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
