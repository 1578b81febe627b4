<script setup lang="ts">
import { computed, defineAsyncComponent, ref } from 'vue'
import CoverBar from '../pieces/CoverBar.vue'
import { useLot } from '../state/lot.ts'
import { UNCOVERED_WORDS, useWords } from '../state/words.ts'

const CoverSum = defineAsyncComponent(() => import('./CoverSum.vue'))
const { reading, isDrawn } = useLot()
const words = useWords()
const open = ref(false)
const money = computed(() => reading.value?.money ?? null)
const goal = computed(() =>
  money.value && money.value.costs.total > 0 && money.value.target > 0
    ? (money.value.costs.total + money.value.target) / money.value.costs.total
    : null,
)
const why = computed(() => (money.value?.uncovered ? UNCOVERED_WORDS[money.value.uncovered] : ''))
</script>

<template>
  <button
    type="button"
    class="cover"
    :class="{ covered: (money?.cover ?? 0) >= 1 }"
    aria-haspopup="dialog"
    data-testid="cover"
    @click="open = true"
  >
    <span class="word">Cover</span>
    <template v-if="money && money.cover !== null">
      <span class="weight"
        ><i v-if="money.cover >= 1" class="pi pi-check-circle" aria-hidden="true" />
        <span :class="{ estimate: money.coverRange }">{{ words.percent(money.cover) }}</span></span
      >
      <CoverBar :cover="money.cover" :target="goal" />
      <small class="muted"
        >{{
          money.coverRange
            ? `${words.percent(money.coverRange.low)}–${words.percent(money.coverRange.high)}`
            : isDrawn
              ? 'all weighed'
              : 'likely range…'
        }}<template v-if="goal">, target {{ words.percent(goal) }}</template></small
      >
    </template>
    <template v-else>
      <span class="muted none">{{ why }}</span>
      <CoverBar :cover="null" :target="null" />
      <small class="muted">what the cuts pay back</small>
    </template>
  </button>
  <CoverSum v-if="open" @close="open = false" />
</template>

<style scoped>
.cover {
  display: grid;
  grid-template-rows: auto 1.75rem 13px 1.2rem;
  text-align: left;
  padding: 0.3rem 0.8rem 0.1rem;
  border: 0;
  background: #f3e9d8;
  color: var(--ink);
  font: inherit;
  cursor: pointer;
  min-width: 0;
}
.cover:hover {
  background: #fff;
}
.word {
  font-weight: 600;
  font-size: 0.92rem;
}
.weight {
  font-size: 1.35rem;
  white-space: nowrap;
}
.covered .weight {
  color: var(--covered);
}
.none {
  font-size: 1rem;
}
small {
  font-size: 0.8rem;
  white-space: nowrap;
}
@media (max-width: 900px) {
  .cover {
    grid-column: 1 / -1;
    grid-template: auto / auto auto 1fr auto;
    gap: 0.8rem;
    align-items: center;
    border-top: 1px solid var(--rule);
    padding: 0.3rem 0.7rem;
  }
}
@media (max-width: 560px) {
  .cover {
    grid-column: auto;
    grid-template: auto auto / auto;
    gap: 0;
    padding: 0.1rem 0.3rem;
    border-top: 0;
  }
  .word {
    font-size: 0.72rem;
  }
  .weight,
  .none {
    font-size: 0.9rem;
  }
  .cover > small,
  .cover :deep(.bar),
  .weight .pi {
    display: none;
  }
}
</style>
