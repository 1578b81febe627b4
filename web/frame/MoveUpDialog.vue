<script setup lang="ts">
import Button from 'primevue/button'
import Dialog from 'primevue/dialog'
import { computed, ref, watch } from 'vue'
import { kg, minus, type Kg } from '#core/measure'
import { moveUp } from '#core/reading'
import { useLots } from '../state/lots.ts'
import { useLot } from '../state/lot.ts'
import { useWords } from '../state/words.ts'

/** What newer figures would tell of this lot, before it is read by them: nothing moves by itself. */
const props = defineProps<{ to: string }>()
const emit = defineEmits<{ close: [] }>()
const store = useLots()
const open = useLot()
const words = useWords()
const failed = ref(false)
watch(
  () => props.to,
  async (hash) => (failed.value = !(await store.fetchFlow(hash))),
  { immediate: true },
)
const found = computed(() => {
  const [from, to] = [open.flow.value, store.flows.get(props.to)]
  return from && to && open.state.value ? moveUp(from, to, open.state.value, store.figures) : null
})
const MOST = 8
const cuts = computed(() =>
  found.value!.cuts.slice(0, MOST).map((c) => ({
    name: words.name(c.names),
    before: say(c.before),
    after: say(c.after),
    by: words.massChange(minus(c.after ?? kg(0), c.before ?? kg(0))),
  })),
)
const say = (mass: Kg | null) => (mass === null ? '—' : words.mass(mass))
const covers = (ratio: number | null) => (ratio === null ? '—' : words.percent(ratio))
const added = computed(() => found.value!.added.map((n) => words.name(n)))
const gone = computed(() =>
  found.value!.gone.map(({ what, value }) => words.name(what) + (value ? `: ${words.name(value)}` : '')),
)
function take() {
  open.decide({ field: 'anatomy', target: 'lot', side: 'animal', value: props.to })
  emit('close')
}
</script>

<template>
  <Dialog
    visible
    modal
    :header="`Newer figures for ${open.lot.value!.tag}`"
    :style="{ width: '40rem' }"
    @update:visible="emit('close')"
  >
    <p v-if="failed" role="alert">
      The newer figures could not be fetched. Nothing changed; close this and try once more.
    </p>
    <p v-else-if="!found" role="status">Reading the lot by the newer figures…</p>
    <div v-else data-testid="move-up">
      <p>
        A lot keeps the figures of the day it was hung, so that what you were told stays what you were told.
        Read by today’s, this is what it would say. What was weighed stays as it was weighed.
      </p>
      <table class="plain">
        <thead>
          <tr>
            <th></th>
            <th class="num">Now</th>
            <th class="num">By newer figures</th>
            <th class="num">Change</th>
          </tr>
        </thead>
        <tbody>
          <tr class="sum">
            <td>To take home</td>
            <td class="num">{{ words.mass(found.before.worth.takeHome) }}</td>
            <td class="num">{{ words.mass(found.after.worth.takeHome) }}</td>
            <td class="num">
              {{ words.massChange(minus(found.after.worth.takeHome, found.before.worth.takeHome)) }}
            </td>
          </tr>
          <tr class="sum">
            <td>Cover</td>
            <td class="num">{{ covers(found.before.money.cover) }}</td>
            <td class="num">{{ covers(found.after.money.cover) }}</td>
            <td class="num"></td>
          </tr>
          <tr v-for="c in cuts" :key="c.name">
            <td>{{ c.name }}</td>
            <td class="num">{{ c.before }}</td>
            <td class="num">{{ c.after }}</td>
            <td class="num">{{ c.by }}</td>
          </tr>
        </tbody>
      </table>
      <p v-if="found.cuts.length === 0">No cut weighs anything else.</p>
      <p v-else-if="found.cuts.length > MOST" class="muted">
        {{ found.cuts.length - MOST }} more cuts move by less than these.
      </p>
      <p v-if="added.length > 0">
        {{ added.length === 1 ? 'A new way to cut' : 'New ways to cut' }}: <b>{{ added.join(' · ') }}</b>
      </p>
      <div v-if="gone.length > 0" class="caution">
        <i class="pi pi-info-circle" aria-hidden="true" />
        <span>Chosen, but no longer there; each goes back to the usual: <b>{{ gone.join(' · ') }}</b></span>
      </div>
      <p v-if="found.held.length > 0" class="caution" role="alert">
        {{ found.held.map((n) => words.name(n)).join(', ') }} was weighed or ticked off, and the newer figures
        have nothing of that name: this lot keeps the figures it has.
      </p>
      <div class="row">
        <Button label="Keep the figures it has" severity="secondary" outlined @click="emit('close')" />
        <Button v-if="found.held.length === 0" label="Read it by the newer ones" @click="take" />
      </div>
      <p v-if="found.held.length === 0" class="muted">Undo brings the earlier figures back.</p>
    </div>
  </Dialog>
</template>

<style scoped>
table {
  width: 100%;
  margin: 0.8rem 0;
}
.sum td {
  font-weight: 600;
}
.num {
  text-align: right;
}
.row {
  justify-content: flex-end;
  margin-top: 0.8rem;
}
</style>
