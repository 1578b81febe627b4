<script setup lang="ts">
import { computed } from 'vue'
import type { Anatomy, Cut } from '#core/anatomy'
import DestinationMark from '../../pieces/DestinationMark.vue'
import { useWords } from '../../state/words.ts'
import { partsOfCut } from './cutPlaces.ts'
import WhereItLies from './WhereItLies.vue'

/** A cut as a card on the wall: where it lies, what it is called here and elsewhere, how much of a carcass it can be. */
const { anatomy, cut, most } = defineProps<{ anatomy: Anatomy; cut: Cut; most?: number }>()
const words = useWords()
const parts = computed(() => partsOfCut(anatomy, cut.id))
const other = computed(() => {
  const shown = words.name(cut.names)
  const also = shown === cut.names.american ? cut.names.commonwealth : cut.names.american
  return also === shown ? '' : also
})
</script>

<template>
  <RouterLink
    :to="{ name: 'cut', params: { species: anatomy.species, cut: cut.id } }"
    class="card"
    :data-library-cut="cut.id"
  >
    <WhereItLies :anatomy="anatomy" :parts="parts" :size="anatomy.map.kind === 'laid' ? 52 : 84" />
    <span class="text">
      <b><DestinationMark :to="cut.destination" /> {{ words.name(cut.names) }}</b>
      <small v-if="other" class="muted">{{ other }}</small>
      <small class="muted"
        ><template v-if="most !== undefined">{{
          most < 0.005 ? 'after another way first' : `up to ${most.toFixed(most < 1 ? 2 : 1)} % of carcass`
        }}</template
        ><template v-if="cut.id.startsWith('own-')"> · our own</template></small
      >
    </span>
  </RouterLink>
</template>

<style scoped>
.card {
  display: grid;
  grid-template-columns: 54px minmax(0, 1fr);
  gap: 0.6rem;
  align-items: center;
  padding: 0.4rem 0.6rem;
  background: var(--sheet);
  border: 1px solid var(--rule);
  color: var(--ink);
  text-decoration: none;
}
.card:hover {
  border-color: var(--ink);
}
.text {
  display: grid;
  gap: 0.1rem;
}
small {
  line-height: 1.2;
}
</style>
