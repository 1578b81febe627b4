<script setup lang="ts">
import { computed } from 'vue'
import { lineOptions } from '#core/reading'
import type { Decision, SideName } from '#core/records'
import { saleOf } from '#core/rules'
import { useReading } from '../../state/lot.ts'
import { useWords } from '../../state/words.ts'

/** What each place of the break lines at the part would give: how far the shoulder goes, how many vertebrae as T-bones. */
const { read, part, sidesOf, decide } = useReading()
const words = useWords()

const lines = computed(() => lineOptions(read.value, part.value, sidesOf(part.value)))
const priced = computed(() => saleOf(read.value.plan.route) === 'by-the-piece')
const take = (line: string, sides: readonly SideName[], value: string) =>
  decide(
    ...sides.map((side): Decision => ({
      field: 'line',
      target: line,
      side: side as 'left' | 'right',
      value,
    })),
  )
</script>

<template>
  <section v-for="l in lines" :key="l.line.id" class="line" :aria-label="words.name(l.line.names)">
    <b>{{ words.name(l.line.names) }}</b>
    <button
      v-for="s in l.settings"
      :key="s.id"
      type="button"
      :class="{ taken: s.inForce }"
      :aria-pressed="s.inForce"
      :title="s.school"
      :data-setting="`${l.line.id}:${s.id}`"
      @click="take(l.line.id, l.sides, s.id)"
    >
      {{ s.label }}
      <small v-if="!s.inForce"
        >{{ words.massChange(s.kg)
        }}<template v-if="priced">, {{ words.moneyChange(s.money) }}</template></small
      >
      <small v-else>in force</small>
    </button>
  </section>
</template>

<style scoped>
.line {
  display: flex;
  flex-wrap: wrap;
  gap: 0.3rem;
  align-items: center;
  padding: 0.3rem 0;
  border-top: 1px solid var(--rule);
}
b {
  min-width: 7rem;
}
button {
  font: 600 0.92rem var(--body);
  color: var(--ink);
  background: var(--sheet);
  border: 1px solid var(--rule-strong);
  padding: 0.15rem 0.5rem;
  min-height: 34px;
  cursor: pointer;
}
.taken {
  border-color: var(--accent);
  background: #f3e9d8;
}
small {
  display: block;
  font-weight: 400;
  color: var(--muted);
}
</style>
