<script setup lang="ts">
import Button from 'primevue/button'
import { computed, defineAsyncComponent, ref } from 'vue'
import { papersAt, type PaperPlace } from '#core/papers'
import { usePapers } from '../state/papers.ts'
import { useReading } from '../state/lot.ts'
import FieldIssues from './FieldIssues.vue'

/** A button for every paper that stands at a place, in every form it has; none with prices where nothing may be sold so. */
const { lot, place } = defineProps<{ lot: string; place: PaperPlace }>()
const PaperDialog = defineAsyncComponent(() => import('./PaperDialog.vue'))
const { priced, group, groups } = useReading()
const { issues, busy, take } = usePapers(
  () => lot,
  () => group.value,
)
const FORMS = { pdf: { icon: 'pi pi-file-pdf', word: 'PDF' }, csv: { icon: 'pi pi-table', word: 'CSV' } }
type Asked = ReturnType<typeof papersAt>[number]
const asking = ref<Asked | null>(null)
const buttons = computed(() =>
  papersAt(place)
    .filter((p) => !p.priced || priced.value)
    .filter((p) => !p.cutting || groups.value.length === 0 || group.value !== null)
    .flatMap((p) =>
      p.forms.map((form) => ({
        paper: p,
        form,
        icon: p.shared ? 'pi pi-envelope' : FORMS[form].icon,
        label: place === 'sold' ? `${p.asks}, ${FORMS[form].word}` : p.asks,
      })),
    ),
)
const press = (b: { paper: Asked; form: 'pdf' | 'csv' }) =>
  b.form === 'pdf' ? (asking.value = b.paper) : void take(b.paper.kind, b.form)
</script>

<template>
  <Button
    v-for="b in buttons"
    :key="b.paper.kind + b.form"
    size="small"
    outlined
    :icon="b.icon"
    :label="b.label"
    :loading="busy === b.paper.kind + b.form"
    @click="press(b)"
  />
  <FieldIssues :issues="issues" />
  <PaperDialog v-if="asking" :lot="lot" :paper="asking" @close="asking = null" />
</template>
