<script setup lang="ts">
import Button from 'primevue/button'
import FieldIssues from '../../pieces/FieldIssues.vue'
import { useReading } from '../../state/lot.ts'
import { usePapers } from '../../state/papers.ts'

const { lot } = useReading()
const { issues, busy, take } = usePapers(() => lot.value!.id)
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
        :loading="busy === 'price-listpdf1'"
        @click="take('price-list', 'pdf')"
      />
      <Button
        size="small"
        outlined
        icon="pi pi-table"
        label="Price list, CSV"
        :loading="busy === 'price-listcsv1'"
        @click="take('price-list', 'csv')"
      />
      <Button
        size="small"
        outlined
        icon="pi pi-file-pdf"
        label="Cut sheet, PDF"
        :loading="busy === 'cut-sheetpdf1'"
        @click="take('cut-sheet', 'pdf')"
      />
    </div>
    <FieldIssues :issues="issues" />
  </section>
</template>
