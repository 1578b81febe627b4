<script setup lang="ts">
import Button from 'primevue/button'
import { v7 as uuid } from 'uuid'
import { ref } from 'vue'
import type { Paper } from '#contracts'
import FieldIssues from '../../pieces/FieldIssues.vue'
import { ask, issuesOf, type FieldIssue } from '../../state/api.ts'
import { useReading } from '../../state/lot.ts'

const { lot } = useReading()
const issues = ref<FieldIssue[]>([])
const busy = ref<string | null>(null)

/** Issues a paper, which stores it as printed, and hands it over in the form asked for. */
async function take(kind: Paper['kind'], ending: 'pdf' | 'csv') {
  busy.value = kind + ending
  const answer = await ask<Paper>('POST', `/lots/${lot.value!.id}/papers`, { id: uuid(), kind })
  busy.value = null
  issues.value = answer.kind === 'ok' ? [] : issuesOf(answer)
  if (answer.kind === 'ok') window.location.assign(`/api/papers/${answer.body.id}.${ending}`)
}
</script>

<template>
  <section class="stack">
    <div class="pane-head"><h2>Take away</h2></div>
    <div class="row">
      <Button
        size="small"
        outlined
        icon="pi pi-file-pdf"
        label="Price list, PDF"
        :loading="busy === 'price-listpdf'"
        @click="take('price-list', 'pdf')"
      />
      <Button
        size="small"
        outlined
        icon="pi pi-table"
        label="Price list, CSV"
        :loading="busy === 'price-listcsv'"
        @click="take('price-list', 'csv')"
      />
      <Button
        size="small"
        outlined
        icon="pi pi-file-pdf"
        label="Cut sheet, PDF"
        :loading="busy === 'cut-sheetpdf'"
        @click="take('cut-sheet', 'pdf')"
      />
    </div>
    <FieldIssues :issues="issues" />
  </section>
</template>
