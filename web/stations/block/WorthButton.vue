<script setup lang="ts">
import type { Kg } from '#core/measure'
import { useReading } from '../../state/lot.ts'
import { useWords } from '../../state/words.ts'

/** One of several places or settings: pressed where it is in force, else with what it would change in the whole plan. */
defineProps<{ label: string; inForce: boolean; takeHome: Kg; money: number; note?: string }>()
const { priced } = useReading()
const words = useWords()
</script>

<template>
  <button type="button" :class="{ taken: inForce }" :aria-pressed="inForce">
    {{ label }}
    <small v-if="inForce">in force</small>
    <small v-else
      >{{ words.massChange(takeHome)
      }}<template v-if="priced">, {{ words.moneyChange(money) }}</template></small
    >
    <small v-if="note">{{ note }}</small>
  </button>
</template>

<style scoped>
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
