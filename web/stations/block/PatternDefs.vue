<script setup lang="ts">
import { DESTINATIONS } from '../../theme/destinations.ts'
</script>

<template>
  <defs>
    <pattern
      v-for="(look, id) in DESTINATIONS"
      :id="`to-${id}`"
      :key="id"
      width="12"
      height="12"
      patternUnits="userSpaceOnUse"
    >
      <rect width="12" height="12" :fill="look.fill" />
      <path
        :d="look.draw"
        :stroke="look.ink"
        :stroke-width="id === 'G' || id === 'F' ? 3.2 : 1.3"
        stroke-linecap="round"
        fill="none"
      />
    </pattern>
  </defs>
</template>
