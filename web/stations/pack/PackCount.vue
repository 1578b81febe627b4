<script setup lang="ts">
import InputText from 'primevue/inputtext'

/** How many packs lie on the scale together: typed, or a press more or fewer. */
defineProps<{ invalid: boolean }>()
const packs = defineModel<string>({ required: true })
const emit = defineEmits<{ step: [by: number] }>()
</script>

<template>
  <div class="field">
    <label for="pack-count">Packs</label>
    <span class="stepper">
      <button type="button" aria-label="One pack fewer" @click="emit('step', -1)">−</button>
      <InputText id="pack-count" v-model="packs" inputmode="numeric" :invalid="invalid" />
      <button type="button" aria-label="One pack more" @click="emit('step', 1)">+</button>
    </span>
  </div>
</template>

<style scoped>
.stepper {
  display: flex;
}
.stepper button {
  width: 48px;
  font: 700 1.5rem var(--head);
  color: var(--ink);
  background: var(--sheet);
  border: 1px solid var(--ink);
  cursor: pointer;
}
.stepper input {
  width: 4rem;
  font: 700 1.5rem var(--head);
  text-align: center;
}
</style>
