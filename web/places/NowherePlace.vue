<script setup lang="ts">
import PlaceHead from '../frame/PlaceHead.vue'
</script>

<template>
  <PlaceHead title="There is nothing at this address" />
  <main id="main" style="max-width: 34rem; margin: 0 auto; padding: 1.5rem">
    <p>
      The lot may belong to another folder, or the address was typed wrong.
      <RouterLink :to="{ name: 'rail' }">Go back to the rail</RouterLink>.
    </p>
  </main>
</template>
