<script setup lang="ts">
import { computed } from 'vue'
import { minus } from '#core/measure'
import { sayCause, unexplained } from '#core/reading'
import { whyLessIn } from '../../state/figures.ts'
import { workedOnLot } from '../../state/workedOnLot.ts'
import { useReading } from '../../state/lot.ts'
import { useWords } from '../../state/words.ts'
import PackTabs from './PackTabs.vue'

/** Why less came of it than was expected: what the records say, what may be so, and the one question to ask. */
const { central } = useReading()
const words = useWords()
const { found, work, isSplit } = workedOnLot(whyLessIn)
const widest = computed(() => Math.max(0.01, ...(found.value?.causes.map((c) => c.kg) ?? [])))
const WHERE: Partial<Record<string, { name: string; word: string }>> = {
  guessed: { name: 'hang', word: 'Weights, at Hang' },
  full: { name: 'hang', word: 'Weights, at Hang' },
  basis: { name: 'hang', word: 'Weights, at Hang' },
  days: { name: 'hang', word: 'Days, at Hang' },
  dressed: { name: 'hang', word: 'Dressing, at Hang' },
  trim: { name: 'trim', word: 'Trim, on the Block' },
  'on-bone': { name: 'day', word: 'Who cuts, on the Block' },
}
</script>

<template>
  <PackTabs />
  <section class="stack" data-testid="why">
    <div class="pane-head"><h2>Why was it less?</h2></div>
    <p v-if="!central.weights" class="muted">
      Nothing has a weight yet. <RouterLink :to="{ name: 'hang' }">Enter one at Hang</RouterLink> first.
    </p>
    <p v-else-if="isSplit" class="muted">This lot is cut in groups: look at each of them by itself.</p>
    <p v-else-if="work === 'working'" class="muted" role="status">Trying what may have been otherwise…</p>
    <p v-else-if="work === 'failed'" class="field-issue" role="alert">
      This could not be worked out. Reload the page; nothing was changed.
    </p>
    <p v-else-if="!found" class="good">
      Nothing is less: nothing is packed yet, or it came to what was expected.
    </p>
    <template v-else>
      <p class="verdict">
        {{ words.mass(found.packed) }} packed of {{ words.mass(found.expected) }} expected:
        {{ words.mass(minus(found.expected, found.packed)) }} less.
        <template v-if="unexplained(found) > 0"
          >Of it {{ words.mass(unexplained(found)) }} is in no record.</template
        >
      </p>
      <p v-if="found.ask" class="ask" data-testid="ask">
        <i class="pi pi-question-circle" aria-hidden="true" />
        <span
          ><b>Ask this first:</b> {{ sayCause(found.ask, words.says.value) }}
          <RouterLink v-if="WHERE[found.ask.id]" :to="{ name: WHERE[found.ask.id]!.name }">{{
            WHERE[found.ask.id]!.word
          }}</RouterLink></span
        >
      </p>
      <table class="plain">
        <thead>
          <tr>
            <th>What</th>
            <th class="lane"><span class="visually-hidden">How much</span></th>
            <th class="right">Makes less</th>
            <th class="right">Likely</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(c, i) in found.causes" :key="i" :data-cause="c.id">
            <td>{{ sayCause(c, words.says.value) }}</td>
            <td class="lane" aria-hidden="true">
              <span :class="{ known: c.known }" :style="{ width: `${(100 * c.kg) / widest}%` }" />
            </td>
            <td class="right nowrap">
              <b v-if="c.known">{{ words.mass(c.kg) }}</b
              ><span v-else class="estimate">{{ words.mass(c.kg) }}</span>
            </td>
            <td class="right nowrap">{{ c.known ? 'on record' : words.percent(c.likely) }}</td>
          </tr>
        </tbody>
      </table>
      <p class="muted">
        What is likely is weighed cut by cut against what was packed: chance alone is one of the answers, and
        has what is left of the hundred.
      </p>
    </template>
  </section>
</template>

<style scoped>
.verdict {
  font: 700 1.3rem var(--head);
}
.ask {
  display: flex;
  gap: 0.6rem;
  padding: 0.7rem 0.9rem;
  border: 2px solid var(--accent);
  background: var(--sheet);
  max-width: 52rem;
}
.ask .pi {
  color: var(--accent);
  font-size: 1.4rem;
}
.lane {
  width: 30%;
}
.lane span {
  display: block;
  height: 14px;
  border: 1px dashed #8a7452;
  background: #f1e7d4;
}
.lane .known {
  border-style: solid;
  background: var(--accent);
}
</style>
