<script setup lang="ts">
import { computed } from 'vue'
import RoomTabs from '../../pieces/RoomTabs.vue'
import { useFarm } from '../../state/farm.ts'

/** The rooms of Pack: the scale, what came of it pack by pack, why it was less, labels, and the instruments. */
const farm = useFarm()
const TABS = [
  ['pack', 'Weigh'],
  ['packs', 'Packs'],
  ['why', 'Why less?'],
  ['labels', 'Labels'],
  ['bags', 'Bags'],
  ['tools', 'Scale and printer'],
] as const
const ON_FLOOR = new Set(['pack', 'packs', 'tools'])
const tabs = computed(() => (farm.isFloor ? TABS.filter(([id]) => ON_FLOOR.has(id)) : TABS))
</script>

<template>
  <RoomTabs label="At Pack" :tabs="tabs" />
</template>
