<script setup lang="ts">
import Button from 'primevue/button'
import { papersAt } from '#core/papers'
import type { Share } from '#core/records'
import { usePapers } from '../state/papers.ts'
import FieldIssues from './FieldIssues.vue'

/** A button for every paper that stands at a place, in every form it has; those of a share are for the share chosen. */
const { lot, place, share = 1 } = defineProps<{ lot: string; place: 'sold' | 'bench'; share?: Share }>()
const { issues, busy, take } = usePapers(() => lot)
const FORMS = { pdf: { icon: 'pi pi-file-pdf', word: 'PDF' }, csv: { icon: 'pi pi-table', word: 'CSV' } }
const buttons = papersAt(place).flatMap((p) =>
  p.forms.map((form) => ({
    ...p,
    form,
    icon: p.shared ? 'pi pi-envelope' : FORMS[form].icon,
    label: place === 'sold' ? `${p.asks}, ${FORMS[form].word}` : p.asks,
  })),
)
const of = (shared: boolean): Share => (shared ? share : 1)
</script>

<template>
  <template v-for="b in buttons" :key="b.kind + b.form">
    <slot v-if="b.shared" name="share" />
    <Button
      size="small"
      outlined
      :icon="b.icon"
      :label="b.label"
      :loading="busy === b.kind + b.form + of(b.shared)"
      @click="take(b.kind, b.form, of(b.shared))"
    />
  </template>
  <FieldIssues :issues="issues" />
</template>
