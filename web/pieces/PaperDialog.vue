<script setup lang="ts">
import { capital } from '#core/measure'
import Button from 'primevue/button'
import Dialog from 'primevue/dialog'
import Select from 'primevue/select'
import InputText from 'primevue/inputtext'
import SelectButton from 'primevue/selectbutton'
import Textarea from 'primevue/textarea'
import { useLocalStorage } from '@vueuse/core'
import { computed, reactive, ref } from 'vue'
import type { papersAt } from '#core/papers'
import { orderedWork } from '#core/hand'
import { SHARES, type PaperWords, type Share, SHARE_WORDS } from '#core/records'
import { useLot } from '../state/lot.ts'
import { usePapers } from '../state/papers.ts'
import { useWords } from '../state/words.ts'
import FieldIssues from './FieldIssues.vue'

/** What is typed before a paper is printed: for whom it is, and the farm's own words; they are kept in the paper. */
const { lot, paper } = defineProps<{ lot: string; paper: ReturnType<typeof papersAt>[number] }>()
const emit = defineEmits<{ close: [] }>()
const { group, central } = useLot()
const says = useWords()
const { issues, busy, take } = usePapers(
  () => lot,
  () => group.value,
)
/** Words typed before: the farm's own stand again on the next paper, whom it was for on the next of this lot. */
const farms = useLocalStorage<PaperWords>('ekko-paper-words', {})
const ofLot = useLocalStorage<Record<string, PaperWords>>('ekko-paper-customers', {})
const isOfLot = (word: keyof PaperWords) => ['customer', 'telephone', 'instructions', 'only'].includes(word)
/** What is chosen rather than typed: nothing chosen is the whole plan, in the usual type. */
const choices = computed(() => ({
  part: [
    { v: '', w: 'the whole plan' },
    ...(central.value ? orderedWork(central.value).tasks : []).flatMap((t) =>
      t.kind === 'open' ? [{ v: t.id, w: `${says.name(t.names)} alone` }] : [],
    ),
  ],
  type: [
    { v: '', w: 'usual' },
    { v: 'steps', w: 'usual, with how each step is done' },
    { v: 'large', w: 'large, to be read at two metres' },
  ],
}))
const words = reactive<Record<string, string>>(
  Object.fromEntries(
    paper.wants.map(({ word, usual = '' }) => [
      word,
      (isOfLot(word) ? ofLot.value[lot]?.[word] : farms.value[word]) ?? usual,
    ]),
  ),
)
const share = ref<Share>(paper.shared ? 2 : 1)
const shares = SHARES.map((v) => ({ v, w: capital(SHARE_WORDS[v]) }))
const at = (word: string) => issues.value.filter((i) => i.field === `words.${word}`)
const others = computed(() => issues.value.filter((i) => !i.field.startsWith('words.')))

async function print() {
  const typed = Object.fromEntries(
    Object.entries(words).flatMap(([word, text]) => (text.trim() === '' ? [] : [[word, text]])),
  ) as PaperWords
  await take(paper.kind, 'pdf', share.value, typed)
  if (issues.value.length > 0) return
  const pick = (mine: boolean) =>
    Object.fromEntries(Object.entries(typed).filter(([w]) => isOfLot(w as keyof PaperWords) === mine))
  farms.value = { ...farms.value, ...pick(false) }
  ofLot.value = { ...ofLot.value, [lot]: { ...ofLot.value[lot], ...pick(true) } }
  emit('close')
}
</script>

<template>
  <Dialog
    visible
    modal
    dismissable-mask
    :header="paper.title"
    :style="{ width: 'min(34rem, 94vw)' }"
    @update:visible="emit('close')"
  >
    <form class="stack" novalidate @submit.prevent="print">
      <div v-if="paper.shared" class="field">
        <span id="paper-share">For how much of the animal</span>
        <SelectButton
          v-model="share"
          :options="shares"
          option-label="w"
          option-value="v"
          :allow-empty="false"
          aria-labelledby="paper-share"
        />
      </div>
      <div v-for="w in paper.wants" :key="w.word" class="field">
        <label :for="`paper-${w.word}`">{{ w.asks }}</label>
        <Select
          v-if="w.choose"
          v-model="words[w.word]"
          :input-id="`paper-${w.word}`"
          :options="choices[w.choose]"
          option-label="w"
          option-value="v"
          :aria-label="w.asks"
        />
        <Textarea
          v-else-if="w.long"
          :id="`paper-${w.word}`"
          v-model="words[w.word]"
          rows="2"
          auto-resize
          :invalid="at(w.word).length > 0"
        />
        <InputText
          v-else
          :id="`paper-${w.word}`"
          v-model="words[w.word]"
          autocomplete="off"
          :invalid="at(w.word).length > 0"
        />
        <FieldIssues :issues="at(w.word)" />
      </div>
      <p class="muted">What is left empty is not printed. The paper is kept as it is printed now.</p>
      <FieldIssues :issues="others" />
      <div class="row">
        <Button type="submit" icon="pi pi-file-pdf" label="Print" :loading="busy !== null" />
        <Button type="button" text severity="secondary" label="Not now" @click="emit('close')" />
      </div>
    </form>
  </Dialog>
</template>
