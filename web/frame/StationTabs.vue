<script setup lang="ts">
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { vRoving } from '../pieces/roving.ts'
import { FLOOR_STATIONS, stationOf, STATIONS } from '../stations/registry.ts'
import { useFarm } from '../state/farm.ts'

/** The stations of a lot, in the order of the work. */
const route = useRoute()
const store = useFarm()
const stations = computed(() => STATIONS.filter((s) => !store.isFloor || FLOOR_STATIONS.includes(s.id)))
const here = computed(() => stationOf(route.name))
</script>

<template>
  <nav v-roving class="stations" aria-label="Stations">
    <RouterLink
      v-for="s in stations"
      :key="s.id"
      :to="{ name: s.id }"
      :class="{ here: here === s.id }"
      :aria-current="here === s.id ? 'page' : undefined"
      >{{ s.word }}</RouterLink
    >
  </nav>
</template>

<style scoped>
.stations {
  display: flex;
  align-self: stretch;
}
a {
  display: grid;
  align-content: center;
  padding: 0 1.05rem;
  min-height: 44px;
  font-weight: 600;
  color: var(--muted);
  text-decoration: none;
  border-bottom: 3px solid transparent;
  border-top: 3px solid transparent;
}
a:hover {
  color: var(--ink);
}
.here {
  color: var(--accent);
  border-bottom-color: var(--accent);
}
@media (max-width: 700px) {
  .stations {
    order: 9;
    flex: 1 0 100%;
    border-top: 1px solid var(--rule);
  }
  a {
    flex: 1;
    min-height: 40px;
    padding: 0;
    justify-content: center;
  }
}
</style>
