<script setup lang="ts">
import { ref } from 'vue'
import { cautionAt } from '#core/rules'
import CautionNote from '../../pieces/CautionNote.vue'
import { useReading } from '../../state/lot.ts'
import PackEntries from './PackEntries.vue'
import PackTable from './PackTable.vue'
import WeighPack from './WeighPack.vue'

const { read, body } = useReading()
const cut = ref<string | null>(null)
const correcting = ref<string | null>(null)
</script>

<template>
  <p v-if="!read.weights" class="none">
    Nothing can be expected before there is a weight.
    <RouterLink :to="{ name: 'hang' }">Enter one at Hang</RouterLink>.
  </p>
  <div v-else class="two">
    <PackTable @weigh="cut = $event" />
    <section class="stack">
      <WeighPack v-model:cut="cut" v-model:correcting="correcting" />
      <PackEntries @correct="correcting = $event" />
      <CautionNote>{{ cautionAt('pack', body.anatomy.species) }}</CautionNote>
    </section>
  </div>
</template>

<style scoped>
.none {
  padding: 2rem;
  border: 1.5px dashed var(--rule-strong);
  max-width: 40rem;
}
.two {
  display: grid;
  grid-template-columns: minmax(0, 1.35fr) minmax(340px, 1fr);
  gap: 1.75rem;
  align-items: start;
}
@media (max-width: 900px) {
  .two {
    grid-template-columns: 1fr;
  }
}
</style>
