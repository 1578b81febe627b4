<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { computed, ref } from 'vue'
import { CHECK_POINTS, openChecks, type Ordered } from '#core/hand'
import { initials } from '../../state/bench.ts'
import { useReading } from '../../state/lot.ts'
import { useWords } from '../../state/words.ts'

/** The card is closed when every check point is signed; with one open only for a reason, which is kept. */
const { work } = defineProps<{ work: Ordered }>()
const { central: read, note, withdraw, factOf } = useReading()
const words = useWords()
const by = initials()
const checks = computed(() => openChecks(read.value, work))
/** "Glands out: leg, shoulder", check point by check point. */
const open = computed(() => {
  const by = new Map<string, string[]>()
  for (const { check, task } of checks.value.open)
    by.set(check, [...(by.get(check) ?? []), words.name(task.names).toLowerCase()])
  return [...by].map(([check, names]) => ({
    word: CHECK_POINTS[check as keyof typeof CHECK_POINTS].word,
    at: [...new Set(names)].join(', '),
  }))
})
const closed = computed(() => read.value.plan.closing)
const why = ref('')
const issue = ref('')
function close() {
  issue.value = ''
  const isOpen = checks.value.open.length > 0
  if (by.value.trim() === '') issue.value = 'Nobody has signed: write who you are at “Signed as” above.'
  else if (isOpen && why.value.trim() === '')
    issue.value = `${checks.value.open.length} check points are open. Sign them, or say why they stay so.`
  else note({ kind: 'closing', by: by.value.trim(), why: isOpen ? why.value.trim() : null })
}
const reopen = () => withdraw(...factOf((f) => f.kind === 'closing'))
</script>

<template>
  <section class="closing" aria-label="Close the card">
    <div class="pane-head">
      <h2>Close the card</h2>
      <span class="muted" data-testid="signed"
        >{{ checks.all.length - checks.open.length }} of {{ checks.all.length }} check points signed</span
      >
    </div>
    <p v-if="closed" class="good" role="status">
      <i class="pi pi-lock" aria-hidden="true" /> Closed by {{ closed.by }}.
      <template v-if="closed.why"> Left open: {{ closed.why }}</template>
      <Button size="small" text label="Open it again" @click="reopen" />
    </p>
    <template v-else>
      <ul v-if="open.length > 0" class="open">
        <li v-for="o in open" :key="o.word"><b>{{ o.word }}</b>: {{ o.at }}</li>
      </ul>
      <form class="row" novalidate @submit.prevent="close">
        <label v-if="open.length > 0" class="row"
          >Why they stay open
          <InputText v-model="why" size="small" maxlength="200" autocomplete="off" :invalid="issue !== ''" />
        </label>
        <Button type="submit" label="Close the card" size="small" icon="pi pi-lock" />
      </form>
      <p v-if="issue" class="field-issue" role="alert">{{ issue }}</p>
    </template>
  </section>
</template>

<style scoped>
.closing {
  margin-top: 1.2rem;
}
.open {
  margin: 0.4rem 0;
  padding-left: 1.1rem;
  columns: 2;
}
@media (max-width: 900px) {
  .open {
    columns: 1;
  }
}
</style>
