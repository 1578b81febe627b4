<script setup lang="ts">
import RoomTabs from '../../pieces/RoomTabs.vue'

/** The rooms of Price: what each cut goes for, what the animal cost each, what is done to it for more, and what could be made of the cheap end. */
const TABS = [
  ['price', 'Prices'],
  ['costs', 'Costs'],
  ['fees', 'Fees'],
  ['joint', 'Cost of each cut'],
  ['finishes', 'Finishes'],
  ['cheap', 'The cheap end'],
] as const
</script>

<template>
  <RoomTabs label="At Price" :tabs="TABS" />
</template>
