<script setup lang="ts">
import { computed } from 'vue'
import { offeredParts } from '#core/reading'
import { cautionAt, roomRule } from '#core/rules'
import CautionNote from '../../pieces/CautionNote.vue'
import { useKeys } from '../../state/keys.ts'
import { useFarm } from '../../state/farm.ts'
import { useReading } from '../../state/lot.ts'
import BlockTabs from './BlockTabs.vue'
import CutTray from './CutTray.vue'
import HungSides from './HungSides.vue'
import PathTable from './PathTable.vue'
import { usePathChoice } from './pathChoice.ts'

const { central: read, body, part, sides } = useReading()
const { currency } = useFarm().farm!
const { choose, numbered } = usePathChoice()
const order = computed(() => offeredParts(read.value))
const move = (by: number) => {
  const i = order.value.indexOf(part.value)
  part.value = order.value[(i + by + order.value.length) % order.value.length] ?? part.value
}
useKeys(() => ({
  ArrowRight: () => move(1),
  ArrowDown: () => move(1),
  ArrowLeft: () => move(-1),
  ArrowUp: () => move(-1),
  l: () => (sides.value = 'left'),
  r: () => (sides.value = 'right'),
  b: () => (sides.value = 'both'),
  p: () => document.querySelector<HTMLElement>('.portions input')?.focus(),
  ...Object.fromEntries(numbered.value.map((path, i) => [String(i + 1), () => choose(path)])),
}))
</script>

<template>
  <p v-if="!read.weights" class="none">
    There is no weight yet, so no part has one.
    <RouterLink :to="{ name: 'hang' }">Enter a live, hot or hanging weight</RouterLink> first.
  </p>
  <template v-else>
    <BlockTabs />
    <div class="two">
      <HungSides />
      <section class="stack">
        <PathTable />
        <CautionNote
          >{{ roomRule(currency) }} {{ cautionAt('block', body.anatomy.species) }} The processor’s licence and
          local codes come first.</CautionNote
        >
      </section>
    </div>
    <CutTray />
  </template>
</template>

<style scoped>
.none {
  padding: 2rem;
  border: 1.5px dashed var(--rule-strong);
  max-width: 40rem;
}
.two {
  display: grid;
  grid-template-columns: minmax(0, 560px) minmax(0, 1fr);
  gap: 1.25rem;
}
@media (max-width: 900px) {
  .two {
    grid-template-columns: 1fr;
  }
}
</style>
