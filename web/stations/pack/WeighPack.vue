<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import Select from 'primevue/select'
import { v7 as uuid } from 'uuid'
import { useLocalStorage } from '@vueuse/core'
import { computed, nextTick, onMounted, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { fromKg, gramsOf, kg, parseMass, parseWhole, toKg, type TypedMass } from '#core/measure'
import { sayIssue } from '#contracts/said'
import { wrapFor } from '#core/hand'
import { judgePacks } from '#core/reading'
import type { Wrap } from '#core/records'
import FieldIssues from '../../pieces/FieldIssues.vue'
import { fieldIssue, type FieldIssue } from '../../state/api.ts'
import { useFarm } from '../../state/farm.ts'
import { labelsAtOnce, useInstruments } from '../../state/instruments.ts'
import { useKeys } from '../../state/keys.ts'
import { usePacking } from '../../state/packing.ts'
import { useLabels } from '../../state/labels.ts'
import { useReading } from '../../state/lot.ts'
import { useWords } from '../../state/words.ts'
import AtHand from './AtHand.vue'
import FillGlass from './FillGlass.vue'
import KeyPad from './KeyPad.vue'
import PackCount from './PackCount.vue'
import PackDetails from './PackDetails.vue'
import ScaleFace from './ScaleFace.vue'

/** The thing to do at the bench: a weight, and keep it. The cut stays until it is all in, then the next one stands there. */
const cut = defineModel<string | null>('cut', { required: true })
const correcting = defineModel<string | null>('correcting', { required: true })
const MOST_NEXT = 4
const route = useRoute()
const { lot, read, body, pack, note, state } = useReading()
const farm = useFarm()
const { shown: scale, hasScale, hasPrinter } = useInstruments()
const { labelsOf } = useLabels()
const labelled = labelsAtOnce()
const words = useWords()
const text = ref('')
const packs = ref('1')
const usual = useLocalStorage<{ wrap: Wrap | null; place: string }>('ekko-pack-usual', {
  wrap: null,
  place: '',
})
const pieces = ref('')
/** Packs that are opened for the next one: halved, joined, weighed again. */
const outOf = defineModel<number[]>('outOf', { required: true })
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
const { floor = false } = defineProps<{ floor?: boolean }>()
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
/** Nothing typed: what stands still on the scale counts, once; the next one only after it was taken off. */
const armed = ref(true)
const LIFTED_KG = 0.02
watch(scale, (now) => {
  if (now && now.kg < LIFTED_KG) armed.value = true
})
const weighed = computed<TypedMass | null>(() => {
  const s = scale.value
  if (!s?.stable || s.overload || !armed.value || s.kg < LIFTED_KG) return null
  return { value: Number(fromKg(s.kg, s.unit).toFixed(s.digits)), unit: s.unit }
})
const isTyped = computed(() => text.value.trim() !== '')
const onScale = computed(() =>
  isTyped.value
    ? typed.value.ok
      ? toKg(typed.value.value.value, typed.value.value.unit)
      : kg(0)
    : weighed.value
      ? toKg(weighed.value.value, weighed.value.unit)
      : kg(0),
)
/** Where packs of this lot went so far. */
const places = computed(() => [...new Set((lot.value?.packs ?? []).flatMap((p) => p.place ?? []))])
const MOST_PACKS = 5000
const MOST_PIECES = 500
const counted = computed(() => parseWhole(packs.value, 'packs', { low: 0, high: MOST_PACKS }))
const count = computed(() => (counted.value.ok ? counted.value.value : 0))
/** On a desk the field is at hand; on a tablet its keyboard would cover the keypad. */
const hasKeyboard = () => window.matchMedia('(min-width: 901px) and (hover: hover)').matches
const focus = (always = false) =>
  void nextTick(() => (always || hasKeyboard()) && document.getElementById('pack-weight')?.focus())

onMounted(() => {
  if (typeof route.query.cut === 'string') cut.value = route.query.cut
  cut.value ??= read.value.cuts.find((c) => c.cut.kind === 'product' && !c.done)?.cut.id ?? null
  if (route.query.weigh || route.query.cut) focus(true)
})
/** What the cut goes into, by the farm; another one picked here holds for this cut. */
const { packing, count: countShelf } = usePacking()
const picked = ref<Wrap | null>(null)
const wrap = computed({
  get: () =>
    picked.value ??
    lot.value?.packs.find((p) => p.id === correcting.value)?.wrap ??
    (cut.value === null ? null : wrapFor(packing.value, body.value.anatomy.species, cut.value)) ??
    usual.value.wrap,
  set: (to) => {
    picked.value = to
    usual.value.wrap = to
  },
})
watch(cut, () => {
  picked.value = null
  issues.value = []
  focus()
})
watch(wrong, (w) => {
  if (!w) return
  cut.value = w.cut
  text.value = `${w.shown.value} ${w.shown.unit}`
  packs.value = String(w.packs)
  const whole = lot.value?.packs.find((p) => p.id === w.id)
  pieces.value = whole?.pieces === undefined ? '' : String(whole.pieces)
  outOf.value = w.outOf ?? []
  focus(true)
})

function press(key: string) {
  issues.value = []
  kept.value = ''
  text.value = key === '⌫' ? text.value.slice(0, -1) : text.value + key
}
const more = (by: number) => (packs.value = String(Math.max(0, count.value + by)))

/** What is to be kept, or why it cannot be: typed, or as the scale shows it. */
function massNow(): { ok: true; value: TypedMass } | { ok: false; why: string } {
  if (isTyped.value || !hasScale.value)
    return typed.value.ok
      ? typed.value
      : { ok: false, why: typed.value.issues.map((i) => sayIssue(i, words.says.value)).join(' ') }
  if (weighed.value) return { ok: true, value: weighed.value }
  const s = scale.value
  const why = !s
    ? 'The scale does not answer. Type what it shows, or look at Scale and printer.'
    : s.overload
      ? 'That is too much for this scale. Weigh it in two, or type what another one says.'
      : !armed.value
        ? 'This one is kept already. Take it off, and put the next one on.'
        : s.kg < LIFTED_KG
          ? 'Nothing lies on the scale. Put the pack on, or type a weight.'
          : 'The scale still moves. Wait until it stands still.'
  return { ok: false, why }
}

async function keep(stands = true, confirmed = false) {
  kept.value = ''
  const shown = massNow()
  const inEach =
    pieces.value.trim() === ''
      ? ({ ok: true, value: null } as const)
      : parseWhole(pieces.value, 'pieces', { low: 1, high: MOST_PIECES })
  issues.value = [
    ...(shown.ok ? [] : [fieldIssue('shown', shown.why)]),
    ...[counted.value, inEach].flatMap((x) =>
      x.ok ? [] : x.issues.map((i) => fieldIssue(i.field, sayIssue(i, words.says.value))),
    ),
    ...(cut.value ? [] : [fieldIssue('cut', 'Choose which cut was weighed.')]),
  ]
  if (issues.value.length > 0 || !shown.ok || !inEach.ok || !cut.value) return
  const each = inEach.value
  const isFromScale = !isTyped.value
  const row = {
    id: uuid(),
    cut: cut.value,
    shown: shown.value,
    packs: count.value,
    corrects: correcting.value,
    stands,
    ...(each !== null && { pieces: each }),
    ...(wrap.value && { wrap: wrap.value }),
    ...(usual.value.place.trim() && { place: usual.value.place.trim() }),
    ...(outOf.value.length > 0 && { outOf: outOf.value }),
  }
  // While the server is away nobody else judges it.
  if (!farm.queue.reachable.value && stands) {
    const of = { ...row, number: null, grams: gramsOf(row.shown), at: '' }
    const issue = judgePacks(body.value, state.value!, of)
    if (issue && !(issue.confirmable && confirmed)) {
      const detail = sayIssue(issue, words.says.value)
      issues.value = [{ field: 'shown', detail, confirmable: issue.confirmable ?? false }]
      return
    }
  }
  const typedNow = { text: text.value, pieces: pieces.value, packs: packs.value }
  issues.value = await pack({ ...row, confirmed })
  if (issues.value.length > 0) return
  armed.value = !isFromScale
  void countShelf()
  await nextTick()
  const made = state.value!.packs.find((p) => p.id === row.id)
  const name = words.name(body.value.anatomy.cuts.find((c) => c.id === row.cut)!.names).toLowerCase()
  kept.value = stands
    ? sayKept(name, row, made?.number ?? null, farm.queue.isPending(row.id))
    : 'The entry is withdrawn; it stays on record.'
  correcting.value = null
  outOf.value = []
  // What was typed for the next one while this one was on its way stays.
  if (text.value === typedNow.text) text.value = ''
  if (pieces.value === typedNow.pieces) pieces.value = ''
  if (packs.value === typedNow.packs) packs.value = '1'
  if (isFromScale) moveOn(row.cut)
  focus()
  if (stands && labelled.value && hasPrinter.value && made?.number)
    await printed(name, made.number, row.packs)
}
/** Labels come when the printer has them: by then another cut may stand here, so it is said of which they were not. */
async function printed(name: string, first: number, many: number) {
  const numbers = Array.from({ length: many }, (_, i) => first + i)
  const wrong = await labelsOf(lot.value!.id, numbers)
  if (wrong.length > 0)
    issues.value = wrong.map((w) => ({ ...w, detail: `Label of pack ${first}, ${name}: ${w.detail}` }))
}
function sayKept(
  name: string,
  { shown, packs: many }: { shown: TypedMass; packs: number },
  number: number | null,
  waits: boolean,
): string {
  const what = `${shown.value} ${shown.unit} of ${name} kept`
  if (waits) return `${what} on this device, and sent when the server answers.`
  if (number === null) return `${what}.`
  const last = number + many - 1
  return last > number ? `${what}, packs ${number}–${last}.` : `${what}, pack ${number}.`
}
/** As many packs are weighed of it as are planned: the next cut stands there, unless another was chosen meanwhile. */
function moveOn(of: string) {
  const now = read.value.cuts.find((c) => c.cut.id === of)
  const after = next.value[0]?.cut
  if (cut.value !== of || !after || !now || now.packs === 0 || now.weighedPacks < now.packs) return
  cut.value = after.id
  kept.value += ` Next: ${words.name(after.names).toLowerCase()}.`
}
useKeys(() => ({ w: () => void keep() }))
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
  <form class="stack" :class="{ floor }" novalidate @submit.prevent="keep()">
    <ScaleFace />
    <AtHand v-if="floor && expected" :cut="expected" />
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
    <p v-if="outOf.length > 0" class="muted">
      Opened for it: {{ outOf.map((n) => `pack ${n}`).join(', ') }}. Weigh what comes of it; the old label is
      void.
      <button type="button" class="link" @click="outOf = []">Leave it closed</button>
    </p>
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
          ><template v-if="hasScale"
            >left empty, the scale’s figure counts; or typed: 12lb 6oz, 5,6 kg</template
          ><template v-else
            >in {{ words.unit.value }}, or as the scale says: 12lb 6oz, 5,6 kg</template
          ></small
        >
      </div>
    </div>
    <div class="bar">
      <PackCount v-model="packs" :invalid="issues.some((i) => i.field === 'packs')" @step="more" />
      <Button type="submit" class="keep" :label="wrong ? 'Put right' : 'Keep weight'" icon="pi pi-check" />
    </div>
    <PackDetails v-model:wrap="wrap" v-model:pieces="pieces" v-model:place="usual.place" :places="places" />
    <FieldIssues :issues="issues" />
    <div v-if="asks || wrong" class="row asks">
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
.link {
  font: inherit;
  color: var(--accent);
  background: none;
  border: 0;
  text-decoration: underline;
  cursor: pointer;
  min-height: 32px;
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
.floor {
  display: grid;
  grid-template-columns: minmax(0, 0.8fr) minmax(0, 1.2fr);
}
/* What is done again and again comes first; all else is below it. */
.floor > * {
  order: 2;
  grid-column: 1 / -1;
}
.floor > .face {
  order: 0;
  grid-column: 1;
}
.floor > .at-hand {
  order: 0;
  grid-column: 2;
}
.floor > .bar,
.floor > .good,
.floor > .asks,
.floor > .nexts,
.floor > :deep(.field-issue) {
  order: 1;
}
.floor .pad {
  display: grid;
}
.floor :deep(.p-select) {
  align-items: center;
}
.floor .keep {
  min-height: 84px;
  font: 700 2.2rem var(--head);
}
.floor :deep(.stepper button),
.floor .nexts button,
.floor :deep(.p-select),
.floor :deep(.field input) {
  min-height: 56px;
}
@media (max-width: 900px) {
  .floor {
    grid-template-columns: minmax(0, 1fr);
  }
  .floor > .face,
  .floor > .at-hand {
    grid-column: 1;
  }
  .pad {
    display: grid;
  }
  .nexts button {
    min-height: 56px;
  }
}
</style>
