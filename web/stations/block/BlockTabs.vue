<script setup lang="ts">
import { computed } from 'vue'
import RoomTabs from '../../pieces/RoomTabs.vue'
import { useReading } from '../../state/lot.ts'
import { canSplit } from './groups.ts'

/** The rooms of the Block: deciding, comparing plans, following the meat, what must be ready, the card taken to the bench, and groups. */
const { lot, body } = useReading()
const TABS = [
  ['block', 'Ways'],
  ['plans', 'Plans compared'],
  ['trim', 'Trim and where it goes'],
  ['order', 'Order'],
  ['kit', 'Kit'],
  ['card', 'Block card'],
  ['day', 'The day'],
] as const
/** A lot of several may be cut in several ways; so may the two sides of a bird. */
const tabs = computed(() => [
  ...TABS,
  ...(canSplit(lot.value!, body.value.anatomy) ? ([['groups', 'Groups']] as const) : []),
])
</script>

<template>
  <RoomTabs label="On the Block" :tabs="tabs" />
</template>
