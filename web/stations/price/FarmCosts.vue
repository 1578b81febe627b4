<script setup lang="ts">
import Button from 'primevue/button'
import { computed } from 'vue'
import { COST_WORDS, leftOf } from '#core/ledger'
import type { Overhead, StoredSheet } from '#core/records'
import type { useOverheads } from '../../state/sheets.ts'
import { useWords } from '../../state/words.ts'

/** What the farm pays over a time, how much of it lots bear already, and what no lot bears yet. */
const { overheads, sharing } = defineProps<{
  overheads: ReturnType<typeof useOverheads>
  sharing: string | null
}>()
const emit = defineEmits<{ share: [sheet: StoredSheet<Overhead>, left: number] }>()
const words = useWords()
const rows = computed(() =>
  overheads.sheets.value.map((sheet) => {
    const borne = overheads.borne.value.get(sheet.id)?.amount ?? 0
    return { sheet, borne, left: leftOf(sheet.body, borne) }
  }),
)
</script>

<template>
  <p v-if="overheads.state.value === 'failed'" class="field-issue" role="alert">
    The costs of the farm could not be read. Load the page again; nothing was changed.
  </p>
  <div v-else-if="rows.length > 0" class="scroll">
    <table class="plain" data-testid="farm-costs">
      <thead>
        <tr>
          <th>Cost of the farm</th>
          <th class="right">All of it</th>
          <th class="right">Borne by lots</th>
          <th class="right">Left</th>
          <th><span class="visually-hidden">Share or put away</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="r in rows" :key="r.sheet.id" :class="{ now: r.sheet.id === sharing }">
          <td>
            {{ r.sheet.body.name }} <small class="muted">{{ COST_WORDS[r.sheet.body.of] }}</small><br /><small
              class="muted"
              >{{ r.sheet.body.from }} to {{ r.sheet.body.until }}</small
            >
          </td>
          <td class="right nowrap">{{ words.money(r.sheet.body.amount) }}</td>
          <td class="right nowrap">{{ words.money(r.borne) }}</td>
          <td class="right nowrap">{{ words.money(r.left) }}</td>
          <td class="right nowrap">
            <Button
              text
              size="small"
              label="Share"
              :aria-label="`Share ${r.sheet.body.name}`"
              :disabled="r.left <= 0"
              @click="emit('share', r.sheet, r.left)"
            />
            <Button
              text
              size="small"
              icon="pi pi-times"
              severity="secondary"
              :aria-label="`Put ${r.sheet.body.name} away`"
              @click="overheads.putAway(r.sheet)"
            />
          </td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
.now td {
  font-weight: 700;
}
</style>
