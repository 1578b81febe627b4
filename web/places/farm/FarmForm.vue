<script setup lang="ts">
import same from 'fast-deep-equal'
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import Select from 'primevue/select'
import Textarea from 'primevue/textarea'
import { computed, nextTick, reactive, ref, watch } from 'vue'
import type { KeptFarm } from '#contracts'
import { SPECIES, type Species } from '#core/anatomy'
import {
  currencyDigits,
  formatMoney,
  formatPrice,
  minor,
  minorOf,
  parseMass,
  parseMoney,
  priceIn,
  priceOf,
  type MassUnit,
} from '#core/measure'
import { sayIssue } from '#contracts/said'
import FieldIssues from '../../pieces/FieldIssues.vue'
import { fieldIssue } from '../../state/api.ts'
import { useIssues } from '../../state/issues.ts'
import { useFarm } from '../../state/farm.ts'
import { aboutOf } from '../../state/species.ts'
import type { Draft } from './FarmPreview.vue'

/** `full` asks all there is to say of a farm; without it only what the first lot needs. */
const { full } = defineProps<{ action: string; full?: boolean }>()
const emit = defineEmits<{ saved: []; typed: [draft: Draft] }>()
const SHOWN = ['name', 'mince', 'hour', 'pack', 'address', 'telephone']
const store = useFarm()
let held = store.farm
const zone = Intl.DateTimeFormat().resolvedOptions().timeZone
const shown = (minor: number, currency: string) =>
  (Math.round(minor) / 10 ** currencyDigits(currency)).toFixed(currencyDigits(currency))
const filled = (f: KeptFarm | null) => ({
  name: f?.name ?? '',
  massUnit: f?.massUnit ?? ('lb' as MassUnit),
  currency: f?.currency ?? 'USD',
  nameSet: f?.nameSet ?? ('american' as const),
  address: f?.address ?? '',
  telephone: f?.telephone ?? '',
  mince: f ? shown(minorOf(priceIn(f.mince, f.massUnit)), f.currency) : '7.50',
  minces: Object.fromEntries(
    SPECIES.map((s) => {
      const price = f?.minces?.[s]
      return [s, price ? shown(minorOf(priceIn(price, f!.massUnit)), f!.currency) : '']
    }),
  ) as Record<Species, string>,
  pack: f?.pack ? `${f.pack.value} ${f.pack.unit}` : '',
  hour: f ? shown(f.hour, f.currency) : '0.00',
})
const form = reactive(filled(held))
function fill(f: KeptFarm | null) {
  held = f
  isFilling = true
  Object.assign(form, filled(f))
  void nextTick(() => (isFilling = false))
}
// Held in the queue and kept later, the settings are the same ones under a revision of their own.
watch(
  () => store.farm,
  (now) => {
    if (now && held && same({ ...now, revision: held.revision }, held)) held = now
  },
)
let isFilling = false
/** The same price in the other unit: choosing kilograms must not make mince cheaper. */
watch(
  () => form.massUnit,
  (unit, before) => {
    if (isFilling) return
    const typed = parseMoney(form.mince, form.currency)
    if (typed.ok) form.mince = shown(minorOf(priceIn(priceOf(typed.value, before), unit)), form.currency)
    for (const s of SPECIES) {
      const own = parseMoney(form.minces[s], form.currency)
      if (own.ok) form.minces[s] = shown(minorOf(priceIn(priceOf(own.value, before), unit)), form.currency)
    }
  },
)
watch(form, () => emit('typed', { ...form }), { immediate: true })
const minced = computed(() => (form.nameSet === 'american' ? 'ground meat' : 'mince'))
const nameOf = (s: Species) => aboutOf(s)?.names[form.nameSet] ?? ''
const { issues, at } = useIssues()
const CURRENCIES = ['USD', 'CAD', 'GBP', 'EUR', 'AUD', 'NZD'].map((id) => ({
  id,
  word: `${id} (${formatMoney(minor(0), id).replace(/[\d.,\s]/g, '')})`,
}))

/** What another window saved meanwhile: shown, never overwritten unasked. */
const theirs = ref<KeptFarm | null>(null)
const UNIT_WORD = { lb: 'pounds', kg: 'kilograms' }
const NAMES_WORD = { american: 'American names', commonwealth: 'Commonwealth names' }
const said = (f: KeptFarm) =>
  [
    f.name,
    UNIT_WORD[f.massUnit],
    f.currency,
    NAMES_WORD[f.nameSet],
    `mince ${formatPrice(priceIn(f.mince, f.massUnit), f.currency)}`,
    `an hour ${formatMoney(f.hour, f.currency)}`,
  ].join(' · ')

async function save() {
  const mince = parseMoney(form.mince, form.currency, 'mince')
  const hour = parseMoney(form.hour.trim() || '0', form.currency, 'hour')
  const minces = SPECIES.flatMap((s) =>
    form.minces[s].trim() === ''
      ? []
      : [[s, parseMoney(form.minces[s], form.currency, `minces-${s}`)] as const],
  )
  const pack = form.pack.trim() === '' ? null : parseMass(form.pack, form.massUnit, 'pack')
  issues.value = [
    ...(form.name.trim()
      ? []
      : [fieldIssue('name', 'The farm has no name yet. Type one; it stands on every paper.')]),
    ...(mince.ok ? [] : mince.issues.map((i) => fieldIssue('mince', sayIssue(i)))),
    ...(hour.ok ? [] : hour.issues.map((i) => fieldIssue('hour', sayIssue(i)))),
    ...minces.flatMap(([s, out]) =>
      out.ok ? [] : out.issues.map((i) => fieldIssue(`minces-${s}`, sayIssue(i))),
    ),
    ...(!pack || pack.ok ? [] : pack.issues.map((i) => fieldIssue('pack', sayIssue(i)))),
  ]
  if (!mince.ok || !hour.ok || issues.value.length > 0) return
  const base = theirs.value?.revision ?? held?.revision ?? 0
  const out = await store.saveFarm(
    {
      name: form.name,
      massUnit: form.massUnit,
      currency: form.currency,
      nameSet: form.nameSet,
      zone: held?.zone ?? zone,
      mince: priceOf(mince.value, form.massUnit),
      hour: hour.value,
      ...(form.address.trim() && { address: form.address.trim() }),
      ...(form.telephone.trim() && { telephone: form.telephone.trim() }),
      ...(minces.length > 0 && {
        minces: Object.fromEntries(
          minces.flatMap(([s, out]) => (out.ok ? [[s, priceOf(out.value, form.massUnit)]] : [])),
        ),
      }),
      ...(pack?.ok && { pack: pack.value }),
      ...(held?.aliases && { aliases: held.aliases }),
    },
    base,
  )
  issues.value = out.issues.map((i) => ({ ...i, field: i.field.split('.')[0]! }))
  theirs.value = out.theirs ?? null
  if (issues.value.length > 0 || theirs.value) return
  held = store.farm
  emit('saved')
}
function takeTheirs() {
  store.farm = theirs.value
  fill(theirs.value)
  theirs.value = null
}
</script>

<template>
  <form class="stack" novalidate @submit.prevent="save">
    <div class="field">
      <label for="farm-name">Farm’s name</label>
      <InputText
        id="farm-name"
        v-model="form.name"
        :invalid="at('name').length > 0"
        autocomplete="organization"
      />
      <FieldIssues :issues="at('name')" />
    </div>
    <div v-if="full" class="pair">
      <div class="field">
        <label for="farm-address">Address, as it stands on papers</label>
        <Textarea id="farm-address" v-model="form.address" rows="2" auto-resize />
        <FieldIssues :issues="at('address')" />
      </div>
      <div class="field">
        <label for="farm-telephone">Telephone</label>
        <InputText id="farm-telephone" v-model="form.telephone" autocomplete="tel" />
        <FieldIssues :issues="at('telephone')" />
      </div>
    </div>
    <div class="pair">
      <div class="field">
        <label for="farm-unit">Weights in</label>
        <Select
          v-model="form.massUnit"
          label-id="farm-unit"
          input-id="farm-unit"
          :options="[
            { id: 'lb', word: 'pounds (lb)' },
            { id: 'kg', word: 'kilograms (kg)' },
          ]"
          option-label="word"
          option-value="id"
        />
      </div>
      <div class="field">
        <label for="farm-currency">Money in</label>
        <Select
          v-model="form.currency"
          input-id="farm-currency"
          :options="CURRENCIES"
          option-label="word"
          option-value="id"
        />
      </div>
    </div>
    <div class="field">
      <label for="farm-names">Names of cuts</label>
      <Select
        v-model="form.nameSet"
        input-id="farm-names"
        :options="[
          { id: 'american', word: 'American (Boston butt, ground pork)' },
          { id: 'commonwealth', word: 'Commonwealth (neck end, mince)' },
        ]"
        option-label="word"
        option-value="id"
      />
    </div>
    <div class="field">
      <label for="farm-mince">Your usual price of {{ minced }}, per {{ form.massUnit }}</label>
      <InputText
        id="farm-mince"
        v-model="form.mince"
        inputmode="decimal"
        :invalid="at('mince').length > 0"
        aria-describedby="farm-mince-why"
      />
      <small id="farm-mince-why" class="muted"
        >Every other cut starts from it, until you set prices of your own.</small
      >
      <FieldIssues :issues="at('mince')" />
    </div>
    <template v-if="full">
      <fieldset class="each">
        <legend>Where an animal’s {{ minced }} costs something else</legend>
        <div v-for="s in SPECIES" :key="s" class="field">
          <label :for="`farm-mince-${s}`">{{ nameOf(s) }}</label>
          <InputText
            :id="`farm-mince-${s}`"
            v-model="form.minces[s]"
            inputmode="decimal"
            :invalid="at(`minces-${s}`).length > 0"
          />
          <FieldIssues :issues="at(`minces-${s}`)" />
        </div>
      </fieldset>
      <div class="field">
        <label for="farm-pack">The pack it is filled in</label>
        <InputText
          id="farm-pack"
          v-model="form.pack"
          :invalid="at('pack').length > 0"
          aria-describedby="farm-pack-why"
        />
        <small id="farm-pack-why" class="muted">1 lb or 500 g are usual; left empty it is that.</small>
        <FieldIssues :issues="at('pack')" />
      </div>
    </template>
    <div v-if="full" class="field">
      <label for="farm-hour">What an hour at the bench costs you</label>
      <InputText
        id="farm-hour"
        v-model="form.hour"
        inputmode="decimal"
        :invalid="at('hour').length > 0"
        aria-describedby="farm-hour-why"
      />
      <small id="farm-hour-why" class="muted"
        >Each plan then counts its own minutes. Leave it at 0 if labour is among the costs you type in.</small
      >
      <FieldIssues :issues="at('hour')" />
    </div>
    <FieldIssues :issues="issues.filter((i) => !SHOWN.some((f) => i.field.startsWith(f)))" />
    <div v-if="theirs" class="theirs" role="alert">
      <p>
        <b>Another window saved the farm meanwhile.</b> It stands as: {{ said(theirs) }}. Yours is still in
        the fields and was not saved.
      </p>
      <div class="row">
        <Button
          type="button"
          label="Take the other window’s"
          severity="secondary"
          outlined
          @click="takeTheirs"
        />
        <Button type="submit" label="Save mine over it" />
      </div>
    </div>
    <div v-else><Button type="submit" :label="action" /></div>
  </form>
</template>

<style scoped>
.theirs {
  display: grid;
  gap: 0.6rem;
  padding: 0.6rem 0.75rem;
  background: var(--caution-sheet);
  border-left: 3px solid var(--caution);
}
.each {
  border: 0;
  padding: 0;
  margin: 0;
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(5.5rem, 1fr));
  gap: 0.5rem;
}
.each legend {
  font-weight: 600;
  font-size: 0.92rem;
  padding-bottom: 0.2rem;
}
.each :deep(input),
.pair :deep(input) {
  width: 100%;
}
.pair {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0.75rem;
}
</style>
