<script setup lang="ts">
import Button from 'primevue/button'
import { computed, ref } from 'vue'

/** A question with a few answers, one of them right; what was chosen stays to be seen beside it. */
const { title, answers } = defineProps<{
  title: string
  answers: readonly { text: string; right: boolean }[]
}>()
const emit = defineEmits<{ tried: [right: boolean]; next: [] }>()
const chosen = ref<number | null>(null)
const isRight = computed(() => chosen.value !== null && answers[chosen.value]!.right)
function choose(i: number) {
  if (chosen.value !== null) return
  chosen.value = i
  emit('tried', answers[i]!.right)
}
</script>

<template>
  <section class="stack">
    <h2>{{ title }}</h2>
    <ul>
      <li v-for="(a, i) in answers" :key="a.text">
        <button
          type="button"
          :disabled="chosen !== null && chosen !== i && !a.right"
          :class="{ right: chosen !== null && a.right, wrong: chosen === i && !a.right }"
          @click="choose(i)"
        >
          <i
            v-if="chosen !== null && (a.right || chosen === i)"
            class="pi"
            :class="a.right ? 'pi-check' : 'pi-times'"
            aria-hidden="true"
          />
          {{ a.text }}
        </button>
      </li>
    </ul>
    <div v-if="chosen !== null" role="status" data-testid="answer" class="stack">
      <p :class="isRight ? 'good' : 'bad'">
        <b>{{ isRight ? 'Right.' : `No: ${answers.find((a) => a.right)!.text}` }}</b> <slot />
      </p>
      <div><Button label="Next" icon="pi pi-arrow-right" @click="emit('next')" /></div>
    </div>
  </section>
</template>

<style scoped>
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 0.4rem;
}
ul button {
  width: 100%;
  min-height: 48px;
  padding: 0.4rem 0.9rem;
  text-align: left;
  font: inherit;
  font-size: 1.05rem;
  color: var(--ink);
  background: var(--sheet);
  border: 1.5px solid var(--ink);
  cursor: pointer;
}
ul button:disabled {
  border-color: var(--rule);
  color: var(--muted);
}
.right {
  border-left-width: 8px !important;
}
.wrong {
  text-decoration: line-through;
}
section {
  flex: 1 1 18rem;
  max-width: 40rem;
}
</style>
