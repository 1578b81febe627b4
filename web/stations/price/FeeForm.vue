<script setup lang="ts">
import TextField from '../../pieces/TextField.vue'
import Button from 'primevue/button'
import Checkbox from 'primevue/checkbox'
import Select from 'primevue/select'
import { computed } from 'vue'
import { issueOf } from '#core/measure'
import { FACTS, FEE_BASES, FEE_IDS, type Fee, type FeeBasis } from '#core/records'
import type { Destination } from '#core/anatomy'
import PickField from '../../pieces/PickField.vue'
import FieldIssues from '../../pieces/FieldIssues.vue'
import { useReading } from '../../state/lot.ts'
import { useForm } from '../../state/form.ts'
import { useWords } from '../../state/words.ts'
import { DESTINATIONS } from '../../theme/destinations.ts'
import { BASIS_SAYS } from './feeWords.ts'

/** One fee: for every animal, by a weight, by the pack; or only where a way is taken or a class of cuts comes of it. */
const { read, body, note } = useReading()
const words = useWords()
type On = 'all' | 'way' | 'class'
const {
  typed: fresh,
  at,
  keep,
} = useForm(
  'fee',
  FACTS.fee.fields,
  () => ({
    ...{ label: '', amount: '', least: '', leastPer: 'lot' as NonNullable<Fee['leastPer']>, credit: false },
    ...{ on: 'all' as On, per: 'head' as Fee['per'], basis: 'hot' as FeeBasis, way: null as string | null },
    to: 'C' as Destination,
  }),
  { stays: ['leastPer', 'on', 'per', 'basis', 'way', 'to'] },
)
const ONS: { id: On; word: string }[] = [
  { id: 'all', word: 'always' },
  { id: 'way', word: 'only for a way' },
  { id: 'class', word: 'only for what becomes' },
]
const LEASTS = [
  { v: 'lot', w: 'the whole bill' },
  { v: 'head', w: 'each animal' },
] as const
const pers = computed(() =>
  (['head', words.unit.value, 'pack'] as const)
    .filter((p) => fresh.on !== 'way' || p !== 'pack')
    .map((id) => ({ id, word: `a ${id}` })),
)
const bases = FEE_BASES.map((id) => ({ id, word: BASIS_SAYS[id] }))
const isByWeight = computed(() => fresh.per === 'kg' || fresh.per === 'lb')
const ways = computed(() =>
  body.value.anatomy.parts
    .map((p) => ({
      part: words.name(p.names),
      items: body.value.anatomy.paths
        .filter((w) => w.part === p.id)
        .map((w) => ({ id: w.id, word: `${words.name(p.names)}: ${words.name(w.names)}` })),
    }))
    .filter((g) => g.items.length > 0),
)
const classes = computed(() =>
  [...new Set(body.value.anatomy.cuts.filter((c) => c.kind === 'product').map((c) => c.destination))].map(
    (id) => ({ id, word: DESTINATIONS[id].word }),
  ),
)
/** An id of its own that no other fee of the lot has. */
function idOf(label: string): string {
  const plain =
    label
      .toLowerCase()
      .replaceAll(/[^a-z0-9]+/g, '-')
      .replaceAll(/^-|-$/g, '') || 'fee'
  const taken = new Set([...FEE_IDS, ...Object.keys(read.value.plan.fees)])
  let id = plain.slice(0, 32)
  for (let n = 2; taken.has(id); n++) id = `${plain.slice(0, 32)}-${n}`
  return id
}
const add = keep(({ label, amount, least }) => {
  if (fresh.on === 'way' && !fresh.way) return [issueOf('not-said', 'on', { ask: 'Which way is it for?' })]
  note({
    ...{ kind: 'fee', fee: idOf(label), label, amount, per: fresh.per },
    basis: isByWeight.value && fresh.on === 'all' ? fresh.basis : null,
    ...(fresh.on === 'way' && fresh.way && { on: { ways: [fresh.way] } }),
    ...(fresh.on === 'class' && { on: { to: fresh.to } }),
    ...(least !== null && { least, leastPer: fresh.leastPer }),
    ...(fresh.credit && { credit: true }),
  })
})
</script>

<template>
  <form class="fields" novalidate aria-label="Write a fee down" @submit.prevent="add">
    <TextField
      id="fee-label"
      v-model="fresh.label"
      class="wide"
      size="small"
      label="Fee"
      :issues="at('label')"
    />
    <TextField
      id="fee-amount"
      v-model="fresh.amount"
      class="short"
      size="small"
      label="Rate"
      inputmode="decimal"
      :issues="at('amount')"
    />
    <div class="field">
      <label id="fee-per-label" for="fee-per">for</label>
      <Select
        v-model="fresh.per"
        input-id="fee-per"
        aria-labelledby="fee-per-label"
        size="small"
        :options="pers"
        option-label="word"
        option-value="id"
      />
    </div>
    <div class="field">
      <label id="fee-on-label" for="fee-on">billed</label>
      <Select
        v-model="fresh.on"
        input-id="fee-on"
        aria-labelledby="fee-on-label"
        size="small"
        :options="ONS"
        option-label="word"
        option-value="id"
      />
    </div>
    <div v-if="fresh.on === 'way'" class="field wide">
      <label id="fee-way-label" for="fee-way">Way</label>
      <Select
        v-model="fresh.way"
        input-id="fee-way"
        aria-labelledby="fee-way-label"
        size="small"
        filter
        :options="ways"
        option-group-label="part"
        option-group-children="items"
        option-label="word"
        option-value="id"
        placeholder="choose a way"
      />
      <FieldIssues :issues="at('on')" />
    </div>
    <div v-else-if="fresh.on === 'class'" class="field">
      <label id="fee-class-label" for="fee-class">Class</label>
      <Select
        v-model="fresh.to"
        input-id="fee-class"
        aria-labelledby="fee-class-label"
        size="small"
        :options="classes"
        option-label="word"
        option-value="id"
      />
    </div>
    <div v-else-if="isByWeight" class="field">
      <label id="fee-basis-label" for="fee-basis">on</label>
      <Select
        v-model="fresh.basis"
        input-id="fee-basis"
        aria-labelledby="fee-basis-label"
        size="small"
        :options="bases"
        option-label="word"
        option-value="id"
      />
    </div>
    <TextField
      id="fee-least"
      v-model="fresh.least"
      class="short"
      size="small"
      label="At least"
      inputmode="decimal"
      :issues="at('least')"
    />
    <PickField
      v-if="fresh.least.trim() !== '' && read.count > 1"
      id="fee-least-per"
      v-model="fresh.leastPer"
      label="at least of"
      :options="LEASTS"
    />
    <div class="last">
      <label class="tick"
        ><Checkbox v-model="fresh.credit" binary /> taken off the bill (a hide they buy)</label
      >
      <Button type="submit" size="small" outlined label="Write the fee down" />
    </div>
  </form>
</template>
