<script setup lang="ts">
import RoomTabs from '../../pieces/RoomTabs.vue'

/** The rooms of Hang: its weights and its kill; how it was found and how it cools. */
const TABS = [
  ['hang', 'Weights and kill'],
  ['cold', 'In the cold'],
] as const
</script>

<template>
  <RoomTabs label="At Hang" :tabs="TABS" />
</template>
