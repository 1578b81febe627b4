<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import Select from 'primevue/select'
import { v7 as uuid } from 'uuid'
import { computed, nextTick, onMounted, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { kg, parseMass, sayIssue, toKg } from '#core/measure'
import FieldIssues from '../../pieces/FieldIssues.vue'
import { fieldIssue, type FieldIssue } from '../../state/api.ts'
import { useReading } from '../../state/lot.ts'
import { useWords } from '../../state/words.ts'
import FillGlass from './FillGlass.vue'
import KeyPad from './KeyPad.vue'

/** The thing to do at the bench: a weight, and keep it. The cut stays until it is all in, then the next one stands there. */
const cut = defineModel<string | null>('cut', { required: true })
const correcting = defineModel<string | null>('correcting', { required: true })
const MOST_NEXT = 4
const route = useRoute()
const { read, body, pack, note, state } = useReading()
const words = useWords()
const text = ref('')
const packs = ref('1')
const issues = ref<FieldIssue[]>([])
const kept = ref('')
const wrong = computed(() => state.value!.packs.find((p) => p.id === correcting.value) ?? null)
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
/** What is still to be weighed, in cutting order from the cut at hand: a tap takes it. */
const next = computed(() => {
  const open = read.value.cuts.filter((c) => c.cut.kind !== 'loss' && !c.done)
  const from = Math.max(
    0,
    open.findIndex((c) => c.cut.id === cut.value),
  )
  return [...open.slice(from + 1), ...open.slice(0, from)].slice(0, MOST_NEXT)
})
const typed = computed(() => parseMass(text.value, words.unit.value, 'shown'))
const onScale = computed(() =>
  typed.value.ok ? toKg(typed.value.value.value, typed.value.value.unit) : kg(0),
)
const count = computed(() => Number(packs.value))
const isCount = computed(
  () => packs.value.trim() !== '' && Number.isInteger(count.value) && count.value >= 0 && count.value <= 5000,
)
/** On a desk the field is at hand; on a tablet its keyboard would cover the keypad. */
const hasKeyboard = () => window.matchMedia('(min-width: 901px) and (hover: hover)').matches
const focus = (always = false) =>
  void nextTick(() => (always || hasKeyboard()) && document.getElementById('pack-weight')?.focus())

onMounted(() => {
  if (typeof route.query.cut === 'string') cut.value = route.query.cut
  cut.value ??= read.value.cuts.find((c) => c.cut.kind === 'product' && !c.done)?.cut.id ?? null
  if (route.query.weigh || route.query.cut) focus(true)
})
watch(cut, () => {
  issues.value = []
  focus()
})
watch(wrong, (w) => {
  if (!w) return
  cut.value = w.cut
  text.value = `${w.shown.value} ${w.shown.unit}`
  packs.value = String(w.packs)
  focus(true)
})

function press(key: string) {
  issues.value = []
  kept.value = ''
  text.value = key === '⌫' ? text.value.slice(0, -1) : text.value + key
}
const more = (by: number) => (packs.value = String(Math.max(0, (isCount.value ? count.value : 0) + by)))

async function keep(stands = true, confirmed = false) {
  kept.value = ''
  const shown = typed.value
  issues.value = [
    ...(shown.ok ? [] : shown.issues.map((i) => fieldIssue('shown', sayIssue(i, words.says.value)))),
    ...(isCount.value
      ? []
      : [fieldIssue('packs', `“${packs.value}” is not a number of packs from 0 to 5000.`)]),
    ...(cut.value ? [] : [fieldIssue('cut', 'Choose which cut was weighed.')]),
  ]
  if (issues.value.length > 0 || !shown.ok || !cut.value) return
  issues.value = await pack({
    id: uuid(),
    cut: cut.value,
    shown: shown.value,
    packs: count.value,
    corrects: correcting.value,
    stands,
    confirmed,
  })
  if (issues.value.length > 0) return
  kept.value = stands
    ? `${shown.value.value} ${shown.value.unit} of ${words.name(expected.value?.cut.names ?? body.value.anatomy.cuts.find((c) => c.id === cut.value)!.names).toLowerCase()} kept.`
    : 'The entry is withdrawn; it stays on record.'
  correcting.value = null
  text.value = ''
  packs.value = '1'
  focus()
}
/** All of it is weighed: the next cut stands there. */
function allIn() {
  if (!cut.value) return
  note({ kind: 'tick', what: 'cut', of: cut.value, side: 'animal' })
  kept.value = `${words.name(expected.value!.cut.names)}: all in.`
  cut.value = next.value[0]?.cut.id ?? cut.value
}
const asks = computed(() => issues.value.length > 0 && issues.value.every((i) => i.confirmable))
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
    <div class="bench">
      <FillGlass v-if="expected" :cut="expected" :now="onScale" />
      <div class="field weight-field">
        <label for="pack-weight">Weight on the scale</label>
        <InputText
          id="pack-weight"
          v-model="text"
          class="big"
          autocomplete="off"
          aria-describedby="pack-weight-how"
          :invalid="issues.some((i) => i.field === 'shown')"
          @input="((issues = []), (kept = ''))"
        />
        <small id="pack-weight-how" class="muted"
          >in {{ words.unit.value }}, or as the scale says: 12lb 6oz, 5,6 kg</small
        >
      </div>
    </div>
    <div class="bar">
      <div class="field count">
        <label for="pack-count">Packs</label>
        <span class="stepper">
          <button type="button" aria-label="One pack fewer" @click="more(-1)">−</button>
          <InputText
            id="pack-count"
            v-model="packs"
            class="big"
            inputmode="numeric"
            :invalid="issues.some((i) => i.field === 'packs')"
          />
          <button type="button" aria-label="One pack more" @click="more(1)">+</button>
        </span>
      </div>
      <Button type="submit" class="keep" :label="wrong ? 'Put right' : 'Keep weight'" icon="pi pi-check" />
    </div>
    <FieldIssues :issues="issues" />
    <div v-if="asks || wrong" class="row">
      <Button v-if="asks" outlined label="Keep it all the same" @click="keep(true, true)" />
      <Button v-if="wrong" outlined label="Withdraw the entry" @click="keep(false)" />
      <Button v-if="wrong" text severity="secondary" label="Leave it" @click="correcting = null" />
    </div>
    <span class="good" role="status">{{ kept }}</span>
    <KeyPad class="pad" @press="press" />
    <div v-if="!wrong" class="row nexts">
      <button
        v-if="expected && expected.weighedKg > 0 && !expected.done"
        type="button"
        class="all"
        @click="allIn"
      >
        <i class="pi pi-check-square" aria-hidden="true" /> That was all of it
      </button>
      <button v-for="c in next" :key="c.cut.id" type="button" :data-next="c.cut.id" @click="cut = c.cut.id">
        {{ words.name(c.cut.names) }}
      </button>
    </div>
  </form>
</template>

<style scoped>
.bench {
  display: grid;
  grid-template-columns: auto minmax(0, 1fr);
  gap: 1rem;
  align-items: end;
}
.weight-field {
  align-content: end;
}
.bar {
  display: grid;
  grid-template-columns: auto minmax(0, 1fr);
  gap: 0.75rem;
  align-items: end;
}
.bench :deep(input) {
  width: 100%;
}
.big {
  font: 700 2.2rem var(--head);
}
.stepper {
  display: flex;
}
.stepper button {
  width: 48px;
  font: 700 1.5rem var(--head);
  color: var(--ink);
  background: var(--sheet);
  border: 1px solid var(--ink);
  cursor: pointer;
}
.stepper .big {
  width: 4rem;
  font-size: 1.5rem;
  text-align: center;
}
.keep {
  min-height: 58px;
  font-size: 1.15rem;
}
.pad {
  display: none;
}
.nexts button {
  font: 600 0.95rem var(--body);
  color: var(--ink);
  background: var(--sheet);
  border: 1px solid var(--rule-strong);
  min-height: 44px;
  padding: 0.2rem 0.7rem;
  cursor: pointer;
}
.nexts .all {
  color: #fff;
  background: var(--covered);
  border-color: var(--covered);
}
@media (max-width: 900px) {
  .pad {
    display: grid;
  }
  .nexts button {
    min-height: 56px;
  }
}
</style>
