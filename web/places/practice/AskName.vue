<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Anatomy } from '#core/anatomy'
import { namesAsked } from '#core/practice'
import { useWords } from '../../state/words.ts'
import WhereItLies from '../cuts/WhereItLies.vue'
import FourAnswers from './FourAnswers.vue'

const { anatomy, part, drawn } = defineProps<{ anatomy: Anatomy; part: string; drawn: readonly string[] }>()
const emit = defineEmits<{ tried: [right: boolean]; next: [] }>()
const words = useWords()
const options = ref(namesAsked(anatomy, part, drawn, Math.random))
const answers = computed(() =>
  options.value.map((o) => ({ text: words.name(o.names), right: o.id === part })),
)
const also = computed(() => words.also(anatomy.parts.find((p) => p.id === part)!.names))
</script>

<template>
  <div class="two">
    <WhereItLies :anatomy="anatomy" :parts="new Set([part])" :size="440" />
    <FourAnswers
      title="What is it called?"
      :answers="answers"
      @tried="emit('tried', $event)"
      @next="emit('next')"
    >
      <template v-if="also">Elsewhere it is called {{ also.toLowerCase() }}.</template>
    </FourAnswers>
  </div>
</template>

<style scoped>
.two {
  display: flex;
  flex-wrap: wrap;
  gap: 2rem;
}
</style>
