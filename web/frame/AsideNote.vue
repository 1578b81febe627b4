<script setup lang="ts">
import Button from 'primevue/button'
import { computed } from 'vue'
import { useFarm } from '../state/farm.ts'
import { requestOf } from '../state/queue.ts'
import { sayPending, whoseIs } from './pendingWords.ts'

/** What was decided here and not taken: seen, sent again or dropped by a person, never by itself. */
const store = useFarm()
const rows = computed(() => {
  const aside = store.queue.aside.value
  const all = aside.map((a) => a.item)
  return aside.map(({ item, why }) => ({
    request: requestOf(item),
    what: `${whoseIs(item, store.cards, all)}: ${sayPending(item)}`,
    why,
  }))
})
</script>

<template>
  <section v-if="rows.length > 0 && !store.conflict" class="aside" role="alert" aria-label="Not taken">
    <p>
      <i class="pi pi-exclamation-triangle" aria-hidden="true" />
      <b>{{ rows.length === 1 ? 'One change was' : `${rows.length} changes were` }} not taken</b> and
      {{ rows.length === 1 ? 'lies' : 'lie' }} here until you send or drop
      {{ rows.length === 1 ? 'it' : 'them' }}.
    </p>
    <p v-for="r in rows" :key="r.request" class="row">
      <span><b>{{ r.what }}.</b> {{ r.why }}</span>
      <Button
        size="small"
        outlined
        label="Send again"
        @click="store.queue.again(r.request, store.farm?.revision)"
      />
      <Button size="small" text severity="secondary" label="Drop" @click="store.queue.drop(r.request)" />
    </p>
  </section>
</template>

<style scoped>
.aside {
  padding: 0.45rem 1.5rem;
  background: var(--caution-sheet);
  border-bottom: 1px solid var(--caution);
}
p {
  margin: 0.15rem 0;
}
.pi {
  color: var(--caution);
  margin-right: 0.4rem;
}
</style>
