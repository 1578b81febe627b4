<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import Select from 'primevue/select'
import { v7 as uuid } from 'uuid'
import { computed, nextTick, onMounted, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { parseMass, sayIssue } from '#core/measure'
import FieldIssues from '../../pieces/FieldIssues.vue'
import type { FieldIssue } from '../../state/api.ts'
import { useReading } from '../../state/lot.ts'
import { useWords } from '../../state/words.ts'

const cut = defineModel<string | null>('cut', { required: true })
const correcting = defineModel<string | null>('correcting', { required: true })
const route = useRoute()
const { read, lot, body, pack } = useReading()
const words = useWords()
const text = ref('')
const packs = ref('1')
const issues = ref<FieldIssue[]>([])
const kept = ref('')
const wrong = computed(() => lot.value!.packs.find((p) => p.id === correcting.value) ?? null)
const options = computed(() => {
  const here = new Set(read.value.cuts.map((c) => c.cut.id))
  const of = (expected: boolean) =>
    body.value.anatomy.cuts
      .filter((c) => c.kind !== 'loss' && here.has(c.id) === expected)
      .map((c) => ({ id: c.id, word: words.name(c.names) }))
  return [
    { word: 'Expected from this plan', items: of(true) },
    { word: 'Not in the plan', items: of(false) },
  ]
})
const expected = computed(() => read.value.cuts.find((c) => c.cut.id === cut.value))
const focus = () => void nextTick(() => document.getElementById('pack-weight')?.focus())

onMounted(() => {
  if (typeof route.query.cut === 'string') cut.value = route.query.cut
  cut.value ??= read.value.cuts.find((c) => c.cut.kind === 'product' && !c.done)?.cut.id ?? null
  if (route.query.weigh || route.query.cut) focus()
})
watch(cut, focus)
watch(wrong, (w) => {
  if (!w) return
  cut.value = w.cut
  text.value = `${w.shown.value} ${w.shown.unit}`
  packs.value = String(w.packs)
  focus()
})

async function keep(stands = true) {
  const typed = parseMass(text.value, words.unit.value, 'shown')
  const count = Number(packs.value)
  issues.value = [
    ...(typed.ok
      ? []
      : typed.issues.map((i) => ({
          field: 'shown',
          detail: sayIssue(i, words.says.value),
          confirmable: false,
        }))),
    ...(Number.isInteger(count) && count >= 0 && count <= 5000 && packs.value.trim() !== ''
      ? []
      : [
          {
            field: 'packs',
            detail: `“${packs.value}” is not a number of packs from 0 to 5000.`,
            confirmable: false,
          },
        ]),
    ...(cut.value ? [] : [{ field: 'cut', detail: 'Choose which cut was weighed.', confirmable: false }]),
  ]
  if (issues.value.length > 0 || !typed.ok || !cut.value) return
  issues.value = await pack({
    id: uuid(),
    cut: cut.value,
    shown: typed.value,
    packs: count,
    corrects: correcting.value,
    stands,
  })
  if (issues.value.length > 0) return
  kept.value = stands
    ? `${typed.value.value} ${typed.value.unit} kept.`
    : 'The entry is withdrawn; it stays on record.'
  correcting.value = null
  text.value = ''
  packs.value = '1'
  focus()
}
</script>

<template>
  <form class="stack" novalidate @submit.prevent="keep()">
    <div class="pane-head">
      <h2>{{ wrong ? 'Put an entry right' : 'Weigh now' }}</h2>
    </div>
    <p v-if="wrong" class="muted">
      Corrects {{ wrong.shown.value }} {{ wrong.shown.unit }} of
      {{ new Date(wrong.at).toLocaleTimeString('en', { timeStyle: 'short' }) }}. The wrong figure stays on
      record, struck through.
    </p>
    <div class="field">
      <label for="pack-cut">Cut</label>
      <Select
        v-model="cut"
        input-id="pack-cut"
        filter
        :options="options"
        option-label="word"
        option-value="id"
        option-group-label="word"
        option-group-children="items"
        scroll-height="320px"
      />
    </div>
    <div class="pair">
      <div class="field">
        <label for="pack-weight">Weight on the scale</label>
        <InputText
          id="pack-weight"
          v-model="text"
          class="big"
          autocomplete="off"
          :placeholder="words.unit.value === 'kg' ? '5.6 kg' : '12lb 6oz'"
          :invalid="issues.some((i) => i.field === 'shown')"
          @input="issues = []"
        />
      </div>
      <div class="field">
        <label for="pack-count">Packs</label>
        <InputText
          id="pack-count"
          v-model="packs"
          class="big"
          inputmode="numeric"
          :invalid="issues.some((i) => i.field === 'packs')"
        />
      </div>
    </div>
    <p v-if="expected" class="muted">
      Expected {{ words.mass(expected.expectedKg)
      }}<template v-if="expected.range"> (likely {{ words.massRange(expected.range) }})</template>; so far
      {{ words.mass(expected.weighedKg) }}.
    </p>
    <FieldIssues :issues="issues" />
    <div class="row">
      <Button type="submit" :label="wrong ? 'Put right' : 'Keep weight'" icon="pi pi-check" />
      <Button v-if="wrong" outlined label="Withdraw the entry" @click="keep(false)" />
      <Button v-if="wrong" text severity="secondary" label="Leave it" @click="correcting = null" />
      <span class="good" role="status">{{ kept }}</span>
    </div>
  </form>
</template>

<style scoped>
.pair {
  display: grid;
  grid-template-columns: 1fr 6rem;
  gap: 0.75rem;
}
.pair :deep(input) {
  width: 100%;
}
.big {
  font: 700 1.5rem var(--head);
}
</style>
