<script setup lang="ts">
import { computed, ref } from 'vue'
import type { ActionId } from '#core/hand'
import { faultAsked } from '#core/practice'
import FourAnswers from './FourAnswers.vue'

const { action } = defineProps<{ action: string }>()
const emit = defineEmits<{ tried: [right: boolean]; next: [] }>()
const asked = ref(faultAsked(action as ActionId, Math.random))
const answers = computed(() => asked.value.seen.map((s) => ({ text: s.text, right: s.wrong })))
</script>

<template>
  <FourAnswers
    :title="`“${asked.word}”: three pieces lie before you. Which went wrong?`"
    :answers="answers"
    @tried="emit('tried', $event)"
    @next="emit('next')"
  />
</template>
