<script setup lang="ts">
import Button from 'primevue/button'
import Checkbox from 'primevue/checkbox'
import InputText from 'primevue/inputtext'
import Select from 'primevue/select'
import { computed, reactive, ref, watch } from 'vue'
import { isGtin } from '#core/exchange'
import { kgOf, parseWhole } from '#core/measure'
import { drawUp, expectedPack, LABELS_ON, packsAbout, usualDesign, type Labels } from '#core/papers'
import { BLOCK_SIZES, LABEL_SIZES, type LabelBlock, type LabelSheet } from '#core/records'
import { packageWords } from '#core/rules'
import PickField from '../../pieces/PickField.vue'
import TextField from '../../pieces/TextField.vue'
import FieldIssues from '../../pieces/FieldIssues.vue'
import { fieldIssue } from '../../state/api.ts'
import { useIssues } from '../../state/issues.ts'
import { useFarm } from '../../state/farm.ts'
import { useReading } from '../../state/lot.ts'
import { useSheets } from '../../state/sheets.ts'
import { useToday } from '../../state/today.ts'
import { useWords } from '../../state/words.ts'
import LabelHolds from './LabelHolds.vue'
import LabelPicture from './LabelPicture.vue'
import PackTabs from './PackTabs.vue'

/** How the farm's labels look, once for all: what stands on them, in which order and size; beside it the label at its true size. */
const { lot, read, body } = useReading()
const farm = useFarm()
const words = useWords()
const { sheets, state: loading, keep, change } = useSheets('ekko-labels')
const draft = reactive<LabelSheet>(usualDesign())
const { issues, at } = useIssues()
const saved = ref('')
watch(sheets, ([held]) => held && Object.assign(draft, JSON.parse(JSON.stringify(held.body)) as LabelSheet), {
  immediate: true,
})
const BLOCK_WORDS: Record<LabelBlock, string> = {
  cut: 'Cut',
  weight: 'Weight and pieces',
  price: 'Price',
  farm: 'Farm and address',
  lot: 'Animal, lot, number',
  date: 'Packed on',
  'not-for-sale': '“Not for sale”',
  exemption: 'The exemption',
  barcode: 'Bar code',
  contains: 'What people react to',
  cooking: 'Cook to',
  storage: 'How it keeps',
  kitchen: 'How to cook it',
  handling: 'Safe handling',
  claims: 'What we say of it',
}
const sizes = LABEL_SIZES.map((v) => ({ v, w: LABELS_ON[v].words }))
const CODES = [
  { v: 'number', w: 'the pack’s number' },
  { v: 'ean13', w: 'EAN-13 of the restricted range' },
  { v: 'gs1-128', w: 'GS1-128 with our GTIN' },
] as const
const code = reactive({
  kind: draft.code.kind as LabelSheet['code']['kind'],
  prefix: '20',
  says: 'weight' as 'weight' | 'price',
  gtin: '',
})
watch(
  () => draft.code,
  (now) => {
    code.kind = now.kind
    if (now.kind === 'ean13') Object.assign(code, { prefix: String(now.prefix), says: now.says })
    if (now.kind === 'gs1-128') code.gtin = now.gtin
  },
  { immediate: true },
)
const asked = computed(() => packageWords(read.value.plan.route)?.id)
const coded = computed((): LabelSheet['code'] | null => {
  const prefix = parseWhole(code.prefix, 'prefix', { low: 20, high: 29 })
  if (code.kind === 'number') return { kind: 'number' }
  if (code.kind === 'ean13')
    return prefix.ok ? { kind: 'ean13', prefix: prefix.value, says: code.says } : null
  return isGtin(code.gtin.trim()) ? { kind: 'gs1-128', gtin: code.gtin.trim() } : null
})
/** Cuts of this animal have a number each in the restricted range: given once, kept. */
function numbered(): LabelSheet['items'] {
  const { species, cuts } = body.value.anatomy
  const has = new Set(draft.items.filter((i) => i.species === species).map((i) => i.cut))
  let next = draft.items.reduce((most, i) => Math.max(most, i.item), 0)
  const fresh = cuts.filter((c) => c.kind === 'product' && !has.has(c.id))
  return [...draft.items, ...fresh.map((c) => ({ species, cut: c.id, item: ++next }))]
}
const design = computed<LabelSheet>(() => ({
  ...draft,
  code: coded.value ?? { kind: 'number' },
  items: coded.value?.kind === 'ean13' ? numbered() : draft.items,
}))
/** A pack to look at: the last one made, or one as it is expected. */
const { today } = useToday()
const example = computed(
  () =>
    packsAbout(lot.value!, farm.farm!.zone).at(-1) ?? expectedPack(read.value, words.unit.value, today.value),
)
const drawn = computed(() => {
  const pack = example.value
  if (!pack || kgOf(pack.grams) <= 0) return null
  return drawUp('labels', {
    read: read.value,
    farm: farm.farm!,
    lot: lot.value!.tag,
    date: pack.packedOn,
    share: 1,
    words: { packs: [pack.number] },
    packs: [pack],
    design: design.value,
  })
})
const label = computed(() => (drawn.value?.ok ? (drawn.value.value as Labels).labels[0]! : null))
function move(i: number, by: number) {
  const to = i + by
  if (to < 0 || to >= draft.blocks.length) return
  const [b] = draft.blocks.splice(i, 1)
  draft.blocks.splice(to, 0, b!)
}
const claim = reactive({ says: '', record: '' })
function addClaim() {
  const isWhole = claim.says.trim() !== '' && claim.record.trim() !== ''
  issues.value = isWhole
    ? []
    : [fieldIssue('claim', 'Say it, and name the record it stands on: without one it is not printed.')]
  if (!isWhole) return
  draft.claims.push({ says: claim.says.trim(), record: claim.record.trim() })
  claim.says = claim.record = ''
}
async function save() {
  saved.value = ''
  issues.value = [
    ...(code.kind === 'ean13' && !coded.value
      ? [fieldIssue('prefix', `“${code.prefix}” is no prefix of the restricted range: 20 to 29.`)]
      : []),
    ...(code.kind === 'gs1-128' && !coded.value
      ? [fieldIssue('gtin', `“${code.gtin}” is no GTIN: its last digit does not fit, or it is too short.`)]
      : []),
    ...(draft.holds ?? []).flatMap(({ cut, says }) =>
      says.trim() === ''
        ? [
            fieldIssue(
              'holds',
              `What goes into ${words.name(body.value.anatomy.cuts.find((c) => c.id === cut)?.names ?? { american: cut, commonwealth: cut })}? What people react to in it is chosen, and nothing is named.`,
            ),
          ]
        : [],
    ),
  ]
  if (issues.value.length > 0) return
  const next = JSON.parse(JSON.stringify(design.value)) as LabelSheet
  const [held] = sheets.value
  issues.value = held ? await change(held, next) : await keep(next)
  if (issues.value.length === 0) saved.value = 'Kept: every label looks like this from now on.'
}
</script>

<template>
  <PackTabs />
  <div class="labels">
    <section class="stack">
      <div class="pane-head">
        <h2>What stands on a label</h2>
        <span class="muted">once for the whole farm</span>
      </div>
      <p v-if="loading === 'failed'" class="field-issue" role="alert">
        What was kept of the labels did not come. Reload the page before you change anything.
      </p>
      <ul class="blocks">
        <li v-for="(b, i) in draft.blocks" :key="b.id" :data-block="b.id">
          <label :for="`label-${b.id}`">
            <Checkbox v-model="b.on" binary :input-id="`label-${b.id}`" :disabled="b.id === asked" />
            {{ BLOCK_WORDS[b.id] }}
            <small v-if="b.id === asked" class="muted">asked for by its route</small>
            <small v-else-if="b.on && label?.leftOff.includes(b.id)" class="short">no room</small>
          </label>
          <span class="row">
            <Select
              v-model="b.size"
              size="small"
              :options="[...BLOCK_SIZES]"
              :aria-label="`Size of ${BLOCK_WORDS[b.id]}`"
            />
            <button
              type="button"
              :aria-label="`${BLOCK_WORDS[b.id]} up`"
              :disabled="i === 0"
              @click="move(i, -1)"
            >
              <i class="pi pi-arrow-up" aria-hidden="true" />
            </button>
            <button
              type="button"
              :aria-label="`${BLOCK_WORDS[b.id]} down`"
              :disabled="i === draft.blocks.length - 1"
              @click="move(i, 1)"
            >
              <i class="pi pi-arrow-down" aria-hidden="true" />
            </button>
          </span>
        </li>
      </ul>
    </section>
    <section class="stack">
      <div class="pane-head"><h2>As it comes out</h2></div>
      <LabelPicture v-if="label" :label="label" :size="draft.size" />
      <p v-else class="muted">
        {{
          drawn && !drawn.ok
            ? 'This animal has no labels: it is not food.'
            : 'Nothing to show before there is a weight.'
        }}
      </p>
      <p v-if="label && label.leftOff.length > 0" class="caution" role="note">
        <i class="pi pi-exclamation-triangle" aria-hidden="true" />
        <span
          >No room on this label for:
          {{ label.leftOff.map((b) => BLOCK_WORDS[b].toLowerCase()).join(', ') }}.</span
        >
      </p>
      <PickField id="label-size" v-model="draft.size" label="Printed on" :options="sizes" />
      <PickField id="label-code" v-model="code.kind" label="Bar code" :options="CODES" />
      <div v-if="code.kind === 'ean13'" class="pair">
        <TextField
          id="label-prefix"
          v-model="code.prefix"
          label="Prefix, 20 to 29"
          inputmode="numeric"
          :issues="at('prefix')"
        />
        <PickField id="label-says" v-model="code.says" label="It says" :options="['weight', 'price']" />
      </div>
      <div v-if="code.kind === 'gs1-128'" class="field">
        <label for="label-gtin">The farm’s GTIN</label>
        <InputText id="label-gtin" v-model="code.gtin" inputmode="numeric" :invalid="at('gtin').length > 0" />
        <FieldIssues :issues="at('gtin')" />
      </div>
      <LabelHolds v-model="draft.holds" />
      <FieldIssues :issues="at('holds')" />
      <div class="field">
        <span class="label">What we say of our meat, and the record it stands on</span>
        <p v-for="(c, i) in draft.claims" :key="i" class="row">
          <span><b>{{ c.says }}</b> <span class="muted">{{ c.record }}</span></span>
          <Button text size="small" label="Take it off" @click="draft.claims.splice(i, 1)" />
        </p>
        <span class="pair">
          <InputText v-model="claim.says" aria-label="What we say" placeholder="raised on our pasture" />
          <InputText
            v-model="claim.record"
            aria-label="The record it stands on"
            placeholder="grazing book 2026"
          />
        </span>
        <FieldIssues :issues="at('claim')" />
        <span><Button outlined size="small" label="Add it" @click="addClaim" /></span>
        <small class="muted"
          >Words like organic, grass-fed or no antibiotics need approval or a certificate in many countries:
          ask your authority first.</small
        >
      </div>
      <FieldIssues :issues="issues.filter((i) => !['prefix', 'gtin', 'claim', 'holds'].includes(i.field))" />
      <div class="row">
        <Button label="Keep these labels" @click="save" />
        <span class="good" role="status">{{ saved }}</span>
      </div>
    </section>
  </div>
</template>

<style scoped>
.labels {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 1.75rem;
  align-items: start;
}
.blocks {
  list-style: none;
  margin: 0;
  padding: 0;
}
.blocks li {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 0.5rem;
  border-bottom: 1px solid var(--rule);
  padding: 0.15rem 0;
}
.blocks label {
  display: flex;
  gap: 0.5rem;
  align-items: center;
}
.blocks button {
  width: 40px;
  height: 40px;
  color: var(--ink);
  background: var(--sheet);
  border: 1px solid var(--rule-strong);
  cursor: pointer;
}
.blocks button:disabled {
  opacity: 0.35;
}
.short {
  color: var(--caution);
  font-weight: 600;
}
.pair {
  display: grid;
  grid-template-columns: repeat(2, minmax(0, 1fr));
  gap: 0.6rem;
}
.labels :deep(.field .p-select),
.labels :deep(.field input:not([type='checkbox'])) {
  width: 100%;
  min-width: 0;
}
@media (max-width: 900px) {
  .labels {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
