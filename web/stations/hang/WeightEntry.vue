<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import Select from 'primevue/select'
import { v7 as uuid } from 'uuid'
import { computed, ref } from 'vue'
import type { NewWeighing } from '#contracts'
import { tapeWeightLb } from '#core/carcass'
import { inForce } from '#core/records'
import { fromKg, kg as kilograms, parseMass, type TypedMass, sayIssue } from '#core/measure'
import FieldIssues from '../../pieces/FieldIssues.vue'
import type { FieldIssue } from '../../state/api.ts'
import { useReading } from '../../state/lot.ts'
import { useWords } from '../../state/words.ts'
import { BASIS_WORDS, SOURCE_WORDS } from './weighingWords.ts'

const { stage, label } = defineProps<{ stage: 'live' | 'hot' | 'hanging'; label: string }>()
const { lot, weigh, body } = useReading()
const words = useWords()
/** What to type, for one animal of the species at its reference carcass. */
const example = computed(() => {
  const { referenceKg, chain } = body.value.anatomy
  const kg = {
    live: referenceKg / chain.dressing.mean / chain.shrink.mean,
    hot: referenceKg,
    hanging: referenceKg * 0.98,
  }
  const each = fromKg(kilograms(kg[stage] * lot.value!.count), words.unit.value)
  return `${each.toFixed(each < 20 ? 1 : 0)} ${words.unit.value}`
})
const held = computed(() => inForce(lot.value!.weighings).findLast((w) => w.stage === stage) ?? null)
const mode = ref<'rest' | 'correct' | 'again'>('rest')
const open = computed(() => !held.value || mode.value !== 'rest')
const text = ref('')
const source = ref<NewWeighing['source']>(stage === 'live' ? 'scale' : 'plant')
const basis = ref<NonNullable<NewWeighing['basis']>>('hot')
const girth = ref('')
const length = ref('')
const issues = ref<FieldIssue[]>([])
const divisor = computed(() => body.value.anatomy.chain.tapeDivisor)
const tapeUnit = computed(() => (words.unit.value === 'kg' ? 'cm' : 'in'))
const sources = computed(() =>
  (stage === 'live'
    ? divisor.value
      ? (['scale', 'tape', 'guess'] as const)
      : (['scale', 'guess'] as const)
    : (['plant', 'scale', 'guess'] as const)
  ).map((id) => ({ id, word: SOURCE_WORDS[id] })),
)
const bases = Object.entries(BASIS_WORDS).map(([id, word]) => ({ id, word }))

function fromTape() {
  const [g, l] = [Number(girth.value.replace(',', '.')), Number(length.value.replace(',', '.'))]
  if (g > 0 && l > 0 && divisor.value)
    text.value = `${tapeWeightLb(divisor.value, g, l, tapeUnit.value).toFixed(0)} lb`
}

async function send(confirmed: boolean) {
  const typed = parseMass(text.value, words.unit.value, stage)
  if (!typed.ok)
    return void (issues.value = typed.issues.map((i) => ({
      field: i.field,
      detail: sayIssue(i, words.says.value),
      confirmable: false,
    })))
  await post(typed.value, true, confirmed)
}

async function post(shown: TypedMass, stands: boolean, confirmed: boolean) {
  issues.value = await weigh({
    id: uuid(),
    stage,
    basis: stage === 'hanging' ? basis.value : null,
    source: source.value,
    shown,
    corrects: (mode.value === 'correct' || !stands) && held.value ? held.value.id : null,
    stands,
    confirmed,
  })
  if (issues.value.length > 0) return
  mode.value = 'rest'
  text.value = ''
}

function start(next: 'correct' | 'again') {
  mode.value = next
  issues.value = []
  if (held.value) {
    source.value = held.value.source
    basis.value = held.value.basis ?? basis.value
    text.value = next === 'correct' ? `${held.value.shown.value} ${held.value.shown.unit}` : ''
  }
}
</script>

<template>
  <div class="entry" :data-entry="stage">
    <div class="row">
      <label :for="`weight-${stage}`" class="name"
        >{{ label }}<small v-if="lot!.count > 1" class="muted">, all {{ lot!.count }} together</small></label
      >
      <template v-if="held && !open">
        <span class="weight">{{ held.shown.value }} {{ held.shown.unit }}</span>
        <span class="muted"
          >{{ SOURCE_WORDS[held.source]
          }}<template v-if="held.basis">, {{ BASIS_WORDS[held.basis] }}</template></span
        >
        <span style="flex: 1" />
        <Button text size="small" label="Correct" @click="start('correct')" />
        <Button text size="small" label="Weigh again" @click="start('again')" />
        <Button
          text
          size="small"
          severity="secondary"
          label="Withdraw"
          @click="post(held.shown, false, true)"
        />
      </template>
    </div>
    <form v-if="open" class="row form" novalidate @submit.prevent="send(false)">
      <InputText
        :id="`weight-${stage}`"
        v-model="text"
        class="figure"
        autocomplete="off"
        :placeholder="example"
        :invalid="issues.length > 0"
        @input="issues = []"
      />
      <Select
        v-model="source"
        :options="sources"
        option-label="word"
        option-value="id"
        :aria-label="`${label}: how it is known`"
        size="small"
      />
      <Select
        v-if="stage === 'hanging'"
        v-model="basis"
        :options="bases"
        option-label="word"
        option-value="id"
        aria-label="Basis of the hanging weight"
        size="small"
      />
      <Button type="submit" :label="mode === 'correct' ? 'Put right' : 'Keep weight'" size="small" />
      <Button
        v-if="held"
        text
        size="small"
        severity="secondary"
        label="Leave as it is"
        @click="mode = 'rest'"
      />
    </form>
    <div v-if="open && source === 'tape'" class="row tape">
      <label
        >Heart girth, {{ tapeUnit }}
        <InputText v-model="girth" size="small" inputmode="decimal" @input="fromTape"
      /></label>
      <label
        >Body length, {{ tapeUnit }}
        <InputText v-model="length" size="small" inputmode="decimal" @input="fromTape"
      /></label>
      <small class="muted">girth² × length ÷ {{ divisor }} in inches, about ± 5–10 %</small>
    </div>
    <FieldIssues :issues="issues" />
    <Button
      v-if="issues.length > 0 && issues.every((i) => i.confirmable)"
      size="small"
      outlined
      label="Keep it all the same"
      @click="send(true)"
    />
  </div>
</template>

<style scoped>
.entry {
  display: grid;
  gap: 0.3rem;
  border-bottom: 1px solid var(--rule);
  padding-bottom: 0.5rem;
}
.name {
  font-weight: 600;
  min-width: 9.5rem;
}
.figure {
  width: 9rem;
  font-family: var(--head);
  font-weight: 700;
}
.tape input {
  width: 4.5rem;
}
</style>
