<script setup lang="ts">
import PlaceHead from '../frame/PlaceHead.vue'
import LotForm from './LotForm.vue'
</script>

<template>
  <PlaceHead title="Hang a new lot" />
  <main id="main" class="narrow"><LotForm /></main>
</template>

<style scoped>
.narrow {
  max-width: 64rem;
  margin: 0 auto;
  padding: 1.5rem;
}
</style>
