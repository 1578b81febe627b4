<script setup lang="ts">
import { computed } from 'vue'
import { ACTIONS, sayHandStep, stepsOf, type HandStep } from '#core/hand'
import type { CardStep } from '#core/papers'
import ActionDrawing from './ActionDrawing.vue'
import { useReading } from '../../state/lot.ts'
import { useWords } from '../../state/words.ts'

/** How a step of the card is done, for a careful beginner: where, with what, how it looks when it is right. */
const { step } = defineProps<{ step: CardStep }>()
const { read } = useReading()
const words = useWords()
/** The steps of every way that this step of the card takes, a second way behind its place. */
const ways = computed(() => {
  const { flow, cutting, plan } = read.value
  const paths = step.marks.flatMap((m) => {
    const slot = cutting.slot(m.target, m.side)
    return slot ? [slot.path, ...(slot.rear ? [slot.rear.path] : [])] : []
  })
  return [...new Set(paths)].map((path) => ({
    path,
    steps: stepsOf(flow.anatomy, path, plan.portions, plan.schools).map((s) => ({
      action: s.action,
      said: sayHandStep(s, words.says.value, plan.schools),
    })),
  }))
})
/** A caution is said once, where it is first needed. */
const isFirst = (steps: readonly Pick<HandStep, 'action'>[], i: number) =>
  steps.findIndex((x) => ACTIONS[x.action] === ACTIONS[steps[i]!.action]) === i
</script>

<template>
  <details v-if="ways.length > 0" class="hand">
    <summary>How it is done</summary>
    <section v-for="w in ways" :key="w.path.id">
      <h3 v-if="ways.length > 1">{{ words.name(w.path.names) }}</h3>
      <ol>
        <li v-for="(s, i) in w.steps" :key="i" :data-action="s.action">
          <b>{{ s.said.head }}</b>
          <span class="tool">{{ s.said.tool }}</span>
          <span class="at">{{ s.said.at }}</span>
          <template v-if="isFirst(w.steps, i)">
            <ActionDrawing :action="s.action" />
            <span>{{ s.said.how }}</span>
            <span class="sign"><i class="pi pi-check" aria-hidden="true" /> Right: {{ s.said.sign }}</span>
            <span class="muted">Goes wrong: {{ s.said.fault }}</span>
            <span v-if="s.said.caution" class="care"
              ><i class="pi pi-exclamation-triangle" aria-hidden="true" /> {{ s.said.caution }}</span
            >
          </template>
        </li>
      </ol>
    </section>
  </details>
</template>

<style scoped>
summary {
  cursor: pointer;
  color: var(--accent);
  font-weight: 600;
  min-height: 32px;
  display: inline-flex;
  align-items: center;
}
h3 {
  font: 700 1.05rem var(--head);
  margin: 0.4rem 0 0;
}
ol {
  margin: 0 0 0.5rem;
  padding-left: 1.4rem;
  display: grid;
  gap: 0.5rem;
  max-width: 62rem;
}
li::marker {
  font-weight: 700;
}
li > span:not(.tool) {
  display: block;
}
.tool {
  margin-left: 0.5rem;
  padding: 0 0.4rem;
  border: 1px solid var(--rule-strong);
  font-size: 0.9em;
}
.at {
  font-style: italic;
}
.sign {
  color: var(--covered);
}
.care {
  color: var(--caution);
  font-weight: 600;
}
</style>
