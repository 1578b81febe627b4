<script setup lang="ts">
import InputText from 'primevue/inputtext'
import PickField from '../../pieces/PickField.vue'
import TextField from '../../pieces/TextField.vue'
import { WRAPS, type Wrap } from '#core/records'
import { WRAP_WORDS } from './wrapWords.ts'

/** What else is said of packs: what they are wrapped in, the pieces in each, where they go. It stays for the next one. */
const wrap = defineModel<Wrap | null>('wrap', { required: true })
const pieces = defineModel<string>('pieces', { required: true })
const place = defineModel<string>('place', { required: true })
defineProps<{ places: readonly string[] }>()
const wraps = [...WRAPS.map((v) => ({ v, w: WRAP_WORDS[v] }))]
</script>

<template>
  <div class="details">
    <PickField id="pack-wrap" v-model="wrap" label="Wrapped in" :options="wraps" optional />
    <TextField id="pack-pieces" v-model="pieces" label="Pieces in each" inputmode="numeric" />
    <div class="field">
      <label for="pack-place">Where it goes</label>
      <InputText id="pack-place" v-model="place" list="pack-places" autocomplete="off" />
      <datalist id="pack-places"><option v-for="p in places" :key="p" :value="p" /></datalist>
    </div>
  </div>
</template>

<style scoped>
.details {
  display: grid;
  grid-template-columns: 1.2fr 0.8fr 1.2fr;
  gap: 0.6rem;
}
.details :deep(input),
.details :deep(.p-select) {
  width: 100%;
  min-width: 0;
}
</style>
