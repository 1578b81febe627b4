<script setup lang="ts">
import Button from 'primevue/button'
import { computed } from 'vue'
import { useFarm } from '../state/farm.ts'
import { requestOf, type Pending } from '../state/queue.ts'

/** What was decided here and not taken: seen, sent again or dropped by a person, never by itself. */
const store = useFarm()
const rows = computed(() =>
  store.queue.aside.value.map(({ item, why }) => {
    const lot = store.cards.get(item.lot)
    return { request: requestOf(item), what: `${lot?.tag ?? 'A lot'}: ${whatOf(item)}`, why }
  }),
)
function whatOf(item: Pending): string {
  if ('pack' in item) return `a weighing of ${item.pack.shown.value} ${item.pack.shown.unit}`
  if ('weighing' in item) return `a weight of ${item.weighing.shown.value} ${item.weighing.shown.unit}`
  if ('facts' in item) return item.facts.length === 1 ? 'a note' : `${item.facts.length} notes`
  const n = item.append.commands.length
  return n === 1 ? 'a decision' : `${n} decisions`
}
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
      <Button size="small" outlined label="Send again" @click="store.queue.again(r.request)" />
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
