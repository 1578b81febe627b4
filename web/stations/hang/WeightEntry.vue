<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import Select from 'primevue/select'
import { v7 as uuid } from 'uuid'
import { computed, ref } from 'vue'
import type { NewWeighing } from '#contracts'
import { tapeWeightLb } from '#core/carcass'
import { inForce } from '#core/records'
import { parseMass, parseNumber, type TypedMass } from '#core/measure'
import { sayIssue } from '#contracts/said'
import FieldIssues from '../../pieces/FieldIssues.vue'
import { fieldIssue, type FieldIssue } from '../../state/api.ts'
import { useReading } from '../../state/lot.ts'
import { useToday } from '../../state/today.ts'
import { useWords } from '../../state/words.ts'
import { BASIS_WORDS, SOURCE_WORDS } from './weighingWords.ts'

/** A scale of the day as a plate on the rail: what it said, or what is expected of it; the next one to read stands open. */
const { stage, label, now } = defineProps<{
  stage: 'live' | 'hot' | 'hanging'
  label: string
  /** Whether this is the weight to write down next. */
  now: boolean
}>()
const { weigh, body, read, hangs, state } = useReading()
const words = useWords()
const expected = computed(() => read.value.stages.find((s) => s.id === stage) ?? null)
const held = computed(() => inForce(state.value!.weighings).findLast((w) => w.stage === stage) ?? null)
const mode = ref<'rest' | 'first' | 'correct' | 'again'>('rest')
const open = computed(() => (now && !held.value) || mode.value !== 'rest')
const text = ref('')
const { today } = useToday()
/** The day it was weighed, where it was not today. */
const day = ref('')
const source = ref<NewWeighing['source']>(stage === 'live' ? 'scale' : 'plant')
const basis = ref<NonNullable<NewWeighing['basis']>>(hangs.value.as === 'part' ? 'boxed' : 'hot')
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
/** A part came as it is; a carcass never came in a box. */
const bases = computed(() =>
  Object.entries(BASIS_WORDS)
    .filter(([id]) => (hangs.value.as === 'part' ? ['boxed', 'cold', 'aged'].includes(id) : id !== 'boxed'))
    .map(([id, word]) => ({ id, word })),
)

function fromTape() {
  const [g, l] = [girth.value, length.value].map((t) => parseNumber(t, 'tape', { low: 1, high: 1000 }))
  if (g?.ok && l?.ok && divisor.value)
    text.value = `${tapeWeightLb(divisor.value, g.value, l.value, tapeUnit.value).toFixed(0)} lb`
}

async function send(confirmed: boolean) {
  const typed = parseMass(text.value, words.unit.value, stage)
  if (day.value > today.value)
    return void (issues.value = [
      fieldIssue(
        stage,
        'That day is still to come. Type the day it was weighed, or leave it empty for today.',
      ),
    ])
  if (!typed.ok)
    return void (issues.value = typed.issues.map((i) => ({
      field: i.field,
      detail: sayIssue(i, words.says.value),
      confirmable: false,
    })))
  await post(typed.value, true, confirmed)
}

async function post(shown: TypedMass, stands: boolean, confirmed: boolean) {
  const on = stands ? day.value : held.value?.day
  issues.value = await weigh({
    id: uuid(),
    stage,
    basis: stage === 'hanging' ? basis.value : null,
    source: source.value,
    shown,
    ...(on && on !== today.value && { day: on }),
    corrects: (mode.value === 'correct' || !stands) && held.value ? held.value.id : null,
    stands,
    confirmed,
  })
  if (issues.value.length > 0) return
  mode.value = 'rest'
  text.value = ''
  day.value = ''
}

function start(next: 'first' | 'correct' | 'again') {
  mode.value = next
  issues.value = []
  if (held.value) {
    source.value = held.value.source
    basis.value = held.value.basis ?? basis.value
    day.value = next === 'correct' ? (held.value.day ?? '') : ''
    text.value = next === 'correct' ? `${held.value.shown.value} ${held.value.shown.unit}` : ''
  }
}
</script>

<template>
  <div class="plate" :class="{ weighed: held, now: open }" :data-entry="stage">
    <h2>
      <component :is="open ? 'label' : 'span'" :for="open ? `weight-${stage}` : undefined">{{
        label
      }}</component
      ><small v-if="read.plan.half" class="muted">, one side of all {{ read.count * 2 }}</small
      ><small v-else-if="read.count > 1" class="muted">, all {{ read.count }} together</small>
    </h2>
    <p v-if="held" class="figure">
      <span>{{ held.shown.value }} {{ held.shown.unit }}</span>
      <small class="muted"
        >{{ SOURCE_WORDS[held.source]
        }}<template v-if="held.basis">, {{ BASIS_WORDS[held.basis] }}</template></small
      >
    </p>
    <p v-else-if="expected" class="figure">
      <span class="estimate">{{ words.known(expected.kg, expected.range) }}</span>
      <small class="muted"
        >expected<template v-if="expected.range">, {{ words.massRange(expected.range) }}</template></small
      >
    </p>
    <div v-if="!open" class="row acts">
      <template v-if="held">
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
      <Button
        v-else
        outlined
        size="small"
        label="Write it down"
        :aria-label="`Write it down: ${label.toLowerCase()}`"
        @click="start('first')"
      />
    </div>
    <form v-else class="form" novalidate @submit.prevent="send(false)">
      <div class="field">
        <InputText
          :id="`weight-${stage}`"
          v-model="text"
          class="typed"
          autocomplete="off"
          :aria-describedby="`weight-${stage}-how`"
          :invalid="issues.length > 0"
          @input="issues = []"
        />
        <small :id="`weight-${stage}-how`" class="muted"
          >in {{ words.unit.value }}; “118 kg” and “12lb 6oz” are understood</small
        >
      </div>
      <div class="row">
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
        <label class="row"
          >on
          <InputText
            v-model="day"
            type="date"
            size="small"
            :max="today"
            :aria-label="`${label}: the day it was weighed, empty for today`"
            @input="issues = []"
        /></label>
      </div>
      <div v-if="source === 'tape'" class="row tape">
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
      <div class="row">
        <Button type="submit" :label="mode === 'correct' ? 'Put right' : 'Keep weight'" size="small" />
        <Button
          v-if="issues.length > 0 && issues.every((i) => i.confirmable)"
          size="small"
          outlined
          label="Keep it all the same"
          @click="send(true)"
        />
        <Button
          v-if="mode !== 'rest'"
          text
          size="small"
          severity="secondary"
          label="Leave as it is"
          @click="mode = 'rest'"
        />
      </div>
    </form>
    <slot />
  </div>
</template>

<style scoped>
.plate {
  display: grid;
  gap: 0.4rem;
  align-content: start;
  background: var(--sheet);
  border: 1.5px dashed #8a7452;
  padding: 0.6rem 0.8rem 0.7rem;
  position: relative;
}
.plate::before {
  content: '';
  position: absolute;
  left: 50%;
  top: -17px;
  height: 17px;
  border-left: 3px solid var(--ink);
}
.weighed {
  border: 1.5px solid var(--ink);
}
.now {
  border: 2px solid var(--accent);
}
h2 {
  font: 600 1rem var(--body);
}
.figure {
  font: 700 1.7rem/1.1 var(--head);
}
small {
  margin-left: 0.3rem;
}
.figure small {
  font: 400 0.9rem var(--body);
}
.form {
  display: grid;
  gap: 0.5rem;
}
.typed {
  font: 700 1.5rem var(--head);
  width: 100%;
}
.acts {
  margin-left: -0.5rem;
}
.acts :deep(.p-button-outlined) {
  margin-left: 0.5rem;
}
.tape input {
  width: 4.5rem;
}
</style>
