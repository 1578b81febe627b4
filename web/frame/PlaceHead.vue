<script setup lang="ts">
defineProps<{ title: string }>()
</script>

<template>
  <header class="strip">
    <RouterLink :to="{ name: 'rail' }" class="back"
      ><i class="pi pi-arrow-left" aria-hidden="true" /> The rail</RouterLink
    >
    <h1>{{ title }}</h1>
    <slot />
  </header>
</template>

<style scoped>
.strip {
  display: flex;
  align-items: center;
  flex-wrap: wrap;
  gap: 0.2rem 1rem;
  min-height: 40px;
  padding: 0.4rem 1.5rem;
  border-bottom: 6px solid var(--ink);
}
.back {
  font-weight: 600;
  text-decoration: none;
  white-space: nowrap;
}
h1 {
  font-size: 1.2rem;
}
</style>
