<script setup lang="ts">
import Button from 'primevue/button'
import { computed, ref } from 'vue'
import { orderedWork } from '#core/hand'
import { judgeOrder, orderAsked } from '#core/practice'
import type { Reckoning } from '#core/reading'
import { useWords } from '../../state/words.ts'

/** Steps of a breakdown in any order, to be put in one that can be. */
const { read } = defineProps<{ read: Reckoning }>()
const emit = defineEmits<{ tried: [right: boolean]; next: [] }>()
const words = useWords()
const work = orderAsked(orderedWork(read), Math.random)
const order = ref(work.tasks.map((t) => t.id))
const answer = ref<ReturnType<typeof judgeOrder> | null>(null)
const name = (id: string) => words.name(work.tasks.find((t) => t.id === id)!.names)
function move(i: number, by: number) {
  const to = i + by
  if (to < 0 || to >= order.value.length || answer.value) return
  const [id] = order.value.splice(i, 1)
  order.value.splice(to, 0, id!)
}
function check() {
  answer.value = judgeOrder(work, order.value)
  emit('tried', answer.value.broken.length === 0)
}
const broken = computed(() => new Set(answer.value?.broken.map((m) => m.then)))
</script>

<template>
  <section class="stack">
    <h2>In which order?</h2>
    <ol>
      <li v-for="(id, i) in order" :key="id" :class="{ off: broken.has(id) }" :data-step="id">
        <span class="nth">{{ i + 1 }}</span>
        <b>{{ name(id) }}</b>
        <Button
          icon="pi pi-arrow-up"
          outlined
          size="small"
          :aria-label="`${name(id)}: earlier`"
          :disabled="i === 0 || answer !== null"
          @click="move(i, -1)"
        />
        <Button
          icon="pi pi-arrow-down"
          outlined
          size="small"
          :aria-label="`${name(id)}: later`"
          :disabled="i === order.length - 1 || answer !== null"
          @click="move(i, 1)"
        />
      </li>
    </ol>
    <div class="row">
      <Button v-if="!answer" label="Work in this order" icon="pi pi-check" @click="check" />
      <Button v-else label="Next" icon="pi pi-arrow-right" @click="emit('next')" />
    </div>
    <div v-if="answer" role="status" data-testid="answer">
      <p v-if="answer.broken.length === 0" class="good"><b>It can be worked so.</b></p>
      <template v-else>
        <p v-for="m in answer.broken" :key="m.first + m.then" class="bad">
          <b>{{ name(m.then) }}</b> before {{ name(m.first).toLowerCase() }}: {{ m.why }}
        </p>
        <p class="muted">One that can be: {{ answer.right.map(name).join(', ') }}.</p>
      </template>
    </div>
  </section>
</template>

<style scoped>
ol {
  list-style: none;
  margin: 0;
  padding: 0;
  max-width: 40rem;
}
li {
  display: grid;
  grid-template-columns: 2rem minmax(0, 1fr) auto auto;
  gap: 0.5rem;
  align-items: center;
  min-height: 46px;
  border-bottom: 1px solid var(--rule);
}
.off {
  background: var(--caution-sheet);
}
.nth {
  font: 700 1rem var(--head);
}
</style>
