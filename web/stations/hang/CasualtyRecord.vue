<script setup lang="ts">
import InputText from 'primevue/inputtext'
import { computed } from 'vue'
import { useReading } from '../../state/lot.ts'
import { useWords } from '../../state/words.ts'

/** An animal that is not food: what may and may not be done with it, who saw it, where it went, and what it cost. */
const { read, note, withdraw, factOf } = useReading()
const words = useWords()
const reason = computed(() => read.value.plan.verdict.reasons[0]!)
const FIELDS = [
  { what: 'vet', label: 'Vet or inspector who saw it, and when' },
  { what: 'disposal', label: 'Where it went: rendered, buried, burnt, composted, and when' },
] as const
function take(what: (typeof FIELDS)[number]['what'], event: Event) {
  const value = (event.target as HTMLInputElement).value.trim()
  if (value === (read.value.plan[what] ?? '')) return
  if (value === '') withdraw(...factOf((f) => f.kind === 'observation' && f.what === what))
  else note({ kind: 'observation', what, value })
}
</script>

<template>
  <section class="record" aria-labelledby="casualty-head">
    <h2 id="casualty-head"><i class="pi pi-ban" aria-hidden="true" /> Casualty record</h2>
    <p><b>{{ reason.rule }}</b> {{ reason.fact }} {{ reason.change }}</p>
    <div class="lists">
      <div>
        <h3>What may be done</h3>
        <ul>
          <li>Have a vet look, above all if it died suddenly: some causes must be reported.</li>
          <li>Move it out of reach of dogs, children and other stock; gloves on.</li>
          <li>Rendering, burial, burning or composting, as your state allows, within its days.</li>
          <li>Write down what it cost: the loss stays in the farm’s costs.</li>
        </ul>
      </div>
      <div>
        <h3>What may not</h3>
        <ul>
          <li>Sell, give away or share any of it as food.</li>
          <li>Cut it for your own table: Ekko plans nothing of it.</li>
          <li>Grind or pool any of it with meat of another animal.</li>
          <li>Feed it to pigs or poultry.</li>
        </ul>
      </div>
    </div>
    <div class="facts">
      <div v-for="f in FIELDS" :key="f.what" class="field">
        <label :for="`fact-${f.what}`">{{ f.label }}</label>
        <InputText
          :id="`fact-${f.what}`"
          :model-value="read.plan[f.what] ?? ''"
          maxlength="80"
          autocomplete="off"
          @change="take(f.what, $event)"
        />
      </div>
    </div>
    <p data-testid="loss">
      <template v-if="read.money.costs.total > 0"
        >Lost with it: <b>{{ words.money(read.money.costs.total) }}</b> of costs.</template
      ><template v-else>No cost is written down yet.</template> {{ ' '
      }}<RouterLink :to="{ name: 'price' }">Its costs</RouterLink>
    </p>
  </section>
</template>

<style scoped>
.record {
  border: 2px solid var(--ink);
  background: var(--sheet);
  padding: 0.8rem 1rem;
  display: grid;
  gap: 0.6rem;
}
.record h2 {
  margin: 0;
}
.record p {
  margin: 0;
}
.lists,
.facts {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(260px, 1fr));
  gap: 0.8rem 1.6rem;
}
.lists h3 {
  margin: 0;
}
.lists ul {
  margin: 0.2rem 0 0;
  padding-left: 1.1rem;
}
.facts :deep(input) {
  width: 100%;
}
</style>
