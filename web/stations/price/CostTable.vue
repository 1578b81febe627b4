<script setup lang="ts">
import Button from 'primevue/button'
import { ref } from 'vue'
import { costsCsv, readCostsCsv, type BadRow } from '#core/ledger'
import { currencyDigits } from '#core/measure'
import type { Cost } from '#core/records'
import { useReading } from '../../state/lot.ts'
import { useWords } from '../../state/words.ts'

/** Costs as a table: taken away, or brought in; what cannot be read is said, the good rows are offered all the same. */
const { read, lot, note } = useReading()
const words = useWords()
const found = ref<{ good: Cost[]; bad: BadRow[] } | null>(null)

function takeAway() {
  const text = costsCsv(read.value.plan.costs, words.currency.value, currencyDigits(words.currency.value))
  const link = document.createElement('a')
  link.href = URL.createObjectURL(new Blob([text], { type: 'text/csv' }))
  link.download = `costs-${lot.value!.tag.replaceAll(/[^\p{L}\p{N}-]+/gu, '-')}.csv`
  link.click()
  URL.revokeObjectURL(link.href)
}
async function bring(event: Event) {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  if (file) found.value = readCostsCsv(await file.text(), words.currency.value)
  input.value = ''
}
function keep() {
  if (found.value) note(...found.value.good)
  found.value = null
}
</script>

<template>
  <div class="stack">
    <div class="row">
      <Button
        size="small"
        outlined
        icon="pi pi-download"
        label="Take the costs away (CSV)"
        @click="takeAway"
      />
      <label class="file">Bring costs in <input type="file" accept=".csv,text/csv" @change="bring" /></label>
    </div>
    <small class="muted"
      >Columns: day, kind, what, quantity, unit, amount, unpaid, currency; what and amount must be
      there.</small
    >
    <div v-if="found" role="status" class="stack" data-testid="csv">
      <table v-if="found.bad.length > 0" class="plain">
        <thead>
          <tr>
            <th class="right">Row</th>
            <th>Column</th>
            <th>Why it cannot be read</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="b in found.bad" :key="`${b.row} ${b.column}`">
            <td class="right">{{ b.row }}</td>
            <td>{{ b.column }}</td>
            <td>{{ b.reason }}</td>
          </tr>
        </tbody>
      </table>
      <p v-if="found.good.length === 0">No row of it can be kept. Nothing was changed.</p>
      <div v-else class="row">
        <Button
          size="small"
          :label="
            found.good.length === 1 ? 'Keep the one good row' : `Keep the ${found.good.length} good rows`
          "
          @click="keep"
        />
        <Button text size="small" severity="secondary" label="Keep none" @click="found = null" />
      </div>
    </div>
  </div>
</template>

<style scoped>
.file {
  display: inline-flex;
  gap: 0.5rem;
  align-items: center;
  font-weight: 600;
}
</style>
