<script setup lang="ts">
import { computed } from 'vue'
import { isOutdated } from '../state/api.ts'
import { useFarm } from '../state/farm.ts'
import { partsOf } from '../state/queue.ts'
import { useWords } from '../state/words.ts'
import { sayPending, whoseIs } from './pendingWords.ts'

/** What a person must hear before anything else, wherever on the page: nothing is kept, a disk that fills, a cut. */
const store = useFarm()
const words = useWords()
const reload = () => location.reload()
const recovered = computed(() => store.standing?.recovered)
const held = computed(() =>
  store.saving === 'held' ? (store.stopped ?? 'The server does not answer.') : null,
)
/** What no page shows before it is kept: named here, so that it is not typed again. */
const unseen = computed(() => {
  const all = store.queue.pending.value
  return all
    .filter(
      (p) =>
        'settings' in p || partsOf(p).some((part) => 'hung' in part || 'split' in part || 'joined' in part),
    )
    .map((p) => `${whoseIs(p, store.cards, all)}: ${sayPending(p)}`)
})
</script>

<template>
  <div v-if="held || isOutdated || store.standing?.warning || recovered" class="standing" :class="{ held }">
    <p v-if="held" role="alert">
      <i class="pi pi-exclamation-triangle" aria-hidden="true" /> <b>{{ held }}</b> What you decide is held on
      this page and kept as soon as that is possible: keep it open.
      <span v-if="unseen.length > 0">Held: {{ unseen.join('; ') }}.</span>
    </p>
    <p v-if="isOutdated" role="alert">
      <i class="pi pi-refresh" aria-hidden="true" /> <b>A newer Ekko runs on this server.</b> Reload the page
      to see it; what is still on its way is kept and sent.
      <button type="button" class="link" @click="reload">Reload</button>
    </p>
    <p v-if="store.standing?.warning" role="alert">
      <i class="pi pi-exclamation-triangle" aria-hidden="true" /> {{ store.standing.warning }}
      <RouterLink :to="{ name: 'farm' }">Look at the copies</RouterLink>
    </p>
    <p v-if="recovered" role="status">
      <i class="pi pi-history" aria-hidden="true" /> Ekko had been cut off. The records stand as of
      {{ words.instant(recovered.to) }}: everything acknowledged until then is there.
    </p>
  </div>
</template>

<style scoped>
.standing {
  display: grid;
  gap: 0.25rem;
  padding: 0.45rem 1.5rem;
  background: var(--caution-sheet);
  border-bottom: 1px solid var(--caution);
}
.standing.held {
  position: sticky;
  top: 0;
  z-index: 20;
}
.link {
  font: inherit;
  font-weight: 600;
  color: var(--accent);
  background: none;
  border: 0;
  text-decoration: underline;
  cursor: pointer;
  min-height: 24px;
}
.standing .pi {
  color: var(--caution);
}
</style>
