<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import Select from 'primevue/select'
import { reactive, ref, watch } from 'vue'
import { currencyDigits, formatMoney, KG_PER_LB, parseMoney, sayIssue, type MassUnit } from '#core/measure'
import FieldIssues from '../pieces/FieldIssues.vue'
import type { FieldIssue } from '../state/api.ts'
import { useFarm } from '../state/farm.ts'

defineProps<{ action: string }>()
const emit = defineEmits<{ saved: [] }>()
const store = useFarm()
const held = store.farm
const zone = Intl.DateTimeFormat().resolvedOptions().timeZone
const perUnit = (unit: MassUnit) => (unit === 'kg' ? 1 : KG_PER_LB)
const shown = (minor: number, currency: string) =>
  (Math.round(minor) / 10 ** currencyDigits(currency)).toFixed(currencyDigits(currency))
const form = reactive({
  name: held?.name ?? '',
  massUnit: held?.massUnit ?? ('lb' as MassUnit),
  currency: held?.currency ?? 'USD',
  nameSet: held?.nameSet ?? ('american' as const),
  mince: held ? shown(held.mincePerKg * perUnit(held.massUnit), held.currency) : '7.50',
})
/** The same price in the other unit: choosing kilograms must not make mince cheaper. */
watch(
  () => form.massUnit,
  (unit, before) => {
    const typed = parseMoney(form.mince, form.currency)
    if (typed.ok) form.mince = shown((typed.value / perUnit(before)) * perUnit(unit), form.currency)
  },
)
const issues = ref<FieldIssue[]>([])
const CURRENCIES = ['USD', 'CAD', 'GBP', 'EUR', 'AUD', 'NZD'].map((id) => ({
  id,
  word: `${id} (${formatMoney(0, id).replace(/[\d.,\s]/g, '')})`,
}))
const at = (field: string) => issues.value.filter((i) => i.field === field)

async function save() {
  const mince = parseMoney(form.mince, form.currency, 'mince')
  issues.value = [
    ...(form.name.trim()
      ? []
      : [
          {
            field: 'name',
            detail: 'The farm has no name yet. Type one; it stands on every paper.',
            confirmable: false,
          },
        ]),
    ...(mince.ok
      ? []
      : mince.issues.map((i) => ({ field: 'mince', detail: sayIssue(i), confirmable: false }))),
  ]
  if (!mince.ok || issues.value.length > 0) return
  issues.value = await store.saveFarm({
    name: form.name,
    massUnit: form.massUnit,
    currency: form.currency,
    nameSet: form.nameSet,
    zone: held?.zone ?? zone,
    mincePerKg: mince.value / perUnit(form.massUnit),
  })
  if (issues.value.length === 0) emit('saved')
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
      <label for="farm-mince">Your usual price of mince, per {{ form.massUnit }}</label>
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
    <FieldIssues :issues="issues.filter((i) => !['name', 'mince'].includes(i.field))" />
    <div><Button type="submit" :label="action" /></div>
  </form>
</template>

<style scoped>
.pair {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0.75rem;
}
</style>
